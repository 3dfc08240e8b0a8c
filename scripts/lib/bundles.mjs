import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { getManifest } from '@serwist/build'
import { build } from 'esbuild'
import { root } from './system.mjs'

/** The largest file a device takes along, in bytes: the solver has 3.5 MB, packed a third of it. */
const largest = 4_000_000

/**
 * Lays beside a build what Next.js does not make: the service worker, which has the list of everything this release needs
 * without a server, what every request passes (`src/server/gate.ts`), and the door through which other devices come in
 * (`src/server/door`).
 */
export async function bundleBeside(folder, release) {
  await build({
    entryPoints: [join(root, 'src/workers/service-worker.ts')],
    outfile: join(folder, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: {
      'self.__SW_MANIFEST': JSON.stringify(await needed(folder, release)),
      'process.env.NODE_ENV': '"production"',
    },
    logLevel: 'warning',
  })
  await bundleForNode('src/server/gate.ts', join(folder, 'gate.mjs'))
  await bundleForNode('src/server/door/index.ts', join(folder, 'door.mjs'))
}

/** A module of ours with everything it imports from us; packages stay where they are. */
async function bundleForNode(entry, outfile) {
  await build({
    entryPoints: [join(root, entry)],
    outfile,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  })
}

/** Every file of the release by its address, and the page that stands in, known by the release. */
async function needed(folder, release) {
  const { manifestEntries, warnings } = await getManifest({
    globDirectory: join(folder, 'static'),
    globPatterns: ['**/*.{js,css,woff,woff2,svg,wasm}'],
    // On the screen it is a woff2, and it is on no paper.
    globIgnores: ['**/*-mono-*.woff'],
    maximumFileSizeToCacheInBytes: largest,
    dontCacheBustURLsMatching: /./,
    modifyURLPrefix: { '': '/_next/static/' },
  })
  // What is too large to be taken along would be missing without a connection.
  if (warnings.length > 0) throw new Error(warnings.join('\n'))
  const icons = readdirSync(join(root, 'public'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
    .map((path) => ({ url: path.slice(join(root, 'public').length), revision: hashOf(readFileSync(path)) }))
  return [...manifestEntries, ...icons, { url: '/kept', revision: release }]
}

function hashOf(bytes) {
  return createHash('sha256').update(bytes).digest('hex').slice(0, 16)
}
