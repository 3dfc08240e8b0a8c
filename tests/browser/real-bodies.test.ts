import { readFile } from 'node:fs/promises'
import type { Locator, Page } from 'playwright-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { load, oddCamera, save, serialRegion, type OddCamera } from '@tests/fixtures/odd-camera'
import { walking } from './phone'
import { demoPlan, freshPlan, goTo, openInBrowser, saved, type Application } from './application'
import { barriers } from './barriers'

let application: Application
let page: Page
let end: () => Promise<void>

beforeAll(async () => {
  ;({ application, page, end } = await openInBrowser())
  // A folder of the browser's own stands for a card in a reader: the test names which.
  await page.addInitScript(() => {
    window.showDirectoryPicker = async () => {
      const name = localStorage.getItem('test card') ?? 'card'
      return (await navigator.storage.getDirectory()).getDirectoryHandle(name, { create: true })
    }
  })
})
afterAll(() => end())

const go = (path: string) => goTo(page, `${application.address}${path}`)
const part = (name: string) => page.getByRole('region', { name, exact: true })
const button = (name: string | RegExp, within: Page | Locator = page) => within.getByRole('button', { name })
const folder = 'HERON/SET'

/** Puts the card with this name into the reader. */
const insert = (name: string) => page.evaluate((card) => localStorage.setItem('test card', card), name)

/** A file on a card, as a camera writes it. */
async function writeOn(card: string, path: string, bytes: Uint8Array): Promise<void> {
  await page.evaluate(
    async ([name, at, content]) => {
      const parts = at.split('/')
      let to = await (await navigator.storage.getDirectory()).getDirectoryHandle(name, { create: true })
      for (const one of parts.slice(0, -1)) to = await to.getDirectoryHandle(one, { create: true })
      const file = await (await to.getFileHandle(parts.at(-1) ?? '', { create: true })).createWritable()
      await file.write(new Uint8Array(content))
      await file.close()
    },
    [card, path, [...bytes]] as const,
  )
}

/** What lies on a card at a path. */
async function readFrom(card: string, path: string): Promise<Uint8Array> {
  const bytes = await page.evaluate(
    async ([name, at]) => {
      const parts = at.split('/')
      let to = await (await navigator.storage.getDirectory()).getDirectoryHandle(name)
      for (const one of parts.slice(0, -1)) to = await to.getDirectoryHandle(one)
      const file = await (await to.getFileHandle(parts.at(-1) ?? '')).getFile()
      return [...new Uint8Array(await file.arrayBuffer())]
    },
    [card, path] as const,
  )
  return new Uint8Array(bytes)
}

/** Adds a real Heron to what the owner has. */
async function addReal(name: string, serial: string): Promise<void> {
  await part('Bodies')
    .getByRole('combobox', { name: 'What to add: Model' })
    .selectOption({ label: 'Tarrow Heron' })
  await part('Bodies').getByRole('textbox', { name: 'Name of the new body' }).fill(name)
  await button('Add the body').click()
  await part('Bodies').getByRole('combobox', { name: 'Real camera' }).selectOption('yes')
  await part('Bodies').getByRole('textbox', { name: 'Serial number' }).fill(serial)
  await part('Bodies').getByRole('textbox', { name: 'Serial number' }).press('Enter')
  await button(new RegExp(`^${name}`))
    .first()
    .click()
}

const inHand = () => walking.inHand(page)
const done = () => walking.done(page)

/** The act in hand asks for this. */
const asked = (words: string | RegExp) => inHand().getByText(words).waitFor()

/** Does an act that is only ticked. */
async function tick(words: string | RegExp): Promise<void> {
  await asked(words)
  await done().click()
}

/** Saves on a camera, to its card in the reader. */
async function saveOn(card: string, camera: OddCamera, name = 'SETTINGS.DAT'): Promise<OddCamera> {
  const { bytes, after } = save(camera)
  await writeOn(card, `${folder}/${name}`, bytes)
  return after
}

/** Takes a file in that lies on the card in the reader. */
async function takeFrom(card: string, name = 'SETTINGS.DAT'): Promise<void> {
  await insert(card)
  await button('Open the card', part('The file')).click()
  const line = part('The file').getByRole('listitem').filter({ hasText: name })
  await button('Take it', line).click()
}

