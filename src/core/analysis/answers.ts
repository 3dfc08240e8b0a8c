import { advise, placesFor } from '../advise/advise'
import { adviserCalled } from '../advise/table'
import { filmFormats } from '../advise/formats'
import { adviseWish } from '../advise/wish'
import { columnsOf } from '../banks/columns'
import { figuresOf } from '../banks/figures'
import { matrixOf } from '../banks/matrix'
import { pairsOf } from '../banks/pairs'
import { filmChoices } from '../banks/sizes'
import { gathered, type CheckedPlan } from '../checks/checks'
import { knownAt, placeId, placeNamed, placesOf } from '../known/known'
import { finderIn } from '../focus/finder'
import { focusAcross } from '../focus/across'
import { lookup } from '../model/lookup'
import type { BodyModel, LensModel, Posture } from '../model/types'
import { addressesWith } from '../plan/assign'
import type { Plan } from '../plan/plan'
import { describeRow, showRow, type Invalidated } from '../plan/rows'
import { composeProcedure, startOf } from '../procedures/compose'
import { orderFor } from '../procedures/order'
import { notAsWanted, play } from '../procedures/play'
import { reachOf, worstNeeds } from '../reach/reach'
import type { ReachReport } from '../reach/report'
import { rateFunctions } from '../reach/rate-functions'
import { plannedContext, usualContext } from '../resolve/context'
import { dialRows } from '../resolve/dials'
import { pressRecord, pressSwap } from '../resolve/filming'
import { settingsWithoutEffect } from '../resolve/without-effect'
import { lightBetween } from '../resolve/marks'
import type { Resolution, ResolvedSetting, StateIn } from '../resolve/resolved'
import { enablingItems } from '../settings/enabling'
import { inForce, wayTo } from '../settings/in-force'
import { withAssumedModes } from '../suggest/assumed'
import { explain } from '../suggest/explain'
import type { Value } from '../vocabulary/values'
import type { Answers, Banks, Held, QuestionKind, QuestionOf, RowChange } from './questions'

/** What answers are made from: a plan, and what is known of it so far. */
export interface Subject {
  readonly model: BodyModel
  readonly lenses: readonly LensModel[]
  readonly plan: Plan
  /** What the plan amounts to in a context. */
  readonly stateIn: StateIn
  /** What the checks find. */
  checked(): CheckedPlan
  /** What the needs cost in a posture. */
  reach(posture: Posture): ReachReport
  /** Findings and reach as they would be with some rows changed. */
  trial(rows: readonly RowChange[], posture: Posture): Answers['trial']
}

/** How questions of one kind are answered, and what makes an answer to be reckoned anew. */
interface Answering<K extends QuestionKind> {
  readonly hangsOn: readonly Invalidated['what'][]
  answer(subject: Subject, question: QuestionOf<K>): Answers[K]
}

const states = ['setting', 'key', 'contexts', 'everything'] as const
const costs = [...states, 'menus', 'needs'] as const
const all = [...costs, 'words'] as const

