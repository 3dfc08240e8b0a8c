'use client'

import { type RowId, addressKeyOf, keyRow } from '@/core/plan/rows'
import { DndContext } from '@dnd-kit/core'
import { ArrowLeftRight } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useMemo, useRef, useState } from 'react'
import type { Face } from '@/core/model/types'
import { touchedRows } from '@/core/sync/step'
import { usesOf } from '@/core/reach/report'
import { useDesk, useDeskView, useRevision } from '@/features/desk/desk-context'
import { ShortcutList } from '@/features/desk/shortcut-list'
import { findingsAt } from '@/features/desk/stations'
import { usePlaceInPage } from '@/features/desk/use-place-in-page'
import { ReachStrip } from '@/features/reach/reach-strip'
import { Check } from '@/ui/check'
import { Dragged } from '@/ui/drag'
import { Plate } from '@/ui/plate/plate'
import { Tabs } from '@/ui/tabs'
import { CopySide } from './copy-side'
import { DialsTable } from './dials-table'
import { allFaces, FacePicker } from './face-picker'
import { FindingsPanel } from './findings-panel'
import { everyPart, FittedChoice } from './fitted-choice'
import { KeyPanel } from './key-panel'
import { differingOn, labelsOf, type Shown } from './labels'
import { panels, type Panel } from './panels'
import { ReachPanel } from './reach-panel'
import { controlsKeys, useShortcuts } from './shortcuts'
import { TrialNote } from './trial-note'
import { useHand } from './use-hand'
import { useFindings, useReach, useTrial } from '@/features/desk/use-analysis'

const SuggestPanel = dynamic(() => import('@/features/suggest/suggest-panel').then((one) => one.SuggestPanel))

/** The Controls station: the plates of the body, and beside them the key in hand, the reach, the dials, the suggestion. */
export function ControlsStation() {
  const desk = useDesk()
  const { plan, side, log, earlier } = useDeskView()
  const since = Math.max(0, desk.start.version - earlier)
  const findings = useFindings()
  const reach = useReach()
  const { model } = desk.start
  const revision = useRevision()
  const [faceId, setFaceId] = useState(model.faces[0]?.id ?? '')
  const [panel, setPanel] = useState<Panel>('key')
  const [heat, setHeat] = useState(false)
  const [fitted, setFitted] = useState(everyPart)
  const station = useRef<HTMLDivElement>(null)
  const hand = useHand()
  const { selected, carried } = hand
  const trial = useTrial(hand.trial)
  const faces = model.faces.filter((one) => faceId === allFaces || one.id === faceId)

  const changed = useMemo(
    () => new Set<RowId>(revision ? [...revision.differs, ...touchedRows(log.slice(since))] : []),
    [log, revision, since],
  )
  const shown = useMemo(
    (): Shown => ({
      model,
      plan,
      side,
      findings: findings ?? [],
      changed,
      fitted,
      uses: heat && reach ? usesOf(reach) : null,
    }),
    [model, plan, side, findings, changed, fitted, heat, reach],
  )
  const show = (address: string) => {
    setPanel('key')
    hand.carryTo(address)
  }
  const goTo = (address: string) => {
    const [on = '', control = ''] = address.split('/')
    const face = model.controls.find((one) => one.id === control)?.face
    if (face && faceId !== allFaces) setFaceId(face)
    if (on === 'stills' || on === 'motion') desk.setSide(on)
    setPanel('key')
    hand.pick(address)
  }
  usePlaceInPage((place) => {
    const key = addressKeyOf(place)
    if (key !== null) goTo(key)
  })
  const focusKey = (address: string | null) =>
    station.current?.querySelector<HTMLElement>(`[data-address="${address ?? ''}"]`)?.focus()
  const back = () => {
    const was = selected
    hand.back()
    focusKey(was)
  }
  useShortcuts(station, {
    carry: (address) => hand.carry(address, 'move'),
    swap: (address) => hand.carry(address, 'swap'),
    clear: (address) => hand.put(address, 'nothing'),
    panel: setPanel,
    back,
  })
  const outcome =
    hand.outcome?.address === selected && plan.rows[keyRow({ key: selected })] === hand.outcome.functionId
      ? hand.outcome
      : null
  return (
    <DndContext id="controls" {...hand.dragging}>
      <main ref={station} className="plates grid gap-3 px-5 py-3 print:block print:p-0">
        <ReachStrip trial={trial?.reach ?? null} />
        <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_350px]">
          <section
            aria-label={faceId === allFaces ? 'All faces of the body' : `${faces[0]?.name ?? ''} of the body`}
            className={`flex min-w-0 flex-col self-start border bg-sheet px-4 pt-2 pb-3 print:border-0 ${faceId === allFaces ? '' : 'lg:sticky lg:top-3 lg:min-h-[max(520px,calc(100dvh-200px))]'}`}
          >
            <div className="not-printed flex flex-wrap items-center gap-x-3 gap-y-1">
              <FacePicker faces={model.faces} face={faceId} onPick={setFaceId} />
              {faces.length === 1 && faces[0] && <Differing shown={shown} face={faces[0]} />}
              <div className="flex-1" />
              <Check checked={heat} onChange={() => setHeat(!heat)} className="text-silt">
                uses an outing
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
                alone={faceId !== allFaces}
                selected={selected}
                onSelect={show}
              />
            ))}
          </section>
          <aside aria-label="Beside the plate" className="not-printed min-w-0">
            <Tabs label="Beside the plate" names={panels} picked={panel} onPick={setPanel} />
            {panel === 'key' && selected && (
              <KeyPanel
                key={selected}
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
                {findings && <FindingsPanel findings={findingsAt(findings, 'controls')} onGo={goTo} />}
                <CopySide />
              </>
            )}
            {panel === 'reach' && <ReachPanel onGo={goTo} />}
            {panel === 'dials' && <DialsTable onGo={goTo} selected={selected} />}
            {panel === 'suggest' && <SuggestPanel onGo={goTo} />}
          </aside>
        </div>
      </main>
      <ShortcutList keys={controlsKeys} />
      <Dragged
        name={hand.dragged}
        more={
          trial &&
          reach &&
          findings && (
            <TrialNote before={reach} reach={trial.reach} was={findings} findings={trial.findings} />
          )
        }
      />
    </DndContext>
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
  const labels = useMemo(() => labelsOf(shown, face), [shown, face])
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
      {side} · <ArrowLeftRight size={13} className="inline" aria-hidden="true" />{' '}
      {differingOn(model, plan, face, side)} differ in {other}
    </p>
  )
}
