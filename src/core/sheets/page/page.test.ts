import { planOf } from '@tests/fixtures/arbitrary'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BodyModel } from '../../model/types'
import { emptyPlan, type Plan } from '../../plan/plan'
import { sheetForms, type SheetForm } from '../catalogue'
import { composeSheet } from '../sheet'
import type { Block, Sheet } from '../types'
import { composePages } from './compose'
import { runsOf, widthOf } from './fonts'
import { placeOn } from './fold'
import { linesOf } from './lines'
import { papers, type Item, type Page, type PaperId } from './page'

const paperIds = Object.keys(papers) as PaperId[]

function sheetOf(form: SheetForm, model: BodyModel, plan: Plan): Sheet {
  return composeSheet(form, { model, plan, lenses, body: null, stand: 'Draft', isDraft: true })
}

function withBlocks(...blocks: Block[]): Sheet {
  return {
    ...{ kind: 'full', title: 'Full sheet', plan: 'Plan', model: 'Tarrow Heron', body: '', stand: 'Draft' },
    ...{ isDraft: true, blocks },
  }
}

const textOf = ({ items }: Page) =>
  items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])).join(' ')
const letters = (text: string) => text.replace(/\s+/g, '')

/** How far an item goes, left, top, right, bottom. */
function extent(item: Item): [number, number, number, number] {
  switch (item.kind) {
    case 'text':
      return [item.x, item.y - item.size, item.x + widthOf(item.text, item.face, item.size), item.y]
    case 'line':
      return [
        Math.min(item.from[0], item.to[0]),
        Math.min(item.from[1], item.to[1]),
        Math.max(item.from[0], item.to[0]),
        Math.max(item.from[1], item.to[1]),
      ]
    case 'ellipse':
      return [
        item.at[0] - item.half[0],
        item.at[1] - item.half[1],
        item.at[0] + item.half[0],
        item.at[1] + item.half[1],
      ]
    case 'rect':
      return [item.at[0], item.at[1], item.at[0] + item.size[0], item.at[1] + item.size[1]]
    case 'path': {
      const numbers = (item.d.match(/-?[\d.]+/g) ?? []).map(Number)
      const [across, down] = [0, 1].map((odd) => numbers.filter((_, i) => i % 2 === odd))
      return [
        Math.min(...(across ?? [])),
        Math.min(...(down ?? [])),
        Math.max(...(across ?? [])),
        Math.max(...(down ?? [])),
      ]
    }
  }
}

