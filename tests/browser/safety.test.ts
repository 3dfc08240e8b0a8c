import { randomUUID } from 'node:crypto'
import { renameSync } from 'node:fs'
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
import { closePool, query } from '@/server/db'
import { barriers } from './barriers'
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
  await closePool()
})

const save = {
  epoch: '11111111-1111-4111-8111-111111111111',
  basedOn: 1,
  head: null,
  ask: [],
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
    expect((await post(url, { ...save, more: 'x'.repeat(1_400_000) })).status).toBe(413)
  })

  it.each([
    ['no JSON', '{', 'not-json'],
    ['no steps', JSON.stringify({ basedOn: 0 }), 'shape'],
    ['a key of its own', JSON.stringify({ ...save, force: true }), 'shape'],
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

describe('a save', () => {
  const sendTo = async (plan: string, change: { row: string; from: null; to: unknown }) => {
    const { epoch, head, version } = (await latest(plan)) ?? { epoch: '', head: '', version: 0 }
    const steps = [{ id: randomUUID(), changes: [change] }]
    return post(`${application.address}/api/plans/${plan}/steps`, {
      epoch,
      basedOn: version,
      head,
      steps,
      ask: [],
    })
  }
  const latest = async (plan: string) =>
    (
      await query<{ epoch: string; version: number; head: string | null }>(
        'select epoch, version, (select head from steps where plan_id = plans.id order by number desc limit 1) as head from plans where id = $1',
        [plan],
      )
    )[0]

  it.each([
    ['an unknown row', { row: 'base/nowhere', from: null, to: 1 }, 'unknown-row'],
    ['a value that would not become text', { row: 'title', from: null, to: { toString: 1 } }, 'shape'],
    ['a NUL', { row: 'why/base/focus.lamp', from: null, to: 'a\0b' }, 'outside'],
    ['half a surrogate pair', { row: 'why/base/focus.lamp', from: null, to: '\ud800' }, 'outside'],
  ])(
    'with %s is refused with the step and the reason, and nothing is kept of it',
    async (_name, change, code) => {
      const plan = await freshPlan(application.address)
      const before = await savedRows(application.address, plan)
      const response = await sendTo(plan, change)
      expect(response.status).toBe(422)
      expect(await response.json()).toMatchObject({ kind: 'unfit', refusal: { code } })
      expect(await savedRows(application.address, plan)).toEqual(before)
    },
  )

  it('for another log is answered with what happened', async () => {
    const plan = await freshPlan(application.address)
    const response = await post(`${application.address}/api/plans/${plan}/steps`, save)
    expect(response.status).toBe(410)
    expect(await response.json()).toMatchObject({ kind: 'apart', refusal: { code: 'other-epoch' } })
  })
})

describe('an address', () => {
  it.each([
    ['/%ff', 400],
    ['//api/shelf', 400],
    ['/plans/00000000-0000-4000-8000-000000000000/controls', 404],
    ['/plans/nothing/banks', 404],
    ['/nowhere', 404],
    ['/api/plans/nothing/file', 404],
    ['/api/models/tarrow-heron/999999999', 404],
  ])('%s answers %i', async (path, status) => {
    const response = await fetch(application.address + path, { redirect: 'manual' })
    expect(response.status).toBe(status)
  })

  it('asked by a method that is none of ours is refused', async () => {
    const { port } = new URL(application.address)
    const status = await new Promise((resolve, reject) => {
      request({ port, host: '127.0.0.1', path: '/', method: 'TRACE' }, (response) => {
        response.resume()
        resolve(response.statusCode)
      })
        .on('error', reject)
        .end()
    })
    expect(status).toBe(405)
  })

  it('of any kind says what its content is, and lets nobody guess', async () => {
    const html = await (await fetch(application.address)).text()
    const script = /\/_next\/static\/[^"]+\.js/.exec(html)?.[0] ?? ''
    const refused = post(`${application.address}/api/plans`, {}, { origin: 'http://evil.example' })
    for (const response of [
      await refused,
      await fetch(application.address + script),
      await fetch(`${application.address}/%ff`),
    ])
      expect(response.headers.get('x-content-type-options')).toBe('nosniff')
  })

  it('of what a page needs answers while another build is written', async () => {
    const [built, away] = [join(process.cwd(), '.next'), join(process.cwd(), `.next-${randomUUID()}`)]
    renameSync(built, away)
    try {
      const html = await (await fetch(`${application.address}/plans/${demoPlan}/controls`)).text()
      const parts = [...new Set(html.match(/\/_next\/static\/[^"\\ ]+\.(?:js|css|woff2?)/g))]
      expect(parts.length).toBeGreaterThan(5)
      const statuses = await Promise.all(
        parts.map(async (part) => (await fetch(application.address + part)).status),
      )
      expect(new Set(statuses)).toEqual(new Set([200]))
    } finally {
      renameSync(away, built)
    }
  })

  it('of our own under another scheme is no page of ours', async () => {
    const { host } = new URL(application.address)
    const refused = await post(`${application.address}/api/plans`, {}, { origin: `https://${host}` })
    expect(refused.status).toBe(403)
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
    `/plans/${demoPlan}/settings`,
    `/plans/${demoPlan}/settings#exposure.iso`,
    `/plans/${demoPlan}/menus`,
    `/plans/${demoPlan}/menus#grid/still-grid/1`,
    `/plans/${demoPlan}/focus`,
    `/plans/${filmPlan}/banks`,
    `/plans/${demoPlan}/try`,
    `/plans/${demoPlan}/numbers`,
    `/plans/${demoPlan}/numbers#choose/shutter`,
    `/plans/${demoPlan}/numbers#choose/formats`,
    `/plans/${demoPlan}/prove`,
    `/plans/${demoPlan}/sheets`,
    '/carry',
    '/history',
    '/bodies/heron-b',
    `/plans/${demoPlan}/carry`,
    '/files',
    '/cards',
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
    for (let panel = 0; panel < shown; panel++) {
      if (shown > 1) await panels.nth(panel).click()
      if (panel === 1 && path.endsWith('/controls')) await page.getByLabel('times used').check()
      const themes =
        panel === 0 || path.endsWith('/controls') ? (['light', 'dark'] as const) : (['dark'] as const)
      for (const colorScheme of themes) {
        await page.emulateMedia({ colorScheme })
        expect(await barriers(page, colorScheme === themes[0] ? 'all' : 'colours')).toEqual([])
      }
    }
    await page.close()
  })
})
