import { lstat, mkdir, readFile, statfs, writeFile } from 'node:fs/promises'
import { basename, dirname, join, relative } from 'node:path'
import { knownFolders, seeCard, type CardEntry, type CardSeen } from '@/core/cards/card'
import { plainPath } from '@/core/cards/path'
import { judgePut, lyingAt } from '@/core/cards/putting'
import { inBytes, largestTaken, mayBeTaken } from '@/core/cards/taking'
import { digestHex } from '@/core/digest'
import { distance, noiseOf, type Region } from '@/core/files/regions'
import { judgeLoad, type NamedRegion } from '@/core/files/verdict'
import { ok, refuse, type Result } from '@/core/result'
import { boundedBytes } from '@/disk/bounded'
import { done, refused, type Command, type Options } from './command'
import { definitionsIn } from './disk'
import { modelsFolder } from './options'
import { listed } from './folder'

/** `file bytes FILE FILE`: two files of whatever format, place by place. */
export const compareBytesCommand: Command = {
  name: 'file bytes',
  usage: 'file bytes FILE FILE [--noise FILE …] [--own FROM-TO …] [--before FILE]',
  summary: 'two files of a format that is not read here, place by place; fails where they differ',
  options: { noise: 'many', own: 'many', before: 'one' },
  operands: 2,
  async run([leftPath = '', rightPath = ''], options) {
    const read = await allBytes([leftPath, rightPath, ...(options.noise ?? []), ...(options.before ?? [])])
    if (!read.ok) return refused(read.refusal)
    const [left = new Uint8Array(), right = new Uint8Array(), ...more] = read.value
    const saves = more.slice(0, options.noise?.length ?? 0)
    const own = (options.own ?? []).map((text) => regionIn(text, left.length))
    const wrong = own.find((one) => !one.ok)
    if (wrong && !wrong.ok) return refused(wrong.refusal)
    const size = left.length
    const named = [
      ...noiseOf([left, ...saves]).map((one): NamedRegion => ({ ...one, size, kind: 'noise', words: '' })),
      ...own.flatMap((one): NamedRegion[] =>
        one.ok ? [{ ...one.value, size, kind: 'own', words: '' }] : [],
      ),
    ]
    const before = options.before === undefined ? null : (more.at(-1) ?? null)
    const { verdict, judged } = judgeLoad(left, right, before, named)
    const { wanted, all } = judged
    const lines = wanted.regions
      .slice(0, 40)
      .map(
        ({ left: at, right: there, bytes }) =>
          `  ${at.from} to ${at.to}: ${bytes} ${bytes === 1 ? 'byte' : 'bytes'}${there.from === at.from && there.to === at.to ? '' : `, there ${there.from} to ${there.to}`}`,
      )
    const words = [...lines, sumOf(wanted.count, wanted.differing, all.count, verdict)].join('\n')
    const data = { verdict, wanted, all, leftOut: named }
    return verdict === 'equal'
      ? done(words, data)
      : {
          kind: 'refused',
          refusals: [
            {
              code: verdict,
              message: sumOf(wanted.count, wanted.differing, all.count, verdict),
              where: rightPath,
            },
          ],
          words,
          data,
        }
  },
}

function sumOf(count: number, bytes: number, all: number, verdict: string): string {
  if (count === 0)
    return all === 0
      ? 'The same, byte for byte.'
      : `Equal but for ${all === 1 ? 'the place' : `the ${all} places`} left out.`
  const took = verdict === 'before' ? ' It is what was there before: the load did not take.' : ''
  return `They differ in ${count === 1 ? '1 place' : `${count} places`}, ${bytes === 1 ? '1 byte' : `${bytes} bytes`} in all.${took}`
}

function regionIn(text: string, size: number): Result<Region> {
  const found = /^(\d+)-(\d+)$/.exec(text)
  const [from, to] = [Number(found?.[1]), Number(found?.[2])]
  return found && from < to && to <= size
    ? ok({ from, to })
    : refuse(
        'option',
        `A place is written 64-68: from a byte up to another, within the ${size} bytes.`,
        '--own',
      )
}

/** `file nearest FILE FOLDER`: the files of a folder that a file is nearest to. */
export const nearestFile: Command = {
  name: 'file nearest',
  usage: 'file nearest FILE FOLDER',
  summary: 'which files of a folder a file is nearest to, by the bytes that differ',
  options: {},
  operands: 2,
  async run([path = '', folder = '']) {
    const file = await boundedBytes(path, largestTaken)
    if (!file.ok) return refused(file.refusal)
    const paths = await listed(folder)
    if (!paths.ok) return refused(paths.refusal)
    const near: { path: string; differing: number }[] = []
    for (const one of paths.value) {
      const bytes = await boundedBytes(one, largestTaken)
      if (bytes.ok) near.push({ path: relative(folder, one), differing: distance(file.value, bytes.value) })
    }
    near.sort((a, b) => a.differing - b.differing)
    const words = near
      .slice(0, 10)
      .map((one) => `${one.path}: ${one.differing === 0 ? 'the same' : `${one.differing} bytes differ`}`)
    return done(words.length === 0 ? 'There is no file in it.' : words.join('\n'), near)
  },
}

