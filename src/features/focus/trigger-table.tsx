'use client'

import { CircleHelp } from 'lucide-react'
import { memo } from 'react'
import type { FocusRow, FocusTable } from '@/core/focus/table'
import { tableIn, type BankFocus, type HeldAcross } from '@/core/focus/sheet'
import { isRunning } from '@/core/focus/outcome'
import { heldWords, letGoOf, outcomeWords, rowSentence } from '@/core/focus/words'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import { Explain } from '@/ui/explain'

/** The line in hand: what is held, in which bank. */
export interface Picked {
  readonly held: readonly string[]
  readonly bank: string
}

/** The columns, each with a plain sentence where it needs one. */
const heads = [
  ['Held', ''],
  ['In', ''],
  ['Autofocus', 'What autofocus does while this is held, and in which AF mode.'],
  ['Area', 'The part of the frame in which autofocus looks for the subject.'],
  ['Detection', 'Whether faces, eyes or the chosen subject are looked for in that area.'],
  ['Tracking', 'Whether focus stays with the subject wherever it goes in the frame.'],
  [
    'Full press',
    'What the shutter button does when pressed all the way: takes the picture at once, or waits until focus is found.',
  ],
  ['Let go', 'What autofocus does when the key is let go; of two keys, the one let go first.'],
] as const

/**
 * The trigger table: a line for each way to hold, split where banks differ; the line in hand is marked. On a phone each line is a
 * card that says it in a sentence.
 */
export const TriggerTable = memo(function TriggerTable({
  model,
  banks,
  lines,
  variant,
  picked,
  onPick,
}: {
  model: BodyModel
  banks: readonly BankFocus[]
  lines: readonly HeldAcross[]
  variant: string
  picked: Picked
  onPick: (picked: Picked) => void
}) {
  const [first] = banks
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse max-sm:block">
        <caption className="sr-only">What focuses when, by what is held and in which bank</caption>
        <thead className="max-sm:sr-only">
          <tr className="border-b text-left text-small text-silt">
            {heads
              .filter(([one]) => one !== 'Tracking' || tracks(model))
              .map(([one, plain]) => (
                <th key={one} className="py-1 pr-2 font-normal whitespace-nowrap">
                  {one}
                  {plain !== '' && <Explain label={one} about={{ text: plain }} />}
                </th>
              ))}
          </tr>
        </thead>
        <tbody className="max-sm:block">
          {lines.map((line) =>
            groupsOf(banks, line).map((group, i, all) => {
              const here = picked.held.join() === line.held.join() && group.banks.includes(picked.bank)
              const whole = group.banks.length === banks.length && banks.length > 1
              const where = whole ? 'every bank' : group.banks.join(', ')
              const bank = banks.find(({ state: situated }) => situated.bank === group.banks[0])
              const table = bank && tableIn(bank, variant)
              return (
                <tr
                  key={`${line.held.join()} ${group.banks.join()}`}
                  onClick={() => onPick({ held: line.held, bank: group.banks[0] ?? '' })}
                  className={`cursor-pointer align-top max-sm:block max-sm:border-b max-sm:py-2 ${i === all.length - 1 ? 'border-b' : ''} ${here ? 'bg-blush' : 'hover:bg-glass'}`}
                >
                  {i === 0 && (
                    <th
                      scope="rowgroup"
                      rowSpan={all.length}
                      className="w-40 min-w-32 border-b bg-sheet max-sm:hidden py-1 pr-3 text-left leading-tight font-semibold"
                    >
                      {heldWords(model, line.held)}
                      {line.differs && (
                        <span className="block text-small font-normal text-lichen">banks differ</span>
                      )}
                    </th>
                  )}
                  <td className="py-1 pr-3 whitespace-nowrap max-sm:block max-sm:py-0 max-sm:whitespace-normal">
                    <button
                      type="button"
                      aria-pressed={here}
                      aria-label={`${where}: ${heldWords(model, line.held)}, show in the finder`}
                      onClick={() => onPick({ held: line.held, bank: group.banks[0] ?? '' })}
                      className="text-left underline decoration-rule underline-offset-3 max-sm:min-h-8 max-sm:text-small max-sm:text-silt"
                    >
                      {where}
                    </button>
                  </td>
                  <td className="hidden max-sm:block">
                    {group.row && table
                      ? rowSentence(model, table, group.row)
                      : `${heldWords(model, line.held)} does not answer here.`}
                  </td>
                  <OutcomeCells model={model} row={group.row} />
                  <td className="min-w-32 py-1 text-small text-silt max-sm:hidden">
                    {group.row && table ? <LetGo model={model} table={table} row={group.row} /> : ''}
                  </td>
                </tr>
              )
            }),
          )}
          {first && lines.length === 0 && (
            <tr>
              <td colSpan={9} className="py-3 text-silt">
                Nothing of the kind is held here.
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  )
})

function OutcomeCells({ model, row }: { model: BodyModel; row: FocusRow | null }) {
  if (!row)
    return (
      <td colSpan={5} className="py-1 pr-3 text-silt max-sm:hidden">
        does not answer here
      </td>
    )
  const all = row.outcomes.map((one) => outcomeWords(model, one))
  const said = (part: (one: (typeof all)[number]) => string) => [...new Set(all.map(part))].join(' or ')
  const running = row.outcomes.some(isRunning)
  return (
    <>
      <td className={`min-w-40 py-1 pr-3 max-sm:hidden ${running ? 'font-semibold' : 'text-silt'}`}>
        {said((one) => one.does)}{' '}
        <span className="text-small font-normal text-silt">
          <span className="whitespace-nowrap">{said((one) => one.mode)}</span>
          {row.held.length > 1 && running && <span className="block">by {said((one) => one.by)}</span>}
        </span>
        {row.asks.length > 0 && (
          <span className="block text-small font-normal text-lichen">
            <CircleHelp size={13} className="mr-0.5 inline" aria-hidden="true" />
            test on body
          </span>
        )}
      </td>
      <td className="py-1 pr-2 whitespace-nowrap max-sm:hidden">{said((one) => one.area)}</td>
      <td className="py-1 pr-2 whitespace-nowrap max-sm:hidden">{said((one) => one.detection)}</td>
      {tracks(model) && (
        <td className="py-1 pr-2 whitespace-nowrap max-sm:hidden">{said((one) => one.tracking)}</td>
      )}
      <td className="py-1 pr-2 whitespace-nowrap max-sm:hidden">{said((one) => one.full)}</td>
    </>
  )
}

/** Whether a body can keep to a subject at all. */
function tracks(model: BodyModel): boolean {
  return lookup(model).byMeaning.has('focus.tracking')
}

/** What comes when a key is let go; of two held together, each when it is let go first. */
function LetGo({ model, table, row }: { model: BodyModel; table: FocusTable; row: FocusRow }) {
  const ways = letGoOf(model, table, row)
  if (ways.length === 1) return `${row.held.length > 1 ? 'either: ' : ''}${ways[0]?.does}`
  return ways.map(({ keys, does }) => (
    <span key={does} className="block">
      {heldWords(model, keys)}: {does}
    </span>
  ))
}

/** The banks of a line that say the same, together. */
function groupsOf(banks: readonly BankFocus[], line: HeldAcross) {
  const groups = new Map<string, { banks: string[]; row: FocusRow | null }>()
  for (const [i, { state: situated }] of banks.entries()) {
    const row = line.cells[i] ?? null
    const key = JSON.stringify(row?.outcomes ?? null)
    const group = groups.get(key) ?? { banks: [], row }
    group.banks.push(situated.bank)
    groups.set(key, group)
  }
  return [...groups.values()]
}
