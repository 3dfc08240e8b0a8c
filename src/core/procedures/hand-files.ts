import type { RowId } from '../sync/step'
import type { Value } from '../vocabulary/values'
import { handActs } from './hand-acts'
import { fileRow } from './walk-rows'

/** Rows of a walk by id. */
interface HasRows {
  readonly rows: Readonly<Record<RowId, Value>>
}

/** The digest of the file that an act took in or wrote; null where none was. */
export function fileOf({ rows }: HasRows, act: string): string | null {
  const value = rows[fileRow(act)]
  return typeof value === 'string' && /^[0-9a-f]{64}$/.test(value) ? value : null
}

/**
 * What a body turned out to hold: what was sent; what it held before, so that the load did not take; or something else.
 */
export type Verdict = 'equal' | 'before' | 'differs'

/** What came of a comparison, and of which two files. */
export interface Compared {
  readonly verdict: Verdict
  readonly sent: string
  readonly found: string
}

/** What came of a comparison as a row of the walk says it. */
export function writeCompared({ verdict, sent, found }: Compared): string {
  return `${verdict} ${sent} ${found}`
}

/** What came of the comparison at an act; null where none was made, or where its files are others by now. */
export function comparedOf(walk: HasRows, act: string): Compared | null {
  const value = walk.rows[fileRow(act)]
  const found =
    typeof value === 'string' ? /^(equal|before|differs) ([0-9a-f]{64}) ([0-9a-f]{64})$/.exec(value) : null
  if (!found) return null
  const [, verdict, sent = '', after = ''] = found
  const tag = handActs.comparedTag(act)
  const isStill =
    tag === null || (fileOf(walk, handActs.source) === sent && fileOf(walk, handActs.after(tag)) === after)
  return isStill ? { verdict: verdict as Verdict, sent, found: after } : null
}

/** What a carry by hand came to on one body. */
export interface HandOutcome {
  readonly tag: string
  /**
   * How it is known what the body holds: its own file was read back and is equal; the load was ticked, and nobody looked; the
   * file saved after the load is the one from before, or something else.
   */
  readonly how: 'read back' | 'loaded' | 'not taken' | 'differs'
  /** Digest of what was sent, and of what the body saved after it; null where that was not seen. */
  readonly sent: string | null
  readonly found: string | null
}

/** What came of each body something was to be loaded on; those on which nothing was loaded are left out. */
export function handOutcomes(
  walk: HasRows,
  targets: readonly string[],
  isDone: (act: string) => boolean,
): HandOutcome[] {
  const sent = fileOf(walk, handActs.source)
  return targets.flatMap((tag): HandOutcome[] => {
    if (!isDone(handActs.load(tag))) return []
    const compared = comparedOf(walk, handActs.compare(tag))
    const found = compared?.found ?? fileOf(walk, handActs.after(tag))
    const how =
      compared === null
        ? ('loaded' as const)
        : ({ equal: 'read back', before: 'not taken', differs: 'differs' } as const)[compared.verdict]
    return [{ tag, how, sent, found }]
  })
}

/** What is said of each way of knowing. */
export const handWords: Readonly<Record<HandOutcome['how'], string>> = {
  'read back': 'its own file, saved after the load, is equal to what was sent',
  loaded: 'the load was ticked; nobody has looked at what it holds since',
  'not taken': 'the load did not take: it saved again what it held before',
  differs: 'what it saved after the load is not what was sent',
}
