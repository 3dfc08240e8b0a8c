/**
 * True for a text that is an order key as `fractional-indexing` makes them: its first letter says how many digits of the
 * whole part follow (a one, b two …; Z one, Y two … below nought), then come those of the fraction, the last of them not
 * a nought; the least whole part is no key by itself. Here and not in `order`, so that who only reads rows does not load
 * what makes keys.
 */
export function isOrderKey(text: string): boolean {
  if (!/^[A-Za-z][A-Za-z0-9]{1,79}$/.test(text)) return false
  const head = text.charCodeAt(0)
  const whole = head >= 97 ? head - 97 + 2 : 90 - head + 2
  const fraction = text.slice(whole)
  return text.length >= whole && !fraction.endsWith('0') && text !== `A${'0'.repeat(26)}`
}
