import { checkValue, showValue } from '../../model/domain'
import { factoryValue, lookup } from '../../model/lookup'
import { orientations, type BodyModel, type Setting } from '../../model/types'
import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { behind, isLensId, rowId } from './id'
import { settingRanges } from './ranges'
import { anywhere, unknownPart, type RowKind } from './kind'

/**
 * A base cell of a setting, by the setting's place: a side (`both` where the two share it), a mode position, an exposure
 * mode, an orientation, or a lens (`typed` for one without contacts); null where the setting has one cell only.
 */
export interface BaseRow {
  readonly kind: 'base'
  readonly setting: Setting
  readonly cell: string | null
}

/** The id of a base cell. */
export function baseCellRow(setting: string, cell: string | null): RowId {
  return rowId(cell === null ? `base/${setting}` : `base/${setting}@${cell}`)
}

/** The setting and cell of a base row; null where it is another row. */
export function baseCellOf(id: string): { setting: string; cell: string | null } | null {
  const rest = behind(id, 'base')
  if (rest === null) return null
  const at = rest.indexOf('@')
  return at < 0 ? { setting: rest, cell: null } : { setting: rest.slice(0, at), cell: rest.slice(at + 1) }
}

/** The cell of the side of a setting that stills and motion share. */
export const bothSides = 'both'

/** The cell of a lens without contacts: it keeps what was typed last. */
export const typedCell = 'typed'

/** The cells a setting's place gives it (all but the lenses', which have none of their own yet); null for a single one. */
export function baseCells(model: BodyModel, setting: Setting): readonly string[] | null {
  switch (setting.place) {
    case 'side':
      return model.sides
    case 'position':
      return model.positions.map((position) => position.id)
    case 'exposureMode':
      return exposureModes(model)
    case 'orientation':
      return orientations
    case 'lens':
      return [typedCell]
    default:
      return null
  }
}

function exposureModes(model: BodyModel): readonly string[] {
  const domain = lookup(model).exposureMode?.domain
  return domain?.kind === 'choice' ? domain.values.map((value) => value.id) : ['none']
}

export const baseKind: RowKind<BaseRow> = {
  kind: 'base',
  heads: ['base'],
  form: [
    'base/<setting>, base/<setting>@<cell>',
    'a base cell, by the setting’s place: @ a side (@both where they share it), a mode position, an exposure mode, an orientation, a lens (or @typed)',
  ],
  parse({ model, id, parts }) {
    const [text = ''] = parts
    if (parts.length !== 1) return unknownPart(id, id)
    const [name = ''] = text.split('@')
    const setting = lookup(model).settings.get(name)
    if (!setting) return unknownPart(id, name)
    if (setting.place === 'physical')
      return refuse('physical', `${setting.label} is set by hand on the body; a plan cannot hold it.`, id)
    const cells = baseCells(model, setting)
    if (cells === null) {
      if (text === name) return ok({ kind: 'base', setting, cell: null })
      return refuse('unknown-row', `${setting.label} has one cell only.`, id)
    }
    const known = setting.shared === undefined ? cells : [...cells, bothSides]
    const wanted = text.slice(name.length + 1)
    const fits = known.includes(wanted) || (setting.place === 'lens' && isLensId(wanted))
    if (text !== name && fits) return ok({ kind: 'base', setting, cell: wanted })
    const list = known.map((one) => `@${one}`).join(' or ')
    const more = setting.place === 'lens' ? ' or @ and the id of a lens' : ''
    return refuse(
      'unknown-row',
      `${setting.label} has a cell for each ${setting.place}: write ${list}${more}.`,
      id,
    )
  },
  id: ({ setting, cell }) => baseCellRow(setting.id, cell),
  accepts: (_model, { setting }, value, id) => checkValue(setting.domain, value, id),
  describe: {
    place: ({ setting, cell }) =>
      cell === null
        ? `Base, ${setting.label}`
        : `Base, ${setting.label}, ${cell === bothSides ? 'both sides' : cell}`,
    value: (model, { setting }, value) =>
      value === null
        ? `${showValue(setting.domain, factoryValue(model, setting.id))} (as delivered)`
        : showValue(setting.domain, value),
  },
  invalidates: ({ setting, cell }) => ({
    what: 'setting',
    setting: setting.id,
    place: setting.place === 'side' && cell !== null && cell !== bothSides ? cell : anywhere,
  }),
  ranges: (_model, { setting }, value) => settingRanges(setting, value),
  station: ({ setting }) =>
    setting.means?.startsWith('focus.') ? 'focus' : setting.storedBy === null ? 'settings' : 'banks',
}
