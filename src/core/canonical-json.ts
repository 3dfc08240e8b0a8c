/** JSON text with sorted keys and the shortest form of every number: the same value gives the same text. */
export function canonicalJson(value: unknown, indent = 0): string {
  return JSON.stringify(sorted(value), null, indent)
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (value === null || typeof value !== 'object') return value
  const entries = Object.entries(value).filter(([, item]) => item !== undefined)
  entries.sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
  return Object.fromEntries(entries.map(([key, item]) => [key, sorted(item)]))
}
