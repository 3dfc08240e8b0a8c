import * as yup from 'yup'
import { ok, refuse, type Refusal, type Result } from '../result'
import { unkept } from '../text'
import type { Head } from './head'
import type { DocumentKind } from './kind'
import type { Step } from './step'

/**
 * A save: steps made on top of step number `basedOn` of a log, which is known by `head` there (`head.ts`). With
 * `ask` it also asks which steps of an earlier visit are in the log. Without steps it only asks for what is newer.
 */
export interface Save {
  /** Which log: a document that was put back or made anew under the same id begins another epoch. */
  readonly epoch: string
  readonly basedOn: number
  readonly head: Head
  readonly steps: readonly Step[]
  readonly ask: readonly string[]
}

/** What every answer of the same epoch brings. */
export interface CaughtUp {
  readonly epoch: string
  /** The number of the step before `entries`: the `basedOn` of the save. */
  readonly from: number
  /** The head of the log there. */
  readonly since: Head
  /** The log after `from`, in order, one page of it: what the save itself appended is among it. */
  readonly entries: readonly Step[]
  /** The head of the log after each of `entries`. */
  readonly heads: readonly Head[]
  /** The number of the newest step in the log, which may lie beyond this page. */
  readonly version: number
  /** Which of the steps asked about are in the log. */
  readonly known: readonly string[]
}

/** What became of a save. */
export type Answer =
  /** Every step of the save is in the log. */
  | (CaughtUp & { readonly kind: 'saved' })
  /** Others saved first: nothing was appended; their steps are to be taken in, then the save made anew. */
  | (CaughtUp & { readonly kind: 'stale' })
  /** The steps before `step` are in the log; it is not, and never will be as it is. What follows it was not looked at. */
  | (CaughtUp & { readonly kind: 'unfit'; readonly step: string; readonly refusal: Refusal })
  /** The log is another one than the save was made on, or has lost steps: nothing was appended. */
  | { readonly kind: 'apart'; readonly refusal: Refusal }

/** A save as read from outside: its steps up to the first that cannot be read, and that one. */
export interface ReadSave {
  readonly save: Save
  readonly unreadable: { readonly step: string; readonly refusal: Refusal } | null
}

/** Reads a save from parsed JSON; refuses the envelope with its path. A step out of shape only ends the list. */
export function readSave<D>(kind: DocumentKind<D>, input: unknown): Result<ReadSave> {
  const envelope = shaped(envelopeSchema(kind.limits.stepsInSave), input)
  if (!envelope.ok) return envelope
  const { steps: given, ...rest } = envelope.value
  const ids = new Set([...given.map(({ id }) => id), ...rest.ask])
  if (ids.size !== given.length + rest.ask.length)
    return refuse('twice', 'Two steps have the same id.', 'steps')
  const steps: Step[] = []
  for (const [i, raw] of given.entries()) {
    const step = readStep(kind, raw, `steps[${i}]`)
    if (step.ok) steps.push(step.value)
    else return ok({ save: { ...rest, steps }, unreadable: { step: raw.id, refusal: step.refusal } })
  }
  return ok({ save: { ...rest, steps }, unreadable: null })
}

/** Reads a list of steps, as a file of steps holds it; refuses the first thing out of shape, with its path. */
export function readSteps<D>(kind: DocumentKind<D>, input: unknown): Result<readonly Step[]> {
  const read = readSave(kind, { epoch: nobody, basedOn: 0, head: null, steps: input, ask: [] })
  if (!read.ok) return read
  const { save, unreadable } = read.value
  return unreadable ? { ok: false, refusal: unreadable.refusal } : ok(save.steps)
}

const nobody = '00000000-0000-4000-8000-000000000000'

function readStep<D>(kind: DocumentKind<D>, input: unknown, path: string): Result<Step> {
  const { changesInStep } = kind.limits
  const shape = shaped(stepSchema(changesInStep), input)
  if (!shape.ok) return placed(shape.refusal, path)
  for (const [i, change] of shape.value.changes.entries()) {
    const here = `${path}.changes[${i}]`
    if (unkept.test(change.row))
      return refuse('shape', 'The id of a row has characters that cannot be kept.', `${here}.row`)
    for (const end of ['from', 'to'] as const) {
      const value = change[end] === null ? ok(null) : kind.readValue(change[end])
      if (!value.ok) return refuse(value.refusal.code, value.refusal.message, `${here}.${end}`)
    }
  }
  return ok(shape.value as unknown as Step)
}

function placed(refusal: Refusal, path: string): Result<never> {
  return refuse(refusal.code, refusal.message, refusal.where ? `${path}.${refusal.where}` : path)
}

function shaped<T>(schema: yup.Schema<T>, input: unknown): Result<T> {
  try {
    return ok(schema.validateSync(input, { strict: true }))
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error
    return refuse('shape', error.errors[0] ?? 'This has the wrong shape.', error.path ?? '')
  }
}

const uuid = () =>
  yup
    .string()
    .strict()
    .matches(
      /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/,
      ({ path }) => `${path} should be a UUID`,
    )

const closed = <S extends yup.ObjectShape>(fields: S) =>
  yup
    .object(fields)
    .strict()
    .required()
    .noUnknown(({ unknown }) => `has a key that does not belong here: ${unknown}`)

/** A schema for each limit, made once: making one takes longer than reading a step by it. */
function perLimit<T>(make: (most: number) => T): (most: number) => T {
  const made = new Map<number, T>()
  return (most) => {
    const found = made.get(most) ?? make(most)
    made.set(most, found)
    return found
  }
}

const envelopeSchema = perLimit(
  (most) =>
    closed({
      epoch: uuid().required(),
      basedOn: yup.number().strict().required().integer().min(0).max(2_147_483_646),
      head: yup
        .string()
        .strict()
        .matches(/^[0-9a-f-]{32,36}$/, 'head should be the head of a log')
        .nullable()
        .defined(),
      steps: yup
        .array(yup.object({ id: uuid().required() }).strict().required())
        .strict()
        .required()
        .max(most, `one save has at most ${most} steps`),
      ask: yup.array(uuid().required()).strict().required().max(5000),
    }) as unknown as yup.Schema<Omit<Save, 'steps'> & { steps: { id: string }[] }>,
)

const stepSchema = perLimit(
  (most) =>
    closed({
      id: uuid().required(),
      changes: yup
        .array(
          closed({
            row: yup.string().strict().required().max(300),
            from: yup.mixed().nullable().defined(),
            to: yup.mixed().nullable().defined(),
          }),
        )
        .strict()
        .required()
        .min(1)
        .max(most, `one step has at most ${most} changes`),
      undoes: uuid().optional(),
      redoes: uuid().optional(),
    }) as unknown as yup.Schema<{
      id: string
      changes: { row: string; from: unknown; to: unknown }[]
    }>,
)
