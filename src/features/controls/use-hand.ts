'use client'

import { keyRow } from '@/core/plan/rows'
import { useState } from 'react'
import { lookup } from '@/core/model/lookup'
import { assign, functionAt, move, type Assignment } from '@/core/plan/assign'
import { swapKeys } from '@/core/plan/swap-keys'
import type { RowChange } from '@/core/analysis/questions'
import type { Step } from '@/core/sync/step'
import type { Result } from '@/core/result'
import type { Dragging } from '@/ui/dragging'
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
  /** What comes of what is dragged, let go over a key: a function of the list, or that of another key. */
  const made = (name: string, to: string | null) => {
    const from = keyOf(name)
    if (to === null || to === from) return null
    const { plan } = desk.getView()
    const result =
      from === null
        ? assign(model, plan, to, functionOf(name), desk.newId())
        : move(model, plan, from, to, desk.newId())
    return { result, to, from }
  }
  /** What a function is called that is in the list, or on a key. */
  const called = (name: string) => {
    const { addresses, functions } = lookup(model)
    const address = addresses.get(keyOf(name) ?? '')
    const id = address ? functionAt(desk.getView().plan, address) : functionOf(name)
    return functions.get(id ?? '')?.name ?? 'empty'
  }
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
      onStart: (name) => setDragged(called(name)),
      onOver: (name, to) => setTrial(after(made(name, to)?.result ?? null)),
      onEnd: (name, to) => {
        const done = made(name, to)
        drop()
        if (done) took(done.result, done.to, done.from)
      },
      onCancel: drop,
    } satisfies Dragging,
  }

  function after(result: Result<Assignment> | null): readonly RowChange[] | null {
    return result?.ok ? result.value.step.changes.map(({ row, to }) => [row, to] as const) : null
  }
}

/** The key that is dragged by its label, or null; the function that is dragged out of the list. */
const keyOf = (name: string) => (name.startsWith('key ') ? name.slice('key '.length) : null)
const functionOf = (name: string) => name.slice('function '.length)
