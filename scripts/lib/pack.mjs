import { readdirSync } from 'node:fs'
import { readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'

/** What is worth packing: text, and the solver's code; fonts and pictures are packed already. */
const packed = /\.(js|css|svg|wasm|map)$/

/** Lays a packed copy (`.br`, `.gz`) beside each file of a build that a browser may ask for, so that none is packed while it waits. */
export async function packStatics(folder) {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && packed.test(entry.name))
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
  await Promise.all(
    files.map(async (file) => {
      const bytes = await readFile(file)
      const quality = bytes.length > 1_000_000 ? 9 : constants.BROTLI_MAX_QUALITY
      const params = {
        [constants.BROTLI_PARAM_QUALITY]: quality,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      }
      await writeFile(`${file}.br`, await promisify(brotliCompress)(bytes, { params }))
      await writeFile(`${file}.gz`, await promisify(gzip)(bytes, { level: 9 }))
    }),
  )
}
