import { lookup, menuOrder } from '../model/lookup'
import { anyLens } from '../model/any-lens'
import { orientationWords } from '../model/hand-words'
import {
  orientations,
  setUpPages,
  type BodyModel,
  type LensModel,
  type ModePosition,
  type Orientation,
  type Side,
} from '../model/types'
import { plannedSlots } from '../plan/plan'
import { setUpPageOf } from '../plan/set-up-pages'
import {
  baseCellOf,
  isPositionRow,
  isSlotRow,
  parseRow,
  settingOf,
  typedCell,
  type Row,
  type RowId,
} from '../plan/rows'
import type { Value } from '../vocabulary/values'
import { setSlots } from './banks'
import { Composer } from './composer'
import { passThrough, setItems, undoneItem, type Item, type Obstacle } from './menu-pass'
import { aimOf, openRows, type Aim, type SetOrder } from './wanted'

/**
 * Everything that brings a body from what it holds to the plan: the share list, then the menu walked once for each way the
 * camera has to stand (enabling items first), the set-up pages, remembered positions, and the banks, each stored from base,
 * varied and stored again. What no order of acts brings about is named with its reason.
 */
export function composeSetting(order: SetOrder, banksOnly = false): Composer {
  const aim = aimOf(order)
  const composer = new Composer(order)
  composer.undone.push(...aim.lacking)
  if (!banksOnly) {
    share(composer, order, aim)
    base(composer, order, aim)
    pages(composer, order, aim)
    positions(composer, order, aim)
  }
  setSlots(composer, aim, plannedSlots(order.model, order.plan))
  return composer
}

const kindIn = (model: BodyModel, row: RowId): Row['kind'] | null => {
  const parsed = parseRow(model, row)
  return parsed.ok ? parsed.value.kind : null
}

function share(composer: Composer, order: SetOrder, aim: Aim): void {
  const { model } = order
  const rows = openRows(order, aim, composer.state.body.memory, (row) => kindIn(model, row) === 'share')
  for (const { row, value } of rows)
    composer.page(row, value, null, {
      because: 'First, because it decides how many cells the settings have.',
      part: 'What stills and motion share',
      where: menuAddressOf(model, row),
    })
}

/** Where the setting of a row stands in the menu. */
function menuAddressOf(model: BodyModel, row: RowId): string {
  const parsed = parseRow(model, row)
  const setting = parsed.ok ? settingOf(parsed.value) : null
  return lookup(model).menuAddress.get(setting?.id ?? '') ?? ''
}

/** A base cell that is to be filled, with the cell's name. */
interface BaseItem extends Item {
  readonly cell: string | null
}

/** How the camera has to stand for some items. */
interface Standing {
  readonly position: ModePosition
  readonly side: Side
}

function base(composer: Composer, order: SetOrder, aim: Aim): void {
  const { model } = order
  const { settings } = lookup(model)
  const rows = openRows(order, aim, composer.state.body.memory, (row) => baseCellOf(row) !== null)
  let waiting = rows.flatMap(({ row, value }): BaseItem[] => {
    const cell = baseCellOf(row)
    const setting = settings.get(cell?.setting ?? '')
    return cell && setting ? [{ setting, value, row, cell: cell.cell }] : []
  })
  const reasons = new Map<RowId, Obstacle>()
  for (const standing of standingsOf(model)) {
    const here = waiting.filter((item) => mayStand(item, standing))
    if (here.length === 0) continue
    const left = composer.standing(
      () => composer.turnTo(standing.position),
      () => [
        ...passThrough(composer, here.filter(standsAnyhow)),
        ...turned(composer, here),
        ...mounted(composer, here, order.lenses),
      ],
    )
    for (const one of left) {
      const known = reasons.get(one.row)
      if (known?.kind !== 'refused') reasons.set(one.row, one.obstacle)
    }
    const stays = new Set(left.map(({ row }) => row))
    waiting = waiting.filter((item) => !here.includes(item) || stays.has(item.row))
  }
  for (const item of waiting)
    composer.undone.push(
      undoneItem(model, {
        ...item,
        obstacle: reasons.get(item.row) ?? {
          kind: 'elsewhere',
          because: 'No position of the mode dial keeps this cell.',
        },
      }),
    )
}

/** Whether an item hangs on neither orientation nor lens. */
function standsAnyhow({ setting, cell }: BaseItem): boolean {
  if (setting.place === 'orientation') return cell === 'level'
  return setting.place !== 'lens'
}

function mayStand({ setting, cell }: BaseItem, { position, side }: Standing): boolean {
  if (setting.place === 'side') return cell === side || cell === 'both'
  return setting.place !== 'position' || cell === position.id
}

/** The ways a camera can stand in, plain positions that fix nothing first, side by side. */
function standingsOf(model: BodyModel): Standing[] {
  const rank = ({ kind, sets }: ModePosition) =>
    (kind === 'plain' ? 0 : kind === 'remembered' ? 2 : 4) + (Object.keys(sets).length === 0 ? 0 : 1)
  return model.sides.flatMap((side) =>
    model.positions
      .filter((one) => one.kind !== 'slot' && one.side === side)
      .sort((a, b) => rank(a) - rank(b))
      .map((position) => ({ position, side })),
  )
}

