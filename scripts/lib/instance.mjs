import { createHash } from 'node:crypto'
import { connect, createServer } from 'node:net'

/**
 * A lock that one process holds and that ends with it, however it ends: a name of the kernel's own, never a file that stays
 * behind. Whoever finds it taken can ask the holder who it is. `about` is what it says; `tell` changes that.
 * Gives null where another process holds it.
 */
export async function takeLock(name, about = {}) {
  let said = { process: process.pid, ...about }
  const server = createServer((socket) => {
    socket.on('error', () => undefined)
    socket.end(JSON.stringify(said))
  })
  server.unref()
  const taken = await new Promise((resolve, reject) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(false) : reject(error)))
    server.listen(addressOf(name), () => resolve(true))
  })
  if (!taken) return null
  return {
    tell(more) {
      said = { ...said, ...more }
    },
    release: () => new Promise((resolve) => server.close(resolve)),
  }
}

/** What the holder of a lock says of itself; null where nobody holds it (any more). */
export function askHolder(name) {
  return new Promise((resolve) => {
    const socket = connect(addressOf(name))
    let text = ''
    const end = (said) => {
      socket.destroy()
      resolve(said)
    }
    socket.setTimeout(2000, () => end({}))
    socket.on('data', (part) => (text += part))
    socket.on('error', () => end(null))
    socket.on('end', () => {
      try {
        end(JSON.parse(text))
      } catch {
        end({})
      }
    })
  })
}

/** Does `work` while holding a lock, waiting for whoever has it; says once why it waits. */
export async function holding(name, onWait, work) {
  let lock = await takeLock(name)
  if (!lock) onWait(await askHolder(name))
  while (!lock) {
    await new Promise((resolve) => setTimeout(resolve, 250))
    lock = await takeLock(name)
  }
  try {
    return await work()
  } finally {
    await lock.release()
  }
}

function addressOf(name) {
  return `\0salt-shelf-${createHash('sha256').update(name).digest('hex').slice(0, 32)}`
}
