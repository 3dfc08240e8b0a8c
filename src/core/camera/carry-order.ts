import { baseRows } from '../plan/cells'
import { localRow, rowValue, type RowId, type Rows } from '../plan/rows'
import { readCardFile, writeCardFile } from '../files/card-file'
import { travels } from '../files/travels'
import type { BodyModel, Setting } from '../model/types'
import { planFor } from '../plan/bodies'
import { lackingFor, lackingIn, type Lacking } from '../plan/lacking'
import type { Plan } from '../plan/plan'
import { ok, type Result } from '../result'
import type { Value } from '../vocabulary/values'
import type { BodyState } from './body'
import { carriedRows, memoryOf, type Memory } from './memory'

/** What a transfer is to do: what is carried, whatever it comes from. */
export interface CarryOrder {
  readonly model: BodyModel
  /** Everything that the file is to bring: complete, as a memory has it. */
  readonly rows: Rows
  /** What no file carries and is wanted on the body all the same. */
  readonly byHand: readonly WantedByHand[]
  /** A file that is carried as it is, and the firmware that wrote it; null where one is written for the body. */
  readonly file: { readonly bytes: Uint8Array; readonly firmware: string } | null
  /** Rows that a firmware cannot hold. */
  readonly lacking: (firmware: string) => readonly Lacking[]
  /** File name stem on the card, such as `REV3`. */
  readonly stem: string
  readonly atSeconds: number
}

/** A value that is set on the body by hand. */
export interface WantedByHand {
  readonly setting: Setting
  readonly row: RowId
  readonly value: Value
}

/** When and under which name a file of it is written. */
type Written = Pick<CarryOrder, 'stem' | 'atSeconds'>

/** What carries a plan to the body with a tag: the plan, with what this one body differs in. */
export function orderOfPlan(model: BodyModel, plan: Plan, tag: string, written: Written): CarryOrder {
  return {
    ...written,
    model,
    rows: carriedRows(model, memoryOf(model, planFor(plan, tag))),
    byHand: byHandOf(model, plan, tag),
    file: null,
    lacking: (firmware) => lackingFor(model, plan, tag, firmware),
  }
}

/** What carries a file as it is, to whichever body; what no file carries is not in it. Refuses a file that cannot be read whole. */
export function orderOfFile(
  model: BodyModel,
  bytes: Uint8Array,
  name: string,
  written: Written,
): Result<CarryOrder> {
  const read = readCardFile(model, bytes, name)
  if (!read.ok) return read
  const { rows, header } = read.value
  return ok({
    ...written,
    ...{ model, rows, byHand: [], file: { bytes, firmware: header.firmware } },
    lacking: (firmware) => lackingIn(model, rows, firmware),
  })
}

/** What carries over what another body holds; what a file leaves behind is left to be done by hand, what is that camera’s own is not. */
export function orderOfBody(model: BodyModel, memory: Memory, written: Written): CarryOrder {
  const rows = carriedRows(model, memory)
  const byHand = model.settings
    .filter((setting) => setting.place !== 'local' && isByHand(model, setting))
    .flatMap((setting) =>
      baseRows(model, memory, setting).map((row) => ({
        ...{ setting, row },
        value: rowValue(memory, row) ?? setting.factory,
      })),
    )
  return {
    ...written,
    model,
    rows,
    byHand,
    file: null,
    lacking: (firmware) => lackingIn(model, rows, firmware),
  }
}

/** Values the plan wants on a body and no file carries, local or left behind: the body's own row first, then base. */
export function byHandOf(model: BodyModel, plan: Plan, tag: string): WantedByHand[] {
  const mine = planFor(plan, tag).rows
  return model.settings
    .filter((setting) => isByHand(model, setting))
    .flatMap((setting) =>
      baseRows(model, plan.rows, setting).flatMap((row) => {
        const value = rowValue(plan.rows, localRow(tag, setting.id)) ?? rowValue(mine, row)
        return value === null ? [] : [{ setting, row, value }]
      }),
    )
}

function isByHand(model: BodyModel, setting: Setting): boolean {
  return setting.place !== 'physical' && !travels(model, setting)
}

/** The file an order puts on the card of a body. */
export function fileFor({ model, rows, file, atSeconds }: CarryOrder, body: BodyState): Uint8Array {
  if (file) return file.bytes
  const header = {
    model: { id: model.id, version: model.version },
    formatNumber: model.cardFile.formatNumber,
    firmware: body.firmware,
    serial: 'SALT SHELF',
    savedAtSeconds: atSeconds,
  }
  return writeCardFile(model, { header, rows })
}
