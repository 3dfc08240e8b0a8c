import { ok, refuse } from '../../result'
import type { RowId } from '../../sync/step'
import { isBodyTag } from './body'
import { rowId } from './id'
import { plainValue, unknownPart, type RowKind } from './kind'

/** The firmware that one body runs. */
export interface BodyFirmwareRow {
  readonly kind: 'bodyFirmware'
  readonly tag: string
}

/** The id of the row that says which firmware a body runs. */
export function bodyFirmwareRow(tag: string): RowId {
  return rowId(`body/${tag}/firmware`)
}

export const bodyFirmwareKind: RowKind<BodyFirmwareRow> = {
  kind: 'bodyFirmware',
  heads: ['body'],
  form: ['body/<tag>/firmware', 'the firmware that one body runs'],
  claims: ([, name, ...more]) => name === 'firmware' && more.length === 0,
  parse: ({ id, parts: [tag] }) =>
    isBodyTag(tag) ? ok({ kind: 'bodyFirmware', tag }) : unknownPart(id, tag ?? ''),
  id: ({ tag }) => bodyFirmwareRow(tag),
  accepts: (model, _row, value, id) => {
    const known = model.firmware.map(({ version }) => version)
    if (known.some((one) => one === value)) return ok(value as string)
    return refuse('unknown-firmware', `${model.name} has firmware ${known.join(', ')}.`, id)
  },
  describe: {
    place: ({ tag }) => `Body ${tag}, firmware`,
    value: (_model, _row, value) => plainValue(value, 'the newest'),
  },
  invalidates: () => ({ what: 'contexts' }),
  station: () => 'banks',
}
