'use client'

import { useEffect, useMemo, useState } from 'react'
import { stepsOf } from '@/core/known/steps'
import { givenFrom, type Known, type Said } from '@/core/numbers/given'
import { numberAsked, numberHash } from '@/core/numbers/address'
import type { NumberForm } from '@/core/numbers/form'
import { reckon } from '@/core/numbers/reckon'
import { numberForm, numberTable } from '@/core/numbers/table'
import type { Refusal } from '@/core/result'
import { useAnswer, useDesk, usePlaceInPage } from '@/features/desk'

const nothingKnown: Known = {}
const nothingTyped: Readonly<Record<string, string>> = {}

/** What the page of numbers knows and does: a figure in hand, where it is asked, and what was typed into it. */
export function useNumbers() {
  const { model } = useDesk().start
  const [id, setId] = useState('metered-exposure')
  const [at, setAt] = useState<string | null>(null)
  const [typedOf, setTyped] = useState<Readonly<Record<string, Readonly<Record<string, string>>>>>({})
  const here = useAnswer<'known'>({ kind: 'known', place: at })
  const form = numberForm(id) ?? numberTable[0]
  if (!form) throw new Error('there are no figures')
  const typed = typedOf[form.id] ?? nothingTyped
  const known = here?.known ?? nothingKnown
  const steps = useMemo(() => stepsOf(model), [model])
  const given = givenFrom(form, known)
  const said: Record<string, Said> = { ...given, ...saidBy(typed) }
  const reckoned = reckon(form, said, steps)
  usePlaceInPage((place) => {
    const asked = numberAsked(place)
    const named = numberForm(asked.id)
    if (!named) return
    setId(named.id)
    if (asked.at !== null) setAt(asked.at)
    // Only what it asks for is taken from an address.
    const fits = Object.entries(asked.typed).filter(([name]) => name in named.inputs || name in named.choices)
    if (fits.length > 0) setTyped((all) => ({ ...all, [named.id]: Object.fromEntries(fits) }))
  })
  const place = here?.place ?? null
  useEffect(() => {
    // Not pushed: the page is left by going back, not the figure. Before anything is known nothing is written over.
    if (place === null) return
    const hash = numberHash({ id: form.id, at: place, typed })
    window.history.replaceState(window.history.state, '', `#${hash}`)
  }, [form, place, typed])
  /** Every figure as what is known gives it, in a few words; null where something has to be typed. */
  const shorts = useMemo(
    () => new Map(numberTable.map((one) => [one.id, shortOf(one, known, steps)])),
    [known, steps],
  )
  const type = (input: string, text: string | null) =>
    setTyped((all) => {
      const { [input]: _gone, ...rest } = all[form.id] ?? {}
      return { ...all, [form.id]: text === null ? rest : { ...rest, [input]: text } }
    })
  return {
    ...{ form, typed, given, shorts, type },
    choose: setId,
    isKnown: here !== null,
    places: here?.places ?? [],
    place,
    goTo: setAt,
    answer: reckoned.ok ? reckoned.value : null,
    refusals: reckoned.ok ? [] : allOf(reckoned.refusal),
  }
}

/** What the parts of the page are given. */
export type Numbers = ReturnType<typeof useNumbers>

function saidBy(typed: Readonly<Record<string, string>>): Record<string, Said> {
  return Object.fromEntries(Object.entries(typed).map(([id, text]) => [id, { typed: text, from: 'typed' }]))
}

function allOf({ also = [], ...first }: Refusal): Refusal[] {
  return [first, ...also]
}

function shortOf(form: NumberForm, known: Known, steps: ReturnType<typeof stepsOf>) {
  const reckoned = reckon(form, givenFrom(form, known), steps)
  if (!reckoned.ok) return null
  const [first] = reckoned.value.results
  // That there is nothing of it is no news in a list.
  return first && first.most !== 0 ? { words: first.words, fits: reckoned.value.fits } : null
}
