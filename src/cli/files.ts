import { describeRow, idsOf, showRow } from '@/core/plan/rows'
import { writeFile } from 'node:fs/promises'
import { newBody, operate, type BodyState } from '@/core/camera/body'
import { memoryOf } from '@/core/camera/memory'
import { compareSources, type Source } from '@/core/camera/sources'
import { newLive } from '@/core/camera/live/state'
import { runScript, type Played } from '@/core/camera/live/run-script'
import { readCardFile, readCardHeader, type CardFile } from '@/core/files/card-file'
import type { Comparison } from '@/core/files/compare'
import type { Definitions } from '@/core/model/definitions'
import type { BodyModel } from '@/core/model/types'
import { standingFirmware } from '@/core/resolve/context'
import { lackingIn, lackingWords } from '@/core/plan/lacking'
import { emptyPlan } from '@/core/plan/plan'
import { ok, refuse, type Result } from '@/core/result'
import { boundedBytes } from '@/disk/bounded'
import { done, refused, type Command, type Options } from './command'
import { definitionsIn, planOnDisk, withInventory } from './disk'
import { modelsFolder } from './options'

/** `file write PLAN --out FILE`: the card file that a body with this plan set on it would save. */
export const writeFileCommand: Command = {
  name: 'file write',
  usage: 'file write PLAN --out FILE [--serial S] [--firmware V] [--at SECONDS] [--models FOLDER]',
  summary: 'the card file a body would save that has this plan set on it',
  options: { out: 'one', serial: 'one', firmware: 'one', at: 'one', models: 'one' },
  operands: 1,
  async run([planPath = ''], options, notes) {
    const out = options.out?.at(-1)
    if (out === undefined) return { kind: 'usage', problem: 'say where to: --out FILE' }
    const read = await planOnDisk(planPath, modelsFolder(options), notes)
    if (!read.ok) return refused(read.refusal)
    const { model, plan } = read.value
    const body = bodyFrom(options, model, standingFirmware(model, plan))
    const at = Number(options.at?.at(-1) ?? 0)
    if (!body.ok) return refused(body.refusal)
    if (!Number.isSafeInteger(at) || at < 0)
      return refused({ code: 'option', message: 'Whole seconds since 1970.', where: '--at' })
    const lacking = lackingIn(model, plan.rows, body.value.firmware)
    if (lacking.length > 0) {
      const message = `Firmware ${body.value.firmware} cannot hold ${lackingWords(lacking)}.`
      return refused({ code: 'firmware-lacks', message, where: planPath })
    }
    const set = { ...body.value, memory: memoryOf(model, plan) }
    const saved = operate(model, set, { kind: 'save', file: 'out', atSeconds: at })
    if (!saved.ok) return refused(saved.refusal)
    const bytes = saved.value.body.card?.files.out ?? new Uint8Array()
    await writeFile(out, bytes)
    return done(`${bytes.length} bytes written to ${out}`, { written: out, bytes: bytes.length })
  },
}

/** A body as delivered, with the firmware of `--firmware`, or else the one that is usual. */
function bodyFrom(options: Options, model: BodyModel, usual: string): Result<BodyState> {
  const firmware = options.firmware?.at(-1) ?? usual
  if (model.firmware.some((one) => one.version === firmware))
    return ok(newBody(model, options.serial?.at(-1) ?? 'SIM-1', firmware))
  const known = model.firmware.map((one) => one.version).join(', ')
  return refuse('option', `${model.name} has firmware ${known}.`, '--firmware')
}

/** `file read FILE`: what a card file carries, in words. */
export const readFileCommand: Command = {
  name: 'file read',
  usage: 'file read FILE [--models FOLDER]',
  summary: 'whose card file it is, and every row it carries',
  options: { models: 'one' },
  operands: 1,
  async run([path = ''], options) {
    const read = await cardOnDisk(path, modelsFolder(options))
    if (!read.ok) return refused(read.refusal)
    const { model, file } = read.value
    const { header, rows } = file
    const at = new Date(header.savedAtSeconds * 1000).toISOString()
    const words = [
      `${model.maker} ${model.name}, firmware ${header.firmware}, serial ${header.serial}, saved ${at}`,
      ...idsOf(rows)
        .sort()
        .map((row) => `  ${describeRow(model, row)}: ${showRow(model, row, rows[row] ?? null)}`),
      `${Object.keys(rows).length} rows.`,
    ]
    return done(words.join('\n'), file)
  },
}

