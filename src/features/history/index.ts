/** What happened, in lines: what pages use of it. */
export { HistoryList, type HappenedLine } from './history-list'
