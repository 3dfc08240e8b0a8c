/** What this device keeps: pages that open where no server answers, and the service worker that brings them. */
export { KeptPage } from './kept-page'
export { KeepsWorking } from './keeps-working'
