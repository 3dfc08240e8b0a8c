'use client'

import { memo, useId, useState } from 'react'
import {
  accidentNames,
  fingerNames,
  freezeFacts,
  habitOf,
  habitRow,
  idsOf,
  ownerRow,
  peakBands,
  rowValue,
} from '@/core/plan/rows'
import type { OwnerFact } from '@/core/plan/rows'
import { FigureLine, type Figure } from './figure-line'
import { functionTerms } from '@/core/vocabulary/terms'
import { workFact } from '@/core/vocabulary/work'
import { useDesk, usePlanPart } from '@/features/desk'
import { Button, Offer } from '@/ui/button'
import { Check } from '@/ui/check'
import { Explain } from '@/ui/explain'
import { Fold } from '@/ui/fold'
import { Select } from '@/ui/select'

/** The owner: eye, fingers, what has gone wrong, habits, own limits; each with what follows from it. */
export const You = memo(function You() {
  return (
    <section aria-label="You" className="border bg-sheet px-4 py-3">
      <h2 className="font-head text-lead font-semibold">You</h2>
      <div className="mt-1 grid gap-2">
        <OneOf
          fact="eye"
          label="Eye at the finder"
          plain="The nose lies on the left half of the screen for the right eye, on the right half for the left one: what moves the AF point there, it moves."
          choices={{ right: 'right', left: 'left' }}
        />
        <Glasses />
        <OneOf
          fact="leftHand"
          label="Left hand"
          plain="A hand that carries the lens has to let go for keys that are not on the lens: they cost that much more, and the hand leaves its grip."
          choices={{ free: 'free for keys', lens: 'carries the lens' }}
        />
        <Fold title="Fingers that work keys">
          <Several
            fact="fingers"
            plain="A key under another finger is not reached: it costs what the next way costs. Say nothing where all of them do."
            names={Object.fromEntries(fingerNames.map((one) => [one, fingerWords[one]]))}
          />
        </Fold>
        <Fold title="What has gone wrong by accident">
          <Several
            fact="accidents"
            plain="What makes it happen again is told as a problem, with the way to keep it from happening."
            names={accidentNames}
          />
        </Fold>
        <Fold title="Habits from another body">
          <Habits />
        </Fold>
        <Fold title="Your limits">
          <Limits />
        </Fold>
      </div>
    </section>
  )
})

const fingerWords: Readonly<Record<(typeof fingerNames)[number], string>> = {
  thumb: 'Thumb',
  index: 'Index finger',
  middle: 'Middle finger',
  left: 'Left hand',
  palm: 'Palm',
}

function Glasses() {
  const desk = useDesk()
  const glasses = usePlanPart((plan) => rowValue(plan.rows, ownerRow('glasses')) === true)
  return (
    <Check checked={glasses} onChange={() => desk.set({ [ownerRow('glasses')]: glasses ? null : true })}>
      Glasses at the finder
    </Check>
  )
}

/** A fact of the owner that is one of a few. */
function OneOf({
  fact,
  label,
  plain,
  unsaid = 'not said',
  choices,
  isWide = false,
}: {
  fact: Extract<OwnerFact, 'eye' | 'leftHand' | 'peaks'>
  label: string
  plain: string
  /** What holds where nothing is said. */
  unsaid?: string
  choices: Readonly<Record<string, string>>
  /** Whether the choices are too long to stand beside the label. */
  isWide?: boolean
}) {
  const desk = useDesk()
  const said = usePlanPart((plan) => String(rowValue(plan.rows, ownerRow(fact)) ?? ''))
  const look = 'min-h-9 rounded-md border bg-sheet px-2'
  return (
    <div
      className={
        isWide ? 'grid grid-cols-[minmax(0,1fr)] gap-1 py-1' : 'flex items-center justify-between gap-2'
      }
    >
      <span>
        {label}
        <Explain label={label} about={{ text: plain }} />
      </span>
      <Select
        label={label}
        value={said}
        options={[['', unsaid], ...Object.entries(choices)]}
        onPick={(one) => desk.set({ [ownerRow(fact)]: one === '' ? null : one })}
        className={isWide ? `${look} w-full min-w-0` : look}
      />
    </div>
  )
}