/** `plan compare PLAN PLAN`: two plans or revisions, row by row. */
export const comparePlans: Command = {
  name: 'plan compare',
  usage: 'plan compare PLAN PLAN [--models FOLDER]',
  summary: 'two plans, or two revisions of one, row by row',
  options: { models: 'one' },
  operands: 2,
  run: comparing(planSource),
}

/** `file compare A B`: two card files, or a card file and a plan. */
export const compareFiles: Command = {
  name: 'file compare',
  usage: 'file compare FILE FILE [--models FOLDER]',
  summary: 'two card files, or a card file and a plan, in what a file carries',
  options: { models: 'one' },
  operands: 2,
  run: comparing(anySource),
}

interface SourceOnDisk {
  readonly model: BodyModel
  readonly source: Source
}

type ReadSource = (path: string, folder: string, notes: string[]) => Promise<Result<SourceOnDisk>>

/** Reads two of something and holds one against the other. */
function comparing(read: ReadSource): Command['run'] {
  return async ([leftPath = '', rightPath = ''], options, notes) => {
    const left = await read(leftPath, modelsFolder(options), notes)
    if (!left.ok) return refused(left.refusal)
    const right = await read(rightPath, modelsFolder(options), notes)
    if (!right.ok) return refused(right.refusal)
    const [one, two] = [left.value, right.value]
    if (one.model.id === two.model.id) {
      const found = compareSources(one.model, one.source, two.source)
      return done(comparisonWords(found), found)
    }
    const message = `One is of a ${one.model.id}, the other of a ${two.model.id}; plan fit carries one over.`
    return refused({ code: 'other-model', message, where: rightPath })
  }
}

async function planSource(path: string, folder: string, notes: string[]): Promise<Result<SourceOnDisk>> {
  const read = await planOnDisk(path, folder, notes)
  return read.ok ? ok({ model: read.value.model, source: { kind: 'plan', plan: read.value.plan } }) : read
}

/** `camera run SCRIPT`: a script played on a simulated body. */
export const runCamera: Command = {
  name: 'camera run',
  usage:
    'camera run SCRIPT (--model ID | --plan PLAN) [--lens ID] [--firmware V] [--serial S] [--inventory FILE] [--models FOLDER]',
  summary: 'plays a script on a simulated body; fails where an expectation is not met',
  options: {
    model: 'one',
    plan: 'one',
    lens: 'one',
    firmware: 'one',
    serial: 'one',
    inventory: 'one',
    models: 'one',
  },
  operands: 1,
  async run([path = ''], options, notes) {
    const bytes = await boundedBytes(path)
    if (!bytes.ok) return refused(bytes.refusal)
    const start = await bodyAtHand(options, notes)
    if (!start.ok) return refused(start.refusal)
    const { model, body, definitions } = start.value
    const wanted = options.lens?.at(-1)
    const lens = definitions.lenses.find((one) => one.id === wanted) ?? null
    if (wanted !== undefined && !lens)
      return refused({ code: 'option', message: `There is no lens ${wanted}.`, where: '--lens' })
    const text = new TextDecoder().decode(bytes.value)
    const played = runScript(model, newLive(model, lens, body), text, definitions.lenses)
    if (!played.ok) return refused({ ...played.refusal, where: `${path}, ${played.refusal.where ?? ''}` })
    const words = played.value.played.map(playedWords).join('\n')
    if (played.value.unmet === 0) return done(words, { played: played.value.played })
    const unmet = played.value.played.filter((one) => one.instead !== null)
    const refusals = unmet.map((one) => ({
      code: 'unmet',
      message: `${one.text}: it is ${one.instead === '' ? 'nothing' : (one.instead ?? '')}`,
      where: `${path}, line ${one.line}`,
    }))
    return { kind: 'refused', refusals, words, data: { played: played.value.played } }
  },
}

