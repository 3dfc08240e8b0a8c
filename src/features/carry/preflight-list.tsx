import type { Overwritten, Preflight } from '@/core/camera/preflight'
import { DifferenceTable, type DifferenceRow } from '@/ui/difference-table'
import { Fold } from '@/ui/fold'
import { SeenList } from '@/ui/seen-list'

/** What would happen to a body: everything that was looked at, every row that would be overwritten, and what is left for the hand. */
export function PreflightList({ name, preflight }: { name: string; preflight: Preflight }) {
  const { lines, overwritten, handWork, isClear } = preflight
  const only = overwritten.filter(({ isOnlyHere }) => isOnlyHere)
  const left = handWork.filter(({ done }) => !done)
  return (
    <div className="grid gap-2">
      <SeenList
        label={`What was looked at of ${name}`}
        seen={lines.map((line) => ({
          ...{ about: line.name, words: line.words },
          verdict: line.stop === null ? 'fine' : 'stop',
        }))}
      />
      {isClear && (
        <p>
          {overwritten.length === 0
            ? `${name} holds all of it already: nothing is overwritten.`
            : `${counted(overwritten.length)} of ${name} will be overwritten.`}{' '}
          {only.length > 0 && (
            <b className="text-lichen">
              {only.length === overwritten.length ? 'All' : counted(only.length)} of them{' '}
              {only.length === 1 ? 'is' : 'are'} kept nowhere else yet: the backup keeps them.
            </b>
          )}
        </p>
      )}
      {overwritten.length > 0 && (
        <Fold title={`Row by row: ${counted(overwritten.length)}`}>
          <DifferenceTable
            caption={`What will be overwritten on ${name}`}
            left="Now"
            right="Then"
            noted="Kept"
            rows={[...only, ...overwritten.filter(({ isOnlyHere }) => !isOnlyHere)].map(lineOf)}
          />
        </Fold>
      )}
      {left.length > 0 && (
        <p className="text-silt">
          By hand afterwards: {left.map(({ label, wanted }) => `${label} ${wanted}`).join(', ')}.
        </p>
      )}
    </div>
  )
}

function counted(rows: number): string {
  return rows === 1 ? '1 row' : `${rows} rows`
}

/** A row as it is now, and as it will be. */
function lineOf({ row, place, leftWords, rightWords, isOnlyHere }: Overwritten): DifferenceRow {
  const note = isOnlyHere ? 'only here' : 'elsewhere too'
  return { row, place, leftWords: rightWords, rightWords: leftWords, note, isNotable: isOnlyHere }
}
