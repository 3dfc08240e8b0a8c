/**
 * Characters no text may have: control characters but the line feed, halves of surrogate pairs, and those that turn the
 * direction of what follows, so that a name could read as another.
 */
export const unkept = /[^\P{Cc}\n]|\p{Cs}|[\u202a-\u202e\u2066-\u2069]/u

/** A text with its first letter large. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