/** Cells that belong to a camera held upright. */
function turned(composer: Composer, items: readonly BaseItem[]) {
  const wanted = items.filter((item) => item.setting.place === 'orientation' && !standsAnyhow(item))
  const hold = (orientation: Orientation) =>
    composer.stand(`turned/${orientation}`, `Hold the camera ${orientationWords[orientation]}`, [
      { kind: 'rotate', orientation },
    ])
  const left = orientations.flatMap((orientation) =>
    composer.standing(
      () => hold(orientation),
      () =>
        passThrough(
          composer,
          wanted.filter(({ cell }) => cell === orientation),
        ),
    ),
  )
  if (composer.state.orientation !== 'level') hold('level')
  return left
}

/** Cells that belong to a lens: it has to be on the camera. */
function mounted(composer: Composer, items: readonly BaseItem[], lenses: readonly LensModel[]) {
  const wanted = items.filter(({ setting }) => setting.place === 'lens')
  const cells = [...new Set(wanted.map(({ cell }) => cell ?? typedCell))]
  const before = composer.state.lens
  const mount = (cell: string, lens: LensModel) => {
    if (composer.state.lens?.id !== lens.id)
      composer.stand(`on-${cell}`, lensWords(cell, lens), [{ kind: 'lens', lens }])
  }
  const left = cells.flatMap((cell) => {
    const its = wanted.filter((one) => (one.cell ?? typedCell) === cell)
    const lens = lensOfCell(lenses, cell)
    if (lens && fits(composer.model, lens))
      return composer.standing(
        () => mount(cell, lens),
        () => passThrough(composer, its),
      )
    const because = lens
      ? `${lens.name} does not fit ${composer.model.name}.`
      : 'No lens of that name is known: mount it, and set it then.'
    return its.map((item) => ({ ...item, obstacle: { kind: 'elsewhere' as const, because } }))
  })
  if (before) mount(before.id, before)
  return left
}

function fits({ maker }: BodyModel, { contacts, adapter, fits: mount }: LensModel): boolean {
  return !contacts || adapter !== undefined || mount === maker
}

function lensOfCell(lenses: readonly LensModel[], cell: string): LensModel | undefined {
  if (cell !== typedCell) return lenses.find(({ id }) => id === cell)
  return (
    lenses.find(({ contacts }) => !contacts) ?? {
      ...anyLens,
      contacts: false,
      name: 'a lens without contacts',
    }
  )
}

function lensWords(cell: string, lens: LensModel): string {
  return cell === typedCell ? 'Mount a lens without contacts' : `Mount ${lens.name}`
}

function pages(composer: Composer, order: SetOrder, aim: Aim): void {
  const { model } = order
  const rank = rankOnPage(model)
  for (const page of setUpPages) {
    const isOf = (row: RowId) => {
      const kind = kindIn(model, row)
      return kind !== null && !isSlotRow(row) && setUpPageOf[kind] === page
    }
    const { memory } = composer.state.body
    // What the body has there and the plan has not is emptied.
    const emptied = (Object.keys(memory) as RowId[])
      .filter((row) => isOf(row) && aim.want[row] === undefined && !lacks(aim, row))
      .map((row): { row: RowId; value: Value | null } => ({ row, value: null }))
    const rows = [...emptied, ...openRows(order, aim, memory, isOf)]
    for (const { row, value } of rows.sort((a, b) => rank(a.row) - rank(b.row)))
      composer.page(row, value, page)
  }
}

const lacks = ({ lacking }: Aim, id: RowId) => lacking.some(({ row }) => row === id)

function rankOnPage(model: BodyModel): (id: RowId) => number {
  const order = menuOrder(model)
  return (id) => {
    const parsed = parseRow(model, id)
    if (!parsed.ok) return 0
    const row = parsed.value
    switch (row.kind) {
      case 'key':
        return row.address.index
      case 'grid':
        return model.grids.indexOf(row.grid) * 100 + row.cell
      case 'own':
        return row.page * 100 + row.line
      case 'ownName':
        return row.page * 100
      case 'hold':
        return model.holdSets.indexOf(row.set) * 1e4 + (order.get(row.setting.id) ?? 0) + 1
      case 'holdName':
        return model.holdSets.indexOf(row.set) * 1e4
      default:
        return 0
    }
  }
}

/** What remembered positions keep for themselves: set while the dial stands there. */
function positions(composer: Composer, order: SetOrder, aim: Aim): void {
  const { model } = order
  for (const position of model.positions) {
    const rows = openRows(order, aim, composer.state.body.memory, (row) => isPositionRow(row, position.id))
    const items = rows.flatMap(({ row, value }): Item[] => {
      const parsed = parseRow(model, row)
      return parsed.ok && parsed.value.kind === 'position'
        ? [{ setting: parsed.value.setting, value, row }]
        : []
    })
    if (items.length === 0) continue
    composer.standing(
      () => composer.turnTo(position),
      () => setItems(composer, items),
    )
  }
}
