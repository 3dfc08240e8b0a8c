import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { Stop } from './say.mjs'
import { portIsFree, root } from './system.mjs'

/**
 * Starts the built application on loopback and waits until it answers. A browser that keeps its connection open
 * would hold up a gentle end for long, so `kill` waits two seconds and no more: whatever was acknowledged is in
 * the database already.
 */
export async function startServer({ port, databaseUrl, quiet = false }) {
  if (!(await portIsFree(port))) {
    throw new Stop(
      `Port ${port} on this machine is taken; perhaps Salt Shelf is running already at http://127.0.0.1:${port}.\n` +
        'Stop that one, or choose another port: SALT_SHELF_PORT=4200 npm run demo',
    )
  }
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    NODE_ENV: 'production',
    NEXT_TELEMETRY_DISABLED: '1',
  }
  const next = join(root, 'node_modules/next/dist/bin/next')
  const child = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: root,
    env,
    stdio: ['ignore', 'ignore', quiet ? 'ignore' : 'inherit'],
  })
  const ended = new Promise((resolve) => child.once('exit', resolve))
  const address = `http://127.0.0.1:${port}`
  const deadline = Date.now() + 30_000
  while (!(await answers(address))) {
    if (child.exitCode !== null) throw new Stop(`The application ended at its start with ${child.exitCode}.`)
    if (Date.now() > deadline) throw new Stop('The application did not answer within 30 seconds.')
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return {
    address,
    ended,
    kill: (signal = 'SIGTERM') => {
      child.kill(signal)
      const patience = setTimeout(() => child.kill('SIGKILL'), 2000)
      return ended.finally(() => clearTimeout(patience))
    },
  }
}

async function answers(address) {
  try {
    return (await fetch(`${address}/api/health`)).ok
  } catch {
    return false
  }
}
