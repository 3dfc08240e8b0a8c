import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { join } from 'node:path'
import next from 'next'
import sirv from 'sirv'
import { root } from './lib/system.mjs'

/**
 * Serves the built application on loopback: `PORT`, `DATABASE_URL` and `SALT_SHELF_BUILD` say where. With `SALT_SHELF_SHARE`
 * it opens the door for other devices, too. Requests no handler could read are answered here, in words, before anything else
 * looks at them. It ends when whoever started it does.
 */
const port = Number(process.env.PORT)
const hostname = '127.0.0.1'
const build = join(root, process.env.SALT_SHELF_BUILD)
const gate = await import(join(build, 'gate.mjs'))
const app = next({ dev: false, dir: root, hostname, port })
await app.prepare()
const answer = app.getRequestHandler()

/** Scripts, styles and fonts: their names say what is in them, and they lie there packed (scripts/lib/pack.mjs). */
const statics = '/_next/static/'
const serveStatic = sirv(join(build, 'static'), {
  brotli: true,
  gzip: true,
  immutable: true,
  maxAge: 31_536_000,
})

/** The service worker: looked for anew each time, so that a new release takes over. */
const worker = readFileSync(join(build, 'sw.js'))

const server = createServer((request, response) => {
  response.setHeader('x-content-type-options', 'nosniff')
  const away = gate.notLoopback(request) ?? gate.unreadable(request)
  if (away) return gate.turnAway(response, away)
  gate.leaveUnpacked(request)
  serve(request, response)
})
server.on('clientError', (_error, socket) => {
  if (socket.writable)
    socket.end('HTTP/1.1 400 Bad Request\r\ncontent-length: 0\r\nconnection: close\r\n\r\n')
})
server.on('error', (error) => {
  console.error(`The application cannot listen on ${hostname}:${port}: ${error.message}`)
  process.exit(1)
})
if (process.env.SALT_SHELF_SHARE) await openDoor(JSON.parse(process.env.SALT_SHELF_SHARE))
server.listen(port, hostname, () => process.send?.({ listening: port }))

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => process.exit(0))
process.on('disconnect', () => process.exit(0))

function serve(request, response) {
  const { url } = request
  if (url === '/sw.js') {
    const type = 'text/javascript; charset=utf-8'
    response.writeHead(200, { 'content-type': type, 'cache-control': 'no-cache' })
    return void response.end(worker)
  }
  if (!url.startsWith(statics)) return handle(request, response)
  request.url = url.slice(statics.length - 1)
  serveStatic(request, response, () => {
    request.url = url
    handle(request, response)
  })
}

function handle(request, response) {
  const away = gate.notFromOurPages(request)
  if (away) return gate.turnAway(response, away)
  gate.secure(request, response)
  void answer(request, response)
}

/** Opens the door for other devices: where it cannot be opened, nothing is. */
async function openDoor({ at, port: doorPort, home }) {
  const door = await import(join(build, 'door.mjs'))
  const opened = await door.openDoor({
    ...{ at, port: doorPort, home, unreadable: gate.unreadable, pass: serve },
    fonts: {
      'text.woff2': fontOf('atkinson-hyperlegible-next', 'variable', 'wght'),
      'head.woff2': fontOf('bricolage-grotesque', 'variable', 'wght'),
      'mono.woff2': fontOf('atkinson-hyperlegible-mono', '', '400'),
    },
  })
  if (!opened.ok) {
    console.error(opened.refusal.message)
    process.exit(1)
  }
  const { state } = opened.value
  door.doorIsOpen(state)
  const { origin, plain, fingerprint, isNew } = state
  process.send?.({ door: { origin, plain, fingerprint, isNew } })
}

/** Where a package of fonts has the file with Latin letters. */
function fontOf(name, kind, weight) {
  const folder = join(
    root,
    'node_modules',
    kind === '' ? '@fontsource' : `@fontsource-${kind}`,
    name,
    'files',
  )
  return join(folder, `${name}-latin-${weight}-normal.woff2`)
}
