import { checkValue } from '../model/domain'
import type { BodyModel, LensModel } from '../model/types'
import { fittings } from '../model/basics'
import type { Plan } from '../plan/plan'
import {
  bodyFirmwareRow,
  bodyOnRow,
  cardRow,
  gearRow,
  lensRow,
  localRow,
  type RowId,
  type Rows,
} from '../plan/rows'
import { memoize } from '../memoize'
import type { Value } from '../vocabulary/values'
import { gearKinds, isPluggedIn, type GearKind } from './kinds'
import { lensesIn } from './lenses'
import { bodiesIn, cardsIn, gearIn, hasNone, type BodyRecord } from './records'
import type { Inventory, Library } from './rows'

/** What an inventory comes to for the plans of one model. */
export interface Equipment {
  /** Rows that hold wherever a plan says nothing itself. */
  readonly rows: Rows
  /** Rows that hold whatever a plan says: what a body is, not what is wanted of it. */
  readonly facts: Rows
  /** Every lens that may be named: the owner's, and those of the library that are not among them. */
  readonly lenses: readonly LensModel[]
  readonly bodies: readonly BodyRecord[]
}

/** What is there for the plans of a model. */
export function equipmentFor(model: BodyModel, library: Library, inventory: Inventory): Equipment {
  const bodies = bodiesIn(inventory).filter((one) => one.model === model.id)
  const own = lensesIn(library, inventory).flatMap(({ lens }) => (lens ? [lens] : []))
  const ids = new Set(own.map(({ id }) => id))
  return {
    facts: Object.fromEntries<Value>(
      bodies.flatMap(({ tag, firmware }) =>
        firmware !== null && model.firmware.some(({ version }) => version === firmware)
          ? [[bodyFirmwareRow(tag), firmware] as const]
          : [],
      ),
    ),
    rows: Object.fromEntries<Value>([
      ...bodies.flatMap((body) => [...localValues(model, body), ...whatIsOn(body)]),
      ...own.filter(({ fits }) => fits === model.maker).map(({ id }) => [lensRow(id), true] as const),
      ...cardsOf(model, inventory, bodies),
      ...gearOf(inventory),
    ]),
    lenses: [...own, ...library.lenses.filter(({ id }) => !ids.has(id))],
    bodies,
  }
}

/** The plan as it stands with what its owner has: what a plan says itself comes before what the inventory brings. */
export function equipped(plan: Plan, equipment: Equipment): Plan {
  return equippedWith(equipment)(plan)
}

const equippedWith = memoize(({ rows, facts }: Equipment) => {
  const isNothing = Object.keys(rows).length + Object.keys(facts).length === 0
  return memoize((plan: Plan): Plan => {
    return isNothing ? plan : { ...plan, rows: { ...rows, ...plan.rows, ...facts } }
  })
})

/** Prefix, numbering and owner's name as the body has them now, where they are local to one body. */
function localValues(model: BodyModel, body: BodyRecord): (readonly [RowId, string | boolean])[] {
  const said = {
    'files.prefix': body.prefix,
    'files.owner': body.owner,
    'files.numbering': body.numbering === null ? null : body.numbering === 'continuous',
  }
  return model.settings.flatMap((setting) => {
    const means = setting.means ?? ''
    const value = Object.hasOwn(said, means) ? said[means as keyof typeof said] : null
    const isTaken = value !== null && checkValue(setting.domain, value, setting.id).ok
    return setting.place === 'local' && isTaken ? [[localRow(body.tag, setting.id), value] as const] : []
  })
}

/** A grip that nobody speaks of is not on, as long as anything is said. */
function whatIsOn(body: BodyRecord): (readonly [RowId, readonly string[]])[] {
  const isSaid = fittings.some((one) => body[one] !== null)
  return isSaid ? [[bodyOnRow(body.tag), fittings.filter((one) => body[one] === true)]] : []
}

/** Of the cards used in a slot on any of the bodies, the smallest size and the slowest rate. */
function cardsOf(
  model: BodyModel,
  inventory: Inventory,
  bodies: readonly BodyRecord[],
): (readonly [RowId, number])[] {
  const cards = cardsIn(inventory).filter(({ usedIn }) => bodies.some(({ tag }) => tag === usedIn?.tag))
  return model.cards.slots.flatMap(({ id: slot }) => {
    const here = cards.filter(({ usedIn }) => usedIn?.slot === slot)
    const least = (figures: readonly (number | null)[]) => {
      const known = figures.filter((one) => one !== null)
      return known.length === 0 ? [] : [Math.min(...known)]
    }
    return [
      ...least(here.map((one) => one.gigabytes)).map((size) => [cardRow(slot, 'size'), size] as const),
      ...least(here.map((one) => one.megabytesPerSecond)).map(
        (rate) => [cardRow(slot, 'rate'), rate] as const,
      ),
    ]
  })
}

/** Where there is one at all, it is there at times unless it is said to be always on the camera. */
function gearOf(inventory: Inventory): (readonly [RowId, string])[] {
  const gear = gearIn(inventory)
  return (Object.keys(gearKinds) as GearKind[]).flatMap((kind): (readonly [RowId, string])[] => {
    if (!isPluggedIn(kind)) return []
    const mine = gear.filter((one) => one.kind === kind)
    if (mine.length === 0) return hasNone(inventory, kind) ? [[gearRow(kind), 'none']] : []
    return [[gearRow(kind), mine.some(({ use }) => use === 'always') ? 'always' : 'sometimes']]
  })
}
