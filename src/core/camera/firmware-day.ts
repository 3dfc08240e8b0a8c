import { compareRows } from '../files/compare'
import { readsFilesOf } from '../model/firmware'
import { lookup } from '../model/lookup'
import type { BodyModel, FirmwareRange } from '../model/types'
import { describeRow, type RowId, type Rows } from '../plan/rows'
import { decidedBefore } from '../plan/stamp'
import { lackingIn } from '../plan/lacking'
import { firmwareNumber } from '../rules/facts'
import { ok, refuse, type Result } from '../result'
import type { BodyState } from './body'
import { carriedRows } from './memory'

/** Something that has to be so before an update. */
export interface Gate {
  readonly name: string
  readonly isOpen: boolean
  readonly words: string
}

/** Something that a firmware brings or takes. */
export interface Brought {
  readonly version: string
  readonly name: string
  /** Where it stands in the menu; empty where nowhere. */
  readonly address: string
  /** How often an outing its owner needs just this. */
  readonly needed: number
}

/** What another firmware comes to: what it brings and takes, what to look at again, how what a body holds comes back. */
export interface Update {
  readonly from: string
  readonly to: string
  /** The versions on the way, the last of them the new one, with what each brings in words. */
  readonly versions: readonly { readonly version: string; readonly brings: string }[]
  readonly brought: readonly Brought[]
  /** Rows that the body holds and the new firmware cannot. */
  readonly lost: readonly string[]
  /** Rows of the plan that were decided on an older firmware. */
  readonly recheck: readonly { readonly row: RowId; readonly place: string; readonly decidedOn: string }[]
  /** How what the body holds comes back: by its file, or by hand with a walk. */
  readonly way: 'load' | 'walk'
}

/** What an update of a body comes to, before it is done: gates that have to be open first. */
export interface FirmwareDay extends Update {
  readonly gates: readonly Gate[]
}

/** Below this charge no update is begun: one that breaks off leaves a dead camera. */
export const leastForUpdate = 50

/** What is known where an update is looked at: what the body holds, the rows of its plan, and how often an outing something is needed. */
interface Holding {
  readonly held: Rows
  readonly rows: Rows
  readonly needed: (means: string) => number
}

/** What the update of a model from one firmware to another comes to. Refuses a firmware that the model has not, or an older one. */
export function updateOf(
  model: BodyModel,
  from: string,
  to: string,
  { held, rows, needed }: Holding,
): Result<Update> {
  const known = model.firmware.map(({ version }) => version)
  const next = model.firmware.find(({ version }) => version === to)
  if (!next) return refuse('unknown-firmware', `A ${model.name} has firmware ${known.join(', ')}.`, to)
  const [here, there] = [firmwareNumber(from) ?? 0, firmwareNumber(to) ?? 0]
  if (there <= here)
    return refuse('older', `Firmware goes from ${from} to a newer one only; ${to} is not.`, to)
  const versions = model.firmware.filter(({ version }) => {
    const number = firmwareNumber(version) ?? 0
    return number > here && number <= there
  })
  return ok({
    ...{ from, to, versions, brought: broughtBy(model, needed, here, there) },
    lost: lackingIn(model, held, to).map(({ words }) => words),
    recheck: decidedBefore(rows, to).map((one) => ({ ...one, place: describeRow(model, one.row) })),
    way: readsFilesOf(model, to, from) ? 'load' : 'walk',
  })
}

/**
 * What an update comes to. `kept` are the rows of every file that is kept of the body's model: what the body holds has to be
 * among them. `rows` are those of the plan it is believed to hold, `needed` says how often an outing something is needed. Refuses what `updateOf` refuses.
 */
export function firmwareDay(
  model: BodyModel,
  body: BodyState,
  to: string,
  kept: readonly Rows[],
  rows: Rows,
  needed: (means: string) => number = () => 0,
): Result<FirmwareDay> {
  const held = carriedRows(model, body.memory)
  const update = updateOf(model, body.firmware, to, { held, rows, needed })
  if (!update.ok) return update
  const isSaved = kept.some((one) => compareRows(model, held, one).differences.length === 0)
  const isEnough = body.batteryPercent >= leastForUpdate
  const { versions } = update.value
  return ok({
    ...update.value,
    gates: [
      {
        ...{ name: 'Battery', isOpen: isEnough },
        words: isEnough
          ? `It has ${body.batteryPercent} %.`
          : `It has ${body.batteryPercent} %: charge it first. An update that breaks off leaves a dead camera.`,
      },
      {
        ...{ name: 'Files saved', isOpen: isSaved },
        words: isSaved
          ? 'What the body holds is in a file on the shelf.'
          : 'What the body holds is in no file on the shelf: save it first. An update may wipe it.',
      },
      {
        ...{ name: 'In between', isOpen: true },
        words:
          versions.length > 1
            ? `${versions
                .slice(0, -1)
                .map(({ version }) => version)
                .join(', ')} lies in between: what that brought comes too.`
            : 'No firmware lies in between.',
      },
    ],
  })
}

function broughtBy(
  model: BodyModel,
  needed: (means: string) => number,
  here: number,
  there: number,
): Brought[] {
  const { menuAddress } = lookup(model)
  const brought = (since: string | undefined, name: string, address: string, means: string | null) => ({
    ...{ version: since ?? '', name, address },
    needed: means === null ? 0 : needed(means),
  })
  const comes = ({ since }: FirmwareRange) => {
    const number = firmwareNumber(since)
    return number !== undefined && number > here && number <= there
  }
  return [
    ...model.settings.flatMap((setting) => {
      const address = menuAddress.get(setting.id) ?? ''
      const values = setting.domain.kind === 'choice' ? setting.domain.values.filter(comes) : []
      return [
        ...(comes(setting) ? [brought(setting.since, setting.label, address, setting.means)] : []),
        ...values.map((value) =>
          brought(value.since, `${setting.label}: ${value.name}`, address, setting.means),
        ),
      ]
    }),
    ...model.functions.filter(comes).map((fn) => brought(fn.since, fn.name, '', fn.means)),
  ]
}
