import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { demoPlan } from '../../tests/browser/application'
import { freePort, root } from '../lib/system.mjs'
import type { Figure } from './measure'

const next = join(root, 'node_modules/next/dist/bin/next')

/** A station's page from the server, whole, against a bare page of as many bytes by the same framework: medians, taken in turn. */
export async function bareBench(address: string): Promise<Figure> {
  const station = `${address}/plans/${demoPlan}/controls`
  const bytes = (await text(station)).length
  const folder = join(root, '.next-bare')
  let server: ChildProcess | null = null
  try {
    // Text stands twice in such a page: as HTML, and as what the page is drawn from in the browser.
    buildPage(folder, Math.round(bytes / 2) - 3000)
    const port = await freePort()
    server = spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
      cwd: folder,
      stdio: 'ignore',
    })
    const bare = `http://127.0.0.1:${port}/`
    await answers(bare)
    const size = (await text(bare)).length
    const [here, there] = await inTurn(station, bare)
    const times = here / there
    return {
      name: `A station’s page (${bytes} bytes) against a bare page (${size} bytes) by the same framework`,
      wanted: 'at most 2 times the time',
      measured: `${times.toFixed(2)} times (${here.toFixed(1)} ms, ${there.toFixed(1)} ms)`,
      holds: times <= 2 && Math.abs(size - bytes) < bytes / 10,
    }
  } finally {
    server?.kill()
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Builds an application of one page with so many letters on it, made anew for every request as a station is. */
function buildPage(folder: string, letters: number): void {
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(join(folder, 'app'), { recursive: true })
  const files = {
    'package.json': JSON.stringify({ name: 'bare', private: true, type: 'module' }),
    'app/layout.js': 'export default ({ children }) => <html lang="en"><body>{children}</body></html>\n',
    'app/page.js': `export const dynamic = 'force-dynamic'\nconst text = 'salt '.repeat(${Math.round(letters / 5)})\nexport default () => <p>{text}</p>\n`,
  }
  for (const [name, content] of Object.entries(files)) writeFileSync(join(folder, name), content)
  const built = spawnSync(process.execPath, [next, 'build'], {
    cwd: folder,
    encoding: 'utf8',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  })
  if (built.status !== 0) throw new Error(`the bare page was not built:\n${built.stdout}${built.stderr}`)
}

async function text(url: string): Promise<string> {
  return (await fetch(url)).text()
}

async function answers(url: string): Promise<void> {
  for (let tries = 0; tries < 100; tries++) {
    if (
      await fetch(url).then(
        (one) => one.ok,
        () => false,
      )
    )
      return
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  throw new Error('the bare page is not served')
}

/** The middle times of two pages, in milliseconds, fetched in turn so that both meet the same moments of the machine. */
async function inTurn(one: string, other: string): Promise<[number, number]> {
  const times: [number[], number[]] = [[], []]
  for (let round = 0; round < 60; round++)
    for (const [i, url] of [one, other].entries()) {
      const begun = performance.now()
      await text(url)
      if (round >= 20) times[i]?.push(performance.now() - begun)
    }
  const middle = (all: number[]) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? Infinity
  return [middle(times[0]), middle(times[1])]
}
