import { rowNamed } from '@tests/fixtures/rows'
import type { Page } from 'playwright-core'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { must } from '@/core/result'
import { closePool, query } from '@/server/db'
import { storeDefinition } from '@/server/models'
import { createPlan, loadPlan } from '@/server/plans'
import { findingsKept } from '@/server/summaries'
import {
  demoPlan,
  freshPlan,
  openApplication,
  openPage,
  saved,
  savedRows,
  type Application,
} from './application'
import { openChromium } from './chromium'

let application: Application
let chromium: Awaited<ReturnType<typeof openChromium>>
let plan = ''
beforeAll(async () => {
  application = await openApplication()
  chromium = await openChromium()
})
afterAll(async () => {
  await chromium.close()
  await application.stop()
  await closePool()
})
beforeEach(async () => {
  plan = await freshPlan(application.address)
})

const open = () => openPage(chromium.browser, `${application.address}/plans/${plan}/foundation`)
/** Begins a situation: one step, made by a button. */
async function edit(page: Page): Promise<void> {
  await page.getByRole('group', { name: 'Kinds of work' }).getByRole('button').first().click()
}

/**
 * Cuts this page off: what it sends does not arrive. Within the page itself: a request that is held back from outside goes
 * on its way when its page is closed.
 */
async function cutOff(page: Page): Promise<void> {
  await page.evaluate(() => {
    const real = window.fetch.bind(window)
    window.fetch = (to, how) =>
      document.documentElement.dataset.cut === 'yes' && typeof to === 'string' && to.endsWith('/steps')
        ? Promise.reject(new TypeError('cut off'))
        : real(to, how)
    document.documentElement.dataset.cut = 'yes'
  })
}

async function reconnect(page: Page): Promise<void> {
  await page.evaluate(() => delete document.documentElement.dataset.cut)
}

const alerts = (page: Page) => page.getByRole('alert')

describe('what is not saved yet', () => {
  it('outlives its tab, is offered once at the next opening, and is saved when taken up', async () => {
    const first = await open()
    await cutOff(first)
    await edit(first)
    await alerts(first).filter({ hasText: 'Not saved yet' }).waitFor()
    await first.close()
    expect(Object.keys(await savedRows(application.address, plan))).toEqual(['title'])

    const second = await open()
    const offer = alerts(second).filter({ hasText: 'was not saved' })
    await offer.waitFor()
    await offer.getByRole('button', { name: /Go on/ }).click()
    await saved(second)
    expect(Object.keys(await savedRows(application.address, plan)).length).toBeGreaterThan(1)
    await second.reload({ waitUntil: 'networkidle' })
    await expect.poll(() => alerts(second).filter({ hasText: 'not saved' }).count()).toBe(0)
    await second.close()
  })

  it('is let go when given up, and not offered again', async () => {
    const first = await open()
    await cutOff(first)
    await edit(first)
    await alerts(first).filter({ hasText: 'Not saved yet' }).waitFor()
    await first.close()
    const second = await open()
    await alerts(second).getByRole('button', { name: /Give/ }).click()
    await second.reload({ waitUntil: 'networkidle' })
    await expect.poll(() => alerts(second).filter({ hasText: 'not saved' }).count()).toBe(0)
    expect(Object.keys(await savedRows(application.address, plan))).toEqual(['title'])
    await second.close()
  })

  it('goes on by itself when its own tab is loaded again', async () => {
    const page = await open()
    await cutOff(page)
    await edit(page)
    await alerts(page).filter({ hasText: 'Not saved yet' }).waitFor()
    await reconnect(page)
    await page.reload({ waitUntil: 'networkidle' })
    await saved(page)
    expect(Object.keys(await savedRows(application.address, plan)).length).toBeGreaterThan(1)
    await page.close()
  })

  it('of a tab that lives is not offered to another', async () => {
    const first = await open()
    await cutOff(first)
    await edit(first)
    await alerts(first).filter({ hasText: 'Not saved yet' }).waitFor()
    const second = await open()
    await expect.poll(() => alerts(second).filter({ hasText: 'not saved' }).count()).toBe(0)
    await first.close()
    await second.close()
  })

  it('and was left by a page of the former release is taken up, too', async () => {
    const page = await open()
    const left = [
      { id: '33333333-3333-4333-8333-333333333333', changes: [{ row: 'owner/target', from: null, to: 77 }] },
    ]
    await page.evaluate(
      ([key, text]) => sessionStorage.setItem(key ?? '', text ?? ''),
      [`waiting steps ${plan}`, JSON.stringify(left)],
    )
    await page.reload({ waitUntil: 'networkidle' })
    await saved(page)
    await expect.poll(() => savedRows(application.address, plan)).toMatchObject({ 'owner/target': 77 })
    await page.close()
  })

  it('is said not to outlive the tab where the browser keeps nothing, and is saved all the same', async () => {
    const page = await chromium.browser.newPage()
    await page.addInitScript(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('no room', 'QuotaExceededError')
      }
    })
    await page.goto(`${application.address}/plans/${plan}/foundation`, { waitUntil: 'networkidle' })
    await alerts(page).filter({ hasText: 'Not kept here. This browser has no room left' }).waitFor()
    await edit(page)
    await saved(page)
    expect(Object.keys(await savedRows(application.address, plan)).length).toBeGreaterThan(1)
    await page.close()
  })

  it('is sent when told to, as soon as the server takes it', async () => {
    const page = await open()
    await cutOff(page)
    await edit(page)
    const notice = alerts(page).filter({ hasText: 'Not saved yet' })
    await notice.waitFor()
    await reconnect(page)
    // It may have been sent by itself a moment before.
    await Promise.any([notice.getByRole('button', { name: 'Try now' }).click(), saved(page)])
    await saved(page)
    await page.close()
  })
})

