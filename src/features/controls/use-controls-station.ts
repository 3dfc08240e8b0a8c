'use client'

import { useMemo, useRef, useState } from 'react'
import { lookup } from '@/core/model/lookup'
import { addressKeyOf, keyRow, type RowId } from '@/core/plan/rows'
import { fittedIn } from '@/core/resolve/context'
import type { Fitted } from '@/core/resolve/presence'
import { usesOf } from '@/core/reach/report'
import { touchedRows } from '@/core/sync/step'
import {
  useDesk,
  useDeskPart,
  usePlan,
  usePlanPart,
  useFindings,
  usePlaceInPage,
  useReach,
  useRevision,
} from '@/features/desk'
import { allFaces, everyPart, findingsAt, type Shown } from '@/features/plates'
import { useStable } from '@/ui/use-stable'
import type { Panel } from './panels'
import { useShortcuts } from './shortcuts'
import { useHand } from './use-hand'

/** What the Controls station knows and does: the faces and labels shown, the key in hand, and what a change in the hand would do. */
export function useControlsStation() {
  const desk = useDesk()
  const { model } = desk.start
  const [faceId, setFaceId] = useState(model.faces[0]?.id ?? '')
  const [panel, setPanel] = useState<Panel>('key')
  const [heat, setHeat] = useState(false)
  const { off = [] } = usePlanPart((plan) => fittedIn(model, plan))
  // What no body of the owner has is not drawn, unless it is asked for.
  const [fitted, setFitted] = useState((): Fitted => ({
    ...everyPart,
    attached: everyPart.attached?.filter((one) => !off.includes(one)) ?? [],
  }))
  const station = useRef<HTMLDivElement>(null)
  const hand = useHand()
  const { selected } = hand
  const goTo = useStable((key: string) => {
    const address = lookup(model).addresses.get(key)
    if (address && faceId !== allFaces) setFaceId(address.control.face)
    if (address && address.side !== 'playback') desk.setSide(address.side)
    setPanel('key')
    hand.pick(key)
  })
  usePlaceInPage((place) => {
    const key = addressKeyOf(place)
    if (key !== null) goTo(key)
  })
  const back = () => {
    hand.back()
    station.current?.querySelector<HTMLElement>(`[data-address="${selected ?? ''}"]`)?.focus()
  }
  useShortcuts(station, {
    carry: (address) => hand.carry(address, 'move'),
    swap: (address) => hand.carry(address, 'swap'),
    clear: (address) => hand.put(address, 'nothing'),
    panel: setPanel,
    back,
  })
  const { outcome } = hand
  const stands = usePlanPart(
    ({ rows }) =>
      outcome?.address === selected && rows[keyRow({ key: selected ?? '' })] === outcome?.functionId,
  )
  const faces = useMemo(
    () => model.faces.filter((one) => faceId === allFaces || one.id === faceId),
    [model, faceId],
  )
  return {
    model,
    station,
    hand,
    faceId,
    faces,
    pickFace: setFaceId,
    panel,
    pickPanel: setPanel,
    heat,
    setHeat,
    fitted,
    setFitted,
    /** Takes a key in hand, or lets what is carried go there. */
    take: useStable((address: string) => {
      setPanel('key')
      hand.carryTo(address)
    }),
    goTo,
    back,
    /** What the last change did, for as long as the key in hand still has what was put there. */
    outcome: stands ? outcome : null,
  }
}

/** What the station's parts are given. */
export type ControlsKnown = ReturnType<typeof useControlsStation>

/** What labels are written from: the same object for as long as nothing about it changes. */
export function useShown(heat: boolean, fitted: Shown['fitted']): Shown {
  const desk = useDesk()
  const { model } = desk.start
  const plan = usePlan()
  const side = useDeskPart('side')
  const log = useDeskPart('log')
  const earlier = useDeskPart('earlier')
  const findings = useFindings()
  const reach = useReach()
  const revision = useRevision()
  const since = Math.max(0, desk.start.version - earlier)
  const changed = useMemo(
    () => new Set<RowId>(revision ? [...revision.differs, ...touchedRows(log.slice(since))] : []),
    [log, revision, since],
  )
  const uses = useMemo(() => (heat && reach ? usesOf(reach) : null), [heat, reach])
  const found = useMemo(() => findingsAt(findings ?? []), [findings])
  return useMemo(
    () => ({ model, plan, side, findings: found, changed, fitted, uses }),
    [model, plan, side, found, changed, fitted, uses],
  )
}
