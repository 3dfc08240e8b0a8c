'use client'

import { useMemo, useState } from 'react'
import { heldBy, linesAcross, tableIn, variantsAcross, type BankFocus } from '@/core/focus/sheet'
import type { FocusPress } from '@/core/focus/trigger-table'
import { afterPresses } from '@/core/focus/variants'
import { heldWords, outcomeWords } from '@/core/focus/words'
import { posturesOf } from '@/core/model/controls'
import type { Posture } from '@/core/model/types'
import { plannedLenses } from '@/core/plan/plan'
import { contextIn, usualContext } from '@/core/resolve/context'
import { findingsAt } from '@/features/desk/stations'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { FindingList } from '@/features/desk/finding-card'
import { TryLink } from '@/features/desk/try-link'
import { ShortcutList } from '@/features/desk/shortcut-list'
import { postureWords } from '@/features/reach/words'
import { Check } from '@/ui/check'
import { FinderDrawing } from '@/ui/finder/finder-drawing'
import { Select } from '@/ui/select'
import { Tabs } from '@/ui/tabs'
import { HeldPlates } from './held-plates'
import { PressTestList } from './press-test-list'
import { QuestionPanel } from './question-panel'
import { SchemePanel } from './scheme-panel'
import { TriggerTable, type Picked } from './trigger-table'
import { useAnswer, useFindings } from '@/features/desk/use-analysis'

const panels = {
  schemes: 'Ways',
  questions: 'Questions',
  tests: 'Press test',
  findings: 'Trips',
} as const

const digits = [
  ['any', 'any finger'],
  ['thumb', 'the thumb'],
  ['index', 'the index finger'],
  ['middle', 'the middle finger'],
  ['left', 'the left hand'],
] as const

