/** Listens to a worker's faults: one that cannot be loaded or ends by an error never answers, and must be told of. */
export function watched(thread: Worker, onFault: (words: string) => void): Worker {
  thread.addEventListener('error', (event) => {
    event.preventDefault()
    onFault(event.message || 'it could not be loaded')
  })
  thread.addEventListener('messageerror', () => onFault('its answer could not be read'))
  return thread
}
