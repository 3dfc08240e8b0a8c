'use client'

import { useState } from 'react'
import type { FocusPress } from '@/core/focus/table'
import { heldWords } from '@/core/focus/words'
import type { BodyModel } from '@/core/model/types'
import { posturesOf } from '@/core/model/controls'
import { FindingList, ShortcutList, TryLink } from '@/features/desk'
import { postureWords } from '@/core/model/hand-words'
import { later } from '@/ui/later'
import { Check } from '@/ui/check'
import { FinderDrawing } from '@/ui/finder/finder-drawing'
import { Select } from '@/ui/select'
import { Tabs } from '@/ui/tabs'
import { HeldPlates } from './held-plates'
import { SchemePanel } from './scheme-panel'
import { TriggerTable } from './trigger-table'
import { useFocusStation, type FocusKnown } from './use-focus-station'

const PressTestList = later(() => import('./press-test-list').then((one) => one.PressTestList))
const QuestionPanel = later(() => import('./question-panel').then((one) => one.QuestionPanel))

const panels = {
  schemes: 'Ways',
  questions: 'Questions',
  tests: 'Press test',
  findings: 'Problems',
} as const

const digits = [
  ['any', 'any finger'],
  ['thumb', 'the thumb'],
  ['index', 'the index finger'],
  ['middle', 'the middle finger'],
  ['left', 'the left hand'],
] as const

const focusKeys = [
  ['Tab', 'from line to line'],
  ['Enter', 'show the line in the finder'],
] as const

/** The Focus station: what each trigger does in each bank, what the finder shows of it, and the ways owners set it up. */
export function FocusStation() {
  const known = useFocusStation()
  const { model, banks, lines, folded, narrowed, picked, presses } = known
  return (
    <main className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_372px]">
      <section aria-label="What focuses when" className="min-w-0 self-start border bg-sheet px-4 pt-2 pb-3">
        <Narrowing known={known} />
        {banks === null ? (
          <p role="status" className="min-h-120 py-6 text-silt">
            Every bank is being looked through …
          </p>
        ) : (
          <TriggerTable
            model={model}
            banks={banks}
            lines={lines}
            variant={narrowed.variant}
            picked={picked}
            onPick={known.pick}
          />
        )}
        {folded.length > 0 && (
          <Folded
            model={model}
            folded={folded}
            isUnfolded={known.isUnfolded}
            onTurn={() => known.unfold(!known.isUnfolded)}
          />
        )}
        {presses.length > 0 && <Presses presses={presses} bank={picked.bank} />}
      </section>
      <aside
        aria-label="Beside the table"
        className="grid min-w-0 content-start gap-x-4 md:grid-cols-2 lg:block"
      >
        <InTheFinder known={known} />
        <BesideTable known={known} />
      </aside>
      <ShortcutList keys={focusKeys} />
    </main>
  )
}

/** What the table is about: the lens, how the camera is held, the finger, after which presses. */
function Narrowing({ known: { model, lenses, lens, variants, narrowed, narrow } }: { known: FocusKnown }) {
  const select = 'min-h-9 max-w-31 rounded-md border bg-sheet px-1.5 text-small'
  return (
    <div className="mb-1 flex flex-wrap items-center gap-x-2 gap-y-1">
      <h1 className="font-head text-lead font-semibold">What focuses when</h1>
      <div className="flex-1" />
      {lenses.length > 0 && (
        <Select
          label="Lens on the camera"
          value={lens}
          options={lenses.map((one) => [one.id, one.name])}
          onPick={narrow.lens}
          className={select}
        />
      )}
      <Select
        label="How the camera is held"
        value={narrowed.posture}
        options={posturesOf(model).map((one) => [one, postureWords[one]])}
        onPick={narrow.posture}
        className={select}
      />
      <Select
        label="Finger"
        value={narrowed.digit}
        options={digits}
        onPick={narrow.digit}
        className={select}
      />
      {variants.length > 1 && (
        <Select
          label="After which presses"
          value={narrowed.variant}
          options={variants.map((one) => [one, one])}
          onPick={narrow.variant}
          className={select}
        />
      )}
      <Check checked={narrowed.pairs} onChange={() => narrow.pairs(!narrowed.pairs)} className="text-silt">
        two keys at once
      </Check>
    </div>
  )
}

