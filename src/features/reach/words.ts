/** A share as a whole percentage. */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`
}

/** A time as people say it: tenths of seconds below ten, whole ones above, minutes from ten minutes on. */
export function secondsOf(seconds: number): string {
  if (Math.abs(seconds) >= 600) return `${Math.round(seconds / 60)}\u00a0min`
  return `${Math.abs(seconds) < 10 ? seconds.toFixed(1) : Math.round(seconds).toString()}\u00a0s`
}

/** A difference with its sign; nothing where it rounds to nothing. */
export function signed(difference: number, unit: 's' | '%'): string {
  const amount = unit === '%' ? Math.round(difference * 100) : Math.round(difference * 10) / 10
  if (amount === 0) return ''
  const shown = unit === '%' ? `${Math.abs(amount)} %` : secondsOf(Math.abs(amount))
  return `${amount > 0 ? '+' : '−'}${shown}`
}
