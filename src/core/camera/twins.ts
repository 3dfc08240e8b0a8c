import { compareRows, type RowDifference } from '../files/compare'
import { baseRows } from '../plan/cells'
import { travels } from '../files/travels'
import { lookup } from '../model/lookup'
import type { BodyModel, Setting } from '../model/types'
import {
  bodyTagOf,
  differsIn,
  entriesOf,
  noteRow,
  parseRow,
  rowValue,
  type RowId,
  type Rows,
} from '../plan/rows'
import type { Memory } from './memory'

/** One of two bodies of a model that are held against each other. */
export interface Twin {
  readonly name: string
  readonly tag: string
  readonly memory: Memory
}

/** A row in which two bodies differ. */
export interface TwinDifference extends RowDifference {
  /** What stays with one camera, or travels in files. */
  readonly kind: 'own' | 'carried'
  readonly isColour: boolean
  /** Why they differ, where a plan says that they should; null where nobody says so. */
  readonly wanted: string | null
}

/** Two bodies of one model held against each other. */
export interface Twins {
  readonly differences: readonly TwinDifference[]
  readonly compared: number
  /** What is wrong between them, in words; files of both could not be told apart. */
  readonly clashes: readonly string[]
}

/**
 * Holds two bodies of a model against each other, row by row. A difference that a plan wants, by a row for one of them, says
 * why. File prefixes that are the same clash: files of both get one name. Linear in rows.
 */
export function compareTwins(model: BodyModel, one: Twin, other: Twin, plans: readonly Rows[]): Twins {
  const { differences, compared } = compareRows(model, one.memory, other.memory)
  const wanted = new Map([one, other].flatMap(({ tag }) => plans.flatMap((rows) => wantedIn(rows, tag))))
  return {
    compared,
    differences: differences.map((difference) => {
      const setting = settingOfRow(model, difference.row)
      return {
        ...difference,
        kind: setting && !travels(model, setting) ? 'own' : 'carried',
        isColour: setting?.means?.startsWith('colour.') ?? false,
        wanted: wanted.get(difference.row) ?? ownByNature(model, difference.row),
      }
    }),
    clashes: clashesOf(model, one, other),
  }
}

/** The rows that a plan wants otherwise on a body, with the reason beside them. */
function wantedIn(rows: Rows, tag: string): [RowId, string][] {
  return entriesOf(rows).flatMap(([row]): [RowId, string][] => {
    const about = bodyTagOf(row) === tag ? differsIn(row, tag) : null
    if (about === null) return []
    const why = rowValue(rows, noteRow('why', row))
    return [[about, typeof why === 'string' ? why : 'A plan wants it so for this body.']]
  })
}

/** Names are each camera’s own on purpose. */
function ownByNature(model: BodyModel, row: RowId): string | null {
  const means = settingOfRow(model, row)?.means
  return means != null && ownNames.includes(means) ? 'Each camera has its own.' : null
}

const ownNames: readonly string[] = ['files.prefix', 'files.moviePrefix', 'display.dioptre']

function settingOfRow(model: BodyModel, row: RowId): Setting | null {
  const parsed = parseRow(model, row)
  return parsed.ok && 'setting' in parsed.value ? parsed.value.setting : null
}

/** What is wrong between two bodies, in words: file prefixes that are the same, clocks that are not. */
export function clashesOf(model: BodyModel, one: Twin, other: Twin): string[] {
  const valueOf = ({ memory }: Twin, means: string) => {
    const setting = lookup(model).byMeaning.get(means)
    const [row] = setting ? baseRows(model, memory, setting) : []
    return setting && row
      ? { label: setting.label, value: String(rowValue(memory, row) ?? setting.factory) }
      : null
  }
  return (['files.prefix', 'body.clock'] as const).flatMap((means) => {
    const [mine, theirs] = [valueOf(one, means), valueOf(other, means)]
    if (!mine || !theirs) return []
    const isSame = mine.value === theirs.value
    if (means === 'files.prefix')
      return isSame
        ? [
            `${mine.label} is ${mine.value} on both: files of ${one.name} and ${other.name} get the same names.`,
          ]
        : []
    return isSame
      ? []
      : [
          `${mine.label} is ${mine.value} on ${one.name} and ${theirs.value} on ${other.name}: pictures of both will not sort by time.`,
        ]
  })
}
