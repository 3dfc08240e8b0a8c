'use client'

import { useMemo, useState } from 'react'
import { rowValue } from '@/core/plan/step'
import { agreementFrom, type Agreement } from '@/core/suggest/agreement'
import { explain } from '@/core/suggest/explain'
import { gapOf, stepFor, stillOpen, type Suggestion } from '@/core/suggest/suggest'
import { useDesk, useDeskView, useReach } from '@/features/desk/desk-context'
import { useShelfNames } from '@/features/desk/shelf-names'
import { secondsOf } from '@/features/reach/words'
import { Button } from '@/ui/button'
import { NumberField } from '@/ui/number-field'
import { ChangeCard } from './change-card'
import { Progress } from './progress'
import { TradeChart } from './trade-chart'
import { useSuggest, type Asked } from './use-suggest'

/** Asks for the best arrangement of keys and menus, shows what one, two, three … changes save, and takes all or some. */
export function SuggestPanel({
  only,
  onGo,
}: {
  /** Fills the menus alone and leaves the keys as they are. */
  only?: 'menus'
  onGo: (address: string) => void
}) {
  const desk = useDesk()
  const { plan, posture } = useDeskView()
  const reach = useReach()
  const { model, lenses } = desk.start
  const { asked, ask, stop } = useSuggest()
  const [seconds, setSeconds] = useState(20)
  const [agreement, setAgreement] = useState<Agreement | null>(null)
  const question = {
    model,
    lenses,
    plan,
    posture,
    ...(only ? { only } : {}),
    ...(agreement ? { agreement } : {}),
  }
  const locked = Object.keys(plan.rows).filter((row) => row.startsWith('lock/')).length
  const forbidden = Object.keys(plan.rows).filter((row) => row.startsWith('forbid/')).length
  if (reach.reached.length === 0)
    return (
      <p className="text-silt">
        A suggestion weighs what you adjust, and nothing is said of that yet. Choose what you shoot, above.
      </p>
    )
  return (
    <div className="grid gap-3">
      <section>
        <h2 className="font-head text-lead font-semibold">
          {only ? 'Fill from the gaps' : 'The best arrangement'}
        </h2>
        <p className="mt-1 text-silt">
          {only
            ? 'What your keys do not reach, put where it costs the fewest presses; the keys stay as they are.'
            : 'Keys, function menus and own menu together, so that your needs cost the fewest seconds an outing.'}{' '}
          It is proven, not guessed.
          {locked + forbidden > 0 && ` Heeds ${locked} locked and ${forbidden} forbidden.`}
        </p>
        {!only && <AgreeWith planId={desk.start.planId} onChoose={setAgreement} />}
        <p className="mt-2 flex items-center gap-2">
          {asked?.running ? (
            <Button onClick={stop}>Stop</Button>
          ) : (
            <Button main onClick={() => void ask(question, seconds)}>
              {only ? 'Fill' : 'Suggest'}
              {asked ? ' again' : ''}
            </Button>
          )}
          <span className="text-small text-silt">
            <NumberField
              label="Seconds at most"
              value={seconds}
              from={1}
              to={600}
              onKeep={(value) => setSeconds(value ?? 20)}
              className="w-12"
            />{' '}
            s at most
          </span>
        </p>
      </section>
      {asked && <Progress asked={asked} seconds={seconds} />}
      {asked && asked.curve.length > 0 && <Answer asked={asked} onGo={onGo} />}
    </div>
  )
}

function Answer({ asked, onGo }: { asked: Asked; onGo: (address: string) => void }) {
  const desk = useDesk()
  const { plan } = useDeskView()
  const { curve } = asked
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
        asked={asked}
        suggestion={picked}
        onGo={onGo}
        onTake={(changes) => desk.take(stepFor(desk.start.model, plan, changes, crypto.randomUUID()))}
      />
    </>
  )
}

/** What a suggestion saves, of what it is made, and how sure it is. */
function Verdict({ suggestion }: { suggestion: Suggestion }) {
  const { before, after, proven, changes } = suggestion
  const hand = before.seconds - after.seconds
  const rest = before.total - after.total - hand
  const gap = Math.ceil(gapOf(suggestion) * 1000) / 10
  return (
    <p className="mt-1.5">
      <b>
        {changes.length} {changes.length === 1 ? 'change saves' : 'changes save'}{' '}
        {secondsOf(before.total - after.total)}
      </b>
      : {secondsOf(hand)} of the hand, {secondsOf(rest)} in urgency and habit.{' '}
      <span className={proven ? 'text-samphire' : 'text-lichen'}>
        {proven
          ? 'Proven: no other does better.'
          : `The best found in time; another may be up to ${gap} % better.`}
      </span>
    </p>
  )
}

function ChangeList({
  asked,
  suggestion,
  onGo,
  onTake,
}: {
  asked: Asked
  suggestion: Suggestion
  onGo: (address: string) => void
  onTake: (changes: Suggestion['changes']) => boolean
}) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  const reach = useReach()
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const { changes } = suggestion
  const open = changes.filter((change) => stillOpen(model, plan.rows, change) && isHeeded(plan.rows, change))
  const taken = open.filter(({ row }) => !left.has(row))
  const helped = useMemo(
    () => (asked.plan === plan ? explain(model, plan, reach, changes, 2) : null),
    [asked.plan, model, plan, reach, changes],
  )
  const [first, setFirst] = useState(helped)
  if (helped && helped !== first) setFirst(helped)
  return (
    <>
      <ul className="grid gap-2">
        {changes.map((change, i) => (
          <ChangeCard
            key={change.row}
            change={change}
            helped={first?.[i] ?? []}
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

/** A change that the owner has locked or forbidden since is no longer offered. */
function isHeeded(rows: Parameters<typeof rowValue>[0], { row, to }: Suggestion['changes'][number]): boolean {
  return rowValue(rows, `lock/${row}`) === null && rowValue(rows, `forbid/${to}/${row}`) === null
}

function toggled(set: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(set)
  if (!next.delete(one)) next.add(one)
  return next
}

/** Chooses another plan of the owner whose keys are to do the same where they are in the same place. */
function AgreeWith({
  planId,
  onChoose,
}: {
  planId: string
  onChoose: (agreement: Agreement | null) => void
}) {
  const plans = useShelfNames().plans.filter(({ id }) => id !== planId)
  const [state, setState] = useState('')
  const address = `/api/plans/${planId}/agreement`
  if (plans.length === 0) return null
  const choose = async (id: string) => {
    onChoose(null)
    setState('')
    if (id === '') return
    const response = await fetch(address, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ with: id }),
    }).catch(() => null)
    const answer: unknown = await response?.json().catch(() => null)
    const agreement = agreementFrom(answer)
    if (!agreement) return setState('That plan could not be read just now.')
    onChoose(agreement)
    setState(`${agreement.size} of its keys have their like on this body.`)
  }
  return (
    <label className="mt-2 block">
      <span className="text-small text-silt">Keep the keys like those of</span>
      <select
        defaultValue=""
        onChange={(event) => void choose(event.target.value)}
        className="mt-0.5 min-h-9 w-full rounded-md border bg-sheet px-2"
      >
        <option value="">no other body</option>
        {plans.map(({ id, title, model }) => (
          <option key={id} value={id}>
            {title} · {model}
          </option>
        ))}
      </select>
      {state !== '' && (
        <span role="status" className="text-small text-silt">
          {state}
        </span>
      )}
    </label>
  )
}
