import { lookup } from '../model/lookup'
import type { BankFamily, BodyModel, Slot } from '../model/types'
import { ok, refuse, type Result } from '../result'
import { commonFunctions, commonSettings } from '../vocabulary/catalogue'
import { disputeCalled } from '../vocabulary/schools'
import { bankFacts, noteNames, ownerFacts, situationFacts, type GridCell, type Row, type RowId } from './rows'
import { baseCells, mayTick } from './cells'

/** Takes a row id apart; refuses what this model does not have, naming the part. */
export function parseRow(model: BodyModel, id: RowId): Result<Row> {
  const [kind, ...rest] = id.split('/')
  switch (kind) {
    case 'model':
    case 'title':
      return rest.length === 0 ? ok({ kind }) : unknownPart(id, id)
    case 'base':
      return rest.length === 1 ? parseBase(model, id, rest[0] ?? '') : unknownPart(id, id)
    case 'share':
      return parseShare(model, id, rest)
    case 'key': {
      const address = lookup(model).addresses.get(rest.join('/'))
      return address ? ok({ kind, address }) : unknownPart(id, rest.join('/'))
    }
    case 'bank':
      return parseBank(model, id, rest)
    case 'hold':
      return parseHold(model, id, rest)
    case 'position':
      return parsePosition(model, id, rest)
    case 'grid': {
      const cell = parseGrid(model, id, rest)
      return cell.ok ? ok({ kind, ...cell.value }) : cell
    }
    case 'pair':
      return parsePair(model, id, rest)
    case 'own':
      return parseOwn(model, id, rest)
    case 'lens':
      return rest.length === 1 && /^[a-z][a-z0-9-]{0,60}$/.test(rest[0] ?? '')
        ? ok({ kind, lens: rest[0] ?? '' })
        : unknownPart(id, rest.join('/'))
    case 'body':
      return parseBody(model, id, rest)
    case 'school': {
      const dispute = disputeCalled(rest.join('/'))
      return dispute ? ok({ kind, dispute }) : unknownPart(id, rest.join('/'))
    }
    case 'situation': {
      const fact = situationFacts.find((one) => one === rest[1])
      return rest.length === 2 && isSlug(rest[0]) && fact
        ? ok({ kind, id: rest[0] ?? '', fact })
        : unknownPart(id, rest.join('/'))
    }
    case 'need': {
      const [situation = '', what = ''] = rest
      const known = commonSettings.has(what) || commonFunctions.has(what)
      return rest.length === 2 && isSlug(situation) && known
        ? ok({ kind, situation, what })
        : unknownPart(id, rest.join('/'))
    }
    case 'owner': {
      const fact = ownerFacts.find((one) => one === rest.join('/'))
      return fact ? ok({ kind, fact }) : unknownPart(id, rest.join('/'))
    }
    case 'intent':
      return parseIntent(model, id, rest)
    case 'accept': {
      const [check = '', ...about] = rest
      if (!/^[a-z][a-z-]{0,40}$/.test(check)) return unknownPart(id, check)
      const row = parseAbout(model, id, about)
      return row.ok ? ok({ kind, check, about: row.value }) : row
    }
    case 'forbid':
      return parseForbid(model, id, rest)
    default: {
      const note = noteNames.find((one) => one === kind)
      if (!note) return unknownPart(id, kind ?? '')
      const about = parseAbout(model, id, rest)
      return about.ok ? ok({ kind: 'note', note, about: about.value }) : about
    }
  }
}

function parsePair(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const slotOf = (familyId: string, slotId: string) => {
    const family = model.families.find((one) => one.id === familyId)
    const slot = family?.slots.find((one) => one.id === slotId)
    return family && slot ? { family, slot } : undefined
  }
  const [a = '', b = '', c = '', d = ''] = parts
  const [one, other] = [slotOf(a, b), slotOf(c, d)]
  if (parts.length !== 4 || !one || !other) return unknownPart(id, parts.join('/'))
  const [first, second] = [one, other].map(({ family }) => model.families.indexOf(family))
  if ((first ?? 0) < (second ?? 0)) return ok({ kind: 'pair', one, other })
  return refuse('unknown-row', 'Two slots are paired across families, in the order of the model.', id)
}

