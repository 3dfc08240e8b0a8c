import { lookup } from '@/core/model/lookup'
import { readTyped } from '@/core/model/typed'
import { orientations, postures, runStates, type BodyModel, type LensModel } from '@/core/model/types'
import type { Orientation, Posture, RunState, Side } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { bodyTags } from '@/core/plan/bodies'
import { bodyFirmwareRow, rowValue } from '@/core/plan/rows'
import { factsOf } from '@/core/rules/condition'
import { anyLens } from '@/core/model/any-lens'
import { attachables, fittedIn, standingFirmware, type Context } from '@/core/resolve/context'
import { ok, refuse, type Refusal, type Result } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import type { Options } from './command'

/** The folder of models: `--models`, or `models`. */
export function modelsFolder(options: Options): string {
  return options.models?.at(-1) ?? 'models'
}

/** The posture: `--posture`, or at the finder. */
export function postureIn(options: Options): Result<Posture> {
  const posture = oneOf(options, 'posture', postures)
  return posture.ok ? ok((posture.value ?? 'finder') as Posture) : posture
}

/** The side asked for: `--side`; undefined where every one is meant. */
export function sideIn(options: Options, model: BodyModel): Result<Side | undefined> {
  const side = oneOf(options, 'side', model.sides)
  return side.ok ? ok(side.value as Side | undefined) : side
}

/** The options that describe a context. */
export const contextOptions = {
  side: 'one',
  run: 'one',
  bank: 'many',
  position: 'one',
  lens: 'one',
  marked: 'many',
  attached: 'many',
  body: 'one',
  posture: 'one',
  orientation: 'one',
  eye: 'one',
  firmware: 'one',
  held: 'many',
  latched: 'many',
  edit: 'many',
  situation: 'many',
} as const

/** The same for the usage line. */
export const contextUsage =
  '[--side S] [--run STATE] [--bank FAMILY=SLOT] [--position POSITION] [--lens ID] [--marked SETTING=VALUE] [--attached grip|adapter|flash|microphone|recorder|remote|teleconverter] [--body TAG] [--posture P] [--orientation O] [--eye yes|no] [--firmware V] [--held FUNCTION] [--latched FUNCTION] [--edit SETTING=VALUE] [--situation NAME=VALUE]'

/** The context that options describe; refuses words the model or the format does not know, naming the option. */
export function contextFrom(
  options: Options,
  model: BodyModel,
  lenses: readonly LensModel[],
  plan: Plan,
): Result<Context> {
  const faults: Refusal[] = []
  const take = <T>(result: Result<T>, fallback: T): T => {
    if (result.ok) return result.value
    faults.push(result.refusal)
    return fallback
  }
  const one = (name: string, known: readonly string[]) => take(oneOf(options, name, known), undefined)
  const eye = one('eye', ['yes', 'no'])
  const position = one(
    'position',
    model.positions.map(({ id }) => id),
  )
  const turned = model.positions.find(({ id }) => id === position)
  const posture = one('posture', postures)
  const orientation = one('orientation', orientations)
  const lens = one('lens', [anyLens.id, ...lenses.map((glass) => glass.id)])
  const firmware =
    one(
      'firmware',
      model.firmware.map((each) => each.version),
    ) ?? firmwareOf(model, plan, options.body?.at(-1))
  const attached = (options.attached ?? []).map((what) =>
    take(oneOf({ attached: [what] }, 'attached', attachables), 'grip'),
  )
  const side = one('side', model.sides)
  if (turned) faults.push(...contradictions(turned, side, options))
  const body = take(bodyFrom(options, plan), undefined)
  const context: Context = {
    side: (side ?? turned?.side ?? model.sides[0] ?? 'stills') as Side,
    run: (one('run', runStates) ?? 'standby') as RunState,
    banks: take(banksFrom(options, model), {}),
    lens: lenses.find((glass) => glass.id === lens) ?? anyLens,
    firmware,
    held: take(functionsFrom(options, 'held', model), []),
    latched: take(functionsFrom(options, 'latched', model), []),
    marked: take(valuesFrom(options, 'marked', model), {}),
    edits: take(valuesFrom(options, 'edit', model), {}),
    situation: take(situationFrom(options, model), {}),
    ...(options.attached
      ? { attached: attached as NonNullable<Context['attached']> }
      : fittedIn(model, plan)),
    ...(position === undefined ? {} : { position }),
    ...(body === undefined ? {} : { body }),
    ...(posture === undefined ? {} : { posture: posture as Posture }),
    ...(orientation === undefined ? {} : { orientation: orientation as Orientation }),
    ...(eye === undefined ? {} : { eye: eye === 'yes' }),
  }
  const [first] = faults
  return first ? { ok: false, refusal: first } : ok(context)
}