/** The Focus station: what each trigger does in each bank, what the finder shows of it, and the ways owners set it up. */
export function FocusStation() {
  const { start } = useDesk()
  const { plan, side } = useDeskView()
  const findings = useFindings()
  const { model, lenses } = start
  const [lens, setLens] = useState<string | null>(null)
  const [posture, setPosture] = useState<Posture>('finder')
  const [digit, setDigit] = useState<(typeof digits)[number][0]>('any')
  const [variant, setVariant] = useState('as set')
  const [pairs, setPairs] = useState(true)
  const [panel, setPanel] = useState<keyof typeof panels>('schemes')
  const [choice, setChoice] = useState<Picked | null>(null)
  const banks = useAnswer<'focus'>({ kind: 'focus', side, lens, posture })
  const variants = useMemo(() => (banks ? variantsAcross(banks) : []), [banks])
  const shown = variants.includes(variant) ? variant : 'as set'
  const all = useMemo(() => (banks ? linesAcross(banks, shown) : []), [banks, shown])
  const mine = all.filter(
    ({ held }) => (pairs || held.length < 2) && (digit === 'any' || heldBy(model, held, digit, posture)),
  )
  const picked =
    choice && all.some(({ held }) => held.join() === choice.held.join()) ? choice : firstOf(all, banks)
  const at = banks?.findIndex(({ state: situated }) => situated.bank === picked.bank) ?? -1
  const bank = banks?.[at]
  const table = bank && tableIn(bank, shown)
  const context = useMemo(
    () => (bank && table ? afterPresses(bank.state.context, table.variant) : contextIn(model, side, null)),
    [bank, table, model, side],
  )
  const held = picked.held.flatMap((key) => table?.triggers.find((one) => one.key === key)?.fn.id ?? [])
  const state = useAnswer<'state'>({ kind: 'state', context, held })
  const picture = state?.picture ?? null
  const line = all.find((one) => one.held.join() === picked.held.join())
  const outcome = line?.cells[at]?.outcomes[0]
  const words = outcome && outcomeWords(model, outcome)
  const trips = findingsAt(findings, 'focus').sort(
    (a, b) => Number(b.side === side) - Number(a.side === side),
  )
  const inUse = plannedLenses(plan)
  const choosable = lenses.filter((one) => inUse.includes(one.id))
  const presses = table?.presses ?? []
  const select = 'min-h-9 max-w-31 rounded-md border bg-sheet px-1.5 text-small'
  const pickControl = (control: string) => {
    const next = all.find(({ held: [one, two] }) => one?.split('/')[1] === control && two === undefined)
    if (next) setChoice({ held: next.held, bank: picked.bank })
  }
  return (
    <main className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_372px]">
      <section aria-label="What focuses when" className="min-w-0 self-start border bg-sheet px-4 pt-2 pb-3">
        <div className="mb-1 flex flex-wrap items-center gap-x-2 gap-y-1">
          <h1 className="font-head text-lead font-semibold">What focuses when</h1>
          <div className="flex-1" />
          {choosable.length > 0 && (
            <Select
              label="Lens on the camera"
              value={lens ?? usualContext(model, plan, lenses, side)?.context.lens.id ?? ''}
              options={choosable.map((one) => [one.id, one.name])}
              onPick={setLens}
              className={select}
            />
          )}
          <Select
            label="How the camera is held"
            value={posture}
            options={posturesOf(model).map((one) => [one, postureWords[one]])}
            onPick={setPosture}
            className={select}
          />
          <Select label="Finger" value={digit} options={digits} onPick={setDigit} className={select} />
          {variants.length > 1 && (
            <Select
              label="After which presses"
              value={shown}
              options={variants.map((one) => [one, one])}
              onPick={setVariant}
              className={select}
            />
          )}
          <Check checked={pairs} onChange={() => setPairs(!pairs)} className="text-silt">
            two at once
          </Check>
        </div>
        {banks === null ? (
          <p role="status" className="py-6 text-silt">
            Every bank is being looked through …
          </p>
        ) : (
          <TriggerTable
            model={model}
            banks={banks}
            lines={mine}
            variant={shown}
            picked={picked}
            onPick={setChoice}
          />
        )}
        {presses.length > 0 && <Presses presses={presses} bank={picked.bank} />}
      </section>
      <aside
        aria-label="Beside the table"
        className="grid min-w-0 content-start gap-x-4 md:grid-cols-2 lg:block"
      >
        <div>
          <FinderDrawing
            picture={picture}
            does={outcome?.does ?? 'no'}
            words={`The finder with ${heldWords(model, picked.held)} in ${picked.bank}: ${words ? `${words.does}, area ${words.area}, detection ${words.detection}` : 'nothing known'}`}
          />
          <p className="mt-1 text-small text-silt">
            <b className="font-semibold text-pan">{heldWords(model, picked.held)}</b> in {picked.bank}
            {words && (
              <>
                : {words.does} · {words.area} · detection {words.detection}
              </>
            )}
            {picture && ` · ${picture.points.length} ${picture.points.length === 1 ? 'place' : 'places'}`} ·{' '}
            <TryLink context={context} held={picked.held} />
          </p>
          <div className="mt-2 mb-1">
            <HeldPlates model={model} held={picked.held} onPick={pickControl} />
          </div>
        </div>
        <div className="min-w-0">
          <Tabs label="Beside the table" names={panels} picked={panel} onPick={setPanel} />
          {panel === 'schemes' && <SchemePanel key={side} />}
          {panel === 'questions' && <QuestionPanel state={state} picture={picture} />}
          {panel === 'tests' && <PressTestList model={model} banks={banks ?? []} />}
          {panel === 'findings' &&
            (trips.length > 0 ? (
              <div className="grid gap-3">
                <FindingList findings={trips} />
              </div>
            ) : (
              <p className="text-silt">Nothing about focus will trip you.</p>
            ))}
        </div>
      </aside>
      <ShortcutList keys={focusKeys} />
    </main>
  )
}

const focusKeys = [
  ['Tab', 'from line to line'],
  ['Enter', 'show the line in the finder'],
] as const

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

function firstOf(lines: readonly { held: readonly string[] }[], banks: readonly BankFocus[] | null): Picked {
  const line = lines.find(({ held }) => held.length === 1) ?? lines[0]
  return { held: line?.held ?? [], bank: banks?.[0]?.state.bank ?? 'plain' }
}