function playedWords({ text, log, instead }: Played): string {
  if (text.startsWith('expect')) return `  ${instead === null ? 'met' : 'not met'}: ${text}`
  return [
    `> ${text}`,
    ...log.map((one) => `  ${one.kind === 'did' ? '' : `${one.kind}: `}${one.words}`),
  ].join('\n')
}

async function bodyAtHand(
  options: Options,
  notes: string[],
): Promise<Result<{ model: BodyModel; body: BodyState; definitions: Definitions }>> {
  const [planPath, modelId] = [options.plan?.at(-1), options.model?.at(-1)]
  if ((planPath === undefined) === (modelId === undefined))
    return refuse(
      'option',
      'Say which body: --model ID for one as delivered, or --plan PLAN for one that has it.',
    )
  if (planPath !== undefined) {
    const read = await planOnDisk(planPath, modelsFolder(options), notes)
    if (!read.ok) return read
    const full = await withInventory(read.value, options)
    if (!full.ok) return full
    const { model, plan, definitions } = full.value
    const body = bodyFrom(options, model, standingFirmware(model, plan))
    return body.ok ? ok({ model, definitions, body: { ...body.value, memory: memoryOf(model, plan) } }) : body
  }
  const definitions = await definitionsIn(modelsFolder(options))
  if (!definitions.ok) return definitions
  const model = definitions.value.models.find((one) => one.id === modelId)
  if (!model) return refuse('unknown-model', `There is no model ${modelId ?? ''}.`, '--model')
  const plain = emptyPlan(model)
  const full = await withInventory(
    { model, own: plain, plan: plain, definitions: definitions.value, revision: null },
    options,
  )
  if (!full.ok) return full
  const body = bodyFrom(options, model, standingFirmware(model, full.value.plan))
  return body.ok ? ok({ model, definitions: full.value.definitions, body: body.value }) : body
}

/** A card file of any model in a folder. */
async function cardOnDisk(
  path: string,
  folder: string,
): Promise<Result<{ model: BodyModel; file: CardFile }>> {
  const definitions = await definitionsIn(folder)
  if (!definitions.ok) return definitions
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  const header = readCardHeader(bytes.value, path)
  if (!header.ok) return header
  const model = definitions.value.models.find((one) => one.id === header.value.model.id)
  if (!model) return refuse('other-model', `There is no model ${header.value.model.id}.`, path)
  const file = readCardFile(model, bytes.value, path)
  return file.ok ? ok({ model, file: file.value }) : file
}

/** A card file or a plan file, whichever it is: JSON begins with a brace. */
async function anySource(path: string, folder: string, notes: string[]): Promise<Result<SourceOnDisk>> {
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  if (bytes.value[0] === '{'.charCodeAt(0)) return planSource(path, folder, notes)
  const card = await cardOnDisk(path, folder)
  return card.ok
    ? ok({ model: card.value.model, source: { kind: 'file', rows: card.value.file.rows } })
    : card
}

/** A comparison in words: each row that differs, and the count. */
function comparisonWords({ compared, differences, saidOnly }: Comparison): string {
  const lines = differences.map((one) => `  ${one.place}: ${one.leftWords} → ${one.rightWords}`)
  const end =
    differences.length === 0
      ? `Identical in all ${compared - saidOnly.length} rows.`
      : `${differences.length} of ${compared} rows differ.`
  const said =
    saidOnly.length === 0
      ? []
      : [
          `${saidOnly.length} more ${saidOnly.length === 1 ? 'is' : 'are'} decided in one, left as delivered in the other, with the same value: ${saidOnly.map((one) => one.place).join('; ')}.`,
        ]
  return [...lines, end, ...said].join('\n')
}
