import { gridCells, ownLines } from '../plan/cells'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import { functionAt } from '../plan/assign'
import { bodyTags, differencesOf } from '../plan/bodies'
import { itemAt, permittedAt } from '../plan/menu-items'
import { plannedSlots, type Plan } from '../plan/plan'
import {
  baseCellOf,
  describeRow,
  holdRow,
  idsOf,
  isHoldRow,
  keyRow,
  mayTick,
  variedOf,
  type RowId,
} from '../plan/rows'
import { situationName } from '../plan/situations'
import { rounded } from '../numbers/light'
import type { Need } from '../reach/needs'
import type { Path, Tier } from '../reach/paths'
import { keysFor, reachAfter } from '../reach/reach'
import type { ReachReport } from '../reach/report'
import { termOf } from '../vocabulary/terms'
import type { Value } from '../vocabulary/values'
import type { Advice, AdviceFact, AdviceOption } from './advise'
import type { Weighed } from './weighed'

/** How many keys are named beside the other places. */
const mostKeys = 3

/**
 * Where a need is best met: on which key, in a cell of the function menu, on a line of the own menu, in a bank or a hold
 * set. Each place that can be tried is: the points are the seconds an outing that the whole plan then saves. `before` has
 * to come from `reachOf`. Null where the plan has no such need, or the body nothing like it.
 */
export function adviseWish(
  model: BodyModel,
  plan: Plan,
  before: ReachReport,
  wish: Pick<Need, 'situation' | 'what'>,
): Advice | null {
  const reached = before.reached.find(
    ({ need }) => need.situation === wish.situation && need.what === wish.what,
  )
  if (!reached || reached.absent) return null
  const { need, best } = reached
  const setting = lookup(model).byMeaning.get(need.what)
  const now: AdviceOption = {
    id: 'now',
    name: 'As it is',
    isNow: true,
    cannot: null,
    weighs: [
      {
        points: 0,
        words: best ? `${best.words}: ${rounded(best.seconds)} s each time.` : 'No way there.',
        by: '',
      },
    ],
    balance: 0,
    rows: {},
  }
  const tried = (
    id: string,
    name: string,
    rows: Readonly<Record<RowId, Value>>,
    through: (path: Path) => boolean,
    more: readonly Weighed[],
  ): AdviceOption => {
    const after = reachAfter(before, { ...plan, rows: { ...plan.rows, ...rows } })
    const gain = Math.round(before.seconds - after.seconds)
    const then = after.reached.find(
      (one) => one.need.situation === need.situation && one.need.what === need.what,
    )
    const each = [then?.best ?? [], then?.others ?? []].flat().find(through)
    const isQuickest = each !== undefined && each === then?.best
    const losers = after.reached.filter(({ need: other, perOuting }) => {
      const was = before.reached.find(
        (one) => one.need.situation === other.situation && one.need.what === other.what,
      )
      return was !== undefined && perOuting > was.perOuting + 0.5
    })
    const weighs: Weighed[] = [
      {
        points: gain,
        words: each ? `${each.words}: ${rounded(each.seconds)} s each time.` : 'It is not reached there.',
        by: '',
      },
      ...(each && !isQuickest && then?.best
        ? [{ points: 0, words: `What is there stays quicker: ${then.best.words}.`, by: '' }]
        : []),
      ...(each?.atFinder ? [{ points: 0, words: 'The eye stays at the finder.', by: '' }] : []),
      ...losers.slice(0, 2).map(({ need: other }) => ({
        points: 0,
        words: `${termOf(other.what)} takes longer.`,
        by: situationName(plan, other.situation),
      })),
      ...more,
    ]
    return { id, name, isNow: false, cannot: null, weighs, balance: gain, rows }
  }
  const keys = keysFor(before, need)
    .filter(({ address, fn }) => functionAt(plan, address) !== fn.id)
    .slice(0, mostKeys)
    .map(({ address, fn }) => {
      const row = keyRow(address)
      const was = lookup(model).functions.get(functionAt(plan, address) ?? '')
      const displaced =
        was && was.manner !== 'none' ? [{ points: 0, words: `Takes the place of ${was.name}.`, by: '' }] : []
      return tried(
        row,
        `${address.control.name}, ${address.name}: ${fn.name}`,
        { [row]: fn.id },
        (path) => path.address === address.key,
        displaced,
      )
    })
  const options = [
    ...keys,
    ...menus(model, plan, need, setting, tried),
    bank(model, plan, need, setting),
    ...holdSet(model, plan, setting),
    anotherBody(plan, setting),
  ]
  const ordered = [now, ...options].sort(
    (one, two) =>
      Number(one.cannot !== null) - Number(two.cannot !== null) ||
      two.balance - one.balance ||
      Number(two.isNow) - Number(one.isNow),
  )
  const [first] = ordered
  return {
    adviser: 'wish',
    name: termOf(need.what),
    asks: 'Where is it best at hand?',
    unit: 'seconds',
    place: need.situation,
    placeName: situationName(plan, need.situation),
    idle: reached.blocked,
    settings: setting ? [setting.id] : [],
    facts: factsOf(plan, need),
    options: ordered,
    because:
      first === undefined || first.isNow
        ? 'No place saves anything: what the plan has stays.'
        : `It saves ${first.balance} s an outing, all needs together.`,
    schools: [],
  }
}

type Tried = (
  id: string,
  name: string,
  rows: Readonly<Record<RowId, Value>>,
  through: (path: Path) => boolean,
  more: readonly Weighed[],
) => AdviceOption

