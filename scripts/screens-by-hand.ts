import type { Page } from 'playwright-core'
import { load, oddCamera, save } from '@tests/fixtures/odd-camera'

/** Walks a carry by hand between two real cameras as far as its comparison; `plan` is the address of the plan it is for. */
export async function walkByHand(page: Page, plan: string): Promise<void> {
  const part = (name: string) => page.getByRole('region', { name, exact: true })
  const done = page.getByRole('button', { name: /^(Done|As expected)$/ })
  await page.addInitScript(() => {
    window.showDirectoryPicker = async () => {
      const name = localStorage.getItem('card in the reader') ?? 'card'
      return (await navigator.storage.getDirectory()).getDirectoryHandle(name, { create: true })
    }
  })
  await page.goto(`${new URL(plan).origin}/bodies`, { waitUntil: 'networkidle' })
  for (const name of ['Reed A', 'Reed B']) {
    const bodies = part('Bodies')
    await bodies.getByRole('combobox', { name: 'What to add: Model' }).selectOption({ label: 'Tarrow Heron' })
    await bodies.getByRole('textbox', { name: 'Name of the new body' }).fill(name)
    await page.getByRole('button', { name: 'Add the body' }).click()
    await bodies.getByRole('combobox', { name: 'Real camera' }).selectOption('yes')
    await page
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .first()
      .click()
  }
  await page
    .getByRole('status')
    .filter({ hasText: /^saved$/ })
    .waitFor()
  await page.goto(`${plan}/carry`, { waitUntil: 'networkidle' })
  await part('Real cameras, by hand')
    .getByRole('combobox', { name: 'Carry' })
    .selectOption({ label: 'what Reed A holds' })
  await page.getByRole('button', { name: 'Carry it by hand' }).click()
  await page.waitForURL(/walks/)
  const take = async (card: string, bytes: Uint8Array) => {
    await put(page, card, bytes)
    await part('The file').getByRole('button', { name: 'Open the card' }).click()
    await part('The file').getByRole('button', { name: 'Take it' }).first().click()
    const sure = page.getByRole('button', { name: 'It is the right one: take it' })
    const onShelf = part('The file').getByText(/^✓ On the shelf/)
    await sure.or(onShelf).first().waitFor()
    if (await sure.isVisible()) await sure.click()
    await onShelf.waitFor()
    await done.click()
  }
  const [a, b] = [save(oddCamera(1001, [800, 250, 28, 7])), save(oddCamera(2002, [100, 60, 56, 1]))]
  for (let i = 0; i < 2; i++) await done.click()
  await take('card-a', a.bytes)
  await done.click()
  await take('card-a', save(a.after).bytes)
  await done.click()
  await take('card-b', b.bytes)
  await part('The card').getByRole('button', { name: 'Open the card' }).click()
  await page.getByRole('button', { name: 'Write it to the card' }).click()
  await part('The card')
    .getByText(/^✓ On the card/)
    .waitFor()
  for (let i = 0; i < 4; i++) await done.click()
  await take('card-b', save(load(b.after, a.bytes)).bytes)
  await page.getByRole('button', { name: 'Compare them' }).click()
  await part('Comparison').getByText(/^✗/).waitFor()
}

/** A file as a camera writes it, on the card that is in the reader from then on. */
async function put(page: Page, card: string, bytes: Uint8Array): Promise<void> {
  await page.evaluate(
    async ([name, content]) => {
      localStorage.setItem('card in the reader', name)
      const root = await (await navigator.storage.getDirectory()).getDirectoryHandle(name, { create: true })
      const folder = await (
        await root.getDirectoryHandle('HERON', { create: true })
      ).getDirectoryHandle('SET', { create: true })
      const file = await (await folder.getFileHandle('SETTINGS.DAT', { create: true })).createWritable()
      await file.write(new Uint8Array(content))
      await file.close()
    },
    [card, [...bytes]] as const,
  )
}