/** Lines that say what fewer keys say, too: named, and shown when asked for. */
function Folded({
  model,
  folded,
  isUnfolded,
  onTurn,
}: {
  model: BodyModel
  folded: readonly (readonly string[])[]
  isUnfolded: boolean
  onTurn: () => void
}) {
  const singles = folded.filter((held) => held.length === 1).map((held) => heldWords(model, held))
  const pairs = folded.length - singles.length
  const said = [
    singles.length > 0
      ? `${singles.join(', ')} ${singles.length === 1 ? 'changes' : 'change'} nothing when held`
      : '',
    pairs > 0 ? `${pairs} ${pairs === 1 ? 'pair does' : 'pairs do'} what one of the two keys does alone` : '',
  ].filter((one) => one !== '')
  return (
    <p className="mt-1.5 text-small text-silt">
      {said.join('; ')}.{' '}
      <button type="button" aria-expanded={isUnfolded} onClick={onTurn} className="text-brine underline">
        {isUnfolded ? 'Fold them' : 'Show them'}
      </button>
    </p>
  )
}

/** The line in hand as the finder shows it, and the keys it is held by. */
function InTheFinder({ known }: { known: FocusKnown }) {
  const { model, picked, state, outcome, words, sentence, context } = known
  const picture = state?.picture ?? null
  return (
    <div>
      <FinderDrawing
        picture={picture}
        does={outcome?.does ?? 'no'}
        words={`The finder with ${heldWords(model, picked.held)} in ${picked.bank}: ${words ? `${words.does}, area ${words.area}, detection ${words.detection}` : 'nothing known'}`}
      />
      <p className="mt-1 text-small text-silt">
        <b className="inline-block font-semibold text-pan first-letter:uppercase">{picked.bank}.</b>{' '}
        {sentence}
        {picture &&
          ` ${picture.points.length} ${picture.points.length === 1 ? 'AF point' : 'AF points'}.`}{' '}
        <TryLink context={context} held={picked.held} />
      </p>
      <div className="mt-2 mb-1">
        <HeldPlates model={model} held={picked.held} onPick={known.pickControl} />
      </div>
    </div>
  )
}

function BesideTable({ known: { model, side, banks, state, problems } }: { known: FocusKnown }) {
  const [panel, setPanel] = useState<keyof typeof panels>('schemes')
  return (
    <div className="min-w-0">
      <Tabs label="Beside the table" names={panels} picked={panel} onPick={setPanel}>
        {panel === 'schemes' && <SchemePanel key={side} />}
        {panel === 'questions' && <QuestionPanel state={state} picture={state?.picture ?? null} />}
        {panel === 'tests' && <PressTestList model={model} banks={banks ?? []} />}
        {panel === 'findings' && problems?.length === 0 && (
          <p className="text-silt">No problems with focus.</p>
        )}
        {panel === 'findings' && problems && (
          <div className="grid gap-3">
            <FindingList findings={problems} />
          </div>
        )}
      </Tabs>
    </div>
  )
}

/** What the gestures do that are not held. */
function Presses({ presses, bank }: { presses: readonly FocusPress[]; bank: string }) {
  return (
    <section aria-label="Presses that change focus" className="mt-3">
      <h2 className="text-small text-silt">A press, not held, in {bank}</h2>
      <ul className="mt-0.5 flex flex-wrap gap-x-5 gap-y-0.5">
        {presses.map(({ key, address, leads }) => (
          <li key={key}>
            <b className="font-semibold">{address.control.name}</b> {leads}
          </li>
        ))}
      </ul>
    </section>
  )
}
