import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { carriedRows, factoryMemory } from '@/core/camera/memory'
import { heron } from '@tests/fixtures/heron'
import {
  chooseIn,
  demoPlan,
  freshPlan,
  key,
  openInBrowser,
  saved,
  savedRows,
  type Opened,
} from './application'

let application: Opened['application']
let page: Opened['page']
let end: Opened['end']

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
})
afterAll(() => end())

const go = (path: string) => page.goto(`${application.address}${path}`, { waitUntil: 'networkidle' })

describe('a newcomer', () => {
  it('finds the theatre’s bodies and plan on the shelf, and opens the plan at the plate of the back', async () => {
    await page.getByRole('heading', { name: 'Bodies' }).waitFor()
    for (const name of ['Heron A', 'Heron B'])
      await expect.poll(() => page.getByText(name, { exact: true }).first().isVisible()).toBe(true)
    await page
      .getByRole('link', { name: 'Night rehearsals', exact: true })
      .or(page.locator('a', { hasText: 'Night rehearsals' }))
      .first()
      .click()
    await page.getByRole('heading', { name: 'Back' }).waitFor()
  })

  it('gives bank 1 another frame rate, sees the shutter it asks for, and sets it', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/banks`)
    await page.getByRole('tab', { name: 'Build' }).click()
    await page.getByRole('button', { name: 'Use Ebb for motion' }).click()
    await page.getByLabel('Show all').check()
    await chooseIn(page.getByLabel('Exposure mode in Ebb'), 'Manual')
    await chooseIn(page.getByLabel('Frame rate in Ebb'), '100p')
    const line = page.getByRole('row', { name: /^Shutter speed for the frame rate/ })
    await expect.poll(() => line.innerText()).toMatch(/1\/200[\s\S]*for 100p; has 1\/125/)
    await line.getByText('1/200', { exact: true }).click()
    await expect.poll(() => line.innerText()).toContain('180° / (360° × 100) = 1/200 s')
    await line.getByRole('button', { name: 'Set 1/200 in Ebb' }).click()
    await line.getByText('for 100p', { exact: true }).waitFor()
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'bank/dial/ebb/movie.frameRate': '100p',
      'bank/dial/ebb/exposure.shutter': '1/200',
    })
  })

  it('sees a value that the rate excludes refused, with the reason, and the plan keeps it', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/banks`)
    await page.getByRole('tab', { name: 'Build' }).click()
    await page.getByRole('button', { name: 'Use Ebb for motion' }).click()
    await chooseIn(page.getByLabel('Frame rate in Ebb'), '50p')
    await page.getByLabel('Show all').check()
    await chooseIn(page.getByLabel('Movie resolution in Ebb'), 'Open gate')
    const cell = page.getByRole('region', { name: 'Movie resolution in Ebb' })
    await expect.poll(() => cell.innerText()).toContain('Open gate is recorded up to 30p')
    await expect
      .poll(() => page.getByRole('row', { name: /^Movie resolution/ }).innerText())
      .toContain('refused')
  })

  it('makes a pocket card of keys and banks', async () => {
    await go(`/plans/${demoPlan}/sheets`)
    const card = page.getByRole('list', { name: 'Pages' })
    await expect.poll(() => card.textContent()).toContain('AF start with eye detection')
    await expect.poll(() => card.textContent()).toContain('Scene changes in slow motion at 100p.')
  })
})

