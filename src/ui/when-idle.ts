/** Does something once the page has nothing better to do, soon in any case; gives what calls it off. */
export function whenIdle(work: () => unknown): () => void {
  if (typeof requestIdleCallback === 'undefined') {
    const timer = setTimeout(work, 1500)
    return () => clearTimeout(timer)
  }
  const asked = requestIdleCallback(() => work(), { timeout: 3000 })
  return () => cancelIdleCallback(asked)
}
