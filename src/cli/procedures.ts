import { catalogue, isProcedure } from '@/core/procedures/catalogue'
import type { HandBody } from '@/core/procedures/carry-by-hand'
import { composeProcedure, isPlaceOf, startOf } from '@/core/procedures/compose'
import {
  isoLimitRows,
  isoLimitsOf,
  isoLimitWords,
  isoRatings,
  type IsoLimits,
  type IsoRating,
} from '@/core/procedures/iso-limits'
import { orderFor, startingPoints, startWords, type StartingPoint } from '@/core/procedures/order'
import { notAsWanted, play } from '@/core/procedures/play'
import { writeRescuePlace, writeTargets } from '@/core/procedures/place'
import type { Procedure } from '@/core/procedures/types'
import type { BodyModel } from '@/core/model/types'
import { refuse, type Result } from '@/core/result'
import { bodyTags } from '@/core/plan/bodies'
import { bodyFirmwareRow, describeRow, rowValue, showRow } from '@/core/plan/rows'
import { done, refused, type Command, type Options, type Outcome } from './command'
import { onPlan, type PlanOnDisk } from './disk'
import { bankIn, oneOf, sideIn } from './options'

/** `procedure`: lists them; `procedure NAME PLAN`: one, in order, and with `--play` what a simulated body then holds. */
export const procedures: Command = {
  name: 'procedure',
  usage:
    'procedure | procedure NAME PLAN [--body TAG] [--from delivered|every] [--side S] [--bank FAMILY=SLOT] [--to TAG|VERSION …] [--rated ISO=RATING …] [--play] [--inventory FILE] [--models FOLDER]',
  summary: 'ordered acts beside the camera: list them, print one, play it on a simulated body',
  options: {
    body: 'one',
    from: 'one',
    side: 'one',
    bank: 'one',
    to: 'many',
    rated: 'many',
    play: 'flag',
    inventory: 'one',
    models: 'one',
  },
  operands: [0, 2],
  run([name, plan], options, notes) {
    if (name === undefined || plan === undefined) return Promise.resolve(listed())
    if (!isProcedure(name))
      return Promise.resolve(
        refused({
          code: 'unknown-procedure',
          message: `“${name}” is none of ${catalogue.map(({ id }) => id).join(', ')}.`,
          where: 'NAME',
        }),
      )
    return onPlan((read) => printed(name, read, options))([plan], options, notes)
  },
}

function listed(): Outcome {
  const all = catalogue.map(({ id, name, group, purpose }) => ({ id, name, group, purpose }))
  const width = Math.max(...all.map(({ id }) => id.length))
  return done(all.map(({ id, name, purpose }) => `${id.padEnd(width)}  ${name}. ${purpose}`).join('\n'), all)
}

