'use client'

import { useMemo } from 'react'
import type { Finding } from '@/core/checks/finding'
import { acceptedFunctions, addressesOfControl } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { ModelFunction } from '@/core/model/types'
import { addressesWith, assign, functionAt } from '@/core/plan/assign'
import { keyRow } from '@/core/plan/rows'
import type { FunctionRating } from '@/core/reach/rate-functions'
import { useAnswer, useDesk, useDeskPart, usePlan, useFindings } from '@/features/desk'

/** What is known of a key: what is on it, how that stands, what else it takes; null where the model has no such key. */
export function useKey(key: string) {
  const { model } = useDesk().start
  const plan = usePlan()
  const posture = useDeskPart('posture')
  const findings = useFindings()
  const ratings = useAnswer<'functions'>({ kind: 'functions', address: key, posture })
  const address = lookup(model).addresses.get(key)
  const unrated = useMemo(
    () => (address ? inModelOrder(acceptedFunctions(model, address)) : []),
    [model, address],
  )
  const current = address ? functionAt(plan, address) : null
  const other = ratings?.find((one) => one.fn.id !== current)?.fn.id
  const tried = useMemo(
    () => (other === undefined ? null : assign(model, plan, key, other, 'tried')),
    [model, plan, key, other],
  )
  if (!address) return null
  const row = keyRow(address)
  const fn = lookup(model).functions.get(current ?? '')
  const doubled = addressesWith(model, plan, address.side, current ?? '').filter((one) => one !== address)
  return {
    address,
    row,
    /** Every gesture of the control, on this side. */
    ways: addressesOfControl(model, address.side, address.control.id),
    current,
    fn,
    planned: row in plan.rows,
    reasonAsked: reasonAsked(
      !fn || fn.manner === 'none',
      doubled.map((one) => one.control.name),
    ),
    /** Every function it takes, best first; until it is known how each would stand as the model has them, nothing last. */
    ratings: ratings ?? unrated,
    rating: ratings?.find((one) => one.fn.id === current),
    findings: (findings ?? []).flatMap((finding) => {
      // Of a fact with many places what is said of this key.
      const mine = finding.places.filter((place) => place.row === row && place.side === address.side)
      return mine.map((place): Finding => ({ ...finding, ...place, places: [place] }))
    }),
    /** What anything else put here would displace. */
    would: tried?.ok ? tried.value.displaced : null,
  }
}

/** What the panel of a key is given. */
export type KeyKnown = NonNullable<ReturnType<typeof useKey>>

/** Functions of which nothing is known yet, in the order of the model; to leave a key empty comes last. */
function inModelOrder(functions: readonly ModelFunction[]): FunctionRating[] {
  const isNone = ({ manner }: ModelFunction) => Number(manner === 'none')
  return [...functions].sort((one, other) => isNone(one) - isNone(other)).map(unratedOf)
}

/** A function of which it is not known yet how it would stand. */
function unratedOf(fn: ModelFunction): FunctionRating {
  return { fn, works: 0, of: 0, hazard: false, gain: 0, verdict: 'empty', reasons: [] }
}

function reasonAsked(isEmpty: boolean, doubledOn: readonly string[]): string {
  if (isEmpty) return 'Empty on purpose? Say why, and nothing will ask again.'
  if (doubledOn.length > 0) return `Also on ${doubledOn.join(' and ')}. Doubled on purpose? Say why.`
  return 'Your reason, for the day you wonder'
}
