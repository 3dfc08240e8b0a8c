import {
  orientations,
  postures,
  runStates,
  type BodyModel,
  type LensModel,
  type RunState,
  type Side,
} from '@/core/model/types'
import { anyLens, newestFirmware, type Context } from '@/core/resolve/context'
import { ok, refuse, type Result } from '@/core/result'
import type { Options } from './command'

/** The folder of models: `--models`, or `models`. */
export function modelsFolder(options: Options): string {
  return options.models?.at(-1) ?? 'models'
}

/** The options that describe a context. */
export const contextOptions = {
  side: 'one',
  run: 'one',
  bank: 'many',
  lens: 'one',
  posture: 'one',
  orientation: 'one',
  firmware: 'one',
  held: 'many',
  latched: 'many',
  situation: 'many',
} as const

/** The context that options describe; refuses words the model or the format does not know, naming the option. */
export function contextFrom(
  options: Options,
  model: BodyModel,
  lenses: readonly LensModel[],
): Result<Context> {
  const side = oneOf(options, 'side', model.sides, model.sides[0] ?? 'stills')
  const run = oneOf(options, 'run', runStates, 'standby')
  const posture = oneOf(options, 'posture', postures, undefined)
  const orientation = oneOf(options, 'orientation', orientations, undefined)
  const lens = oneOf(options, 'lens', [anyLens.id, ...lenses.map((one) => one.id)], anyLens.id)
  const banks = banksFrom(options, model)
  const held = functionsFrom(options, 'held', model)
  const latched = functionsFrom(options, 'latched', model)
  for (const one of [side, run, posture, orientation, lens, banks, held, latched]) if (!one.ok) return one
  if (
    !side.ok ||
    !run.ok ||
    !posture.ok ||
    !orientation.ok ||
    !lens.ok ||
    !banks.ok ||
    !held.ok ||
    !latched.ok
  ) {
    return refuse('context', 'The context cannot be read.')
  }
  const firmware = options.firmware?.at(-1)
  return ok({
    side: side.value as Side,
    run: run.value as RunState,
    banks: banks.value,
    lens: lenses.find((one) => one.id === lens.value) ?? anyLens,
    held: held.value,
    latched: latched.value,
    situation: Object.fromEntries((options.situation ?? []).map((text) => pair(text))),
    ...(posture.value === undefined ? {} : { posture: posture.value as NonNullable<Context['posture']> }),
    ...(orientation.value === undefined
      ? {}
      : { orientation: orientation.value as NonNullable<Context['orientation']> }),
    ...(firmware === undefined ? {} : { firmware }),
  })
}

function oneOf<Fallback extends string | undefined>(
  options: Options,
  name: string,
  known: readonly string[],
  fallback: Fallback,
): Result<string | Fallback> {
  const given = options[name]?.at(-1)
  if (given === undefined) return ok(fallback)
  return known.includes(given)
    ? ok(given)
    : refuse('option', `“${given}” is none of ${known.join(', ')}.`, `--${name}`)
}

function banksFrom(options: Options, model: BodyModel): Result<Record<string, string | null>> {
  const banks: Record<string, string | null> = Object.fromEntries(
    model.families.map((family) => [family.id, null]),
  )
  for (const text of options.bank ?? []) {
    const [familyId, slotId] = pair(text)
    const family = model.families.find((one) => one.id === familyId)
    if (!family) return refuse('option', `No bank family is called ${familyId}.`, `--bank ${text}`)
    if (!family.slots.some((slot) => slot.id === slotId)) {
      return refuse(
        'option',
        `${family.name} has ${family.slots.map((slot) => slot.id).join(', ')}.`,
        `--bank ${text}`,
      )
    }
    banks[family.id] = slotId
  }
  return ok(banks)
}

function functionsFrom(options: Options, name: string, model: BodyModel): Result<readonly string[]> {
  const given = options[name] ?? []
  const odd = given.find((id) => !model.functions.some((fn) => fn.id === id))
  return odd === undefined ? ok(given) : refuse('option', `No function is called ${odd}.`, `--${name} ${odd}`)
}

function pair(text: string): [string, string] {
  const at = text.indexOf('=')
  return at < 0 ? [text, ''] : [text.slice(0, at), text.slice(at + 1)]
}
