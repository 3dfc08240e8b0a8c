'use client'

import { useEffect, useMemo, useState } from 'react'
import type { AdviceOption } from '@/core/advise/advise'
import { factForm } from '@/core/advise/fact-forms'
import { adviserCalled } from '@/core/advise/table'
import { stepsOf } from '@/core/known/steps'
import { givenFrom, type Known, type Said } from '@/core/numbers/given'
import type { KnownHere } from '@/core/analysis/questions'
import { choiceNamed, numberAsked, numberHash } from '@/core/numbers/address'
import type { NumberForm } from '@/core/numbers/form'
import { reckon } from '@/core/numbers/reckon'
import { numberForm, numberTable } from '@/core/numbers/table'
import type { Refusal } from '@/core/result'
import { useAnswer, useDesk, usePlaceInPage } from '@/features/desk'
import { useStable } from '@/ui/use-stable'

const nothingKnown: Known = {}
const noPlaces: KnownHere['places'] = []
const nothingTyped: Readonly<Record<string, string>> = {}

/** What the page of numbers knows and does: a figure or a choice in hand, where it is asked, and what was typed into it. */
export function useNumbers() {
  const desk = useDesk()
  const { model } = desk.start
  const [id, setId] = useState('metered-exposure')
  const [at, setAt] = useState<string | null>(null)
  const [typedOf, setTyped] = useState<Readonly<Record<string, Readonly<Record<string, string>>>>>({})
  const here = useAnswer<'known'>({ kind: 'known', place: at })
  const choice = choiceNamed(id)
  const ownSheet = choice === 'wish' || choice === 'formats' ? choice : null
  const adviser = choice === null ? null : (adviserCalled(choice) ?? null)
  const form = numberForm(id) ?? numberTable[0]
  if (!form) throw new Error('there are no figures')
  const inHand = adviser || ownSheet ? id : form.id
  const typed = typedOf[inHand] ?? nothingTyped
  const known = here?.known ?? nothingKnown
  const place = here?.place ?? null
  const advice = useAnswer<'advice'>(
    adviser && { kind: 'advice', adviser: adviser.id, place, supposed: typed },
  )
  const steps = useMemo(() => stepsOf(model), [model])
  const given = useMemo(() => givenFrom(form, known), [form, known])
  const reckoned = reckon(form, { ...given, ...saidBy(typed) }, steps)
  usePlaceInPage((place) => {
    const asked = numberAsked(place)
    const named = choiceNamed(asked.id)
    const takes = named === null ? inputsOf(numberForm(asked.id)) : factsOf(named)
    if (!takes) return
    setId(asked.id)
    if (asked.at !== null) setAt(asked.at)
    // Only what it asks for is taken from an address.
    const fits = Object.entries(asked.typed).filter(([name]) => takes(name) !== undefined)
    if (fits.length > 0) setTyped((all) => ({ ...all, [asked.id]: Object.fromEntries(fits) }))
  })
  useEffect(() => {
    // Not pushed: the page is left by going back, not the figure. Before anything is known nothing is written over.
    if (place === null) return
    const hash = numberHash({ id: inHand, at: place, typed })
    // Once nobody types: a page that changes its address is told to its router, which looks through all of it.
    const written = setTimeout(() => window.history.replaceState(window.history.state, '', `#${hash}`), 400)
    return () => clearTimeout(written)
  }, [inHand, place, typed])
  /** Every figure as what is known gives it, in a few words; null where something has to be typed. */
  const shorts = useMemo(
    () => new Map(numberTable.map((one) => [one.id, shortOf(one, known, steps)])),
    [known, steps],
  )
  const type = useStable((input: string, text: string | null) =>
    setTyped((all) => {
      const { [input]: _gone, ...rest } = all[inHand] ?? {}
      return { ...all, [inHand]: text === null ? rest : { ...rest, [input]: text } }
    }),
  )
  return {
    ...{ form, adviser, ownSheet, inHand, typed, given, shorts, type },
    choose: setId,
    isKnown: here !== null,
    places: here?.places ?? noPlaces,
    place,
    goTo: setAt,
    answer: reckoned.ok ? reckoned.value : null,
    refusals: reckoned.ok ? [] : allOf(reckoned.refusal),
    advice: advice?.adviser === adviser?.id ? advice : null,
    take: ({ rows }: Pick<AdviceOption, 'rows'>) => desk.set(rows),
  }
}

/** What an adviser takes from an address: facts, or the need that a place is looked for. */
function factsOf(adviser: string) {
  if (adviser === 'wish') return (name: string) => (name === 'need' ? name : undefined)
  if (adviser === 'formats') return () => undefined
  return adviserCalled(adviser) && factForm
}

function inputsOf(form: NumberForm | undefined) {
  return form && ((name: string) => form.inputs[name] ?? form.choices[name])
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