/** `card list FOLDER`: what lies on a card. */
export const listCard: Command = {
  name: 'card list',
  usage: 'card list FOLDER [--models FOLDER]',
  summary: 'what lies on a card: the folders of cameras that are known, all others as they are',
  options: { models: 'one' },
  operands: 1,
  async run([folder = ''], options) {
    const card = await cardAt(folder, options)
    if (!card.ok) return refused(card.refusal)
    const { known, other, leftOut, count } = card.value
    const words = [
      ...known.flatMap((one) => [
        `${one.folder}, of ${one.of}`,
        ...one.files.map((file) => `  ${file.path.split('/').at(-1) ?? ''}: ${inBytes(file.bytes)}`),
      ]),
      ...other.map(
        (one) =>
          `${one.folder === '' ? 'at its root' : one.folder}: ${one.count === 1 ? '1 file' : `${one.count} files`}, ${inBytes(one.bytes)}`,
      ),
      ...leftOut.map((one) => `left out: ${one.path}: ${one.because}`),
      count === 1 ? '1 file.' : `${count} files.`,
    ]
    return done(words.join('\n'), card.value)
  },
}

/** `card put FILE FOLDER`: a card prepared for a body. */
export const putOnCard: Command = {
  name: 'card put',
  usage: 'card put FILE FOLDER --model ID [--folder PATH] [--name NAME] [--keep FOLDER] [--models FOLDER]',
  summary:
    'writes a file to a card where a body looks for it, and reads it back; what lies there is kept first',
  options: { model: 'one', folder: 'one', name: 'one', keep: 'one', models: 'one' },
  operands: 2,
  async run([path = '', root = ''], options) {
    const definitions = await definitionsIn(modelsFolder(options))
    if (!definitions.ok) return refused(definitions.refusal)
    const model = definitions.value.models.find(({ id }) => id === options.model?.at(-1))
    if (!model)
      return refused({ code: 'unknown-model', message: 'Say for which model: --model ID.', where: '--model' })
    const file = await boundedBytes(path, largestTaken)
    if (!file.ok) return refused(file.refusal)
    const to = plainPath(
      `${options.folder?.at(-1) ?? model.cardFile.folder}/${options.name?.at(-1) ?? basename(path)}`,
    )
    if (!to.ok) return refused(to.refusal)
    const card = await cardAt(root, options)
    if (!card.ok) return refused(card.refusal)
    const { bavail, bsize } = await statfs(root)
    const seen = judgePut(
      { path: to.value, bytes: file.value.length, body: { name: 'the body', model } },
      { seen: card.value, isWritable: null, free: bavail * bsize },
    )
    const stops = seen.filter(({ verdict }) => verdict === 'stop')
    if (!mayBeTaken(seen))
      return refused(...stops.map(({ about, words }) => ({ code: 'card', message: words, where: about })))
    const there = lyingAt(to.value, card.value)
    const keep = options.keep?.at(-1)
    if (there && keep === undefined)
      return refused({
        code: 'over',
        message: `${there.path} lies there already: say where it is to be kept, --keep FOLDER.`,
        where: root,
      })
    const written = await writeTo(
      root,
      to.value,
      file.value,
      there && keep !== undefined ? { path: there.path, keep } : null,
    )
    if (!written.ok) return refused(written.refusal)
    const words = [
      ...seen.map(({ about, words: said }) => `${about}: ${said}`),
      `${to.value} is on the card, read back and equal.`,
    ]
    return done(words.join('\n'), { path: to.value, digest: digestHex(file.value), seen })
  },
}

async function writeTo(
  root: string,
  path: string,
  bytes: Uint8Array,
  over: { readonly path: string; readonly keep: string } | null,
): Promise<Result<true>> {
  const target = join(root, path)
  try {
    if (over) {
      const old = await readFile(join(root, over.path))
      await mkdir(over.keep, { recursive: true })
      await writeFile(join(over.keep, `${digestHex(old).slice(0, 12)}-${basename(over.path)}`), old)
    }
    const link = await linkOnTheWay(root, path)
    if (link !== null) return refuse('link', 'A link lies there: nothing is written through one.', link)
    await mkdir(dirname(target), { recursive: true })
    await writeFile(target, bytes)
    const back = await readFile(target)
    return digestHex(back) === digestHex(bytes)
      ? ok(true)
      : refuse('not-written', 'What was read back is not what was written. Take another card.', target)
  } catch (error) {
    const { code = '' } = error as NodeJS.ErrnoException
    const words: Record<string, string> = {
      EROFS: 'The card is locked.',
      EACCES: 'The card cannot be written to.',
      ENOSPC: 'There is no room for it on the card.',
      ENOENT: 'It is not there any more: was the card taken out?',
      EIO: 'The card cannot be reached: was it taken out?',
    }
    return refuse('card', words[code] ?? `The card cannot be written to (${code}).`, target)
  }
}

/** The first part of a path on a card that is a link, and could lead elsewhere; null where none is. */
async function linkOnTheWay(root: string, path: string): Promise<string | null> {
  let at = root
  for (const part of path.split('/')) {
    at = join(at, part)
    const isLink = await lstat(at).then(
      (found) => found.isSymbolicLink(),
      () => false,
    )
    if (isLink) return at
  }
  return null
}

async function cardAt(folder: string, options: Options): Promise<Result<CardSeen>> {
  const definitions = await definitionsIn(modelsFolder(options))
  if (!definitions.ok) return definitions
  const paths = await listed(folder)
  if (!paths.ok) return paths
  const entries: CardEntry[] = []
  for (const path of paths.value) {
    const found = await lstat(path)
    entries.push({ path: relative(folder, path), bytes: found.size, savedAt: found.mtimeMs })
  }
  return ok(seeCard(knownFolders(definitions.value.models, []), entries))
}

async function allBytes(paths: readonly string[]): Promise<Result<Uint8Array[]>> {
  const all: Uint8Array[] = []
  for (const path of paths) {
    const bytes = await boundedBytes(path, largestTaken)
    if (!bytes.ok) return bytes
    all.push(bytes.value)
  }
  return ok(all)
}
