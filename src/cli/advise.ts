import { advise, placesFor, type Advice, type AdviceOption } from '@/core/advise/advise'
import { filmFormats, type FilmFormat } from '@/core/advise/formats'
import { factForm } from '@/core/advise/fact-forms'
import { adviserCalled, advisers } from '@/core/advise/table'
import { adviseWish } from '@/core/advise/wish'
import { placesOf } from '@/core/known/known'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { reachOf } from '@/core/reach/reach'
import { writePlanFile } from '@/core/files/plan-file'
import { describeStep } from '@/core/plan/rows'
import { applyStep, setRows } from '@/core/plan/step'
import { resolve } from '@/core/resolve/resolve'
import { ok, refuse, type Result } from '@/core/result'
import { done, refused, type Command, type Options, type Outcome } from './command'
import { onPlan } from './disk'
import { placeIn, typedIn } from './numbers'
import { written } from './plans'

/** `advise [NAME PLAN]`: every adviser; or what one says in a place of a plan, and the step that takes an option. */
export const adviseOnPlan: Command = {
  name: 'advise',
  usage:
    'advise [NAME PLAN [FACT=VALUE …]] [--at PLACE] [--take OPTION] [--out FILE] [--inventory FILE] [--models FOLDER]',
  summary: 'every adviser; or every option of one with what it costs here, and the step that takes it',
  options: { at: 'one', take: 'one', out: 'one', inventory: 'one', models: 'one' },
  operands: 'any',
  async run([name, plan, ...facts], options, notes) {
    if (name === undefined) {
      const all = [
        ...advisers,
        {
          id: 'formats',
          name: 'Film formats side by side',
          asks: 'What does each write, and what excludes what?',
        },
        { id: 'wish', name: 'Where to put a need', asks: 'Key, function menu, own menu, bank or hold set?' },
      ]
      return done(
        all.map(({ id, name: called, asks }) => `${id.padEnd(12)}  ${called}. ${asks}`).join('\n'),
        all,
      )
    }
    if (name === 'wish') return plan === undefined ? noPlan : wish(plan, facts, options, notes)
    if (name === 'formats') return plan === undefined ? noPlan : formats(plan, options, notes)
    const form = adviserCalled(name)
    if (!form)
      return refused({
        code: 'unknown-adviser',
        message: `There is no adviser ${name}; there are ${[...advisers.map(({ id }) => id), 'formats', 'wish'].join(', ')}.`,
        where: name,
      })
    if (plan === undefined) return noPlan
    const supposed = supposedIn(facts)
    if (!supposed.ok) return refused(supposed.refusal)
    return onPlan(async ({ model, plan: full, own, definitions }): Promise<Outcome> => {
      const place = placeIn(options, full, placesFor(form, placesOf(model, full, definitions.lenses)))
      if (!place.ok) return refused(place.refusal)
      const advice = advise(
        form,
        model,
        full,
        place.value,
        (context) => resolve(model, full, context),
        supposed.value,
      )
      if (!advice)
        return refused({
          code: 'no-choice',
          message: `The ${model.name} has nothing to choose there.`,
          where: name,
        })
      return taken(model, own, advice, options)
    })([plan], options, notes)
  },
}

const noPlan: Outcome = { kind: 'usage', problem: 'name the plan it is for' }

/** Where a need is best met; which needs there are where none is named. */
function wish(plan: string, facts: readonly string[], options: Options, notes: string[]): Promise<Outcome> {
  return onPlan(async ({ model, plan: full, own, definitions }): Promise<Outcome> => {
    const report = reachOf(model, full, definitions.lenses, 'finder')
    const ids = report.reached.map(({ need }) => `${need.situation}/${need.what}`)
    const asked = facts[0]?.split('need=').at(-1)
    const found = report.reached.find(({ need }) => `${need.situation}/${need.what}` === asked)
    if (!found || facts.length > 1)
      return refused({
        code: 'option',
        message:
          ids.length === 0
            ? 'The plan has no needs: say what you shoot first.'
            : `Write need=… with one of ${ids.join(', ')}.`,
        where: facts.join(' ') || 'need',
      })
    const advice = adviseWish(model, full, report, found.need)
    if (!advice)
      return refused({
        code: 'no-choice',
        message: `The ${model.name} has nothing like it.`,
        where: asked ?? '',
      })
    return taken(model, own, advice, options)
  })([plan], options, notes)
}

