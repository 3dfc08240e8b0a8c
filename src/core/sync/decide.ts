import type { Refusal } from '../result'
import { headsAfter, type Head } from './head'
import { applyWithin, type DocumentKind, type Limits } from './kind'
import type { Answer, ReadSave } from './protocol'
import { stepBytes, type Step } from './step'

/** A document's log as the one who decides sees it, held still while deciding. */
export interface Log<D> {
  readonly epoch: string
  /** How many steps it has; the newest has this number, the first has 1. */
  readonly version: number
  /** The document that the whole log makes. */
  readonly document: D
  /** The head at a number; null at 0, and for numbers it does not have. */
  headAt(number: number): Head
  /** The id of a step by its number, which pages of the former release take for the head; null for numbers it does not have. */
  idAt(number: number): string | null
  /** Whether a step is in the log. */
  has(id: string): boolean
  /** The steps after a number, oldest first: at most one page (`pageOf`). */
  after(number: number): readonly Step[]
}

/** What is to be done with a save: steps to append, the document they make, and what to answer. */
export interface Decision<D> {
  readonly append: readonly Step[]
  readonly document: D
  readonly answer: Answer
}

/**
 * Decides what becomes of a save. Steps that are in the log already are recognised by id and never appended twice, so a
 * save whose answer was lost can be sent again as it is. Nothing is appended on top of steps the sender has not seen.
 * A step that does not fit ends the save: those before it are appended. Every answer brings the log after `basedOn`, so
 * that whoever takes it in holds what the log holds.
 */
export function decide<D>(
  kind: DocumentKind<D>,
  log: Log<D>,
  { save, unreadable: bad }: ReadSave,
): Decision<D> {
  const unreadable = bad && !log.has(bad.step) ? bad : null
  const nothing = { append: [], document: log.document }
  const astray = apart(kind, log, save)
  if (astray) return { ...nothing, answer: { kind: 'apart', refusal: astray } }
  const known = save.ask.filter((id) => log.has(id))
  const there = log.after(save.basedOn)
  const since = log.headAt(save.basedOn)
  const caughtUp = (entries: readonly Step[], version: number) => {
    const base = { epoch: log.epoch, from: save.basedOn, since, known }
    return { ...base, entries, heads: headsAfter(since, entries), version }
  }
  const fresh = save.steps.filter((step) => !log.has(step.id))
  const mine = new Set(save.steps.map((step) => step.id))
  const pageIsWhole = save.basedOn + there.length === log.version
  const othersFirst = !pageIsWhole || there.some((step) => !mine.has(step.id))
  if (othersFirst && (fresh.length > 0 || unreadable)) {
    return { ...nothing, answer: { kind: 'stale', ...caughtUp(there, log.version) } }
  }
  const append: Step[] = []
  let { document } = log
  let unfit: { step: string; refusal: Refusal } | null = unreadable
  for (const step of fresh) {
    const next = applyWithin(kind, document, step)
    if (!next.ok) {
      unfit = { step: step.id, refusal: next.refusal }
      break
    }
    document = next.value
    append.push(step)
  }
  const told = caughtUp(pageIsWhole ? [...there, ...append] : there, log.version + append.length)
  const answer: Answer = unfit ? { kind: 'unfit', ...told, ...unfit } : { kind: 'saved', ...told }
  return { append, document, answer }
}

/** The first steps that fit one page: by count and bytes, but always one. */
export function pageOf(steps: readonly Step[], limits: Limits): readonly Step[] {
  let bytes = 0
  let count = 0
  for (const step of steps) {
    bytes += stepBytes(step)
    if (count > 0 && (bytes > limits.bytesInSave || count >= limits.stepsInSave)) break
    count += 1
  }
  return count === steps.length ? steps : steps.slice(0, count)
}

function apart<D>(kind: DocumentKind<D>, log: Log<D>, save: ReadSave['save']): Refusal | null {
  const { name } = kind
  if (save.epoch !== log.epoch) {
    const message = `This ${name} was put back or made anew since this page was opened. What you changed here is kept on this page.`
    return { code: 'other-epoch', message, where: name }
  }
  const isThere =
    save.head === log.headAt(save.basedOn) || (save.head !== null && save.head === log.idAt(save.basedOn))
  if (save.basedOn <= log.version && isThere) return null
  const message = `The ${name} in the database lacks steps that this page saved; an older copy may have been restored. What you see here is kept on this page.`
  return { code: 'lost-steps', message, where: name }
}