/** Waits until the file that was offered is on the shelf; what is to be looked at has been. */
async function taken(name = 'SETTINGS.DAT'): Promise<void> {
  const sure = button('It is the right one: take it')
  const took = part('The file').getByText(new RegExp(`${name} was taken in`))
  await expect.poll(async () => (await sure.isVisible()) || (await took.isVisible())).toBe(true)
  if (await sure.isVisible()) await sure.click()
  await took.waitFor()
  await part('The file')
    .getByText(/^✓ On the shelf/)
    .waitFor()
}

describe('two real cameras made alike', () => {
  let a = oddCamera(1001, [800, 250, 28, 7])
  let b = oddCamera(2002, [100, 60, 56, 1])

  it('are said once, and nothing is simulated behind them', async () => {
    await go('/bodies')
    await addReal('Reed A', 'TH-R1')
    await addReal('Reed B', 'TH-R2')
    await saved(page)
    await go('/bodies/reed-a')
    await page.getByText('nothing is simulated behind it').waitFor()
    expect(await part('Bench').count()).toBe(0)
    await part('Believed to hold').getByText('Nothing is known of what Reed A holds').waitFor()
  })

  it('carry by hand: saved on one, taken in, a second save shows what is noise', async () => {
    await go(`/plans/${demoPlan}/carry`)
    const byHand = part('Real cameras, by hand')
    await byHand.getByRole('combobox', { name: 'Carry' }).selectOption({ label: 'what Reed A holds' })
    await button('Carry it by hand', byHand).click()
    await tick('See that Reed A holds what you want to carry')
    await tick('Save the settings of Reed A to its card')
    a = await saveOn('card-a', a)
    await asked('Take the file of Reed A in')
    expect(await barriers(page)).toEqual([])
    await takeFrom('card-a')
    await taken()
    await done().click()
    await tick(/^Save once more on Reed A/)
    await asked('Take the second save of Reed A in')
    // The card still has the first save: the same file again is told, not taken for a second one.
    await takeFrom('card-a')
    await part('The file')
      .getByText(/^It is the first save, byte for byte/)
      .waitFor()
    a = await saveOn('card-a', a)
    await takeFrom('card-a')
    await taken()
    await done().click()
  })

  it('refuse the card of a look-alike of another model, and files saved before the load', async () => {
    await tick('Save what Reed B holds now to its card')
    b = await saveOn('card-b', b)
    const before = await readFrom('card-b', `${folder}/SETTINGS.DAT`)
    await asked('Take that file of Reed B in')
    await takeFrom('card-b')
    await taken()
    await done().click()

    await asked('Write the file to the card of Reed B')
    await writeOn('card-other', 'VARN/DUET/SET.DAT', new Uint8Array([1, 2, 3]))
    await insert('card-other')
    await button('Open the card', part('The card')).click()
    await part('The card')
      .getByText(/It is a card of another camera: VARN\/DUET/)
      .waitFor()
    expect(await button('Write it to the card', part('The card')).isDisabled()).toBe(true)

    await insert('card-b')
    await button('Open the card', part('The card')).click()
    await part('The card')
      .getByText(/lies there already .* taken in to the shelf first/)
      .waitFor()
    expect(await barriers(page)).toEqual([])
    await button('Write it to the card', part('The card')).click()
    await part('The card')
      .getByText(/^✓ On the card, read back and equal/)
      .waitFor()
    await done().click()
    const written = await readFrom('card-b', `${folder}/SETTINGS.DAT`)
    expect(written).not.toEqual(before)

    await tick('Put that card into Reed B and load the settings')
    await tick('Switch Reed B off and on again')
    await tick('Save the settings of Reed B again')
    await asked('Take the new file of Reed B in')
    // Nobody has saved on it: what lies there is what was written.
    await takeFrom('card-b')
    await part('The file')
      .getByText(/the file that was written to the card/)
      .waitFor()
    await writeOn('card-b', `${folder}/OLD.DAT`, before)
    await takeFrom('card-b', 'OLD.DAT')
    await part('The file')
      .getByText(/the file that was saved before the load/)
      .waitFor()
    expect(await done().isDisabled()).toBe(false)
    await done().click()
    await page.getByText('Take the file in first.').waitFor()
  })

  it('show by the second save that a load did not take; loaded again, they differ only in what is each one’s own', async () => {
    // The camera ignored the file: it saves what it held.
    b = await saveOn('card-b', b, 'AFTER.DAT')
    await takeFrom('card-b', 'AFTER.DAT')
    await taken('AFTER.DAT')
    await done().click()
    await asked('Hold what Reed B holds against what was sent')
    await button('Compare them').click()
    await part('Comparison')
      .getByText(/^✗ The load did not take/)
      .waitFor()

    // Loaded once more, and this time it takes.
    b = load(b, await readFrom('card-a', `${folder}/SETTINGS.DAT`))
    b = await saveOn('card-b', b, 'AFTER.DAT')
    await button('Take another save in').click()
    await asked('Take the new file of Reed B in')
    await takeFrom('card-b', 'AFTER.DAT')
    await taken('AFTER.DAT')
    await button('Look ahead →').click()
    await button(/^Compare them/).click()
    await part('Comparison')
      .getByText(/^✗ Not equal/)
      .waitFor()

    // The serial number is each body's own: it is named, and left out from then on.
    await saved(page)
    const walk = page.url()
    await page.getByRole('link', { name: /^Place by place/ }).click()
    const differs = part('What differs')
    await differs.getByRole('img', { name: /^Strip of 4096 bytes/ }).waitFor()
    const row = differs.getByRole('row').filter({ hasText: new RegExp(`^${serialRegion.from}`) })
    // Not every byte of it differs: the place is named as it is found.
    for (
      let left = await differs.getByRole('row').count();
      left > 1;
      left = await differs.getByRole('row').count()
    ) {
      const first = (await row.count()) > 0 ? row.first() : differs.getByRole('row').nth(1)
      await first.getByRole('button', { name: /^Leave it out/ }).click()
      await differs.getByRole('textbox', { name: 'What it is' }).fill('serial number')
      await differs.getByRole('button', { name: 'This body’s own' }).click()
      await expect.poll(() => differs.getByRole('row').count()).toBeLessThan(left)
    }
    await differs.getByText(/^They are equal but for \d+ places left out/).waitFor()

    await goTo(page, walk)
    await button(/^Compare them/).click()
    await part('Comparison')
      .getByText(/^✓ Equal: the body holds what was sent/)
      .waitFor()
    await done().click()
  })

  it('end in a record: the shelf says of each what it holds, and how that is proven', async () => {
    for (let left = 20; left > 0 && (await done().isVisible()); left--) await done().click()
    await button('Keep the record').click()
    await page
      .getByText(/^Ended/)
      .first()
      .waitFor()
    await go('/')
    const line = page.getByRole('listitem').filter({ hasText: 'Reed B' }).first()
    await line.getByText(/What Reed A held, file SETTINGS\.DAT/).waitFor()
    await line.getByText(/^✓/).waitFor()
  })

  it('are in doubt once a newer save says something else', async () => {
    const changed = save({ ...b, settings: [1600, 250, 28, 7] }).bytes
    await writeOn('card-b', `${folder}/LATER.DAT`, changed)
    await go('/cards')
    await insert('card-b')
    const cards = page.getByRole('main')
    await button('Open the card', cards).first().click()
    await cards.getByRole('combobox', { name: 'Saved by' }).selectOption({ label: 'Reed B' })
    await cards
      .getByRole('listitem')
      .filter({ hasText: 'LATER.DAT' })
      .getByRole('button', { name: 'Take it' })
      .click()
    await page.getByText(/LATER\.DAT is on the shelf/).waitFor()
    await go('/bodies/reed-b')
    await part('Believed to hold')
      .getByText(/LATER\.DAT, saved on it since, says something else/)
      .waitFor()
    expect(await barriers(page)).toEqual([])
  })
})

