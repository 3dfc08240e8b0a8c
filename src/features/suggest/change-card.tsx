'use client'

import { type RowId, addressKeyOf, describeRow, forbidRow, noteRow, showRow } from '@/core/plan/rows'
import { useId, useState } from 'react'
import type { Explained } from '@/core/suggest/explain'
import type { Change } from '@/core/suggest/change'
import { useDesk, WhyForm } from '@/features/desk'
import { termOf } from '@/core/vocabulary/terms'
import { secondsOf } from '@/features/reach'
import { Offer } from '@/ui/button'

/** One change of a suggestion: what, what it saves, which needs come quicker; to be ticked, or said to be wrong. */
export function ChangeCard({
  change,
  explained,
  gone,
  ticked,
  onTick,
  onGo,
}: {
  change: Change
  /** What it brings and takes; undefined until that is known. */
  explained: Explained | undefined
  /** The plan has changed here since. */
  gone: boolean
  ticked: boolean
  onTick: () => void
  onGo: (address: string) => void
}) {
  const { model } = useDesk().start
  const [wrong, setWrong] = useState(false)
  const id = useId()
  const { row, from, to, gain } = change
  const shown = (value: string) =>
    showRow(model, row, value === '' ? null : value).replace(' (as delivered)', '')
  const place = describeRow(model, row)
  const key = addressKeyOf(row)
  return (
    <li className={`border bg-sheet px-3 py-2 ${gone ? 'opacity-60' : ''}`}>
      <div className="grid grid-cols-[20px_1fr] gap-x-1.5">
        <input
          id={id}
          type="checkbox"
          checked={ticked && !gone}
          disabled={gone}
          onChange={onTick}
          className="mt-1 size-4 accent-(--brine)"
        />
        <label htmlFor={id}>
          <span className="flex items-baseline justify-between gap-2">
            <span className="text-small text-silt">{place}</span>
            <span
              className={`whitespace-nowrap font-semibold ${gain >= 0 ? 'text-samphire' : 'text-lichen'}`}
            >
              {gain >= 0 ? 'saves' : 'costs'} {secondsOf(Math.abs(gain))}
            </span>
          </span>
          <span className="block leading-tight">
            <span className="text-silt">{shown(from)} →</span> <b>{shown(to)}</b>
          </span>
        </label>
      </div>
      {[...(explained?.helped ?? []), ...(explained?.slowed ?? [])].map(({ what, times, before, after }) => (
        <p
          key={`${what} ${times}`}
          className={`pl-6.5 text-small ${after > before ? 'text-lichen' : 'text-silt'}`}
        >
          {termOf(what)}, {times} times: {secondsOf(before)} → {secondsOf(after)}
          {after > before && ', slower'}
        </p>
      ))}
      {explained?.lost && <p className="pl-6.5 text-small text-silt">{explained.lost}</p>}
      {gone ? (
        <p className="pl-6.5 text-small text-silt">
          The plan has this already, or what it builds on is another now.
        </p>
      ) : (
        <p className="flex gap-4 pl-6.5 text-small">
          <Offer aria-expanded={wrong} onClick={() => setWrong(!wrong)}>
            Not like this
          </Offer>
          {key !== null && <Offer onClick={() => onGo(key)}>Show the key</Offer>}
        </p>
      )}
      {wrong && !gone && <WrongForm row={row} to={to} onDone={() => setWrong(false)} />}
    </li>
  )
}

/** Says why a change is wrong: the place is locked, or this is never to be put there; the next question heeds it. */
function WrongForm({ row, to, onDone }: { row: RowId; to: string; onDone: () => void }) {
  const desk = useDesk()
  const keepAs = (id: string) => (why: string) => {
    desk.set({ [id]: why })
    onDone()
  }
  return (
    <div className="pl-6.5">
      <WhyForm
        label="Why not"
        placeholder="Why not? It is kept with the plan"
        ways={[
          { words: 'Never this here', instead: 'Not this.', onKeep: keepAs(forbidRow(to, row)) },
          { words: 'Lock this place', instead: 'It stays as it is.', onKeep: keepAs(noteRow('lock', row)) },
        ]}
      />
    </div>
  )
}
