/** Home: plans, bodies, files: what other features and pages use of it. */
export { FileTable } from './file-table'
export type { ShelfFile } from './shelf-file'
export { Shelf } from './shelf'
