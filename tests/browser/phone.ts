import type { Browser, Page } from 'playwright-core'

/** A phone of its own: 390 wide, worked with a finger. */
export async function phone(browser: Browser): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  })
  return context.newPage()
}

/** By how much a page is wider than the screen. */
export function sideways(page: Page): Promise<number> {
  return page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
}

/** What a device keeps of a page, as the server gave it; undefined where it keeps nothing. */
export function keptOf(page: Page, address: string): Promise<unknown> {
  return page.evaluate(
    (path) =>
      new Promise((resolve) => {
        const asked = indexedDB.open('salt-shelf-copies')
        // Whoever asks first does not make the database.
        asked.onupgradeneeded = () => asked.transaction?.abort()
        asked.onerror = () => resolve(undefined)
        asked.onsuccess = () => {
          const found = asked.result.transaction('given').objectStore('given').get(path)
          found.onsuccess = () => {
            asked.result.close()
            resolve(found.result)
          }
        }
      }),
    address,
  )
}

/** Waits until a device opens a page without the server, too: it keeps it, and the service worker has taken over. */
export async function settledIn(page: Page, address: string): Promise<void> {
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  while ((await keptOf(page, address)) === undefined) await page.waitForTimeout(100)
}

/** The parts of a walk on a phone. */
export const walking = {
  done: (page: Page) => page.getByRole('button', { name: /^(Done|As expected)$/ }),
  inHand: (page: Page) => page.getByRole('region', { name: 'Act in hand' }),
}
