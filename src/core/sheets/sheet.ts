import { bodyTagOf, entriesOf, isNoteRow } from '../plan/rows'
import { planTitle } from '../plan/plan'
import { bodyWords, givenOf, type Given, type SheetOrder } from './given'
import type { SheetForm, SheetKind } from './catalogue'
import { sheetParts, type Part } from './parts'
import type { Block, Sheet } from './types'

/**
 * A sheet composed from a plan, for one body or all of them, without the parts that its owner leaves out. The publishable
 * one carries no names: not of the plan, not of bodies, not of people.
 */
export function composeSheet(form: SheetForm, order: SheetOrder, without: readonly string[] = []): Sheet {
  const isNameless = form.id === 'public'
  const given = givenOf(isNameless ? nameless(order) : order)
  const made: Readonly<Record<string, Part>> = Object.hasOwn(sheetParts, form.id)
    ? sheetParts[form.id as SheetKind]
    : {}
  const blocks = form.parts
    .filter(({ id }) => !without.includes(id))
    .flatMap(({ id }) => made[id]?.(given) ?? [])
    .filter((block) => !without.includes(block.part))
  return {
    kind: form.id,
    title: form.name,
    plan: isNameless ? '' : planTitle(given.plan),
    model: `${given.model.maker} ${given.model.name}`,
    body: isNameless ? '' : bodyWords(given),
    stand: order.stand,
    isDraft: order.isDraft,
    blocks: blocks.length === 0 ? [nothing(form, given)] : explained(form, blocks),
  }
}

/** With what its signs mean: after it, but on cards, of which the first carries little else, before it. */
function explained({ paper }: SheetForm, blocks: readonly Block[]): Block[] {
  return paper === 'a6' ? [...legend(blocks), ...blocks] : [...blocks, ...legend(blocks)]
}

/** What the signs on it mean, as far as it has any. */
function legend(blocks: readonly Block[]): Block[] {
  const cells = blocks.flatMap((block) =>
    block.kind === 'table' ? block.lines.flatMap((line) => line.cells) : [],
  )
  const has = (mark: string) => cells.some((cell) => cell.mark === mark)
  const isDrawn = blocks.some(({ kind }) => kind === 'plate')
  const said = [
    ...(isDrawn || cells.some(({ isStrong }) => isStrong)
      ? ['Bold: decided. Grey: as delivered, or as base.']
      : []),
    ...(has('problem') ? ['▲ A problem.'] : []),
    ...(has('unsure') ? ['? Not sure, or to be tested on the body.'] : []),
  ]
  return said.length === 0 ? [] : [{ part: 'legend', kind: 'words', isQuiet: true, lines: [said.join(' ')] }]
}

function nothing(form: SheetForm, { model }: Given): Block {
  return {
    part: form.parts[0]?.id ?? '',
    kind: 'words',
    lines: [`There is nothing of it: the ${model.name} has none, or every part is left out.`],
  }
}

/** The order without rows that say who, from whom, for which body, or what is called how. */
function nameless(order: SheetOrder): SheetOrder {
  const rows = Object.fromEntries(
    entriesOf(order.plan.rows).filter(
      ([row]) => !isNoteRow(row, 'who') && !isNoteRow(row, 'source') && bodyTagOf(row) === null,
    ),
  )
  return { ...order, body: null, plan: { ...order.plan, rows } }
}
