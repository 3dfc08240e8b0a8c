import type { Locator } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  chooseIn,
  demoPlan,
  filmPlan,
  freshPlan,
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
  await page.setViewportSize({ width: 1280, height: 800 })
})
afterAll(() => end())

const go = (plan: string, station: string) =>
  page.goto(`${application.address}/plans/${plan}/${station}`, { waitUntil: 'networkidle' })
const choose = (label: string, value: string) => chooseIn(page.getByLabel(label, { exact: true }), value)

/** Whether something is wholly inside the window as it stands. */
async function inWindow(what: Locator): Promise<boolean> {
  await what.waitFor()
  const box = await what.boundingBox()
  return box !== null && box.x >= 0 && box.y >= 0 && box.x + box.width <= 1280 && box.y + box.height <= 800
}

describe('banks of the Duet', () => {
  it('are all to be seen on opening: light, shutter, what was left over, sizes in order, and what the record key films with', async () => {
    await go(filmPlan, 'banks')
    const row = (name: RegExp) => page.getByRole('row', { name })
    const seen = [
      row(/^Exposure against base/)
        .getByText('-1 stop')
        .first(),
      row(/^Exposure against base/)
        .getByText('ISO 1600 or f/2.8')
        .first(),
      row(/^Shutter speed for the frame rate/)
        .getByText('1/100')
        .first(),
      row(/^Shutter speed for the frame rate/).getByText('for 100p; has 1/100'),
      row(/^Shutter speed/).getByText('left over'),
      page.getByRole('columnheader', { name: /Manual/ }),
      page.getByText('films with Interviews'),
      page
        .getByRole('list', { name: 'Excluded in Interviews' })
        .getByText(
          /Open gate is excluded\. First Movie frame rate: 50p → 25p .*, then Movie crop: 1\.5 × → None/,
        ),
      page.getByRole('list', { name: 'Excluded in Changes' }).getByText(/^4K wide \(4096\) is excluded/),
    ]
    for (const one of seen) expect([String(one), await inWindow(one)]).toEqual([String(one), true])
  })

  it('are built from base, then varied; one started from another leaves rows over, which go back to base', async () => {
    const plan = await freshPlan(application.address, 'varn-duet')
    await go(plan, 'banks')
    await page.getByRole('tab', { name: 'Build' }).click()
    await page.getByRole('button', { name: 'Use River for motion' }).click()
    await page.getByRole('button', { name: 'Use Brook for motion' }).click()
    await choose('Movie frame rate in River', '50p')
    await choose('Shutter speed in River', '1/100')
    await page.getByRole('columnheader', { name: /River/ }).getByRole('button').click()
    await page.getByLabel('Name, at most 10').fill('Interviews')
    await page.getByLabel('Name, at most 10').press('Enter')
    await page.getByRole('columnheader', { name: /Brook/ }).getByRole('button').click()
    await chooseIn(page.getByLabel('Started from'), 'Interviews')
    await choose('Movie frame rate in Brook', '100p')
    const card = page.getByRole('region', { name: 'Bank Brook' })
    await expect
      .poll(() => card.innerText())
      .toContain('Left over from what it was started from: Shutter speed.')
    await card.getByRole('button', { name: 'Put it back to base' }).click()
    await expect.poll(() => card.innerText()).not.toContain('Left over')
    await card.getByRole('button', { name: 'It is stored now' }).click()
    await card.getByText('Stored on the body as it stands here.').waitFor()
    await choose('ISO sensitivity in Brook', 'ISO 1600')
    await card.getByText('Not stored yet: ISO sensitivity.').waitFor()
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'bank/set/river/name': 'Interviews',
      'bank/set/brook/startedFrom': 'river',
      'bank/set/brook/movie.frameRate': '100p',
      'bank/set/brook/meant': ['exposure.iso', 'movie.frameRate'],
    })
  })

  it('are asked, bank by bank, whether they follow a base that is changed later', async () => {
    await go(filmPlan, 'banks')
    await choose('Aperture in base, motion', 'f/2.8')
    const asked = page.getByRole('alertdialog', { name: 'Should the banks follow?' })
    await asked.getByLabel('Changes follows').uncheck()
    await asked.getByRole('button', { name: 'Change base' }).click()
    await saved(page)
    expect(await savedRows(application.address, filmPlan)).toMatchObject({
      'base/exposure.aperture@motion': 'f/2.8',
      'bank/set/brook/exposure.aperture': 'f/4',
      'source/bank/set/brook/exposure.aperture': 'kept',
    })
    await page.keyboard.press('Control+z')
    await saved(page)
    expect(await savedRows(application.address, filmPlan)).toMatchObject({
      'base/exposure.aperture@motion': 'f/4',
    })
  })

  it('say what snapshot and live mean for the rows that change on site', async () => {
    await go(filmPlan, 'banks')
    await page.getByLabel('ISO sensitivity in Interviews', { exact: true }).focus()
    await page.getByLabel('Expected to change on site').check()
    await page.getByRole('tab', { name: 'Stored' }).click()
    const keeping = page.getByRole('region', { name: 'Keeping of Dial banks' })
    await expect
      .poll(() => keeping.innerText())
      .toContain('Interviews: ISO sensitivity set on site is gone when it is left.')
    await page.keyboard.press('Control+z')
    await saved(page)
  })
})

