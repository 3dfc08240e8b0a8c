import { writeFile } from 'node:fs/promises'
import { readCardFile, readCardHeader } from '@/core/files/card-file'
import { memoryOf, readMemory } from '@/core/camera/memory'
import { writePlanFile } from '@/core/files/plan-file'
import { describeStep, entriesOf } from '@/core/plan/rows'
import { bodyTags, planFor } from '@/core/plan/bodies'
import type { BodyModel } from '@/core/model/types'
import { applyStep, setRows } from '@/core/plan/step'
import type { Against, OtherPlan, SheetOrder } from '@/core/sheets/given'
import { chosenFor } from '@/core/sheets/chosen'
import { sheetForm, sheetForms, type SheetForm } from '@/core/sheets/catalogue'
import { isPaper, papers } from '@/core/sheets/page/page'
import { composeSheet } from '@/core/sheets/sheet'
import { takeLines, type TakenLine } from '@/core/sheets/edit/take'
import { ok, refuse, type Result } from '@/core/result'
import { planTitle } from '@/core/plan/plan'
import { boundedBytes } from '@/disk/bounded'
import { readFonts } from '@/disk/fonts'
import { readWorkbook, workbookLimits } from '@/disk/workbook'
import { isSheetFile, sheetFiles, type SheetFile } from '@/writers/forms'
import { writeSheet } from '@/writers/write'
import { done, refused, type Command, type Options, type Outcome } from './command'
import { onPlan, planOnDisk, type PlanOnDisk } from './disk'
import { modelsFolder } from './options'
import { written } from './plans'

/** `sheet`: lists them; `sheet KIND PLAN`: one, in words, or written to a file whose ending says the form. */
export const sheets: Command = {
  name: 'sheet',
  usage:
    'sheet | sheet KIND PLAN [--out FILE] [--body TAG] [--against FILE] [--other PLAN …] [--paper a4|letter|a6|card|fold] [--without PART …] [--inventory FILE] [--models FOLDER]',
  summary: 'sheets of a plan: list them, print one, write it as PDF, workbook, CSV, Markdown or JSON',
  options: {
    ...{ out: 'one', body: 'one', against: 'one', other: 'many', paper: 'one', without: 'many' },
    ...{ inventory: 'one', models: 'one' },
  },
  operands: [0, 2],
  run([kind, plan], options, notes) {
    if (kind === undefined || plan === undefined) return Promise.resolve(listed())
    const form = sheetForm(kind)
    if (!form)
      return Promise.resolve(
        refused({
          code: 'unknown-sheet',
          message: `“${kind}” is none of ${sheetForms.map(({ id }) => id).join(', ')}.`,
          where: 'KIND',
        }),
      )
    return onPlan((read) => made(form, read, options, notes))([plan], options, notes)
  },
}

function listed(): Outcome {
  const all = sheetForms.map(({ id, name, purpose, paper, parts }) => ({
    ...{ id, name, purpose, paper },
    parts: parts.map((part) => ({ id: part.id, name: part.name })),
  }))
  const width = Math.max(...all.map(({ id }) => id.length))
  return done(
    all
      .map(
        ({ id, name, purpose, parts }) =>
          `${id.padEnd(width)}  ${name}. ${purpose}\n${''.padEnd(width)}  parts: ${parts.map((part) => part.id).join(', ')}`,
      )
      .join('\n'),
    all,
  )
}

async function made(form: SheetForm, read: PlanOnDisk, options: Options, notes: string[]): Promise<Outcome> {
  const asked = askedOf(form, options, chosenFor(read.plan, form))
  if (!asked.ok) return refused(asked.refusal)
  const order = await orderOf(read, options, notes)
  if (!order.ok) return refused(order.refusal)
  const { out, file, paper, without } = asked.value
  const sheet = composeSheet(form, order.value, without)
  const { model } = read
  const { plan } = read
  const of = { model, plan, paper, tag: order.value.body?.tag ?? null }
  const bytes = await writeSheet(file, [sheet], of, readFonts)
  if (out === null) return done(new TextDecoder().decode(bytes).trimEnd(), sheet)
  await writeFile(out, bytes)
  return done(`${form.name} of ${planTitle(plan)}, ${bytes.length} bytes, written to ${out}`, {
    ...{ written: out, bytes: bytes.length, form: file },
    sheet,
  })
}

/** Form, paper and parts, as asked for. */
function askedOf(form: SheetForm, options: Options, chosen: ReturnType<typeof chosenFor>) {
  const out = options.out?.at(-1) ?? null
  const ending = out === null ? 'md' : (/\.([a-z]+)$/i.exec(out)?.[1]?.toLowerCase() ?? '')
  if (!isSheetFile(ending))
    return refuse(
      'form',
      `The ending of the file says the form: one of ${Object.keys(sheetFiles).join(', ')}.`,
      `--out ${out ?? ''}`,
    )
  const paper = options.paper?.at(-1) ?? chosen.paper
  if (!isPaper(paper))
    return refuse('paper', `A paper is one of ${Object.keys(papers).join(', ')}.`, `--paper ${paper}`)
  const without = options.without?.flatMap((one) => one.split(',')) ?? chosen.without
  const ids = form.parts.map(({ id }) => id)
  const unknown = without.find((one) => !ids.includes(one))
  if (unknown !== undefined)
    return refuse('part', `A part of this sheet is one of ${ids.join(', ')}.`, `--without ${unknown}`)
  const file: SheetFile = ending
  return ok({ out, file, paper, without })
}

