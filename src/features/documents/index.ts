/** Documents under work in a tab, of whatever kind: saved step by step, undone, and what is told of them. */
export { DocumentDesk, type DocumentServer, type DocumentView, type Sent } from './document-desk'
export { DocumentNotices } from './document-notices'
export { Notice } from './notice'
export { browserQueue, type Queue } from './queue'
export { stepsServer } from './steps-server'
export { Saving, UndoRedo } from './undo-redo'
export { usePartOf } from './use-part-of'
