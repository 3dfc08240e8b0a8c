'use client'

import { ArrowLeftRight } from 'lucide-react'
import { memo, useMemo } from 'react'
import type { RowChange } from '@/core/analysis/questions'
import type { Face } from '@/core/model/types'
import { ShortcutList, useTrial } from '@/features/desk'
import { later } from '@/ui/later'
import { useShared } from '@/ui/use-shared'
import { ReachStrip } from '@/features/reach'
import { Beside } from '@/ui/beside'
import { Check } from '@/ui/check'
import { Dragged, Drags } from '@/ui/drag'
import { Plate } from '@/ui/plate/plate'
import { Tabs } from '@/ui/tabs'
import { CopySide } from './copy-side'
import { allFaces, differingOn, FacePicker, labelsOf, type Shown } from '@/features/plates'
import { FindingsPanel } from './findings-panel'
import { FittedChoice } from '@/features/plates'
import { panels } from './panels'
import { controlsKeys } from './shortcuts'
import { useControlsStation, useShown, type ControlsKnown } from './use-controls-station'

/** Loaded when a hand comes near the plate, so that it is there when a key is taken. */
const KeyPanel = later(() => import('./key-panel').then((one) => one.KeyPanel))
const Trial = later(() => import('./trial-note').then((one) => one.Trial))
const SuggestPanel = later(() => import('@/features/suggest').then((one) => one.SuggestPanel))
const ReachPanel = later(() => import('./reach-panel').then((one) => one.ReachPanel))
const DialsTable = later(() => import('./dials-table').then((one) => one.DialsTable))

/** The Controls station: the plates of the body, and beside them the key in hand, the reach, the dials, the suggestion. */
export function ControlsStation() {
  const known = useControlsStation()
  const { station, hand, faceId, faces, pickFace, heat, setHeat, fitted, setFitted, take } = known
  return (
    <>
      <main ref={station} className="plates grid gap-3 px-5 py-3 print:block print:p-0">
        <Strip trial={hand.trial} />
        <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_350px]">
          <Plates
            {...{ faceId, faces, pickFace, heat, setHeat, fitted, setFitted, take }}
            carried={hand.carried}
            selected={hand.selected}
          />
          <BesidePlate known={known} />
        </div>
      </main>
      <ShortcutList keys={controlsKeys} />
      <Drags area={station} {...hand.dragging}>
        {hand.dragged !== null && (
          <Dragged name={hand.dragged} more={hand.trial && <Trial rows={hand.trial} />} />
        )}
      </Drags>
    </>
  )
}

/** What the needs cost, and what they would with a change that is in the hand. */
const Strip = memo(function Strip({ trial }: { trial: readonly RowChange[] | null }) {
  return <ReachStrip trial={useTrial(trial)?.reach ?? null} />
})

/** The plate of the face picked, or all of them, and what is shown on it. */
const Plates = memo(function Plates({
  faceId,
  faces,
  pickFace,
  heat,
  setHeat,
  fitted,
  setFitted,
  take,
  carried,
  selected,
}: Pick<
  ControlsKnown,
  'faceId' | 'faces' | 'pickFace' | 'heat' | 'setHeat' | 'fitted' | 'setFitted' | 'take'
> &
  Pick<ControlsKnown['hand'], 'carried' | 'selected'>) {
  const shown = useShown(heat, fitted)
  const alone = faceId !== allFaces
  return (
    <section
      aria-label={alone ? `${faces[0]?.name ?? ''} of the body` : 'All faces of the body'}
      onPointerEnter={KeyPanel.come}
      onFocus={KeyPanel.come}
      className={`flex min-w-0 flex-col self-start border bg-sheet px-4 pt-2 pb-3 print:border-0 ${alone ? 'lg:sticky lg:top-3 lg:min-h-[max(520px,calc(100dvh-200px))]' : ''}`}
    >
      <div className="not-printed flex flex-wrap items-center gap-x-2.5 gap-y-1">
        <FacePicker faces={shown.model.faces} face={faceId} onPick={pickFace} />
        {faces.length === 1 && faces[0] && <Differing shown={shown} face={faces[0]} />}
        <div className="flex-1" />
        <Check checked={heat} onChange={() => setHeat(!heat)} className="text-silt">
          times used
        </Check>
        <FittedChoice fitted={fitted} onChange={setFitted} />
      </div>
      <p role="status" className={carried ? 'bg-blush px-2 py-1 text-pan' : 'sr-only'}>
        {carried
          ? `Choose the key it ${carried.how === 'swap' ? 'changes places with' : 'goes to'} and press Enter; Escape leaves it where it is.`
          : ''}
      </p>
      {faces.map((face) => (
        <FacePlate
          key={face.id}
          face={face}
          shown={shown}
          alone={alone}
          selected={selected}
          onSelect={take}
        />
      ))}
    </section>
  )
})

function BesidePlate({ known }: { known: ControlsKnown }) {
  const { panel, pickPanel, hand, outcome, goTo, back } = known
  const { selected } = hand
  return (
    <Beside
      label="Beside the plate"
      inHand={panel === 'key' && selected ? `[data-address="${selected}"]` : null}
    >
      <Tabs label="Beside the plate" names={panels} picked={panel} onPick={pickPanel}>
        {panel === 'key' && selected && (
          <KeyPanel
            addressKey={selected}
            outcome={outcome}
            onPut={hand.put}
            onPick={goTo}
            onSwap={() => hand.carry(selected, 'swap')}
            onClose={back}
          />
        )}
        {panel === 'key' && !selected && (
          <>
            <FindingsPanel onGo={goTo} />
            <CopySide />
          </>
        )}
        {panel === 'reach' && <ReachPanel onGo={goTo} />}
        {panel === 'dials' && <DialsTable onGo={goTo} selected={selected} />}
        {panel === 'suggest' && <SuggestPanel onGo={goTo} />}
      </Tabs>
    </Beside>
  )
}

function FacePlate({
  face,
  shown,
  alone,
  selected,
  onSelect,
}: {
  face: Face
  shown: Shown
  alone: boolean
  selected: string | null
  onSelect: (address: string) => void
}) {
  const labels = useShared(useMemo(() => labelsOf(shown, face), [shown, face]))
  return (
    <div
      className={`flex flex-1 flex-col ${alone ? '' : 'h-150 break-inside-avoid border-b pt-3 last:border-0'}`}
    >
      <div className={alone ? 'sr-only print:not-sr-only' : 'flex flex-wrap items-baseline gap-x-4'}>
        <h1 className="font-head text-title font-semibold">{face.name}</h1>
        {!alone && <Differing shown={shown} face={face} />}
      </div>
      <Plate face={face} labels={labels} selected={selected} onSelect={onSelect} />
    </div>
  )
}

/** How many keys of a face differ on the other side. */
function Differing({ shown: { model, plan, side }, face }: { shown: Shown; face: Face }) {
  const other = model.sides.find((one) => one !== side)
  if (!other) return null
  return (
    <p className="whitespace-nowrap text-silt">
      <ArrowLeftRight size={13} className="inline" aria-hidden="true" />{' '}
      {differingOn(model, plan, face, side)} differ in {other}
    </p>
  )
}
