/** Sheets of a plan: on the screen, on paper, in files, and taken back. */
export { SheetsStation } from './sheets-station'
export type { SheetsKnown } from './use-sheets'
