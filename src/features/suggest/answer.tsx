'use client'

import { useState } from 'react'
import { withAssumedModes } from '@/core/suggest/assumed'
import { stepFor, stillOpen } from '@/core/suggest/change'
import { proofOf, type Suggestion } from '@/core/suggest/suggest'
import { useAnswer, useDesk, useDeskPart, usePlan } from '@/features/desk'
import { secondsOf } from '@/features/reach'
import { Button } from '@/ui/button'
import { ChangeCard } from './change-card'
import { TradeChart } from './trade-chart'
import type { SuggestRun } from './use-suggest'

/** What is known of an answer: what so many changes save, and the changes of the number picked, to be taken. */
export function Answer({ run, onGo }: { run: SuggestRun; onGo: (address: string) => void }) {
  const desk = useDesk()
  const plan = usePlan()
  const { curve } = run
  const [count, setCount] = useState<number | null>(null)
  const picked =
    curve.find(({ changes }) => changes.length === count) ??
    curve.find(({ changes }) => changes.length === 3) ??
    curve.at(-1)
  if (!picked) return null
  if (curve.every(({ changes }) => changes.length === 0))
    return (
      <p className="border border-samphire bg-sheet px-3 py-2">
        Nothing better is to be had: it is the best already.
      </p>
    )
  return (
    <>
      <section aria-label="What changes save" className="border bg-sheet px-3 py-2">
        <TradeChart curve={curve} picked={picked.changes.length} />
        <div role="group" aria-label="How many changes" className="flex flex-wrap gap-1">
          {curve.map((one) => (
            <button
              key={one.changes.length}
              type="button"
              aria-pressed={one === picked}
              aria-label={`${one.changes.length} changes, saves ${secondsOf(one.before.total - one.after.total)}`}
              onClick={() => setCount(one.changes.length)}
              className="min-h-8 min-w-9 rounded border px-1.5 tabular-nums aria-pressed:border-brine aria-pressed:bg-brine aria-pressed:text-on-brine"
            >
              {one.changes.length}
            </button>
          ))}
        </div>
        <Verdict suggestion={picked} />
      </section>
      <ChangeList
        key={picked.changes.map(({ row, to }) => `${row} ${to}`).join()}
        run={run}
        suggestion={picked}
        onGo={onGo}
        onTake={(changes) => {
          const { model } = desk.start
          const { assumed } = withAssumedModes(model, plan)
          return desk.applyStep(stepFor(model, plan, changes, desk.newId(), assumed))
        }}
      />
    </>
  )
}

/** What a suggestion saves, of what it is made, and how sure it is. */
function Verdict({ suggestion }: { suggestion: Suggestion }) {
  const { before, after, proven, changes } = suggestion
  const hand = before.seconds - after.seconds
  const rest = before.total - after.total - hand
  return (
    <p className="mt-1.5">
      <b>
        {changes.length} {changes.length === 1 ? 'change saves' : 'changes save'}{' '}
        {secondsOf(before.total - after.total)}
      </b>
      : {secondsOf(hand)} of the hand, {secondsOf(rest)} in urgency and habit.{' '}
      <span className={proven ? 'text-samphire' : 'text-lichen'}>{proofOf(suggestion)}</span>
    </p>
  )
}

function ChangeList({
  run,
  suggestion,
  onGo,
  onTake,
}: {
  run: SuggestRun
  suggestion: Suggestion
  onGo: (address: string) => void
  onTake: (changes: Suggestion['changes']) => boolean
}) {
  const { model } = useDesk().start
  const plan = usePlan()
  const posture = useDeskPart('posture')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const { changes } = suggestion
  const open = changes.filter((change) => stillOpen(model, plan.rows, change))
  const taken = open.filter(({ row }) => !left.has(row))
  const helped = useAnswer<'explained'>(run.plan === plan ? { kind: 'explained', changes, posture } : null)
  const [first, setFirst] = useState(helped)
  if (helped && helped !== first) setFirst(helped)
  return (
    <>
      <ul className="grid gap-2">
        {changes.map((change, i) => (
          <ChangeCard
            key={change.row}
            change={change}
            explained={first?.[i]}
            gone={!open.includes(change)}
            ticked={!left.has(change.row)}
            onTick={() => setLeft(toggled(left, change.row))}
            onGo={onGo}
          />
        ))}
      </ul>
      {open.length > 0 && (
        <Button main disabled={taken.length === 0} onClick={() => onTake(taken)}>
          {taken.length === changes.length
            ? `Take ${taken.length === 1 ? 'it' : `all ${taken.length}`}`
            : `Take the ${taken.length} ticked`}
        </Button>
      )}
    </>
  )
}

function toggled(set: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(set)
  if (!next.delete(one)) next.add(one)
  return next
}
