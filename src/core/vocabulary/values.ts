/**
 * One value that a setting holds. Photographic amounts are kept as their marks ("1/50", "f/4", "ISO 400",
 * "25p", "5600 K", "+0.7 EV"), because owners reckon with the marked value, not with the exact power.
 * A subset is a list of member ids in the order of its domain.
 */
export type Value = string | number | boolean | readonly string[]

/** True when both are the same value; subsets compare member by member. */
export function sameValue(a: Value | undefined, b: Value | undefined): boolean {
  if (Array.isArray(a) && Array.isArray(b)) {
    return a.length === b.length && a.every((member, i) => member === b[i])
  }
  return a === b
}