/** The kinds of question; adding one is adding a row. */
export const answering: { readonly [K in QuestionKind]: Answering<K> } = {
  findings: { hangsOn: all, answer: (subject) => gathered(subject.checked().findings) },
  reach: { hangsOn: costs, answer: (subject, { posture }) => subject.reach(posture) },
  worst: { hangsOn: all, answer: (subject, { posture }) => worstNeeds(subject.reach(posture)) },
  functions: {
    hangsOn: all,
    answer(subject, { address: key, posture }) {
      const { model, plan, lenses } = subject
      const address = lookup(model).addresses.get(key)
      if (!address) return []
      return rateFunctions(model, plan, lenses, address, subject.reach(posture), subject.stateIn)
    },
  },
  trial: {
    hangsOn: all,
    answer: (subject, { rows, posture }) => subject.trial(rows, posture),
  },
  explained: {
    hangsOn: costs,
    answer(subject, { changes, posture }) {
      const { model, lenses } = subject
      const { plan, assumed } = withAssumedModes(model, subject.plan)
      const reach = assumed.length > 0 ? reachOf(model, plan, lenses, posture) : subject.reach(posture)
      return explain(model, plan, reach, changes, 2)
    },
  },
  dials: {
    hangsOn: states,
    answer: ({ model, plan, lenses, stateIn }, { side }) => dialRows(model, plan, lenses, side, stateIn),
  },
  idle: {
    hangsOn: states,
    answer: ({ model, plan, lenses, stateIn }) => settingsWithoutEffect(model, plan, lenses, stateIn),
  },
  enabling: {
    hangsOn: costs,
    answer: ({ model, plan, lenses, stateIn }) => enablingItems(model, plan, lenses, stateIn),
  },
  inForce: {
    hangsOn: states,
    answer: ({ model, plan, lenses, stateIn }, { setting }) => inForce(model, plan, lenses, setting, stateIn),
  },
  way: {
    hangsOn: states,
    answer: ({ model, plan, lenses }, wanted) => wayTo(model, plan, lenses, wanted),
  },
  banks: { hangsOn: all, answer: banksOf },
  cell: {
    hangsOn: states,
    answer({ model, plan, lenses, stateIn }, { column: id, setting }) {
      const column = columnsOf(model, plan, lenses).find((one) => one.id === id)
      return (column && stateIn(column.context).settings.get(setting)?.chain) ?? []
    },
  },
  pairs: {
    hangsOn: [...states, 'words'],
    answer: ({ model, plan, lenses, stateIn }, { side, lens }) =>
      pairsOf(
        model,
        plan,
        side,
        lenses.find((one) => one.id === lens),
        stateIn,
      ),
  },
  hold: { hangsOn: states, answer: (subject, { set }) => heldBy(subject, set) },
  film: {
    hangsOn: states,
    answer: ({ model, plan, lenses }) =>
      Object.fromEntries(
        columnsOf(model, plan, lenses, true).map((column) => [column.id, filmChoices(model, plan, column)]),
      ),
  },
  focus: {
    hangsOn: [...states, 'words'],
    answer: ({ model, plan, lenses }, { side, lens, posture }) =>
      focusAcross(model, plan, lenses, side, { posture, ...(lens === null ? {} : { lens }) }),
  },
  known: {
    hangsOn: all,
    answer({ model, plan, lenses, stateIn }, { place: id }) {
      const places = placesOf(model, plan, lenses)
      const place = placeNamed(plan, places, id)
      if (!place) return null
      return {
        places: places.map((one) => ({ id: placeId(one), name: one.name, side: one.column.side })),
        place: placeId(place),
        known: knownAt(model, plan, place, stateIn),
      }
    },
  },
  advice: {
    hangsOn: all,
    answer({ model, plan, lenses, stateIn }, { adviser, place: id, supposed }) {
      const form = adviserCalled(adviser)
      const places = form ? placesFor(form, placesOf(model, plan, lenses)) : []
      const place = placeNamed(plan, places, id)
      return form && place ? advise(form, model, plan, place, stateIn, supposed) : null
    },
  },
  wish: {
    hangsOn: all,
    answer: (subject, { situation, what, posture }) =>
      adviseWish(subject.model, subject.plan, subject.reach(posture), { situation, what }),
  },
  formats: {
    hangsOn: all,
    answer({ model, plan, lenses, stateIn }, { place: id }) {
      const places = placesOf(model, plan, lenses).filter(({ column }) => column.side === 'motion')
      const place = placeNamed(plan, places, id)
      return place
        ? {
            ...{ place: placeId(place), placeName: place.name },
            ...filmFormats(model, plan, place, stateIn),
          }
        : null
    },
  },
  procedure: {
    hangsOn: all,
    answer({ model, plan, lenses, stateIn }, { id, tag, start, held, place, isPlayed }) {
      const order = orderFor(model, plan, lenses, tag, start, held)
      const procedure = composeProcedure(id, {
        order,
        place,
        ...(order.plan === plan ? { stateIn } : {}),
      })
      if (!isPlayed) return { procedure, played: null }
      const memory = startOf(id, order)
      const { acts, refused, state } = play(order, procedure, memory)
      const differs = notAsWanted(order, state.body.memory).map(
        (row) => `${describeRow(model, row)}: ${showRow(model, row, state.body.memory[row] ?? null)}`,
      )
      return { procedure, played: { acts, refused, differs, begins: { memory, firmware: order.firmware } } }
    },
  },
  state: {
    hangsOn: states,
    answer({ model, plan, stateIn }, { context, held }) {
      const { settings } = stateIn(context)
      return {
        values: eachOf(settings, ({ value }) => value),
        idle: eachOf(settings, ({ remarks }) => because(remarks, 'ineffective')),
        picture: finderIn(model, plan, { ...context, held }),
      }
    },
  },
}

function banksOf({ model, plan, lenses, stateIn }: Subject): Banks {
  const columns = columnsOf(model, plan, lenses)
  const { rows, resolutions, outside } = matrixOf(model, plan, columns, stateIn)
  const figures = columns.map((column, i) => {
    const base = columns.findIndex((one) => one.kind === 'base' && one.side === column.side)
    const [here, there] = [resolutions[i], resolutions[base]]
    return here && there ? figuresOf(model, plan, column, here, there) : []
  })
  return { columns, rows, figures, outside, filming: filmingFrom(model, plan) }
}

function filmingFrom(model: BodyModel, plan: Plan): Banks['filming'] {
  if (!model.filming) return null
  const stills = plannedContext(model, plan, 'stills', null)
  return { record: pressRecord(model, plan, stills), swap: pressSwap(model, plan, stills) }
}

function heldBy({ model, plan, lenses, stateIn }: Subject, id: string): Held | null {
  const fn = model.functions.find((one) => one.holdSet === id && one.manner === 'hold')
  const side =
    model.sides.find((one) => fn && addressesWith(model, plan, one, fn.id).length > 0) ??
    model.sides[0] ??
    'stills'
  const context = usualContext(model, plan, lenses, side)?.context ?? plannedContext(model, plan, side, null)
  const before = stateIn(context)
  const held: Resolution = fn ? stateIn({ ...context, held: [fn.id] }) : before
  return {
    before: eachOf(before.settings, ({ value }) => value),
    held: eachOf(held.settings, ({ value }) => value),
    skipped: eachOf(held.settings, ({ remarks }) => because(remarks, 'skipped')),
    jump: lightBetween(model, before, held),
  }
}

function because(remarks: ResolvedSetting['remarks'], what: 'ineffective' | 'skipped'): string | null {
  return remarks.find(({ kind, truth }) => kind === what && truth === 'yes')?.because ?? null
}

function eachOf<V extends Value>(
  settings: Resolution['settings'],
  take: (one: ResolvedSetting) => V | null,
): Record<string, V> {
  const taken: Record<string, V> = {}
  for (const [id, one] of settings) {
    const value = take(one)
    if (value !== null) taken[id] = value
  }
  return taken
}
