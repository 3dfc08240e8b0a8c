/** What a page about something is called in its tab. */
export function titled(name: string): string {
  return `${name} · Salt Shelf`
}
