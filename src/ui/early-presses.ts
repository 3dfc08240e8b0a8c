/** What the page says of itself once its own code answers to the hand. */
export const answering = 'salt-shelf:answering'

/**
 * Keeps what is pressed before the page's own code has come (a slow connection, a slow phone), and presses it then, once each.
 * It stands in the page as text and runs before anything else: it uses nothing from outside itself.
 */
export function keepEarlyPresses(event: string): void {
  const kept = new Set<Element>()
  const keep = (click: Event) => {
    const pressed = (click.target as Element).closest(
      'button, [role=button], [role=tab], input[type=checkbox], input[type=radio]',
    )
    if (!pressed) return
    click.preventDefault()
    click.stopImmediatePropagation()
    pressed.setAttribute('data-kept', '')
    kept.add(pressed)
  }
  document.addEventListener('click', keep, true)
  const press = () => {
    document.removeEventListener('click', keep, true)
    for (const pressed of kept) {
      pressed.removeAttribute('data-kept')
      pressed.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }))
    }
  }
  document.addEventListener(event, press, { once: true })
}
