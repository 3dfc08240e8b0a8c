import type { Refusal } from '@/core/result'

/** Why a browser kept nothing, and what that means. */
export function troubleOf(error: unknown, meaning: string): Refusal {
  const cause = error instanceof Error ? error.name : 'unknown'
  const what =
    cause === 'QuotaExceededError'
      ? 'This browser has no room left for Salt Shelf.'
      : 'This browser keeps nothing for Salt Shelf.'
  return { code: 'unkept', message: `${what} ${meaning}`, where: cause }
}