function printed(
  id: Parameters<typeof composeProcedure>[0],
  { model, plan, definitions }: PlanOnDisk,
  options: Options,
): Outcome {
  const tag = options.body?.at(-1) ?? null
  const known = bodyTags(plan)
  if (tag !== null && !known.includes(tag))
    return refused({
      code: 'unknown-body',
      message: `The plan speaks of no body ${tag}${known.length > 0 ? `; it speaks of ${known.join(', ')}` : ''}.`,
      where: '--body',
    })
  const start = oneOf(
    options,
    'from',
    startingPoints.filter((one) => one !== 'believed'),
  )
  if (!start.ok) return refused(start.refusal)
  const side = sideIn(options, model)
  if (!side.ok) return refused(side.refusal)
  const slot = bankIn(options, model)
  if (!slot.ok) return refused(slot.refusal)
  const from = (start.value ?? 'delivered') as StartingPoint
  const order = orderFor(model, plan, definitions.lenses, tag, from)
  const to = options.to ?? []
  const place = slot.value
    ? writeRescuePlace(slot.value)
    : to.length > 0
      ? writeTargets(to)
      : (side.value ?? '')
  if (to.length > 0 && !isPlaceOf(id, model, plan, place))
    return refused({
      code: 'option',
      message: `“${to.join(', ')}” is nothing that this procedure can go to.`,
      where: '--to',
    })
  if (id === 'carry-by-hand' && to.length === 0)
    return refused({ code: 'option', message: 'Say to which bodies: --to TAG.', where: '--to' })
  const procedure = composeProcedure(id, { order, place, bodies: handBodies(plan, [tag, ...to]) })
  const limits = options.rated ? limitsRated(id, model, options.rated) : null
  if (limits && !limits.ok) return refused(limits.refusal)
  const words = [
    `${procedure.name}: ${count(procedure.acts.length, 'act')}, ${count(moves(procedure), 'press', 'presses')} in the menu${id === 'set-plan' ? `; ${startWords[from]}` : ''}.`,
    ...actLines(procedure),
    ...procedure.undone.map(({ words, because }) => `not done: ${words}. ${because}`),
    ...procedure.leaves.map((one) => `note: ${one}`),
    ...(limits ? [`limits: ${isoLimitWords(limits.value)}`] : []),
  ]
  const answer = limits
    ? { ...procedure, limits: { ...limits.value, rows: isoLimitRows(limits.value) } }
    : procedure
  if (options.play === undefined) return done(words.join('\n'), answer)
  const played = play(order, procedure, startOf(id, order))
  const { memory } = played.state.body
  const differs = notAsWanted(order, memory).map((row) => ({
    row,
    words: `${describeRow(model, row)}: the body has ${showRow(model, row, memory[row] ?? null)}`,
  }))
  const lines = [
    ...played.refused.map(({ act, words: said }) => `refused at ${act}: ${said}`),
    differs.length === 0
      ? 'Played: the body holds the plan, row by row.'
      : `Played: ${count(differs.length, 'row')} of the body ${differs.length === 1 ? 'is' : 'are'} not as the plan wants: ${differs
          .slice(0, 5)
          .map((one) => one.words)
          .join('; ')}${differs.length > 5 ? ' …' : ''}.`,
  ]
  return done([...words, ...lines].join('\n'), {
    ...answer,
    played: { log: played.acts, refused: played.refused, differs },
  })
}

/** What stops of ISO rated as `3200=need` come to. */
function limitsRated(id: string, model: BodyModel, rated: readonly string[]): Result<IsoLimits> {
  const where = '--rated'
  if (id !== 'iso-ladder') return refuse('option', 'Only the iso-ladder is rated.', where)
  const ratings = new Map<number, IsoRating>()
  for (const one of rated) {
    const [iso = '', said] = one.split('=')
    const rating = isoRatings.find((known) => known.split(' ').at(-1) === said)
    const stop = Number(iso)
    if (!rating || !(stop > 0))
      return refuse('option', `“${one}” should be an ISO, =, and fine, need or never.`, where)
    if (ratings.has(stop)) return refuse('option', `ISO ${stop} is rated twice.`, where)
    ratings.set(stop, rating)
  }
  const limits = isoLimitsOf(model, ratings)
  return limits.ok ? limits : refuse(limits.refusal.code, limits.refusal.message, where)
}

/** Bodies as a plan speaks of them: by their tags, with the firmware it says. */
function handBodies(plan: PlanOnDisk['plan'], tags: readonly (string | null)[]): HandBody[] {
  return tags.flatMap((tag): HandBody[] => {
    if (tag === null) return []
    const firmware = rowValue(plan.rows, bodyFirmwareRow(tag))
    return [
      { tag, name: tag, firmware: typeof firmware === 'string' ? firmware : null, folder: null, file: null },
    ]
  })
}

function actLines({ acts }: Procedure): string[] {
  let part = ''
  return acts.flatMap((act, i) => {
    const head = act.part === part || act.part === '' ? [] : [act.part]
    if (act.part !== '') part = act.part
    const more = [
      ...(act.because === undefined ? [] : [`     why: ${act.because}`]),
      ...(act.warning === undefined ? [] : [`     beware: ${act.warning}`]),
      ...(act.expect === undefined ? [] : [`     expect: ${act.expect}`]),
    ]
    return [...head, `  ${i + 1}. ${act.where === '' ? '' : `${act.where}: `}${act.words}`, ...more]
  })
}

function moves({ acts }: Procedure): number {
  return acts.reduce((sum, { presses }) => sum + presses, 0)
}

function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`
}