describe('a card prepared for a real camera', () => {
  it('has the file where that looks for it, and everything else as it was', async () => {
    const other = new Uint8Array([1, 2, 3])
    await writeOn('card-fresh', 'DCIM/100/P1.RAW', other)
    await insert('card-fresh')
    await go('/cards')
    const prepare = part('Prepare a card')
    await prepare.getByRole('combobox', { name: 'For' }).selectOption({ label: 'Reed B' })
    await prepare.getByRole('combobox', { name: 'File' }).selectOption({ label: 'LATER.DAT' })
    await button('Open the card', prepare).click()
    await prepare.getByText(/Nothing on it says that it has been in Reed B/).waitFor()
    await button('Write it to the card', prepare).click()
    await prepare.getByText(/^✓ HERON\/SET\/LATER\.DAT is on the card, read back and equal/).waitFor()
    expect(await readFrom('card-fresh', 'HERON/SET/LATER.DAT')).toEqual(
      await readFrom('card-b', 'HERON/SET/LATER.DAT'),
    )
    expect(await readFrom('card-fresh', 'DCIM/100/P1.RAW')).toEqual(other)
  })
})

describe('a browser that opens no folders', () => {
  const files = [save(oddCamera(31, [9, 9, 9, 9])), save(oddCamera(32, [1, 1, 1, 1]))] as const
  const give = (on: Page, bytes: Uint8Array, name = 'SETTINGS.DAT') =>
    on.getByLabel(/^(Choose|Show)/).setInputFiles({ name, mimeType: '', buffer: Buffer.from(bytes) })

  it('carries by files alone: one is chosen, saved, copied by hand, and shown again', async () => {
    const plan = await freshPlan(application.address)
    const on = await page.context().newPage()
    await on.addInitScript(() => {
      window.showDirectoryPicker = undefined
    })
    await goTo(on, `${application.address}/plans/${plan}/carry`)
    const byHand = on.getByRole('region', { name: 'Real cameras, by hand' })
    await byHand
      .getByRole('combobox', { name: 'Carry' })
      .selectOption({ label: 'a file that is there already' })
    await byHand.getByRole('checkbox', { name: 'to Reed B' }).check()
    await button('Carry it by hand', byHand).click()
    await walking.inHand(on).getByText('Choose the file that is to be carried').waitFor()
    expect(await button('Open the card', on).count()).toBe(0)
    await give(on, files[0].bytes)
    await on.getByText(/^✓ On the shelf/).waitFor()
    await walking.done(on).click()
    await walking.done(on).click()
    await walking
      .inHand(on)
      .getByText(/^Take that file of Reed [AB] in$/)
      .waitFor()
    await give(on, files[1].bytes)
    const sure = button('It is the right one: take it', on)
    await sure
      .or(on.getByText(/^✓ On the shelf/))
      .first()
      .waitFor()
    if (await sure.isVisible()) await sure.click()
    await on.getByText(/^✓ On the shelf/).waitFor()
    await walking.done(on).click()
    await walking
      .inHand(on)
      .getByText(/^Write the file to the card of Reed/)
      .waitFor()
    const [download] = await Promise.all([
      on.waitForEvent('download'),
      on.getByRole('link', { name: 'save the file' }).click(),
    ])
    const path = await download.path()
    expect(new Uint8Array(await readFile(path))).toEqual(files[0].bytes)
    await give(on, files[1].bytes, download.suggestedFilename())
    await on.getByText('This is not the file that was to be copied').waitFor()
    await give(on, files[0].bytes, download.suggestedFilename())
    await on.getByText(/^✓ On the card, read back and equal/).waitFor()
    await on.close()
  })
})

