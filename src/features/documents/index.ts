/** Documents under work in a tab, of whatever kind: saved step by step, undone, and what is told of them. */
export { copiesHere, copyOf, forgetCopies, type KeptCopy } from './copies'
export {
  DocumentDesk,
  type DeskWays,
  type DocumentServer,
  type DocumentView,
  type Sent,
} from './document-desk'
export { DocumentNotices } from './document-notices'
export { Notice } from './notice'
export type { Queue } from './queue'
export { stepsServer } from './steps-server'
export { Saving, UndoRedo } from './undo-redo'
export { usePartOf } from './use-part-of'
export { inThisBrowser, useKeptPart, useUnderWork } from './use-under-work'
