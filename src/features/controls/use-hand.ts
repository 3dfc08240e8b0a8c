'use client'

import { keyRow } from '@/core/plan/rows'
import type { DragEndEvent, DragOverEvent, DragStartEvent } from '@dnd-kit/core'
import { useState } from 'react'
import { assign, move, type Assignment } from '@/core/plan/assign'
import { swapKeys } from '@/core/plan/swap-keys'
import type { RowChange } from '@/core/analysis/questions'
import type { Step } from '@/core/sync/step'
import type { Result } from '@/core/result'
import { useDragSensors } from '@/ui/drag'
import { useDesk, useDeskPart, useReachNow } from '@/features/desk'
import type { Outcome } from './outcome'

/** What is carried from key to key: a function to be moved, or to change places with another. */
export interface Carried {
  readonly address: string
  readonly how: 'move' | 'swap'
}

/**
 * Everything that puts functions on keys: picked in the list, dragged, carried by the keyboard, swapped. Knows the key
 * in hand, what the last change did, and the rows that would change if what is dragged were let go now.
 */
export function useHand() {
  const desk = useDesk()
  const side = useDeskPart('side')
  const { model } = desk.start
  const reachNow = useReachNow()
  const [picked, setPicked] = useState<string | null>(null)
  const [carried, setCarried] = useState<Carried | null>(null)
  const [dragged, setDragged] = useState<string | null>(null)
  const [trial, setTrial] = useState<readonly RowChange[] | null>(null)
  const [outcome, setOutcome] = useState<Outcome | null>(null)

  const pick = (address: string | null) => {
    setPicked(address && address.slice(address.indexOf('/') + 1))
    setOutcome(null)
    setCarried(null)
  }
  const took = (
    made: Result<{ step: Step; displaced: Assignment['displaced'] }>,
    address: string,
    from: string | null,
  ) => {
    setCarried(null)
    if (!made.ok) return desk.refuse(made.refusal)
    const { step, displaced } = made.value
    if (!desk.applyStep(step)) return
    setPicked(address.slice(address.indexOf('/') + 1))
    const row = step.changes.find((change) => change.row === keyRow({ key: address }))
    setOutcome({
      address,
      functionId: (row?.to ?? null) as string | null,
      displaced,
      from,
      before: reachNow(),
    })
  }
  const put = (address: string, functionId: string) =>
    took(assign(model, desk.getView().plan, address, functionId, desk.newId()), address, null)
  const carryTo = (address: string) => {
    if (!carried || carried.address === address) return pick(address)
    const { address: from, how } = carried
    if (how === 'move')
      return took(move(model, desk.getView().plan, from, address, desk.newId()), address, from)
    const swapped = swapKeys(model, desk.getView().plan, from, address, desk.newId())
    took(swapped.ok ? { ok: true, value: { step: swapped.value, displaced: null } } : swapped, address, null)
  }
  const made = ({ active, over }: DragOverEvent) => {
    const to = over?.data.current?.to as string | undefined
    const { from, functionId } = (active.data.current ?? {}) as { from?: string; functionId?: string }
    if (!to || to === from) return null
    const result = functionId
      ? assign(model, desk.getView().plan, to, functionId, desk.newId())
      : from
        ? move(model, desk.getView().plan, from, to, desk.newId())
        : null
    return result && { result, to, from: functionId ? null : (from ?? null) }
  }
  const sensors = useDragSensors()
  const drop = () => {
    setDragged(null)
    setTrial(null)
  }
  return {
    selected: picked && `${side}/${picked}`,
    outcome,
    carried,
    dragged,
    trial,
    pick,
    put,
    carryTo,
    carry: (address: string, how: Carried['how']) => setCarried({ address, how }),
    back: () => pick(null),
    dragging: {
      sensors,
      onDragStart: ({ active }: DragStartEvent) => setDragged(String(active.data.current?.text ?? '')),
      onDragOver: (event: DragOverEvent) => setTrial(after(made(event)?.result ?? null)),
      onDragEnd: (event: DragEndEvent) => {
        const done = made(event)
        drop()
        if (done) took(done.result, done.to, done.from)
      },
      onDragCancel: drop,
    },
  }

  function after(result: Result<Assignment> | null): readonly RowChange[] | null {
    return result?.ok ? result.value.step.changes.map(({ row, to }) => [row, to] as const) : null
  }
}
