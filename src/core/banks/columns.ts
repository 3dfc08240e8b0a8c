import { baseRow, defaultWhereabouts } from '../plan/cells'
import {
  type RowId,
  bankRow,
  holdNameRow,
  holdRow,
  idsOf,
  isHoldRow,
  isPositionRow,
  mayTick,
  positionRow,
  rowValue,
} from '../plan/rows'
import { lookup } from '../model/lookup'
import type {
  BankFamily,
  BodyModel,
  HoldSet,
  LensModel,
  ModePosition,
  Setting,
  Side,
  Slot,
} from '../model/types'
import { addressesWith } from '../plan/assign'
import { plannedSlots, type Plan, type PlannedSlot } from '../plan/plan'
import { plannedContext, usualContext, type Context } from '../resolve/context'

/** What stands side by side in the matrix: base, slots, remembered positions, hold sets; each on one side of the body. */
export type Column = Base | InSlot | AtPosition | WhileHeld

interface Common {
  /** The same for the same column of another plan. */
  readonly id: string
  readonly side: Side
  /** The owner's name for it, or the model's word. */
  readonly name: string
  /** The model's word. */
  readonly word: string
  /** The state it is in force in. */
  readonly context: Context
}

interface Base extends Common {
  readonly kind: 'base'
}

interface InSlot extends Common {
  readonly kind: 'slot'
  readonly family: BankFamily
  readonly slot: Slot
  readonly planned: PlannedSlot
}

interface AtPosition extends Common {
  readonly kind: 'position'
  readonly position: ModePosition
}

interface WhileHeld extends Common {
  readonly kind: 'hold'
  readonly set: HoldSet
}

/**
 * The columns of a plan, side by side: for each side that is used base, its slots, its remembered positions, and its
 * hold sets where a key of the side calls them. A side with neither slot nor remembered rows has its base only where no
 * side has any, or `whole` is asked for.
 */
export function columnsOf(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  whole = false,
): readonly Column[] {
  const all = model.sides.map((side) => {
    const slots = plannedSlots(model, plan).filter((one) => one.side === side)
    return {
      side,
      more: [...slotColumns(model, plan, lenses, side, slots), ...positionColumns(model, plan, lenses, side)],
    }
  })
  const used = all.filter(({ more }) => more.length > 0)
  const shown = whole || used.length === 0 ? all : used
  return [...shown]
    .sort((one, two) => slotsFirst(two.more) - slotsFirst(one.more))
    .flatMap(({ side, more }) => [
      baseColumn(model, plan, lenses, side),
      ...more,
      ...holdColumns(model, plan, lenses, side),
    ])
}

/** Sides with slots come before those with remembered positions only. */
function slotsFirst(columns: readonly Column[]): number {
  return columns.some((one) => one.kind === 'slot') ? 1 : 0
}

/** The row in which a column holds a setting; null where it does not hold it. */
export function rowIn(model: BodyModel, plan: Plan, column: Column, setting: Setting): RowId | null {
  switch (column.kind) {
    case 'base':
      return setting.place === 'physical'
        ? null
        : baseRow(plan.rows, setting, defaultWhereabouts(model, column.side))
    case 'slot':
      return setting.storedBy === column.family.id
        ? bankRow(column.family.id, column.slot.id, setting.id)
        : null
    case 'position':
      return column.position.keeps.includes(setting.id) ? positionRow(column.position.id, setting.id) : null
    case 'hold':
      return mayTick(column.set, setting) ? holdRow(column.set.id, setting.id) : null
  }
}

/** A slot or the plain position, with the first of the plan's lenses that talks to the body. */
function standing(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: Side,
  slot: PlannedSlot | null,
): Context {
  const usual = usualContext(model, plan, lenses, side)?.context
  const here = plannedContext(model, plan, side, slot, usual?.lens)
  // Where every position of the mode dial fixes something, base stands at the one that fits it.
  const placed =
    slot !== null &&
    model.positions.some((one) => one.kind === 'slot' && one.family === slot.family && one.slot === slot.slot)
  return placed || here.position !== undefined || usual?.position === undefined
    ? here
    : { ...here, position: usual.position }
}

function baseColumn(model: BodyModel, plan: Plan, lenses: readonly LensModel[], side: Side): Column {
  const context = standing(model, plan, lenses, side, null)
  return { kind: 'base', id: `base ${side}`, side, name: 'Base', word: side, context }
}

function slotColumns(
  model: BodyModel,
  plan: Plan,
  lenses: readonly LensModel[],
  side: Side,
  slots: readonly PlannedSlot[],
): Column[] {
  return slots.flatMap((planned): Column[] => {
    const family = model.families.find((one) => one.id === planned.family)
    const slot = family?.slots.find((one) => one.id === planned.slot)
    if (!family || !slot) return []
    const context = standing(model, plan, lenses, side, planned)
    const id = `${family.id}/${slot.id}`
    return [
      {
        kind: 'slot',
        id,
        side,
        name: planned.name,
        word: slot.name,
        context,
        family,
        slot,
        planned,
      },
    ]
  })
}

function positionColumns(model: BodyModel, plan: Plan, lenses: readonly LensModel[], side: Side): Column[] {
  return model.positions
    .filter((position) => position.kind === 'remembered' && position.side === side)
    .flatMap((position): Column[] => {
      if (!idsOf(plan.rows).some((row) => isPositionRow(row, position.id))) return []
      const usual = standing(model, plan, lenses, side, null)
      const context = { ...usual, position: position.id }
      return [
        {
          kind: 'position',
          id: position.id,
          side,
          name: position.name,
          word: 'remembered',
          context,
          position,
        },
      ]
    })
}

function holdColumns(model: BodyModel, plan: Plan, lenses: readonly LensModel[], side: Side): Column[] {
  return model.holdSets.flatMap((set): Column[] => {
    const fn = model.functions.find(
      (one) => one.holdSet === set.id && addressesWith(model, plan, side, one.id).length > 0,
    )
    const name = rowValue(plan.rows, holdNameRow(set.id))
    if (!fn || !idsOf(plan.rows).some((row) => isHoldRow(row, set.id) && row !== holdNameRow(set.id)))
      return []
    const usual = standing(model, plan, lenses, side, null)
    const context = { ...usual, held: [fn.id] }
    return [
      {
        kind: 'hold',
        id: `${set.id} ${side}`,
        side,
        name: typeof name === 'string' ? name : set.name,
        word: 'while held',
        context,
        set,
      },
    ]
  })
}

/** Slots that no side uses yet, in the model's order. */
export function unusedSlots(model: BodyModel, plan: Plan): { family: BankFamily; slot: Slot }[] {
  const used = new Set(plannedSlots(model, plan).map((one) => `${one.family}/${one.slot}`))
  return model.families.flatMap((family) =>
    family.slots.filter((slot) => !used.has(`${family.id}/${slot.id}`)).map((slot) => ({ family, slot })),
  )
}

/** The menu line of a setting, or where its switch is. */
export function whereIs(model: BodyModel, setting: Setting): string {
  return (
    lookup(model).menuAddress.get(setting.id) ??
    (setting.place === 'physical' ? 'by hand' : 'not in the menu')
  )
}