/** Every film format in a place of motion, or the plan with one taken. */
function formats(plan: string, options: Options, notes: string[]): Promise<Outcome> {
  return onPlan(async ({ model, plan: full, own, definitions }): Promise<Outcome> => {
    const places = placesOf(model, full, definitions.lenses).filter(({ column }) => column.side === 'motion')
    const place = placeIn(options, full, places)
    if (!place.ok) return refused(place.refusal)
    const found = filmFormats(model, full, place.value, (context) => resolve(model, full, context))
    const all = found.formats
    const wanted = options.take?.at(-1)
    if (wanted === undefined) {
      const none = found.withNone.map((words) => `With none of them as it stands: ${words}`)
      return done([...all.map(formatWords), ...none].join('\n'), found)
    }
    const format = all.find(({ id }) => id === wanted)
    return format && format.cannot === null
      ? taking(model, own, 'formats', format.rows, options)
      : refused({
          code: 'option',
          message: format?.cannot ?? `A format is one of ${all.map(({ id }) => id).join(', ')}.`,
          where: `--take ${wanted}`,
        })
  })([plan], options, notes)
}

function formatWords(format: FilmFormat): string {
  const { id, size, rate, codec, bitrate, hourly, onCard, slower, isNow, isWideEnough } = format
  const notes = [
    ...(isNow ? ['as planned'] : []),
    ...(onCard
      ? [`${onCard.words} on your card${onCard.keepsUp === false ? ', which is too slow' : ''}`]
      : []),
    ...(slower === null ? [] : [`${slower} slower`]),
    ...(isWideEnough === false ? ['narrower than delivered'] : []),
  ]
  return [
    `  ${id}: ${size}, ${rate}, ${codec}, ${bitrate} Mbit/s, ${hourly} an hour${notes.map((one) => `; ${one}`).join('')}`,
    ...(format.cannot === null ? [] : [`    cannot be had: ${format.cannot}`]),
    ...format.first.map((words) => `    first ${words}`),
    ...(format.excludes.length === 0
      ? []
      : [`    not with ${format.excludes.map(({ words }) => words).join('; ')}`]),
    ...format.costs.map((words) => `    ${words}`),
  ].join('\n')
}

/** The advice in words; or with `--take`, the plan with an option taken. */
async function taken(model: BodyModel, own: Plan, advice: Advice, options: Options): Promise<Outcome> {
  const wanted = options.take?.at(-1)
  if (wanted === undefined) return done(adviceWords(advice), advice)
  const option = advice.options.find(({ id }) => id === wanted)
  if (!option || option.cannot !== null)
    return refused({
      code: 'option',
      message: option?.cannot ?? `An option is one of ${advice.options.map(({ id }) => id).join(', ')}.`,
      where: `--take ${wanted}`,
    })
  return taking(model, own, advice.adviser, option.rows, options)
}

/** The plan with the rows of an option, as a plan file. */
async function taking(
  model: BodyModel,
  own: Plan,
  adviser: string,
  rows: AdviceOption['rows'],
  options: Options,
): Promise<Outcome> {
  const step = setRows(own, `advised ${adviser}`, rows)
  if (step.changes.length === 0) return done('The plan has it already.', { changes: [] })
  const after = applyStep(model, own, step)
  if (!after.ok) return refused(after.refusal)
  return written(
    writePlanFile({ plan: after.value, revision: null }),
    options.out?.at(-1),
    describeStep(model, step),
  )
}

function supposedIn(operands: readonly string[]): Result<Record<string, string>> {
  const typed = typedIn(operands)
  if (!typed.ok) return typed
  const supposed: Record<string, string> = {}
  for (const [id, { typed: value }] of Object.entries(typed.value)) {
    const fact = factForm(id)
    if (!fact) return refuse('unknown-fact', `No adviser goes by ${id}.`, id)
    if (!Object.hasOwn(fact.values, value))
      return refuse(
        'outside',
        `${fact.name} is one of ${Object.keys(fact.values).join(', ')}.`,
        `${id}=${value}`,
      )
    supposed[id] = value
  }
  return ok(supposed)
}

function adviceWords({ name, asks, idle, options, because, facts, schools }: Advice): string {
  return [
    `${name}. ${asks}`,
    ...(idle === null ? [] : [`Whichever is taken does nothing as the camera stands: ${idle}`]),
    ...options.flatMap(optionWords),
    ...(because === null ? [] : [`Named first because: ${because}`]),
    'Goes by',
    ...facts.map(
      ({ id, name: called, words, from }) => `  ${id}: ${called}: ${words}${from === '' ? '' : ` (${from})`}`,
    ),
    ...(schools.length === 0 ? [] : ['Owners differ']),
    ...schools.map(
      ({ name: called, reason, isYours }) => `  ${called}${isYours ? ' (yours)' : ''}: ${reason}`,
    ),
  ].join('\n')
}

function optionWords({ id, name, isNow, cannot, balance, weighs }: AdviceOption): string[] {
  const sign = (points: number) => (points > 0 ? `+${points}` : `${points}`)
  return [
    `  ${id}: ${name}${isNow ? ', as planned' : ''}${cannot === null ? `, ${sign(balance)}` : ''}`,
    ...(cannot === null ? [] : [`    cannot be had here: ${cannot}`]),
    ...weighs.map(({ points, words, by }) => `    ${sign(points)} ${words}${by === '' ? '' : ` (${by})`}`),
  ]
}
