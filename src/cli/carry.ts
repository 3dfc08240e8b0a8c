import { lstat } from 'node:fs/promises'
import { relative } from 'node:path'
import { newBody, type BodyState } from '@/core/camera/body'
import { orderOfFile, orderOfPlan, type CarryOrder } from '@/core/camera/carry-order'
import { readMemory } from '@/core/camera/memory'
import { preflightOf, type Preflight } from '@/core/camera/preflight'
import { digestHex } from '@/core/digest'
import { readCardFile, readCardHeader } from '@/core/files/card-file'
import type { Definitions } from '@/core/model/definitions'
import type { BodyModel } from '@/core/model/types'
import { newestFirmware } from '@/core/resolve/context'
import { ok, refuse, type Result } from '@/core/result'
import { openArchive } from '@/disk/archive'
import { boundedBytes } from '@/disk/bounded'
import { done, refused, type Command, type Options } from './command'
import { definitionsIn, planOnDisk } from './disk'
import { listed } from './folder'
import { modelsFolder } from './options'

/** `export check ZIP`: whether an export of everything is whole, and what is in it. */
export const checkExport: Command = {
  name: 'export check',
  usage: 'export check ZIP',
  summary:
    'whether an export of everything is whole: its list, every size and every digest; and what is in it',
  options: {},
  operands: 1,
  async run([path = '']) {
    const archive = await openArchive(path, path)
    if (!archive.ok) return refused(archive.refusal)
    archive.value.close()
    const { manifest } = archive.value
    const bytes = manifest.entries.reduce((sum, one) => sum + one.bytes, 0)
    const words = [
      `Whole: ${manifest.entries.length} entries, ${bytes} bytes, made ${manifest.madeAt} on tables ${manifest.tablesAt}`,
      ...Object.entries(manifest.tables).map(
        ([table, rows]) => `  ${table}: ${rows === 1 ? '1 row' : `${rows} rows`}`,
      ),
    ]
    return done(words.join('\n'), manifest)
  },
}

/** A file found in a folder. */
interface FoundFile {
  readonly path: string
  readonly bytes: number
  readonly digest: string
  /** What it is, where that is known. */
  readonly card: {
    readonly model: string
    readonly firmware: string
    readonly serial: string
    readonly savedAt: string
  } | null
  /** Why it is not read, where it is none, or damaged. */
  readonly problem: string | null
  /** The first file of the folder with the very bytes. */
  readonly sameAs: string | null
}

/** `files of FOLDER`: every configuration file in a folder, such as that of a card. */
export const filesOf: Command = {
  name: 'files of',
  usage: 'files of FOLDER [--models FOLDER]',
  summary:
    'the files of a folder and its folders: whose configuration each is, which are the same, which are none',
  options: { models: 'one' },
  operands: 1,
  async run([folder = ''], options) {
    const definitions = await definitionsIn(modelsFolder(options))
    if (!definitions.ok) return refused(definitions.refusal)
    const paths = await listed(folder)
    if (!paths.ok) return refused(paths.refusal)
    const found: FoundFile[] = []
    for (const path of paths.value) found.push(await lookAt(folder, path, found, definitions.value))
    const words = found.map(({ path, bytes, card, problem, sameAs }) => {
      const what = card
        ? `${card.model}, firmware ${card.firmware}, serial ${card.serial}, saved ${card.savedAt}`
        : problem
      return `${path}: ${bytes} bytes; ${what ?? ''}${sameAs === null ? '' : `; the same as ${sameAs}`}`
    })
    return done([...words, found.length === 1 ? '1 file.' : `${found.length} files.`].join('\n'), found)
  },
}

async function lookAt(
  folder: string,
  path: string,
  before: readonly FoundFile[],
  { models }: Definitions,
): Promise<FoundFile> {
  const name = relative(folder, path)
  const bytes = await boundedBytes(path)
  if (!bytes.ok)
    return {
      path: name,
      bytes: (await lstat(path)).size,
      digest: '',
      card: null,
      problem: bytes.refusal.message,
      sameAs: null,
    }
  const digest = digestHex(bytes.value)
  const sameAs = before.find((one) => one.digest === digest)?.path ?? null
  const file = { path: name, bytes: bytes.value.length, digest, sameAs }
  const header = readCardHeader(bytes.value, name)
  if (!header.ok)
    return {
      ...file,
      card: null,
      problem: `no configuration file that is known here (${header.refusal.message})`,
    }
  const { model: named, firmware, serial, savedAtSeconds } = header.value
  const model = models.find(({ id, version }) => id === named.id && version === named.version)
  const read = model ? readCardFile(model, bytes.value, name) : null
  const card = {
    ...{ model: model ? `${model.maker} ${model.name}` : named.id, firmware, serial },
    savedAt: new Date(savedAtSeconds * 1000).toISOString(),
  }
  const problem = read === null ? 'its model is not among these' : read.ok ? null : read.refusal.message
  return { ...file, card, problem }
}