describe('thumb detection with a half-press at a point, on the Heron', () => {
  it('is taken as steps shown before, found when half undone, and mended', async () => {
    const plan = await freshPlan(application.address)
    await go(plan, 'focus')
    await page.getByRole('button', { name: /^Half-press at a point, thumb on eyes/ }).click()
    const steps = page.getByRole('list', { name: 'What Half-press at a point, thumb on eyes changes' })
    await expect.poll(() => steps.innerText()).toMatch(/Eye and subject detection[\s\S]*on\s*→\s*off/)
    await page.getByRole('button', { name: /^Take these \d changes in stills/ }).click()
    const table = page.getByRole('table', { name: /^What focuses when/ })
    await table
      .getByRole('row', { name: /^Thumb focus key .*keeps focusing/ })
      .first()
      .waitFor()
    await page.getByRole('tab', { name: 'Questions' }).click()
    await page.getByText('When does detection run?').click()
    await chooseIn(page.getByLabel('Eye and subject detection in base'), 'on')
    await page.getByRole('tab', { name: 'Problems' }).click()
    await page.getByText('Half-press at a point, thumb on eyes: 1 of its rows in stills is not so').waitFor()
    await page.getByRole('button', { name: /^Set Base, Eye and subject detection/ }).click()
    await expect.poll(() => page.getByText('of its rows in stills is not so').count()).toBe(0)
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'school/focus-start': 'both',
      'base/focus.detection@stills': false,
      'key/stills/thumb-key/press': 'start-focus-eyes',
    })
  })
})

describe('a question answered for a part of the plan', () => {
  it('holds there alone, and goes back to what holds elsewhere', async () => {
    const plan = await freshPlan(application.address)
    await go(plan, 'focus')
    await page.getByRole('tab', { name: 'Questions' }).click()
    const question = page.locator('details').filter({ hasText: 'When does detection run?' })
    await question.getByText('When does detection run?').click()
    await question.getByText('Always.', { exact: true }).click()
    await chooseIn(question.getByLabel('Answer for'), 'all of stills')
    await question.getByText('No answer of its own: it is as elsewhere.').waitFor()
    await question.getByText('On a held key.', { exact: true }).click()
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'school/detection-always': 'always',
      'school/detection-always@stills': 'held',
    })
    await question.getByRole('button', { name: 'As elsewhere' }).click()
    await question.getByText('No answer of its own: it is as elsewhere.').waitFor()
    await saved(page)
    expect(await savedRows(application.address, plan)).not.toHaveProperty('school/detection-always@stills')
  })
})

