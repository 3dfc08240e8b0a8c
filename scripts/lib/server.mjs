import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { Stop } from './say.mjs'
import { ended, portIsFree, root } from './system.mjs'

/**
 * Starts the built application on loopback and waits until it answers. It ends with the process that started it. A browser
 * that keeps its connection open would hold up a gentle end for long, so `kill` waits two seconds and no more: whatever was
 * acknowledged is in the database already. With `share` the door for other devices is opened, and `door` says where. A start that fails leaves nothing running, and says why at once.
 */
export async function startServer({ port, databaseUrl, build, home = '', share = null, quiet = false }) {
  if (!(await portIsFree(port))) {
    throw new Stop(
      `Port ${port} on this machine is taken by another program.\n` +
        'Free it, or choose another port: SALT_SHELF_PORT=4200 npm run demo',
    )
  }
  const run = randomUUID()
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    PORT: String(port),
    SALT_SHELF_RUN: run,
    SALT_SHELF_BUILD: build,
    SALT_SHELF_DATA: home,
    SALT_SHELF_SHARE: share ? JSON.stringify(share) : '',
    NODE_ENV: 'production',
    NEXT_TELEMETRY_DISABLED: '1',
  }
  const child = spawn(process.execPath, [join(root, 'scripts/serve.mjs')], {
    cwd: root,
    env,
    stdio: ['ignore', 'ignore', quiet ? 'ignore' : 'inherit', 'ipc'],
  })
  const end = ended(child)
  let door = null
  child.on('message', (said) => (door = said.door ?? door))
  const kill = (signal = 'SIGTERM') => {
    child.kill(signal)
    const patience = setTimeout(() => child.kill('SIGKILL'), 2000)
    return end.finally(() => clearTimeout(patience))
  }
  const address = `http://127.0.0.1:${port}`
  let how = null
  void end.then((it) => (how = it))
  const deadline = Date.now() + 30_000
  while (how === null && Date.now() < deadline) {
    const health = await healthOf(address)
    if (health?.ok && health.run === run) return { address, door, ended: end, kill, process: child.pid }
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  await kill('SIGKILL')
  throw new Stop(
    how === null
      ? 'The application did not answer within 30 seconds, and was ended.'
      : `The application ended at its start with ${how}; what it said stands above.`,
  )
}

/** What an application says of its health; null where none answers. */
export async function healthOf(address) {
  try {
    const response = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(6000) })
    return await response.json()
  } catch {
    return null
  }
}