/** The firmware of a body, where the plan or the inventory says it; else what the plan is looked at with. */
function firmwareOf(model: BodyModel, plan: Plan, body: string | undefined): string {
  const said = body === undefined ? null : rowValue(plan.rows, bodyFirmwareRow(body))
  return typeof said === 'string' ? said : standingFirmware(model, plan)
}

/** What other options say against the position of the mode dial. */
function contradictions(
  position: BodyModel['positions'][number],
  side: string | undefined,
  options: Options,
): Refusal[] {
  const faults: Refusal[] = []
  if (side !== undefined && position.side !== null && position.side !== side) {
    const message = `${position.name} is a position of ${position.side}, and --side says ${side}.`
    faults.push({ code: 'contradiction', message, where: `--position ${position.id}` })
  }
  const other = (options.bank ?? []).find((text) => {
    const [family, slot] = pair(text)
    return position.family === family && position.slot !== slot
  })
  if (other !== undefined) {
    const message = `${position.name} puts its own bank in force, so this one cannot be.`
    faults.push({ code: 'contradiction', message, where: `--bank ${other}` })
  }
  return faults
}

/** One of the bodies the plan knows by a tag. */
function bodyFrom(options: Options, plan: Plan): Result<string | undefined> {
  const tag = options.body?.at(-1)
  const known = bodyTags(plan)
  if (tag === undefined || known.includes(tag)) return ok(tag)
  const message =
    known.length === 0
      ? 'This plan says nothing of single bodies, so they are all alike in it.'
      : `The plan knows the bodies ${known.join(', ')}.`
  return refuse('option', message, `--body ${tag}`)
}

/** What is said of the work, by the names that the model's rules ask for. */
function situationFrom(options: Options, model: BodyModel): Result<Record<string, string>> {
  const facts = model.rules.flatMap(({ when }) => factsOf(when))
  const known = new Set(
    facts.flatMap((fact) => {
      const [about, name = ''] = fact.split('/')
      return about === 'situation' ? [name] : []
    }),
  )
  const said = (options.situation ?? []).map((text) => pair(text))
  const odd = said.find(([name]) => !known.has(name))
  if (!odd) return ok(Object.fromEntries(said))
  const message =
    known.size === 0
      ? `No rule of the ${model.name} asks about the work.`
      : `The rules of the ${model.name} ask about ${[...known].sort().join(', ')}.`
  return refuse('option', message, `--situation ${odd.join('=')}`)
}

/** `SETTING=VALUE` options as values by setting id, typed as photographers write them. */
export function valuesFrom(options: Options, name: string, model: BodyModel): Result<Record<string, Value>> {
  const values: Record<string, Value> = {}
  for (const text of options[name] ?? []) {
    const [id, typed] = pair(text)
    const setting = lookup(model).settings.get(id)
    if (!setting) return refuse('option', `No setting is called ${id}.`, `--${name} ${text}`)
    const value = readTyped(setting, typed)
    if (!value.ok) return refuse(value.refusal.code, value.refusal.message, `--${name} ${text}`)
    values[id] = value.value
  }
  return ok(values)
}

/** One of a few words after an option; undefined where it is not given. */
export function oneOf(options: Options, name: string, known: readonly string[]): Result<string | undefined> {
  const given = options[name]?.at(-1)
  if (given === undefined || known.includes(given)) return ok(given)
  return refuse('option', `“${given}” is none of ${known.join(', ')}.`, `--${name}`)
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

/** The one bank that `--bank` names; null where none is named. */
export function bankIn(
  options: Options,
  model: BodyModel,
): Result<{ readonly family: string; readonly slot: string } | null> {
  const banks = banksFrom(options, model)
  if (!banks.ok) return banks
  const [found] = Object.entries(banks.value).flatMap(([family, slot]) =>
    slot === null ? [] : [{ family, slot }],
  )
  return ok(found ?? null)
}