describe('the pages of a sheet', () => {
  it.each(paperIds)('keep everything within the margins of the paper: %s', (paper) => {
    const { margin } = papers[paper]
    const { width, height } = papers[paper].on ?? papers[paper]
    for (const [, model] of namedModels)
      for (const form of sheetForms)
        for (const page of composePages(sheetOf(form, model, started(model, theatre)), paper))
          for (const item of page.items) {
            // Arcs count in other ways than by pairs.
            if (item.kind === 'path' && /a/i.test(item.d)) continue
            const [left, top, right, bottom] = extent(item)
            const where = JSON.stringify([model.id, form.id, item])
            // A letter may stand out by a hair, and a control on the edge of a face by its rim.
            expect(left, where).toBeGreaterThan(margin * 0.4)
            expect(top, where).toBeGreaterThan(margin * 0.2)
            expect(right, where).toBeLessThan(width - margin * 0.4)
            expect(bottom, where).toBeLessThan(height - margin * 0.4)
          }
  })

  it('are folded cards: what is on a card lies within it, page by page as on a card alone', () => {
    const { width, height } = papers.card
    const sheet = sheetOf(
      sheetForms[0],
      modelCalled('tarrow-heron'),
      started(modelCalled('tarrow-heron'), theatre),
    )
    const cards = composePages(sheet, 'card')
    const sheets = composePages(sheet, 'fold')
    expect(sheets.length).toBe(Math.ceil(cards.length / 10))
    const lettersOn = (page: Page) => page.items.flatMap((item) => (item.kind === 'text' ? [item] : []))
    cards.forEach((card, i) => {
      const { left, top } = placeOn(papers.fold, i)
      const printed = lettersOn(sheets[Math.floor(i / 10)] ?? card)
      const here = printed.filter(({ x, y }) => x >= left && x < left + width && y >= top && y < top + height)
      expect(here.map(({ text }) => text)).toEqual(lettersOn(card).map(({ text }) => text))
    })
  })

  it('hold every word of every table of any plan, in order, whatever the paper', () => {
    const model = modelCalled('hollin-mere')
    fc.assert(
      fc.property(
        planOf(model),
        fc.constantFrom(...sheetForms),
        fc.constantFrom(...paperIds),
        (plan, form, paper) => {
          const sheet = sheetOf(form, model, plan)
          const all = letters(composePages(sheet, paper).map(textOf).join(' '))
          for (const block of sheet.blocks) {
            if (block.kind === 'words')
              for (const line of block.lines)
                for (const word of line.split(/\s+/)) expect(all).toContain(shown(word))
            if (block.kind === 'table')
              for (const { cells } of block.lines)
                for (const { text } of cells)
                  for (const word of text.split(/\s+/)) expect(all).toContain(shown(word))
          }
        },
      ),
      { numRuns: 12 },
    )
  })

  it('say on each which of how many it is, and of what', () => {
    const model = modelCalled('tarrow-heron')
    const full = sheetForms.find(({ id }) => id === 'full')
    const pages = composePages(sheetOf(full ?? sheetForms[0], model, emptyPlan(model)), 'letter')
    expect(pages.length).toBeGreaterThan(5)
    pages.forEach((page, i) => expect(textOf(page)).toContain(`${i + 1} / ${pages.length}`))
    expect(pages.every(({ width, height }) => width === 612 && height === 792)).toBe(true)
  })

  it('repeat the columns of a table on each page, and break a cell that is longer than a page', () => {
    const long = Array.from({ length: 3000 }, (_, i) => `word${i}`).join(' ')
    const table: Block = {
      ...{ part: 'keys', kind: 'table', name: 'T', columns: ['Control', 'Why'] },
      lines: [
        ...Array.from({ length: 120 }, (_, i) => ({ cells: [{ text: `Key ${i}` }, { text: 'short' }] })),
        { cells: [{ text: 'Last' }, { text: long }] },
      ],
    }
    const pages = composePages(withBlocks(table), 'a4')
    expect(pages.length).toBeGreaterThan(3)
    for (const page of pages) expect(textOf(page)).toContain('Control')
    expect(letters(pages.map(textOf).join(' '))).toContain('word2999')
  })

  it('never end with a heading, and cost no more a page for many than for few', () => {
    const lines = (count: number) =>
      Array.from({ length: count }, (_, i): Block[] => [
        { part: 'a', kind: 'heading', text: `Heading ${i}` },
        { part: 'a', kind: 'words', lines: ['One line below it.', 'And another.'] },
      ]).flat()
    for (const page of composePages(withBlocks(...lines(400)), 'a6')) {
      const heads = page.items.flatMap((item) =>
        item.kind === 'text' && item.face === 'head' ? [item.y] : [],
      )
      const texts = page.items.flatMap((item) =>
        item.kind === 'text' && item.face === 'text' && item.tone === 'ink' ? [item.y] : [],
      )
      expect(Math.max(...heads)).toBeLessThan(Math.max(...texts))
    }
    const time = (count: number) => {
      const sheet = withBlocks(...lines(count))
      const start = performance.now()
      const { length } = composePages(sheet, 'a4')
      return (performance.now() - start) / length
    }
    time(200)
    const [few, many] = [Math.min(time(400), time(400)), Math.min(time(4000), time(4000))]
    expect(many).toBeLessThan(few * 4 + 1)
  })
})

/** A word as it is printed: a letter that no font has stands as a question mark. */
function shown(word: string): string {
  return runsOf(word, 'text')
    .map(({ text }) => text)
    .join('')
}

describe('letters on paper', () => {
  it('come from the font that has them: arrows, Greek, Cyrillic, accents; none is left out', () => {
    expect(runsOf('f/2 → Αθήνα, Жук, Łódź ✓', 'text').map(({ font }) => font)).toEqual(
      expect.arrayContaining(['text', 'math', 'greek', 'cyrillic', 'textMore']),
    )
    expect(shown('→✓☐▲')).toBe('→✓☐▲')
    expect(shown('漢字')).toBe('??')
  })

  it('are never wider than the line they are broken for, and none is lost', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), fc.integer({ min: 30, max: 400 }), (text, width) => {
        const lines = linesOf(text, 'text', 8, width)
        expect(letters(lines.join(''))).toBe(letters(text))
        for (const line of lines)
          if ([...line].length > 1) expect(widthOf(line, 'text', 8)).toBeLessThanOrEqual(width + 1e-6)
      }),
    )
  })
})
