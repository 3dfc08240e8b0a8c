import { join } from 'node:path'
import { ensureBuild, ensureNpm } from './lib/build.mjs'
import { askHolder, takeLock } from './lib/instance.mjs'
import { dataHome, ensureDatabase, ownDatabase, startCluster } from './lib/postgres.mjs'
import { main, say, Stop } from './lib/say.mjs'
import { healthOf, startServer } from './lib/server.mjs'
import { tellOfDoor } from './lib/share.mjs'
import { endChildren, ensureDebian, portFrom, root, runTypeScript } from './lib/system.mjs'

/** The mark of an end that the person at the keyboard asked for. */
const stop = Symbol('stopped')

/**
 * `npm run demo [-- --reset] [-- --empty] [-- --share [ADDRESS]]`: everything from a fresh clone to the printed address. Ctrl+C ends all of
 * it. Only with `--share` other devices can reach it, at one address of this machine, and only those that are let in.
 */
await main(async () => {
  const port = portFrom('SALT_SHELF_PORT', 4178)
  const databasePort = portFrom('SALT_SHELF_DB_PORT', 54178)
  const ownServer = process.env.DATABASE_URL
  const reset = process.argv.includes('--reset')
  const isEmpty = process.argv.includes('--empty')
  const asked = askedToShare(process.argv.slice(2))
  const sharePort = portFrom('SALT_SHELF_SHARE_PORT', 4179)
  const place = ownServer ? `database ${ownServer}` : `home ${dataHome()}`
  const lock = await takeLock(place, { stand: 'starting' })
  if (!lock) return tellOfRunning(place, { reset, share: asked !== null })

  const stopped = whenStopped()
  let cluster = null
  let server = null
  try {
    await unlessStopped(stopped, async () => {
      if (!ownServer) await ensureDebian(['postgresql'])
      await ensureNpm()
    })
    const build = await unlessStopped(stopped, ensureBuild)
    const share = asked === null ? null : await shareAt(asked, build, sharePort)
    if (!ownServer) cluster = await startCluster({ home: dataHome(), port: databasePort })
    server = await unlessStopped(stopped, async () => {
      const databaseUrl = ownServer
        ? await ownDatabase(ownServer)
        : await ensureDatabase(cluster.url, 'salt_shelf')
      say('Bringing the tables up to date')
      const mode = reset ? '--reset-demo' : isEmpty ? '--no-demo' : '--demo'
      await runTypeScript('scripts/prepare-database.ts', [mode], { DATABASE_URL: databaseUrl })
      say('Starting the application')
      return startServer({ port, databaseUrl, build, share, home: ownServer ? '' : dataHome() })
    })
    lock.tell({ stand: 'open', address: server.address, shared: server.door?.origin ?? null })
    console.log(`\nSalt Shelf is open at ${server.address}`)
    await tellOfDoor(server.door)
    console.log('Ctrl+C stops it; everything is kept.\n')
    const watching = cluster ? watch(cluster) : null
    const how = await Promise.race([stopped, server.ended])
    clearInterval(watching)
    if (how !== stop)
      throw new Stop(`The application ended by itself (${how}). Everything saved is kept; start again.`)
  } catch (error) {
    if (error !== stop) throw error
  } finally {
    if (server) {
      await server.kill()
      say('The application has stopped')
    }
    endChildren()
    if (cluster) {
      cluster.stop()
      say('The database has stopped')
    }
    await lock.release()
  }
})

/** The address after `--share`, empty where none stands there; null where nobody asked to share. */
function askedToShare(args) {
  const at = args.indexOf('--share')
  if (at < 0) return null
  const next = args[at + 1] ?? ''
  return next.startsWith('--') ? '' : next
}

/** Where the door for other devices is to stand; stops with what is wrong about the address asked for. */
async function shareAt(asked, build, port) {
  const { chooseAddress } = await import(join(root, build, 'door.mjs'))
  const chosen = await chooseAddress(asked)
  if (!chosen.ok) throw new Stop(`${chosen.refusal.message}\nFor example: npm run demo -- --share ADDRESS`)
  return { at: chosen.value, port, home: dataHome() }
}

function whenStopped() {
  return new Promise((resolve) =>
    ['SIGINT', 'SIGTERM', 'SIGHUP'].forEach((signal) => process.on(signal, () => resolve(stop))),
  )
}

/** Does some work, or gives up on it when told to stop. */
async function unlessStopped(stopped, work) {
  const working = work()
  working.catch(() => undefined)
  const first = await Promise.race([working, stopped])
  if (first !== stop) return first
  endChildren()
  // A server that was just being started is ended, too.
  const late = await Promise.race([
    working.catch(() => null),
    new Promise((resolve) => setTimeout(resolve, 3000)),
  ])
  await late?.kill?.()
  throw stop
}

/** Looks every second whether the database still runs, and starts it again when it has ended by itself. */
function watch(cluster) {
  let busy = false
  return setInterval(() => {
    if (busy) return
    busy = true
    cluster
      .revive()
      .then((revived) => {
        if (revived) say('The database had ended by itself; it runs again, and nothing saved is lost')
      })
      .catch((error) => console.error(`The database has ended and does not start again: ${error.message}`))
      .finally(() => (busy = false))
  }, 1000)
}

/** Another process has this place: where it is and how it stands, and that it is left alone. */
async function tellOfRunning(place, { reset, share }) {
  let holder = await askHolder(place)
  if (holder && holder.stand !== 'open')
    say(`Salt Shelf is being started already (process ${holder.process}); waiting for it`)
  while (holder && holder.stand !== 'open') {
    await new Promise((resolve) => setTimeout(resolve, 300))
    holder = await askHolder(place)
  }
  if (!holder) throw new Stop('The other start of Salt Shelf has ended without opening. Start again.')
  const { address, shared = null, process: id } = holder
  if (reset)
    throw new Stop(
      `Salt Shelf is running at ${address} (process ${id}), and its data is not put back under it.\n` +
        'Stop it with Ctrl+C where it was started, then reset again.',
    )
  if (share && shared === null)
    throw new Stop(
      `Salt Shelf is running at ${address} (process ${id}) for this machine alone.\n` +
        'Stop it with Ctrl+C where it was started, then share.',
    )
  const health = await healthOf(address)
  if (health === null)
    throw new Stop(
      `Salt Shelf was started at ${address} (process ${id}), but does not answer.\n` +
        `End it with Ctrl+C where it was started, or with: kill ${id}`,
    )
  const stand = health.ok ? '' : ` It answers, but: ${health.cause}`
  console.log(
    `\nSalt Shelf is open already at ${address} (process ${id}), and was left as it is.${stand}\n` +
      (shared === null ? '' : `Devices that were let in reach it at ${shared}\n`) +
      'To run a second one beside it, give it a place of its own:\n' +
      '    SALT_SHELF_HOME=~/salt-shelf-2 SALT_SHELF_PORT=4200 SALT_SHELF_DB_PORT=54200 npm run demo\n',
  )
}
