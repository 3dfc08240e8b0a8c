/** Files of cameras held against each other, byte by byte. */
export { ByteStrip } from './byte-strip'
export { ComparePage, type ComparedFile, type KeptRegion } from './compare-page'
export { bytesOf, useComparison, withComparer } from './use-comparison'
