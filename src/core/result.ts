/** Why something was not done: a value, never an exception. */
export interface Refusal {
  /** Stable word for programs and tests, such as `stale` or `unknown-setting`. */
  readonly code: string
  /** One or two plain sentences for the owner: what was wrong and what to do. */
  readonly message: string
  /** Where it was wrong: a row id, a JSON path, a byte offset or a file name. */
  readonly where?: string
  /** Further faults of the same thing, found together with this one. */
  readonly also?: readonly Refusal[]
}

/** Either a value or the reason there is none. */
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal }

/** Wraps a value as a success. */
export function ok<T>(value: T): Result<T> {
  return { ok: true, value }
}

/** Wraps a reason as a refusal. */
export function refuse<T = never>(code: string, message: string, where?: string): Result<T> {
  return { ok: false, refusal: where === undefined ? { code, message } : { code, message, where } }
}

/** The value, or an exception: only for callers that already know it cannot fail. */
export function must<T>(result: Result<T>): T {
  if (result.ok) return result.value
  throw new Error(
    `${result.refusal.code}: ${result.refusal.message} (${result.refusal.where ?? 'no place given'})`,
  )
}
