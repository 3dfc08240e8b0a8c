/** Home: plans, bodies, files: what other features and pages use of it. */
export { FileTable, type ShelfFile } from './file-table'
export { Shelf } from './shelf'