/** The first free cell of the function menu of the side, and the first free line of the own menu. */
function menus(
  model: BodyModel,
  plan: Plan,
  need: Need,
  setting: Setting | undefined,
  tried: Tried,
): AdviceOption[] {
  if (!setting) return []
  const cells = gridCells(model).filter(({ grid }) => grid.side === need.side)
  const lines = ownLines(model)
  const place = (id: string, name: string, tier: Tier, rows: readonly RowId[]): AdviceOption[] => {
    const takes = rows.filter((row) => permittedAt(model, row).includes(setting.id))
    if (rows.length === 0) return []
    if (takes.length === 0) return [cannot(id, name, `It does not take ${setting.label}.`)]
    if (rows.some((row) => itemAt(model, plan, row) === setting.id)) return []
    const free = takes.find((row) => itemAt(model, plan, row) === null)
    if (free === undefined)
      return [
        cannot(id, name, `All ${rows.length} places are taken: empty one first, or change one, at Menus.`),
      ]
    const left = rows.filter((row) => itemAt(model, plan, row) === null).length - 1
    return [
      tried(id, describeRow(model, free), { [free]: setting.id }, (path) => path.tier === tier, [
        { points: 0, words: `${left} of ${rows.length} are then free.`, by: '' },
      ]),
    ]
  }
  return [
    ...place(
      'cell',
      'Function menu',
      'function-menu',
      cells.map(({ row }) => row),
    ),
    ...place(
      'line',
      'Own menu',
      'own-menu',
      lines.map(({ row }) => row),
    ),
  ]
}

/** A bank in which it is varied: what that costs in slots. */
function bank(model: BodyModel, plan: Plan, need: Need, setting: Setting | undefined): AdviceOption {
  const name = 'A bank that has it'
  const family = model.families.find(({ id }) => id === setting?.storedBy)
  if (!setting || !family) return cannot('bank', name, 'No bank stores it.')
  const used = plannedSlots(model, plan).filter((one) => one.family === family.id)
  const free = family.slots.length - used.length
  if (free === 0) return cannot('bank', name, `All ${family.slots.length} banks of ${family.name} are used.`)
  return {
    id: 'bank',
    name,
    isNow: false,
    cannot: null,
    balance: 0,
    rows: {},
    weighs: [
      {
        points: 0,
        words: `A bank for each value: ${free} of ${family.slots.length} are free.`,
        by: family.name,
      },
      {
        points: 0,
        words: 'Everything else the bank varies comes along; recalling it is one turn or one line.',
        by: '',
      },
      ...(need.perOuting > 5
        ? [{ points: 0, words: `${need.perOuting} times an outing is often for a change of bank.`, by: '' }]
        : []),
    ],
  }
}

/** Held while a key is down: it takes the place of a key, too. */
function holdSet(model: BodyModel, plan: Plan, setting: Setting | undefined): AdviceOption[] {
  if (!setting || model.holdSets.length === 0) return []
  const fits = model.holdSets.filter((set) => mayTick(set, setting))
  if (fits.length === 0) return [cannot('hold', 'A hold set', 'No hold set takes it.')]
  const free = fits.find((set) => !idsOf(plan.rows).some((row) => isHoldRow(row, set.id)))
  const has = fits.some((set) => Object.hasOwn(plan.rows, holdRow(set.id, setting.id)))
  return [
    {
      id: 'hold',
      name: 'A hold set',
      isNow: has,
      cannot: null,
      balance: 0,
      rows: {},
      weighs: [
        {
          points: 0,
          words: 'In force as long as its key is down: for one other value, not for turning.',
          by: '',
        },
        {
          points: 0,
          words: free
            ? `${free.name} is free; it needs a key of its own.`
            : 'Every hold set has rows: it joins one of them.',
          by: '',
        },
      ],
    },
  ]
}

/** A second camera left as the need wants it: nothing is changed, another one is taken up. */
function anotherBody(plan: Plan, setting: Setting | undefined): AdviceOption {
  const name = 'Another body'
  const tags = bodyTags(plan)
  if (!setting) return cannot('body', name, 'It is no setting that a body could be left on.')
  if (tags.length < 2) return cannot('body', name, 'The plan knows of no second body of this model.')
  const differing = tags.filter((tag) => isLeftOtherwise(plan, tag, setting))
  return {
    id: 'body',
    name,
    isNow: differing.length > 0,
    cannot: null,
    balance: 0,
    rows: {},
    weighs: [
      {
        points: 0,
        words:
          differing.length > 0
            ? `${differing.join(', ')} is left otherwise already.`
            : `One of ${tags.join(', ')} is left on the other value: a bank more, and nothing to change.`,
        by: 'Bodies',
      },
      { points: 0, words: 'It has to be in reach, with the lens that is wanted on it.', by: '' },
      {
        points: 0,
        words: 'A difference on purpose: with its reason beside it, nobody takes it for drift.',
        by: '',
      },
    ],
  }
}

function isLeftOtherwise(plan: Plan, tag: string, { id }: Setting): boolean {
  return idsOf(differencesOf(plan, tag)).some((row) => (baseCellOf(row) ?? variedOf(row))?.setting === id)
}

function cannot(id: string, name: string, because: string): AdviceOption {
  return { id, name, isNow: false, cannot: because, weighs: [], balance: 0, rows: {} }
}

function factsOf(plan: Plan, { perOuting, flags, situation, side }: Need): AdviceFact[] {
  const from = situationName(plan, situation)
  const fact = (id: string, name: string, words: string): AdviceFact => ({
    id,
    name,
    value: words,
    words,
    from,
  })
  return [
    fact('often', 'Times an outing', String(perOuting)),
    fact('side', 'Side', side === 'motion' ? 'film' : 'stills'),
    ...(flags.includes('finder') ? [fact('finder', 'Eye', 'at the finder')] : []),
    ...(flags.includes('recording') ? [fact('recording', 'While', 'recording')] : []),
  ]
}