function parseBase(model: BodyModel, id: RowId, cell: string): Result<Row> {
  const [name = ''] = cell.split('@')
  const setting = lookup(model).settings.get(name)
  if (!setting) return unknownPart(id, name)
  if (setting.place === 'physical') {
    return refuse('physical', `${setting.label} is set by hand on the body; a plan cannot hold it.`, id)
  }
  const cells = baseCells(model, setting)
  if (cells === null) {
    if (cell === name) return ok({ kind: 'base', setting, cell: null })
    return refuse('unknown-row', `${setting.label} has one cell only.`, id)
  }
  const known = setting.shared === undefined ? cells : [...cells, 'both']
  const wanted = cell.slice(name.length + 1)
  const lens = setting.place === 'lens' && /^[a-z][a-z0-9-]{0,60}$/.test(wanted)
  if (cell !== name && (known.includes(wanted) || lens)) return ok({ kind: 'base', setting, cell: wanted })
  const list = known.map((one) => `@${one}`).join(' or ')
  const more = setting.place === 'lens' ? ' or @ and the id of a lens' : ''
  return refuse(
    'unknown-row',
    `${setting.label} has a cell for each ${setting.place}: write ${list}${more}.`,
    id,
  )
}

function parseShare(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const setting = lookup(model).settings.get(parts.join('/'))
  if (!setting) return unknownPart(id, parts.join('/'))
  if (setting.shared !== undefined) return ok({ kind: 'share', setting })
  return refuse('not-shared', `${setting.label} is not on this camera's share list.`, id)
}

function parseBank(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const [familyId = '', slotId = '', name = ''] = parts
  const family = model.families.find((candidate) => candidate.id === familyId)
  if (!family) return unknownPart(id, familyId)
  const slot = family.slots.find((candidate) => candidate.id === slotId)
  if (!slot) return unknownPart(id, slotId)
  if (name === 'key' || name === 'grid') return parseBankAssignment(model, id, family, slot, parts.slice(2))
  if (parts.length !== 3) return unknownPart(id, parts.slice(3).join('/'))
  const fact = bankFacts.find((one) => one === name)
  if (fact) return ok({ kind: 'bankFact', family, slot, fact })
  const setting = lookup(model).settings.get(name)
  if (!setting) return unknownPart(id, name)
  if (setting.storedBy !== family.id) {
    return refuse(
      'not-stored',
      `${setting.label} is not kept by ${family.name}; it is set outside the banks.`,
      id,
    )
  }
  return ok({ kind: 'bank', family, slot, setting })
}

/** What a slot keeps of keys and function menus; refuses where its family keeps neither. */
function parseBankAssignment(
  model: BodyModel,
  id: RowId,
  family: BankFamily,
  slot: Slot,
  [kind, ...rest]: readonly string[],
): Result<Row> {
  if (kind === 'key' ? !family.storesKeys : !family.storesGrids) {
    return refuse(
      'not-stored',
      `${family.name} does not keep what is on the ${kind === 'key' ? 'keys' : 'function menus'}.`,
      id,
    )
  }
  if (kind === 'key') {
    const address = lookup(model).addresses.get(rest.join('/'))
    return address ? ok({ kind: 'bankKey', family, slot, address }) : unknownPart(id, rest.join('/'))
  }
  const cell = parseGrid(model, id, rest)
  return cell.ok ? ok({ kind: 'bankGrid', family, slot, ...cell.value }) : cell
}

function parseGrid(model: BodyModel, id: RowId, parts: readonly string[]): Result<GridCell> {
  const [gridId = '', number = ''] = parts
  const grid = model.grids.find((candidate) => candidate.id === gridId)
  if (!grid || parts.length !== 2) return unknownPart(id, gridId)
  const cell = counted(number, grid.rows * grid.columns)
  return cell === null ? unknownPart(id, number) : ok({ grid, cell })
}

function parseOwn(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const menu = model.ownMenu
  const page = menu && counted(parts[0] ?? '', menu.pages)
  if (!menu || !page || parts.length !== 2) return unknownPart(id, parts.join('/'))
  if (parts[1] === 'name') return ok({ kind: 'ownName', menu, page })
  const line = counted(parts[1] ?? '', menu.lines)
  return line === null ? unknownPart(id, parts[1] ?? '') : ok({ kind: 'own', menu, page, line })
}

function parsePosition(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const [positionId = '', name = ''] = parts
  const position = model.positions.find((candidate) => candidate.id === positionId)
  if (!position || parts.length !== 2) return unknownPart(id, positionId)
  const setting = lookup(model).settings.get(name)
  if (!setting) return unknownPart(id, name)
  if (position.keeps.includes(name)) return ok({ kind: 'position', position, setting })
  return refuse('not-stored', `${position.name} does not keep ${setting.label} for itself.`, id)
}