describe('carrying the plan to body B', () => {
  const expected = Object.keys(carriedRows(heron, factoryMemory(heron))).length

  const chooseB = async () => {
    await go(`/plans/${demoPlan}/carry`)
    await page.getByRole('button', { name: /^Heron A/ }).click()
    await page.getByRole('button', { name: /^Heron B/ }).click()
  }
  const onBench = async (label: string, value: string) => {
    await go('/bodies/heron-b')
    const choice = page.getByRole('region', { name: 'Bench' }).getByLabel(label, { exact: true })
    await choice.selectOption(value)
    await expect.poll(() => choice.inputValue()).toBe(value)
  }

  it('is stopped by a locked card before anything is done, and says so', async () => {
    await onBench('Card', 'locked')
    await chooseB()
    const seen = page.getByRole('region', { name: 'Preflight of Heron B' })
    await expect.poll(() => seen.innerText()).toContain('The card is locked')
    await expect.poll(() => page.getByRole('button', { name: 'Carry to Heron B' }).isDisabled()).toBe(true)
    await onBench('Card', 'ready')
  })

  it('shows every row that will be overwritten before it is confirmed, and the problems that are still open', async () => {
    await chooseB()
    const seen = page.getByRole('region', { name: 'Preflight of Heron B' })
    await seen.getByText(/rows of Heron B will be overwritten/).waitFor()
    await seen.getByText(/^Row by row/).click()
    await expect.poll(() => seen.getByRole('table').innerText()).toContain('AF start with eye detection')
    await expect
      .poll(() => page.getByRole('region', { name: 'Transfer' }).innerText())
      .toMatch(/problems? (is|are) still open/)
  })

  it('that finds its card pulled half-way says what the body holds, and the way back', async () => {
    await go('/bodies/heron-b')
    const bench = page.getByRole('region', { name: 'Bench' })
    await bench.getByLabel('Before').selectOption('load')
    await bench.getByLabel('Happens').selectOption('card-pulled')
    await bench.getByText(/Before “Load”: the card is pulled out/).waitFor()
    await chooseB()
    await page.getByRole('button', { name: 'Carry to Heron B' }).click()
    await page.getByText('Heron B is as it was before').waitFor()
    await page
      .getByRole('link', { name: /^Put REV\w+-BEFORE\.SSC back on Heron B/ })
      .first()
      .waitFor()
    await onBench('Card', 'ready')
  })

  it('goes through every stage and ends identical, with the count of rows the file carries and two lines of hand work', async () => {
    await chooseB()
    await page.getByRole('button', { name: 'Carry to Heron B' }).click()
    const banks = 3 * (2 + heron.settings.filter((setting) => setting.storedBy === 'dial').length)
    await page.getByText(`Identical · ${expected + banks} rows compared`).waitFor()
    const list = page.getByRole('region', { name: 'Transfer', exact: true })
    await expect.poll(() => list.getByLabel('done').count()).toBe(8)
    await expect
      .poll(() => list.innerText())
      .toMatch(/File name prefix\s*Files \/ line 2: set LHB; it is TAR/)
    await expect
      .poll(() => list.innerText())
      .toMatch(/Artist name\s*Files \/ line 4: set Lanternfold Puppet Theatre; it is empty/)
    await page
      .getByRole('banner')
      .getByText(/· revision \d+/)
      .waitFor()
  })

  it('may wait before a stage, and goes on from the list of what was carried', async () => {
    await chooseB()
    await page.getByLabel('Wait before').selectOption('restart')
    await page.getByRole('button', { name: 'Carry to Heron B' }).click()
    await page.getByText(/It waits before “Restart”/).waitFor()
    await go('/')
    await page.getByRole('link', { name: 'Go on or stop it' }).click()
    await page.getByRole('button', { name: 'Go on with Heron B' }).click()
    await page.getByText(/^Identical · /).waitFor()
  })

  it('leaves hand work that is ticked and stays ticked', async () => {
    await go(`/plans/${demoPlan}/carry`)
    const past = page.getByRole('region', { name: 'Carried so far' })
    const line = past.getByLabel(/^Artist name/).first()
    await line.check()
    await expect.poll(() => past.innerText()).toMatch(/Lanternfold Puppet Theatre\s+done /)
    await go(`/plans/${demoPlan}/carry`)
    await expect
      .poll(() =>
        past
          .getByLabel(/^Artist name/)
          .first()
          .isChecked(),
      )
      .toBe(true)
  })

  it('is known of the body: what it holds, how that is proven, and, once it is reset, the rows that are not so any more', async () => {
    await go('/bodies/heron-b')
    const believed = page.getByRole('region', { name: 'Believed to hold' })
    await expect.poll(() => believed.innerText()).toMatch(/Revision \d+ of Night rehearsals/)
    await expect.poll(() => believed.innerText()).toContain('every row was read back and is equal')
    await page.getByRole('button', { name: 'Reset', exact: true }).click()
    await expect.poll(() => believed.innerText()).toMatch(/In doubt.*rows are not as it was then/)
    await expect
      .poll(() => page.getByRole('region', { name: 'What happened to it' }).innerText())
      .toContain('Everything is as delivered')
    await go(`/bodies/heron-b?against=heron-a`)
    await expect
      .poll(() => page.getByRole('region', { name: 'Against another body' }).innerText())
      .toContain('Held against')
  })

  it('is put back by one click beside the backup', async () => {
    await go(`/plans/${demoPlan}/carry`)
    await page
      .getByRole('link', { name: /^Put REV\w+-BEFORE\.SSC back on Heron B/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Carry to Heron B' }).click()
    await page.getByText(/^Identical · /).waitFor()
    await go('/history?kind=transfer')
    await expect.poll(() => page.getByRole('main').innerText()).toMatch(/-BEFORE\.SSC.* → Heron B: identical/)
    // The plan is carried once more, so that the tests that follow find it there.
    await chooseB()
    await page.getByRole('button', { name: 'Carry to Heron B' }).click()
    await page.getByText(/^Identical · /).waitFor()
  })

  it('is on the shelf afterwards, with the backup as it was saved', async () => {
    await go('/')
    await expect
      .poll(() =>
        page
          .getByRole('region', { name: 'Bodies' })
          .getByRole('listitem')
          .filter({ hasText: 'Heron B' })
          .innerText(),
      )
      .toMatch(/Revision \d+ of Night rehearsals: identical/)
    await expect
      .poll(() => page.getByRole('article').filter({ hasText: 'Night rehearsals' }).innerText())
      .toMatch(/proven on Heron B/)
    const name = page.getByRole('link', { name: /-BEFORE\.SSC$/ }).first()
    const [download] = await Promise.all([page.waitForEvent('download'), name.click()])
    expect(
      readFileSync(await download.path())
        .subarray(0, 8)
        .toString(),
    ).toBe('SALTCARD')
  })
})

describe('after a restart', () => {
  it('everything is still there', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/controls`)
    await key(page, 'Crown key').focus()
    await page.keyboard.press('Delete')
    await page.getByRole('button', { name: /^Crown key, press: empty/ }).waitFor()
    await saved(page)
    const before = await savedRows(application.address, plan)
    expect(before).toHaveProperty(['key/stills/crown-key/press'])
    await application.stop()
    await application.start()
    await page.reload({ waitUntil: 'networkidle' })
    expect(await savedRows(application.address, plan)).toEqual(before)
    expect((await key(page, 'Crown key').innerText()).trim()).toBe('empty')
  })

  it('what was changed while the server was down is saved once it is back', async () => {
    const plan = await freshPlan(application.address)
    await go(`/plans/${plan}/controls`)
    await application.crash()
    await key(page, 'Crown key').focus()
    await page.keyboard.press('Delete')
    await page.getByRole('alert').filter({ hasText: 'Not saved yet. Salt Shelf does not answer.' }).waitFor()
    await application.start()
    await page
      .getByRole('status')
      .filter({ hasText: /^saved$/ })
      .waitFor({ timeout: 30_000 })
    expect((await savedRows(application.address, plan))['key/stills/crown-key/press']).toBe('nothing')
  })
})

describe('bringing files in', () => {
  it('opens a plan file as a plan', async () => {
    const response = await fetch(`${application.address}/api/plans/${demoPlan}/file`)
    const file = {
      name: 'night.plan.json',
      mimeType: 'application/json',
      buffer: Buffer.from(await response.arrayBuffer()),
    }
    await go('/')
    await page.getByLabel('File to bring in').setInputFiles(file)
    await page.getByText('night.plan.json is open as a plan.').waitFor()
    await page.getByRole('link', { name: 'Go to its plan' }).click()
    await page.waitForURL((url) => url.pathname.endsWith('/controls') && !url.pathname.includes(demoPlan))
    const opened = page.url()

    await go('/')
    await page.getByLabel('File to bring in').setInputFiles(file)
    await page.getByText('night.plan.json was on the shelf already.').waitFor()
    await page.getByRole('link', { name: 'Go to its plan' }).click()
    await page.waitForURL(opened)
  })

  it('refuses a damaged file with what is wrong and where', async () => {
    await go('/')
    const buffer = Buffer.from(readFileSync(join(process.cwd(), 'models/tarrow-heron.json')).subarray(0, 500))
    await page
      .getByLabel('File to bring in')
      .setInputFiles({ name: 'half.json', mimeType: 'application/json', buffer })
    await expect
      .poll(() => page.getByRole('alert').filter({ hasText: 'Not done' }).innerText())
      .toMatch(/The file is damaged: line \d+, column \d+[\s\S]*half\.json/)
  })
})

describe('where nothing stands', () => {
  it('the page names the address, the cause and one way on', async () => {
    const response = await go('/nowhere/at-all')
    expect(response?.status()).toBe(404)
    const words = await page.getByRole('main').innerText()
    expect(words).toMatch(
      /Nothing here[\s\S]*Nothing stands at this address[\s\S]*\/nowhere\/at-all[\s\S]*Back to the shelf/,
    )
  })

  it('an unknown plan says so', async () => {
    await go('/plans/11111111-1111-4111-8111-111111111111/controls')
    await expect
      .poll(() => page.getByRole('main').innerText())
      .toMatch(/There is no plan at this address[\s\S]*Back to the shelf/)
  })
})
