import type { Page } from 'playwright-core'
import { readFileSync } from 'node:fs'
import { request } from 'node:http'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  demoPlan,
  filmPlan,
  freshPlan,
  openApplication,
  post,
  savedRows,
  type Application,
} from './application'
import { openChromium } from './chromium'

let application: Application
let chromium: Awaited<ReturnType<typeof openChromium>>
beforeAll(async () => {
  application = await openApplication()
  chromium = await openChromium()
})
afterAll(async () => {
  await chromium.close()
  await application.stop()
})

const save = {
  basedOn: 1,
  steps: [{ id: '22222222-2222-4222-8222-222222222222', changes: [{ row: 'title', from: null, to: 'x' }] }],
}

/** A request with a Host header of our choosing, which fetch does not allow. */
function asHost(host: string): Promise<number> {
  const { port } = new URL(application.address)
  return new Promise((resolve, reject) => {
    const sent = request({ port, host: '127.0.0.1', path: '/', headers: { host } }, (response) => {
      response.resume()
      resolve(response.statusCode ?? 0)
    })
    sent.on('error', reject)
    sent.end()
  })
}

describe('a request', () => {
  it('that changes something is refused unless it comes from our own pages', async () => {
    const plan = await freshPlan(application.address)
    const url = `${application.address}/api/plans/${plan}/steps`
    const before = await savedRows(application.address, plan)
    for (const origin of ['http://evil.example', 'null', `http://127.0.0.1:1`]) {
      expect((await post(url, save, { origin })).status).toBe(403)
    }
    const without = await fetch(url, { method: 'POST', body: JSON.stringify(save) })
    expect(without.status).toBe(403)
    expect(await savedRows(application.address, plan)).toEqual(before)
  })

  it('under a foreign host name is refused', async () => {
    expect(await asHost('shelf.example')).toBe(421)
    expect(await asHost(new URL(application.address).host)).toBe(200)
  })

  it('larger than its limit is refused', async () => {
    const url = `${application.address}/api/plans/${demoPlan}/steps`
    expect((await post(url, { basedOn: 0, steps: [], more: 'x'.repeat(1_100_000) })).status).toBe(413)
  })

  it.each([
    ['no JSON', '{', 'not-json'],
    ['no steps', JSON.stringify({ basedOn: 0 }), 'shape'],
    [
      'an unknown row',
      JSON.stringify({
        ...save,
        steps: [{ ...save.steps[0], changes: [{ row: 'base/nowhere', from: null, to: 1 }] }],
      }),
      'unknown-row',
    ],
  ])('with %s is refused with a reason', async (_name, body, code) => {
    const plan = await freshPlan(application.address)
    const response = await fetch(`${application.address}/api/plans/${plan}/steps`, {
      method: 'POST',
      body,
      headers: { origin: application.address },
    })
    expect(response.status).toBe(422)
    expect(await response.json()).toMatchObject({ kind: 'refused', refusal: { code } })
  })
})

describe('a page', () => {
  it('runs no inline script without the nonce of its policy', async () => {
    const response = await fetch(application.address)
    const policy = response.headers.get('content-security-policy') ?? ''
    const nonce = /'nonce-([^']+)'/.exec(policy)?.[1]
    expect(policy).toContain("'wasm-unsafe-eval'")
    expect(policy).not.toMatch(/script-src[^;]*'unsafe-inline'/)
    const scripts = (await response.text()).match(/<script\b[^>]*>/g) ?? []
    expect(scripts.length).toBeGreaterThan(0)
    expect(scripts.filter((script) => !script.includes(`nonce="${nonce}"`))).toEqual([])
    const again = (await fetch(application.address)).headers.get('content-security-policy')
    expect(again).not.toBe(policy)
  })

  it.each([
    '/',
    `/plans/${demoPlan}/foundation`,
    `/plans/${demoPlan}/controls`,
    `/plans/${demoPlan}/controls#key/stills/thumb-key/press`,
    `/plans/${demoPlan}/menus`,
    `/plans/${demoPlan}/menus#grid/still-grid/1`,
    `/plans/${demoPlan}/focus`,
    `/plans/${filmPlan}/banks`,
    `/plans/${demoPlan}/try`,
    `/plans/${demoPlan}/sheets`,
    `/plans/${demoPlan}/carry`,
  ])('%s breaks no rule of its policy and has no serious barrier, by day and by night', async (path) => {
    const page = await chromium.browser.newPage()
    const broken: string[] = []
    page.on('console', (message) => {
      if (message.type() === 'error') broken.push(message.text())
    })
    await page.goto(application.address + path, { waitUntil: 'networkidle' })
    expect(broken).toEqual([])
    const panels = page.getByRole('group', { name: /^Beside the/ }).getByRole('button')
    const shown = /(controls|focus|banks|try)$/.test(path) ? await panels.count() : 1
    await page.evaluate(readFileSync(join(process.cwd(), 'node_modules/axe-core/axe.min.js'), 'utf8'))
    for (let panel = 0; panel < shown; panel++) {
      if (shown > 1) await panels.nth(panel).click()
      if (panel === 1 && path.endsWith('/controls')) await page.getByLabel('uses an outing').check()
      const themes =
        panel === 0 || path.endsWith('/controls') ? (['light', 'dark'] as const) : (['dark'] as const)
      for (const colorScheme of themes) {
        await page.emulateMedia({ colorScheme })
        expect(await barriers(page)).toEqual([])
      }
    }
    await page.close()
  })
})

/** Serious and critical findings of the accessibility rules, each with where it stands. */
function barriers(page: Page): Promise<string[]> {
  return page.evaluate(async () => {
    const { axe } = globalThis as unknown as {
      axe: { run(): Promise<{ violations: { id: string; impact: string; nodes: { html: string }[] }[] }> }
    }
    const { violations } = await axe.run()
    return violations
      .filter((one) => one.impact === 'serious' || one.impact === 'critical')
      .map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
  })
}
