/**
 * What a function has to say about whether autofocus runs while it is held, or on: it starts it; it does so where the
 * half-press may (a setting says); it lets it rest; it keeps the distance found; or nothing.
 */
export type FocusRole = 'starts' | 'half-press' | 'rests' | 'keeps' | 'none'

/** The role of a common function. */
export function focusRole(means: string | null): FocusRole {
  if (means === null) return 'none'
  if (means.startsWith('focus.start')) return 'starts'
  if (means === 'exposure.meterAndFocus') return 'half-press'
  if (means === 'focus.stop') return 'rests'
  return means.startsWith('focus.lock') ? 'keeps' : 'none'
}

/** Whether a function starts autofocus while it is held; the half-press does where it may. */
export function startsFocus(means: string | null, halfPress: boolean): boolean {
  const role = focusRole(means)
  return role === 'starts' || (role === 'half-press' && halfPress)
}