/** A whole number from 1, written plainly, up to `most`. */
function counted(text: string, most: number): number | null {
  const number = /^[1-9]\d{0,2}$/.test(text) ? Number(text) : 0
  return number >= 1 && number <= most ? number : null
}

function parseHold(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const [setId = '', name = ''] = parts
  const set = model.holdSets.find((candidate) => candidate.id === setId)
  if (!set || parts.length !== 2) return unknownPart(id, setId)
  if (name === 'name') return ok({ kind: 'holdName', set })
  const setting = lookup(model).settings.get(name)
  if (!setting) return unknownPart(id, name)
  if (mayTick(set, setting)) return ok({ kind: 'hold', set, setting })
  return refuse('not-held', `${setting.label} cannot be changed by a hold set.`, id)
}

function parseBody(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const [tag = '', name = ''] = parts
  if (!/^[a-z0-9][a-z0-9-]{0,40}$/.test(tag)) return unknownPart(id, tag)
  if (name === 'base' || name === 'bank') return parseBodyRow(model, id, tag, parts.slice(1).join('/'))
  const setting = lookup(model).settings.get(name)
  if (!setting || parts.length !== 2) return unknownPart(id, name)
  if (setting.place === 'local') return ok({ kind: 'body', tag, setting })
  return refuse(
    'not-local',
    `${setting.label} travels in the file; write body/${tag}/base/… or body/${tag}/bank/… where this body differs.`,
    id,
  )
}

/** What may not be put somewhere: a function on a key, a line in a menu. */
function parseForbid(model: BodyModel, id: RowId, [what = '', ...about]: readonly string[]): Result<Row> {
  const row = parseAbout(model, id, about)
  if (!row.ok) return row
  const { functions, settings, acts } = lookup(model)
  const { kind } = row.value
  const known = kind === 'key' ? functions.has(what) : settings.has(what) || acts.has(what)
  if (kind !== 'key' && kind !== 'grid' && kind !== 'own')
    return refuse(
      'unknown-row',
      'Something is forbidden on a key, in a function menu or in the own menu.',
      id,
    )
  return known ? ok({ kind: 'forbid', what, about: row.value }) : unknownPart(id, what)
}

/** What a note or an acceptance is about: any row but another of these, so that an id never nests deeper than this. */
function parseAbout(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const [head] = parts
  if (head === 'accept' || head === 'forbid' || noteNames.some((note) => note === head))
    return unknownPart(id, head ?? '')
  return parseRow(model, parts.join('/'))
}

/** What somebody wants on a key or in a slot; a slot need not keep the setting. */
function parseIntent(model: BodyModel, id: RowId, parts: readonly string[]): Result<Row> {
  const [claimant = '', kind, ...rest] = parts
  if (!/^[a-z][a-z0-9-]{0,40}$/.test(claimant)) return unknownPart(id, claimant)
  if (kind === 'key') {
    const address = lookup(model).addresses.get(rest.join('/'))
    return address
      ? ok({ kind: 'intent', claimant, wants: { kind, address } })
      : unknownPart(id, rest.join('/'))
  }
  const [familyId, slotId, name = ''] = rest
  const family = kind === 'bank' ? model.families.find((one) => one.id === familyId) : undefined
  const slot = family?.slots.find((one) => one.id === slotId)
  const setting = lookup(model).settings.get(name)
  if (!family || !slot || !setting || rest.length !== 3) return unknownPart(id, [kind, ...rest].join('/'))
  return ok({ kind: 'intent', claimant, wants: { kind: 'bank', family, slot, setting } })
}

/** A row of base or a bank in which one body differs. */
function parseBodyRow(model: BodyModel, id: RowId, tag: string, row: RowId): Result<Row> {
  const about = parseRow(model, row)
  if (!about.ok) return about
  if (about.value.kind === 'base' || about.value.kind === 'bank')
    return ok({ kind: 'bodyRow', tag, about: about.value })
  return refuse('unknown-row', 'Bodies differ in values of base and banks only.', id)
}

/** A name of the owner's own: lower-case words joined by `-`. */
function isSlug(text: string | undefined): boolean {
  return text !== undefined && /^[a-z][a-z0-9-]{0,40}$/.test(text)
}

function unknownPart(id: RowId, part: string): Result<never> {
  return refuse('unknown-row', `This model has no “${part}”.`, id)
}