describe('a plan that was put back under an open page', () => {
  it('is not claimed to be saved; what was made there opens as a plan of its own', async () => {
    const page = await open()
    await query('delete from plans where id = $1', [plan])
    await createPlan(heron, { [rowNamed('title')]: 'Put back' }, plan)
    await edit(page)
    const notice = alerts(page).filter({ hasText: 'put back or made anew' })
    await notice.waitFor()
    await expect.poll(() => page.getByRole('status').first().textContent()).toBe('not saved')
    await notice.getByRole('button', { name: 'Keep mine as a new plan' }).click()
    await page.waitForURL((url) => url.pathname.endsWith('/controls') && !url.pathname.includes(plan))
    const [, , fresh = ''] = new URL(page.url()).pathname.split('/')
    expect(Object.keys(await savedRows(application.address, fresh)).length).toBeGreaterThan(1)
    expect(await savedRows(application.address, plan)).toEqual({ title: 'Put back' })
    await page.close()
  })
})

describe('a row that two tabs change', () => {
  it('comes up with both values in the tab that came later, and the one chosen is saved', async () => {
    const [one, two] = [await open(), await open()]
    const target = async (page: Page, percent: string) => {
      const field = page.getByLabel('Target in percent')
      await field.fill(percent)
      await field.press('Tab')
    }
    await cutOff(two)
    await target(one, '70')
    await saved(one)
    await target(two, '90')
    await reconnect(two)
    const notice = alerts(two).filter({ hasText: 'Changed elsewhere' })
    await notice.filter({ hasText: 'it is now 70; you wanted 90' }).waitFor()
    await notice.getByRole('button', { name: 'Put mine back' }).click()
    await saved(two)
    expect(await savedRows(application.address, plan)).toMatchObject({ 'owner/target': 90 })
    await one.close()
    await two.close()
  })
})

describe('what is worked out in the background', () => {
  it('begins with what the server has found in the plan, before it has looked itself', async () => {
    const kept = async () => findingsKept(demoPlan)
    await expect.poll(kept, { timeout: 20_000 }).not.toBeNull()
    const isOf = (one: { severity: string; station: string }) =>
      one.station === 'foundation' && one.severity !== 'tidies'
    const count = (await kept())?.findings.filter(isOf).length ?? 0
    const page = await chromium.browser.newPage()
    // A thread that never answers.
    await page.addInitScript(() => {
      window.Worker = class extends EventTarget {
        postMessage() {}
        terminate() {}
      } as unknown as typeof Worker
    })
    await page.goto(`${application.address}/plans/${demoPlan}/controls`)
    await page
      .getByRole('link', { name: new RegExp(`^Foundation.* ${count} problem`) })
      .or(page.getByRole('link', { name: new RegExp(`^Foundation ?${count} problem`) }))
      .first()
      .waitFor()
    await page.close()
  })

  it('is told of when it fails, and worked out when tried again', async () => {
    const page = await chromium.browser.newPage()
    await page.addInitScript(() => {
      const Real = Worker
      let isFirst = true
      window.Worker = class extends Real {
        constructor(address: string | URL, options?: WorkerOptions) {
          super(isFirst ? '/nowhere.js' : address, options)
          isFirst = false
        }
      }
    })
    await page.goto(`${application.address}/plans/${plan}/focus`, { waitUntil: 'networkidle' })
    const notice = alerts(page).filter({ hasText: 'Not worked out' })
    await notice.getByRole('button', { name: 'Try again' }).click()
    await page.getByRole('table').first().waitFor()
    await expect.poll(() => notice.count()).toBe(0)
    await page.close()
  })
})

describe('a newer edition of a plan’s model', () => {
  it('is told of, shown before it is followed, followed by one step, and left again by undo', async () => {
    const older = { ...heron, version: 1 }
    await storeDefinition(older)
    const mine = await createPlan(older, {
      [rowNamed('title')]: 'Of the first edition',
      [rowNamed('base/focus.lamp')]: false,
    })
    const edition = async () => must(await loadPlan(mine)).model.version
    const page = await openPage(chromium.browser, `${application.address}/plans/${mine}/controls`)
    const notice = alerts(page).filter({ hasText: `Edition ${heron.version} of ${heron.name}` })
    await notice.getByRole('button', { name: 'See what it changes' }).click()
    await notice.filter({ hasText: 'every row of this plan stays as it is' }).waitFor()
    await notice.getByRole('button', { name: `Follow edition ${heron.version}` }).click()
    await saved(page)
    expect(await edition()).toBe(heron.version)
    await expect.poll(() => notice.count()).toBe(0)
    await page.getByRole('button', { name: /^Undo: Edition of the model/ }).click()
    await saved(page)
    expect(await edition()).toBe(1)
    await page.close()
    await query('delete from plans where id = $1', [mine])
  })
})