async function orderOf(read: PlanOnDisk, options: Options, notes: string[]): Promise<Result<SheetOrder>> {
  const { model, plan, definitions, revision } = read
  const tag = options.body?.at(-1) ?? null
  const tags = bodyTags(plan)
  if (tag !== null && !tags.includes(tag))
    return refuse(
      'unknown-body',
      `The plan speaks of no body ${tag}${tags.length > 0 ? `; it speaks of ${tags.join(', ')}` : ''}.`,
      '--body',
    )
  const against = await againstOf(read, options, notes)
  if (!against.ok) return against
  const others: OtherPlan[] = []
  for (const path of options.other ?? []) {
    const other = await planOnDisk(path, modelsFolder(options), notes)
    if (!other.ok) return other
    others.push({ name: planTitle(other.value.plan), model: other.value.model, plan: other.value.plan })
  }
  return ok({
    ...{ model, plan, lenses: definitions.lenses },
    body: tag === null ? null : { tag, name: tag },
    stand: revision ? `Revision ${revision.number}, ${revision.at.slice(0, 10)}` : 'Draft',
    isDraft: revision === null,
    ...{ against: against.value, others },
    siblings: definitions.models.filter(({ id }) => isSibling(model, id)),
  })
}

function isSibling({ lookAlikes }: BodyModel, id: string): boolean {
  return lookAlikes.some(({ model }) => model === id)
}

/** The other side of a difference: another body of the plan by its tag, a plan file, or a card file. */
async function againstOf(
  { model, plan }: PlanOnDisk,
  options: Options,
  notes: string[],
): Promise<Result<Against | null>> {
  const path = options.against?.at(-1)
  if (path === undefined) return ok(null)
  if (bodyTags(plan).includes(path))
    return ok({ name: path, tag: path, memory: memoryOf(model, planFor(plan, path)) })
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  if (bytes.value[0] === '{'.charCodeAt(0)) {
    const other = await planOnDisk(path, modelsFolder(options), notes)
    if (!other.ok) return other
    if (other.value.model.id !== model.id)
      return refuse('other-model', `It is a plan for ${other.value.model.name}.`, path)
    return ok({ name: planTitle(other.value.plan), memory: memoryOf(model, other.value.plan) })
  }
  const header = readCardHeader(bytes.value, path)
  if (!header.ok) return header
  const card = readCardFile(model, bytes.value, path)
  return card.ok ? ok({ name: path, memory: readMemory(model, card.value.rows) }) : card
}

/** `sheet take PLAN FILE`: what a workbook or CSV that came back would change, and with `--out` the plan with it. */
export const takeSheet: Command = {
  name: 'sheet take',
  usage: 'sheet take PLAN FILE [--out FILE] [--conflicts] [--inventory FILE] [--models FOLDER]',
  summary:
    'what a workbook or CSV changed by somebody does to a plan, line by line; with --out the plan with it',
  options: { out: 'one', conflicts: 'flag', inventory: 'one', models: 'one' },
  operands: 2,
  async run([planPath = '', path = ''], options, notes) {
    const read = await planOnDisk(planPath, modelsFolder(options), notes)
    if (!read.ok) return refused(read.refusal)
    const bytes = await boundedBytes(path, workbookLimits.bytes)
    const book = bytes.ok ? await readWorkbook(bytes.value, path) : bytes
    if (!book.ok) return refused(book.refusal)
    notes.push(...book.value.notes)
    const { model, own } = read.value
    const taken = takeLines(model, own, book.value.lines)
    const fates = options.conflicts === undefined ? ['taken'] : ['taken', 'conflict']
    const sets = Object.fromEntries(
      taken.filter(({ fate }) => fates.includes(fate)).flatMap((line) => entriesOf(line.sets)),
    )
    const step = setRows(own, `taken from ${path}`, sets)
    const out = options.out?.at(-1)
    if (out === undefined) return done(takenWords(taken), { lines: taken, changes: step.changes })
    const after = applyStep(model, own, step)
    if (!after.ok) return refused(after.refusal)
    return written(
      writePlanFile({ plan: after.value, revision: null }),
      out,
      step.changes.length === 0 ? 'Nothing is changed' : describeStep(model, step),
    )
  },
}

function takenWords(lines: readonly TakenLine[]): string {
  const count = (fate: TakenLine['fate']) => lines.filter((line) => line.fate === fate).length
  const said = lines
    .filter(({ fate }) => fate !== 'unchanged')
    .map(
      ({ fate, at, what, from, to, because }) =>
        `${fate.padEnd(9)} ${at}: ${what}: ${from} → ${to === '' ? 'as delivered' : to}${because === '' ? '' : `. ${because}`}`,
    )
  const sums = (['taken', 'conflict', 'refused', 'unknown', 'unchanged'] as const)
    .map((fate) => `${count(fate)} ${fate}`)
    .join(', ')
  return [...said, `${sums}.`].join('\n')
}
