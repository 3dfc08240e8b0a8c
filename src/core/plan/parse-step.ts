import * as yup from 'yup'
import { ok, refuse, type Result } from '../result'
import type { Value } from '../vocabulary/values'
import { mostChanges, type Step } from './step'

/** A save as it comes from outside: the version it builds on, and the steps made since. */
export interface SaveOrder {
  readonly basedOn: number
  readonly steps: readonly Step[]
}

/** The largest number of steps in one save. */
export const mostSteps = 200

/** Reads a save from parsed JSON; refuses the first thing out of shape, with its path. */
export function parseSave(input: unknown): Result<SaveOrder> {
  try {
    const order = saveSchema.validateSync(input, { strict: true }) as SaveOrder
    const ids = new Set(order.steps.map((step) => step.id))
    if (ids.size !== order.steps.length) return refuse('twice', 'Two steps have the same id.', 'steps')
    return ok(order)
  } catch (error) {
    if (!(error instanceof yup.ValidationError)) throw error
    return refuse('shape', error.errors[0] ?? 'This save has the wrong shape.', error.path ?? '')
  }
}

/** Reads a list of steps, as a file of steps holds it; refuses the first thing out of shape, with its path. */
export function parseSteps(input: unknown): Result<readonly Step[]> {
  const save = parseSave({ basedOn: 0, steps: input })
  return save.ok ? ok(save.value.steps) : save
}

const uuid = () =>
  yup
    .string()
    .strict()
    .matches(
      /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/,
      ({ path }) => `${path} should be a UUID`,
    )

const value = () =>
  yup
    .mixed<Value>((input): input is Value => {
      if (Array.isArray(input))
        return input.length <= 64 && input.every((member) => typeof member === 'string')
      return typeof input === 'string' || typeof input === 'boolean' || Number.isFinite(input)
    })
    .strict()
    .nullable()
    .defined()

const change = yup
  .object({ row: yup.string().strict().required().max(300), from: value(), to: value() })
  .strict()
  .required()
  .noUnknown()

const step = yup
  .object({
    id: uuid().required(),
    changes: yup.array(change).strict().required().min(1).max(mostChanges),
    undoes: uuid().optional(),
    redoes: uuid().optional(),
  })
  .strict()
  .required()
  .noUnknown()

const saveSchema = yup
  .object({
    basedOn: yup.number().strict().required().integer().min(0),
    steps: yup.array(step).strict().required().min(1).max(mostSteps),
  })
  .strict()
  .required()
  .noUnknown()
