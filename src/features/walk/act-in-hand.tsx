'use client'

import { useState, type ReactNode } from 'react'
import type { Mark, Said, Standing } from '@/core/procedures/progress'
import { Button, Offer } from '@/ui/button'
import { BeginWalk } from './begin-walk'
import { LitPlate } from './lit-plate'
import type { WalkAct, WalkStart } from './start'
import { StandingSign } from './standing-sign'

/** One act, readable at arm's length, with what can be said of it under the thumb. */
export function ActInHand({
  start,
  act,
  at,
  gates,
  standing,
  said,
  next,
  files,
  isReady,
  onSay,
  onGoPast,
  onGoTo,
  onBack,
  onOn,
}: {
  start: WalkStart
  act: WalkAct
  at: number
  gates: readonly Pick<WalkAct, 'id' | 'words'>[]
  standing: Standing
  said: Said | null
  next: WalkAct | null
  /** What is done with a file at this act, and whether that is seen to. */
  files: ReactNode
  isReady: boolean
  onSay: (id: string, mark: Mark | null, words?: string) => boolean
  onGoPast: (id: string, reason: string) => boolean
  onGoTo: (id: string) => void
  onBack: () => void
  onOn: () => void
}) {
  const [asking, ask] = useState<'skipped' | 'differs' | 'past' | null>(null)
  const [first] = gates
  return (
    <>
      <ActCard {...{ start, act, at, standing, said }} onOpen={() => onSay(act.id, null)} />
      {!first && files}
      {!first && act.door && (
        <p>
          <BeginWalk asked={{ planId: start.planId, ...act.door }}>
            Begin that walk, or go on with it
          </BeginWalk>
        </p>
      )}
      {first && (
        <section role="alert" className="border-l-3 border-lichen bg-sheet px-3 py-2">
          <p>
            <span className="font-semibold text-lichen">Not before: </span>
            {first.words}
            {gates.length > 1 && `, and ${gates.length - 1} more`}.
          </p>
          <p className="mt-1 flex flex-wrap gap-x-4 gap-y-2">
            <Offer onClick={() => onGoTo(first.id)}>Go there</Offer>
            <Offer onClick={() => ask('past')}>Go past it …</Offer>
          </p>
        </section>
      )}
      {asking && (
        <Words
          label={questions[asking]}
          onGiven={(words) => {
            const taken = asking === 'past' ? onGoPast(act.id, words) : onSay(act.id, asking, words)
            if (taken) ask(null)
          }}
          onCancel={() => ask(null)}
        />
      )}
      <div
        className={`${act.task ? '' : 'sticky bottom-0'} mt-auto grid grid-cols-[5fr_4fr] gap-2 bg-crust py-2`}
      >
        {next && (
          <p className="col-span-2 truncate text-silt" title={next.words}>
            Then: {next.words}
          </p>
        )}
        <Tick act={act} isShut={first !== undefined} isReady={isReady} said={said} onSay={onSay} />
        <Button className="min-h-12" onClick={() => ask('differs')}>
          I see something else
        </Button>
        <Button className="min-h-12" onClick={() => ask('skipped')}>
          Skip …
        </Button>
        <Button className="min-h-12" disabled={at <= 0} onClick={onBack}>
          ← Back
        </Button>
        <Button className="min-h-12" disabled={next === null} onClick={onOn}>
          Look ahead →
        </Button>
      </div>
    </>
  )
}

/** What ticks an act: one button, or one for each of its answers. */
function Tick({
  act,
  isShut,
  isReady,
  said,
  onSay,
}: {
  act: WalkAct
  isShut: boolean
  isReady: boolean
  said: Said | null
  onSay: (id: string, mark: Mark, words?: string) => boolean
}) {
  if (act.answers)
    return <Answers answers={act.answers} said={said} onPick={(answer) => onSay(act.id, 'done', answer)} />
  return (
    <Button
      main={isReady && act.writes === undefined}
      className="col-span-2 min-h-16 text-lead"
      disabled={isShut}
      onClick={() => onSay(act.id, 'done')}
    >
      {act.kind === 'press' || act.kind === 'look' ? 'As expected' : 'Done'}
    </Button>
  )
}

/** What can be said of an act, side by side; the one that was said is marked. */
function Answers({
  answers,
  said,
  onPick,
}: {
  answers: readonly string[]
  said: Said | null
  onPick: (answer: string) => void
}) {
  return (
    <div role="group" aria-label="Answer" className="col-span-2 flex gap-2">
      {answers.map((answer) => (
        <Button
          key={answer}
          className="min-h-16 flex-1 text-lead first-letter:uppercase aria-pressed:border-brine aria-pressed:text-brine"
          aria-pressed={said?.words === answer}
          onClick={() => onPick(answer)}
        >
          {answer}
        </Button>
      ))}
    </div>
  )
}

/** What an act is: where, what to do, what to see, and where its place is on the body. */
function ActCard({
  start,
  act,
  at,
  standing,
  said,
  onOpen,
}: {
  start: WalkStart
  act: WalkAct
  at: number
  standing: Standing
  said: Said | null
  onOpen: () => void
}) {
  return (
    <section aria-label="Act in hand" className="grid gap-3 border bg-sheet p-4">
      <p className="flex flex-wrap items-baseline gap-x-3 text-silt">
        <span className="font-mono tabular-nums">{at + 1}</span>
        <span>{act.part}</span>
        {act.stands !== '' && <span className="ml-auto text-small">{act.stands}</span>}
      </p>
      {act.where !== '' && (
        <p className={act.control === null ? 'font-mono text-lead text-brine' : 'text-silt'}>{act.where}</p>
      )}
      <p className="font-head text-[26px]/8 font-semibold text-balance">{act.words}</p>
      {act.expect !== undefined && (
        <p className="text-lead">
          <span className="text-silt">Expect: </span>
          {act.expect}
        </p>
      )}
      {act.because !== undefined && <p className="text-silt">{act.because}</p>}
      {act.warning !== undefined && (
        <p className="border-l-3 border-rust pl-3">
          <span className="font-semibold text-rust">Beware. </span>
          {act.warning}
        </p>
      )}
      <LitPlate control={act.control} faces={start.faces} controls={start.controls} />
      {said && (
        <p className="flex flex-wrap items-baseline gap-x-2">
          <StandingSign standing={standing} />
          {said.words !== '' && <span>{said.words}</span>}
          {said.who !== '' && <span className="text-small text-silt">{said.who}</span>}
          <Offer onClick={onOpen}>Open it again</Offer>
        </p>
      )}
    </section>
  )
}

const questions = {
  skipped: 'Why is it skipped?',
  differs: 'What do you see?',
  past: 'Why may it come before the others?',
} as const

/** A few words asked for in place. */
function Words({
  label,
  onGiven,
  onCancel,
}: {
  label: string
  onGiven: (words: string) => void
  onCancel: () => void
}) {
  const [words, setWords] = useState('')
  return (
    <form
      className="grid gap-2 border bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault()
        onGiven(words)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onCancel()
      }}
    >
      <label className="grid gap-1">
        <span className="font-semibold">{label}</span>
        <input
          autoFocus
          value={words}
          maxLength={500}
          onChange={(event) => setWords(event.target.value)}
          className="min-h-11 rounded-md border bg-crust px-3"
        />
      </label>
      <p className="flex gap-2">
        <Button type="submit" main className="min-h-11">
          Keep
        </Button>
        <Button className="min-h-11" onClick={onCancel}>
          Not now
        </Button>
      </p>
    </form>
  )
}
