import type { Address } from '../../model/addresses'
import { acceptedFunctions } from '../../model/controls'
import { lookup } from '../../model/lookup'
import type { BodyModel } from '../../model/types'
import { ok, refuse, type Result } from '../../result'
import type { RowId } from '../../sync/step'
import type { Value } from '../../vocabulary/values'
import { behind, hasHead, rowId } from './id'
import { functionRanges } from './ranges'
import { unknownPart, type RowKind } from './kind'

/** The function assigned to an address: a side, a control, a gesture, and the stop of its lever where one decides. */
export interface KeyRow {
  readonly kind: 'key'
  readonly address: Address
}

/** The id of an assignment row. */
export function keyRow(address: { readonly key: string }): RowId {
  return rowId(`key/${address.key}`)
}

/** Whether a row is an assignment of the plan's own; what a bank keeps on a key is another row. */
export function isKeyRow(id: string): id is RowId {
  return hasHead(id, 'key')
}

/** The key of the address an assignment row is about; null where it is another row. */
export function addressKeyOf(id: string): string | null {
  return behind(id, 'key')
}

/** Accepts a function that an address takes. */
export function takesFunction(model: BodyModel, address: Address, value: unknown, id: string): Result<Value> {
  const accepted = acceptedFunctions(model, address)
  if (accepted.some((fn) => fn.id === value)) return ok(value as string)
  const name = lookup(model).functions.get(String(value))?.name ?? `“${String(value)}”`
  return refuse('not-accepted', `${address.control.name}, ${address.name}, does not accept ${name}.`, id)
}

/** An address in words. */
export function placeOfAddress(address: Address): string {
  return `${address.control.name}, ${address.name}, ${address.side}`
}

/** A function's name; its id where the model has no such function. */
export function functionName(model: BodyModel, id: Value): string {
  return lookup(model).functions.get(String(id))?.name ?? String(id)
}

export const keyKind: RowKind<KeyRow> = {
  kind: 'key',
  heads: ['key'],
  form: ['key/<side>/<control>/<gesture>', 'a function id; @<value> behind it where a lever or mode decides'],
  parse({ model, id, parts }) {
    const address = lookup(model).addresses.get(parts.join('/'))
    return address ? ok({ kind: 'key', address }) : unknownPart(id, parts.join('/'))
  },
  id: ({ address }) => keyRow(address),
  accepts: (model, { address }, value, id) => takesFunction(model, address, value, id),
  describe: {
    place: ({ address }) => placeOfAddress(address),
    value(model, { address }, value) {
      if (value !== null) return functionName(model, value)
      return `${address.factory === null ? 'nothing' : functionName(model, address.factory)} (as delivered)`
    },
  },
  invalidates: ({ address }) => ({ what: 'key', address: address.key }),
  ranges: (model, { address }, value) => functionRanges(model, address, value),
  station: () => 'controls',
}