/** Several of a few that may be said of the owner. */
function Several({
  fact,
  plain,
  names,
}: {
  fact: Extract<OwnerFact, 'fingers' | 'accidents'>
  plain: string
  names: Readonly<Record<string, string>>
}) {
  const desk = useDesk()
  const now = usePlanPart((plan) => {
    const value = rowValue(plan.rows, ownerRow(fact))
    return Array.isArray(value) ? (value as readonly string[]) : []
  })
  const turned = (id: string) =>
    Object.keys(names).filter((one) => (one === id ? !now.includes(id) : now.includes(one)))
  return (
    <div>
      <p className="text-small text-silt">{plain}</p>
      {Object.entries(names).map(([id, words]) => (
        <Check
          key={id}
          checked={now.includes(id)}
          onChange={() => {
            const next = turned(id)
            desk.set({ [ownerRow(fact)]: next.length === 0 ? null : next })
          }}
        >
          {words}
        </Check>
      ))}
    </div>
  )
}

/** Under which finger a function is looked for, as the hand learned it elsewhere. */
function Habits() {
  const desk = useDesk()
  const id = useId()
  const [typed, setTyped] = useState('')
  const [finger, setFinger] = useState<string>('thumb')
  const [face, setFace] = useState<string>('back')
  const { faces } = desk.start.model
  const habits = usePlanPart((plan) =>
    idsOf(plan.rows).flatMap((row) => {
      const what = habitOf(row)
      if (what === null) return []
      return [{ row, term: functionTerms.get(what) ?? what, where: plan.rows[row] as readonly string[] }]
    }),
  )
  const [found] =
    [...functionTerms].find(([, term]) => term.toLowerCase() === typed.trim().toLowerCase()) ?? []
  return (
    <div className="grid gap-1.5">
      <p className="text-small text-silt">
        A suggestion counts a function where your hand looks for it as one more body that has it there.
      </p>
      {habits.map(({ row, term, where }) => (
        <p key={row} className="flex items-baseline justify-between gap-2">
          <span>
            {term}: <span className="text-silt">{where.join(', ')}</span>
          </span>
          <Offer className="text-small" onClick={() => desk.set({ [row]: null })}>
            Forget
          </Offer>
        </p>
      ))}
      <input
        aria-label="A function you reach for without thinking"
        list={`${id} functions`}
        value={typed}
        placeholder="A function you reach for"
        onChange={(event) => setTyped(event.target.value)}
        className="min-h-9 rounded border bg-crust px-2 placeholder:text-silt"
      />
      <datalist id={`${id} functions`}>
        {typed !== '' && [...functionTerms.values()].map((term) => <option key={term} value={term} />)}
      </datalist>
      <div className="flex flex-wrap items-center gap-2">
        <Select
          label="Finger"
          value={finger}
          options={fingerNames.map((one) => [one, fingerWords[one]])}
          onPick={setFinger}
        />
        <Select
          label="Side of the body"
          value={face}
          options={faces.map((one) => [one.id, one.name])}
          onPick={setFace}
        />
        <Button
          disabled={found === undefined}
          onClick={() => {
            if (found === undefined) return
            desk.set({ [habitRow(found)]: [finger, face] })
            setTyped('')
          }}
        >
          Keep
        </Button>
      </div>
    </div>
  )
}

/** Thresholds of the owner's own, each with what it is for. */
function Limits() {
  const freezes = (Object.keys(freezeFacts) as (keyof typeof freezeFacts)[]).map((id): Figure => {
    const choice = workFact('movement')?.choices.find((one) => one.id === freezeFacts[id])
    const [seconds = 0] = choice?.amount ?? []
    return {
      id,
      words: `Freezes, 1/s: ${choice?.name.toLowerCase() ?? id}`,
      usual: seconds === 0 ? null : Math.round(1 / seconds),
      source: 'rule of thumb',
    }
  })
  const figures: readonly Figure[] = [
    {
      id: 'isoNeed',
      words: 'ISO in need only, from',
      usual: null,
      source: 'below it is fine; light that asks for more is told',
    },
    { id: 'isoNever', words: 'ISO you never want', usual: null, source: 'automatic ISO is held to it' },
    ...freezes,
    {
      id: 'handheldStops',
      words: 'Stops you hold by hand',
      usual: 0,
      source: 'with the stabiliser, over 1 ÷ focal length',
    },
  ]
  return (
    <>
      <ul className="divide-y">
        {figures.map((figure) => (
          <FigureLine key={figure.id} figure={figure} />
        ))}
      </ul>
      <OneOf
        fact="peaks"
        label="Peaks of sound"
        plain="The band in which the loudest moments are to stay: above it sound breaks up, far below it drowns in noise. It stands beside the audio level in Settings."
        unsaid="not said: −10 to −6 dBFS"
        choices={peakBands}
        isWide
      />
    </>
  )
}