/** `transfer preflight PLAN|FILE`: what would happen to a body, before anything does. */
export const preflightCommand: Command = {
  name: 'transfer preflight',
  usage:
    'transfer preflight PLAN|FILE [--firmware V] [--holds FILE] [--body TAG] [--battery PERCENT] [--card ready|locked|full|none] [--models FOLDER]',
  summary:
    'what stops a plan or a file from being carried to a body, and every row it would overwrite; fails where something stops it',
  options: { firmware: 'one', holds: 'one', body: 'one', battery: 'one', card: 'one', models: 'one' },
  operands: 1,
  async run([path = ''], options, notes) {
    const asked = await orderOf(path, options, notes)
    if (!asked.ok) return refused(asked.refusal)
    const body = await bodyOf(asked.value.model, options)
    if (!body.ok) return refused(body.refusal)
    const preflight = preflightOf(asked.value, body.value)
    const words = wordsOf(preflight)
    if (preflight.isClear) return done(words, preflight)
    const refusals = preflight.lines.flatMap(({ stop, words: message, name }) =>
      stop === null ? [] : [{ code: stop, message, where: name }],
    )
    return { kind: 'refused', refusals, words, data: preflight }
  },
}

async function orderOf(path: string, options: Options, notes: string[]): Promise<Result<CarryOrder>> {
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  const written = { stem: 'REV', atSeconds: 0 }
  const header = readCardHeader(bytes.value, path)
  if (!header.ok) {
    const read = await planOnDisk(path, modelsFolder(options), notes)
    return read.ok
      ? ok(orderOfPlan(read.value.model, read.value.plan, options.body?.at(-1) ?? '', written))
      : read
  }
  const model = await modelOf(header.value.model, path, options)
  return model.ok ? orderOfFile(model.value, bytes.value, path, written) : model
}

async function modelOf(
  { id, version }: { readonly id: string; readonly version: number },
  path: string,
  options: Options,
): Promise<Result<BodyModel>> {
  const definitions = await definitionsIn(modelsFolder(options))
  if (!definitions.ok) return definitions
  const model = definitions.value.models.find((one) => one.id === id && one.version === version)
  return model
    ? ok(model)
    : refuse('other-model', `It is of a ${id}, edition ${version}, which is not here.`, path)
}

/** The body that is asked about: as delivered, or as a file says that it holds. */
async function bodyOf(model: BodyModel, options: Options): Promise<Result<BodyState>> {
  const firmware = options.firmware?.at(-1) ?? newestFirmware(model)
  if (!model.firmware.some((one) => one.version === firmware))
    return refuse(
      'option',
      `${model.name} has firmware ${model.firmware.map((one) => one.version).join(', ')}.`,
      '--firmware',
    )
  const battery = Number(options.battery?.at(-1) ?? 80)
  if (!Number.isInteger(battery) || battery < 0 || battery > 100)
    return refuse('option', 'A battery has 0 to 100 percent.', '--battery')
  const card = options.card?.at(-1) ?? 'ready'
  if (!['ready', 'locked', 'full', 'none'].includes(card))
    return refuse('option', 'A card is ready, locked, full or none.', '--card')
  const fresh = newBody(model, 'the body', firmware)
  const memory = await memoryOf(model, options)
  if (!memory.ok) return memory
  return ok({
    ...fresh,
    ...{ batteryPercent: battery, memory: memory.value ?? fresh.memory },
    card:
      card === 'none' ? null : { locked: card === 'locked', freeBytes: card === 'full' ? 0 : 1e9, files: {} },
  })
}

async function memoryOf(model: BodyModel, options: Options): Promise<Result<BodyState['memory'] | null>> {
  const path = options.holds?.at(-1)
  if (path === undefined) return ok(null)
  const bytes = await boundedBytes(path)
  if (!bytes.ok) return bytes
  const read = readCardFile(model, bytes.value, path)
  return read.ok ? ok(readMemory(model, read.value.rows)) : read
}

function wordsOf({ lines, overwritten, handWork }: Preflight): string {
  const rows = overwritten.map(
    ({ place, rightWords, leftWords }) => `  ${place}: ${rightWords} → ${leftWords}`,
  )
  const left = handWork.filter(({ done: isDone }) => !isDone)
  return [
    ...lines.map(
      ({ name, stop, words }) => `${name.padEnd(9)} ${stop === null ? 'ok   ' : 'stops'} ${words}`,
    ),
    `${overwritten.length === 1 ? '1 row' : `${overwritten.length} rows`} would be overwritten${rows.length === 0 ? '.' : ':'}`,
    ...rows,
    ...left.map(({ label, menu, wanted, now }) => `by hand: ${label} (${menu}): ${now} → ${wanted}`),
  ].join('\n')
}