describe('a file of no known format, brought to the shelf', () => {
  it('is kept as it is if somebody says so, and says then what it is', async () => {
    await go('/')
    const { bytes } = save(oddCamera(77, [7, 7, 7, 7]))
    await page
      .getByLabel('File to bring in')
      .setInputFiles({ name: 'STRANGE.BIN', mimeType: '', buffer: Buffer.from(bytes) })
    await page.getByText(/STRANGE\.BIN: a format not read here/).waitFor()
    await button('Keep it as it is').click()
    await page.getByText('It is kept as it is.').waitFor()
    await go('/files?kind=opaque')
    const row = page.getByRole('row').filter({ hasText: 'STRANGE.BIN' })
    await row.getByText('kept as it is, never changed').waitFor()
    await row.getByText('What it is').click()
    await row.getByRole('combobox', { name: 'Saved by' }).selectOption({ label: 'Reed A' })
    await row.getByLabel('What it holds').fill('The banks of the spring tour')
    await button('Keep', row).click()
    await row.getByRole('cell').filter({ hasText: 'The banks of the spring tour' }).first().waitFor()
    await go('/bodies/reed-a')
    await page.getByText('The banks of the spring tour').first().waitFor()
  })

  it('of two gigabytes, or among thousands, is not taken: it is said why, and where to go', async () => {
    await go('/')
    const input = page.getByLabel('File to bring in')
    const drop = (size: number, count: number) =>
      input.evaluate(
        (element, [bytes, many]) => {
          const files = Array.from({ length: many }, (_, i) => {
            const file = new File(['x'], `FILM${i}.MOV`)
            Object.defineProperty(file, 'size', { value: bytes })
            return file
          })
          Object.defineProperty(element, 'files', { value: files, configurable: true })
          element.dispatchEvent(new Event('change', { bubbles: true }))
        },
        [size, count] as const,
      )
    await drop(2_000_000_000, 1)
    await page.getByText(/no configuration file is that large/).waitFor()
    await go('/')
    await drop(10, 10_000)
    await page.getByText(/These are 10000 files\. Open the card under Cards/).waitFor()
  })
})
