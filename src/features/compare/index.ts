/** Files of cameras held against each other, byte by byte. */
export { ByteStrip } from './byte-strip'
export { ComparePage, type ComparedFile } from './compare-page'
export { bytesOf, withComparer } from './use-comparison'
