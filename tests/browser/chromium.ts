import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type BrowserContext } from 'playwright-core'

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
): Promise<{ browser: BrowserContext; close: () => Promise<void> }> {
  const profile = mkdtempSync(join(tmpdir(), 'salt-shelf-chromium-'))
  const browser = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium',
    headless: true,
    args: flags,
    viewport,
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