describe('nine combinations and an area-only key, on the Mere', () => {
  it('are marked, found dead, and pressed with the same results', async () => {
    const plan = await freshPlan(application.address, 'hollin-mere')
    await go(plan, 'banks')
    await page.getByRole('tab', { name: 'Build' }).click()
    await page.getByRole('button', { name: 'Base to all, for stills' }).click()
    const grid = page.getByRole('region', { name: 'Combinations in stills' })
    await expect.poll(() => grid.getByRole('combobox').count()).toBe(9)
    await chooseIn(grid.getByLabel('Lamp with Crowd'), 'unused')
    await saved(page)
    expect(await savedRows(application.address, plan)).toMatchObject({
      'pair/light/lamp/hand/crowd': 'unused',
    })

    await go(plan, 'focus')
    await page.getByRole('button', { name: /^A thumb key only/ }).click()
    await page.getByRole('button', { name: /^Take .* in stills/ }).click()
    const table = page.getByRole('table', { name: /^What focuses when/ })
    await page.getByLabel('two keys at once').check()
    const alone = table.getByRole('row', { name: /^Front key, upper [^+]*no autofocus/ })
    await alone.getByRole('button').click()
    const both = table.getByRole('row', { name: /^Front key, upper \+ Thumb rest key/ })
    const [, area] = /by Thumb rest key\s+(\S+)/.exec(await both.innerText()) ?? []
    expect(area).toBe('Point')

    await page.getByRole('tab', { name: 'Problems' }).click()
    await page.getByText(/things? to tidy up$/).click()
    const about = page
      .locator('section')
      .filter({ hasText: 'Front key, upper: Hold AF area: point does not start AF by itself' })
    await about.last().getByRole('link', { name: 'Try it', exact: true }).click()
    const now = page.getByRole('status').filter({ hasText: 'down:' })
    await expect.poll(() => now.innerText()).toMatch(/Front key, upper down: no autofocus/)
    await page.locator('[data-address="stills/thumb-rest/press"]').focus()
    await page.keyboard.press('h')
    await expect
      .poll(() => now.innerText())
      .toBe(`Front key, upper + Thumb rest key down: AF keeps focusing by Thumb rest key, ${area ?? ''}.`)
    await page.keyboard.press('Escape')
    await page.getByText('Thumb rest key let go').first().waitFor()
  })
})

describe('the simulated body', () => {
  it('loses what is changed in a snapshot bank when the bank is left, row by row, and keeps what base holds', async () => {
    await go(filmPlan, 'try')
    await chooseIn(page.getByLabel('Mode dial'), 'Interviews (River)')
    await page.getByRole('tab', { name: 'Menu' }).click()
    await page.getByRole('combobox', { name: 'Change in the camera’s menu' }).fill('iso sens')
    await page.keyboard.press('Enter')
    await chooseIn(page.getByLabel('ISO sensitivity on the body'), 'ISO 3200')
    await chooseIn(page.getByLabel('Mode dial'), 'Movie')
    await page.getByRole('tab', { name: 'Log' }).click()
    await page
      .getByRole('list', { name: 'Log' })
      .getByText('ISO sensitivity: ISO 3200 → ISO 800; the bank does not keep changes.')
      .waitFor()
  })

  it('records what was done as a script, plays it again, and says what was expected and not so', async () => {
    await page.getByRole('tab', { name: 'Sequence' }).click()
    const script = page.getByLabel('Script')
    await expect
      .poll(() => script.inputValue())
      .toBe(['position drum-river', 'menu exposure.iso = ISO 3200', 'position reel'].join('\n'))
    await script.fill('position drum-river\nexpect side motion\nexpect setting exposure.iso = ISO 100')
    await page.getByRole('button', { name: 'Play from the beginning' }).click()
    await page.getByText('1 expected thing was not so; the log says which.').waitFor()
    await script.fill('position nowhere\nfly')
    await page.getByRole('button', { name: 'Play from the beginning' }).click()
    await expect
      .poll(() => page.getByRole('region', { name: 'Sequence' }).getByRole('status').innerText())
      .toContain('line 2: “fly”')
  })

  it('is pressed by the pointer, two keys at once, and turned, and opens from a finding with its key down', async () => {
    await go(demoPlan, 'try')
    const label = (address: string) => page.locator(`[data-address="${address}"]`)
    await label('stills/thumb-dial/turn').click()
    await page.getByRole('list', { name: 'Log' }).getByText('Rear dial turned 1 click').waitFor()
    await label('stills/thumb-key/press').click({ modifiers: ['Shift'] })
    await label('stills/cheek-key/press').click({ modifiers: ['Shift'] })
    await page
      .getByText('Thumb focus key + Lower right key down: AF keeps focusing by Lower right key, Point.')
      .waitFor()
    await page.getByLabel('camera on').click()
    await page.getByText('The camera is off.').first().waitFor()

    await go(demoPlan, 'controls')
    await page.getByRole('complementary').getByRole('link', { name: 'Try it' }).first().click()
    await page
      .getByRole('list', { name: 'Log' })
      .getByText(/ pressed$/)
      .waitFor()
  })
})
