'use client'

import {
  DndContext,
  DragOverlay,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragStartEvent,
} from '@dnd-kit/core'
import { ArrowLeftRight } from 'lucide-react'
import { useMemo, useRef, useState } from 'react'
import { assign, move, type Assignment } from '@/core/plan/assign'
import { touchedRows } from '@/core/plan/step'
import type { Result } from '@/core/result'
import { useDesk, useDeskView, useFindings, useRevision } from '@/features/desk/desk-context'
import { Plate } from '@/ui/plate/plate'
import { FacePicker } from './face-picker'
import { FindingsPanel } from './findings-panel'
import { KeyPanel } from './key-panel'
import { differingOn, labelsOf } from './look-up'
import type { Outcome } from './outcome'
import { Shortcuts, useShortcuts } from './shortcuts'

/** The Controls station: the plate of one face, and beside it the key in hand. */
export function ControlsStation() {
  const desk = useDesk()
  const { plan, side, log, version } = useDeskView()
  const findings = useFindings()
  const { model } = desk.start
  const revision = useRevision()
  const [faceId, setFaceId] = useState(model.faces[0]?.id ?? '')
  const [picked, setPicked] = useState<string | null>(null)
  const [carried, setCarried] = useState<string | null>(null)
  const [dragged, setDragged] = useState<string | null>(null)
  const [outcome, setOutcome] = useState<Outcome | null>(null)
  const station = useRef<HTMLDivElement>(null)
  const face = model.faces.find((one) => one.id === faceId)
  const selected = picked && `${side}/${picked}`

  const changed = useMemo(
    () =>
      revision
        ? touchedRows(log.slice(Math.max(0, log.length - (version - revision.planVersion))))
        : new Set<string>(),
    [log, revision, version],
  )
  const labels = useMemo(
    () => (face ? labelsOf(model, plan, face, side, findings, changed) : []),
    [model, plan, face, side, findings, changed],
  )
  const select = (address: string) => {
    if (carried !== null && carried !== address)
      return finish(move(model, plan, carried, address, crypto.randomUUID()), address, carried)
    setPicked(address.slice(side.length + 1))
    setOutcome(null)
    setCarried(null)
  }
  const finish = (made: Result<Assignment>, address: string, from: string | null) => {
    setCarried(null)
    if (!made.ok) return desk.refuse(made.refusal)
    if (!desk.take(made.value.step)) return
    setPicked(address.slice(side.length + 1))
    const row = made.value.step.changes.find((change) => change.row === `key/${address}`)
    setOutcome({
      address,
      functionId: (row?.to ?? null) as string | null,
      displaced: made.value.displaced,
      from,
    })
  }
  const put = (address: string, functionId: string) =>
    finish(assign(model, plan, address, functionId, crypto.randomUUID()), address, null)
  const focusKey = (address: string | null) =>
    station.current?.querySelector<HTMLElement>(`[data-address="${address ?? ''}"]`)?.focus()

  const shortcuts = useShortcuts(station, {
    carry: (address) => setCarried(address),
    clear: (address) => put(address, 'nothing'),
    back: () => {
      const was = selected
      setCarried(null)
      setPicked(null)
      setOutcome(null)
      focusKey(was)
    },
  })
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const onDragStart = ({ active }: DragStartEvent) => setDragged(String(active.data.current?.text ?? ''))
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setDragged(null)
    const to = over?.data.current?.to as string | undefined
    const { from, functionId } = (active.data.current ?? {}) as { from?: string; functionId?: string }
    if (!to || to === from) return
    if (functionId) put(to, functionId)
    else if (from) finish(move(model, plan, from, to, crypto.randomUUID()), to, from)
  }

  if (!face) return null
  return (
    <DndContext
      id="controls"
      sensors={sensors}
      onDragStart={onDragStart}
      onDragEnd={onDragEnd}
      onDragCancel={() => setDragged(null)}
    >
      <main ref={station} className="grid gap-4 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_340px]">
        <section
          aria-label={`${face.name} of the body`}
          className="flex min-w-0 flex-col border bg-sheet p-4 lg:h-[max(560px,calc(100dvh-136px))]"
        >
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pb-2">
            <h1 className="font-head text-title font-semibold">{face.name}</h1>
            <p className="text-silt">
              {side} · <ArrowLeftRight size={13} className="inline" aria-hidden="true" />{' '}
              {differingOn(model, plan, face, side)} differ in {side === 'stills' ? 'motion' : 'stills'}
            </p>
            <div className="flex-1" />
            <FacePicker faces={model.faces} face={face.id} onPick={setFaceId} />
          </div>
          <p role="status" className={carried ? 'bg-blush px-2 py-1 text-pan' : 'sr-only'}>
            {carried ? 'Choose the key it goes to and press Enter; Escape leaves it where it is.' : ''}
          </p>
          <Plate face={face} labels={labels} selected={selected} onSelect={select} />
        </section>
        <aside aria-label="The key in hand" className="min-w-0">
          {selected ? (
            <KeyPanel
              key={selected}
              addressKey={selected}
              outcome={
                outcome?.address === selected && plan.rows[`key/${selected}`] === outcome.functionId
                  ? outcome
                  : null
              }
              onPut={put}
              onPick={select}
              onClose={shortcuts.back}
            />
          ) : (
            <FindingsPanel
              findings={findings}
              onGo={(address) => {
                const control = model.controls.find((one) => one.id === address.split('/')[1])
                if (control) setFaceId(control.face)
                desk.turnTo(address.split('/')[0] as typeof side)
                setPicked(address.split('/').slice(1).join('/'))
              }}
            />
          )}
        </aside>
      </main>
      <Shortcuts open={shortcuts.open} onClose={shortcuts.close} />
      <DragOverlay dropAnimation={null}>
        {dragged !== null && (
          <div className="w-max rounded border-2 border-pan bg-sheet px-2 py-1 font-semibold text-pan shadow-lg">
            {dragged}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  )
}
