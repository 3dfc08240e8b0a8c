import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Browser, type BrowserContext } from 'playwright-core'

const flags = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** Debian's Chromium with an empty profile; `close` removes the profile too. */
export async function openChromium(
  viewport = { width: 1280, height: 800 },
  /** Whether pages have a service worker, as they do for everybody; a measurement of something else goes without. */
  serviceWorkers: 'allow' | 'block' = 'allow',
): Promise<{ browser: BrowserContext; close: () => Promise<void> }> {
  const profile = mkdtempSync(join(tmpdir(), 'salt-shelf-chromium-'))
  const browser = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium',
    headless: true,
    args: flags,
    viewport,
    serviceWorkers,
    colorScheme: 'light',
    acceptDownloads: true,
  })
  return {
    browser,
    close: async () => {
      await browser.close()
      rmSync(profile, { recursive: true, force: true })
    },
  }
}

/** Chromium for contexts of its own, such as phones. */
export function launch(env: NodeJS.ProcessEnv = process.env): Promise<Browser> {
  return chromium.launch({ executablePath: '/usr/bin/chromium', args: flags, env: { ...env } })
}

/** Chromium on a device of its own that trusts a certificate authority, as a person would install it. */
export async function chromiumTrusting(
  authority: string,
): Promise<{ browser: Browser; close: () => Promise<void> }> {
  const home = mkdtempSync(join(tmpdir(), 'salt-shelf-device-'))
  const store = join(home, '.pki', 'nssdb')
  mkdirSync(store, { recursive: true })
  const file = join(home, 'authority.pem')
  writeFileSync(file, authority)
  const database = `sql:${store}`
  execFileSync('certutil', ['-d', database, '-N', '--empty-password'])
  execFileSync('certutil', ['-d', database, '-A', '-t', 'C,,', '-n', 'Salt Shelf', '-i', file])
  const browser = await launch({ ...process.env, HOME: home })
  return {
    browser,
    close: async () => {
      await browser.close()
      rmSync(home, { recursive: true, force: true })
    },
  }
}
