'use client'

import { useState } from 'react'
import { saidOf, standingOf, type Mark, type Walk } from '@/core/procedures/progress'
import type { Refusal } from '@/core/result'
import { NotDone } from '@/ui/not-done'
import { RefusalNote } from '@/ui/refusal-note'
import { StandingSign } from './standing-sign'
import type { WalkAct, WalkStart } from './start'
import { sayWho, whoIsThere } from './use-walk'

/** Every act under its heading, to be ticked; on paper with an empty box. */
export function WalkList({
  start,
  walk,
  refusal,
  onSay,
  onGoTo,
}: {
  start: WalkStart
  walk: Walk
  refusal: Refusal | null
  onSay: (id: string, mark: Mark | null, words?: string) => boolean
  onGoTo: (id: string) => void
}) {
  return (
    <>
      <Who />
      {refusal && <RefusalNote refusal={refusal} />}
      {partsOf(start.acts).map(({ part, acts }, i) => (
        <section key={i} aria-label={part === '' ? 'Acts' : part}>
          {part !== '' && <h2 className="mb-1 font-head text-lead font-semibold">{part}</h2>}
          <ol className="grid border-t">
            {acts.map((act) => (
              <Line
                key={act.id}
                act={act}
                walk={walk}
                onTick={(isTicked) => onSay(act.id, isTicked ? 'done' : null)}
                onAnswer={(answer) => onSay(act.id, 'done', answer)}
                onGoTo={() => onGoTo(act.id)}
              />
            ))}
          </ol>
        </section>
      ))}
      <NotDone {...start} />
    </>
  )
}

/** Acts in their order, under the headings they stand under; one that names none stands under the last. */
function partsOf(acts: readonly WalkAct[]): { readonly part: string; readonly acts: readonly WalkAct[] }[] {
  const parts: { part: string; acts: WalkAct[] }[] = []
  for (const act of acts) {
    const last = parts.at(-1)
    if (last && (act.part === '' || act.part === last.part)) last.acts.push(act)
    else parts.push({ part: act.part, acts: [act] })
  }
  return parts
}

function Line({
  act,
  walk,
  onTick,
  onAnswer,
  onGoTo,
}: {
  act: WalkAct
  walk: Walk
  onTick: (isTicked: boolean) => void
  onAnswer: (answer: string) => void
  onGoTo: () => void
}) {
  const standing = standingOf(walk, act)
  const said = saidOf(walk, act.id)
  return (
    <li className="flex items-start gap-3 border-b bg-sheet px-3 py-2 print:break-inside-avoid print:px-0 print:py-1">
      <input
        type="checkbox"
        aria-label={act.words}
        checked={standing === 'done'}
        // Of what has several answers one is picked; the tick only takes it back.
        disabled={act.answers !== undefined && standing !== 'done'}
        onChange={(event) => onTick(event.target.checked)}
        className="mt-0.5 size-6 shrink-0 accent-brine"
      />
      <button type="button" onClick={onGoTo} className="min-w-0 flex-1 text-left">
        {act.where !== '' && (
          <span className={`block text-small text-silt ${act.control === null ? 'font-mono' : ''}`}>
            {act.where}
          </span>
        )}
        <span className="block">{act.words}</span>
        {act.expect !== undefined && <span className="block text-small text-silt">expect {act.expect}</span>}
        {act.warning !== undefined && <span className="block text-small text-rust">{act.warning}</span>}
        {standing !== 'open' && standing !== 'done' && (
          <span className="block text-small">
            <StandingSign standing={standing} />
            {said && said.words !== '' && ` ${said.words}`}
          </span>
        )}
      </button>
      {act.answers && (
        <span role="group" aria-label={`Answer: ${act.words}`} className="flex shrink-0 gap-1">
          {act.answers.map((answer) => (
            <button
              key={answer}
              type="button"
              aria-pressed={standing === 'done' && said?.words === answer}
              onClick={() => onAnswer(answer)}
              className="min-h-9 rounded border bg-sheet px-2 text-small aria-pressed:border-brine aria-pressed:font-semibold aria-pressed:text-brine"
            >
              {answer}
            </button>
          ))}
        </span>
      )}
    </li>
  )
}

function Who() {
  const [name, setName] = useState(whoIsThere)
  return (
    <label className="flex flex-wrap items-baseline gap-2 text-small print:hidden">
      <span className="text-silt">Ticked on this device by</span>
      <input
        value={name}
        maxLength={60}
        placeholder="nobody named"
        onChange={(event) => setName(event.target.value)}
        onBlur={() => sayWho(name)}
        className="min-h-9 rounded-md border bg-sheet px-2"
      />
    </label>
  )
}
