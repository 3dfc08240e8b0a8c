'use client'

import { useEffect, useState } from 'react'
import { useShared } from './use-shared'
import { useSynonyms, type Meaning } from './use-synonyms'

interface Searched<T> {
  /** What is searched: where that is another, nothing is typed yet. */
  readonly about: string
  readonly items: readonly T[]
  /** What the typed words are looked for in. */
  readonly textOf: (item: T) => string
  /** What an item means: it is found by the standard term and by other wordings, too. */
  readonly meansOf?: ((item: T) => Meaning | null) | undefined
  readonly onPick: (item: T) => void
}

/**
 * A list searched by typing. Other wordings are fetched when the first word is typed; whoever types one and presses Enter before
 * they are there gets what is found by it as soon as they are, unless something else was typed meanwhile.
 */
export function useSearch<T>({ about, items, textOf, meansOf, onPick }: Searched<T>) {
  const [typed, setTyped] = useState('')
  const [entered, setEntered] = useState<string | null>(null)
  const [begun, setBegun] = useState(about)
  if (begun !== about) {
    setBegun(about)
    setTyped('')
    setEntered(null)
  }
  const isAsked = meansOf !== undefined && typed !== ''
  const synonyms = useSynonyms(isAsked)
  const isComing = isAsked && synonyms === undefined
  const wordsOf = (item: T) => {
    const means = synonyms && meansOf?.(item)
    return means ? `${textOf(item)} ${synonyms(means.kind, means.id)}` : textOf(item)
  }
  const shown = useShared(found(items, typed, wordsOf))
  useEffect(() => {
    if (entered === null || isComing) return
    const [first] = shown
    if (entered === typed && first !== undefined) onPick(first)
    // What was entered is picked once, when what it waited for has come.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setEntered(null)
  }, [entered, isComing, typed, shown, onPick])
  const isWaiting = isComing && shown.length === 0
  return { typed, type: setTyped, shown, isWaiting, enter: () => setEntered(typed) }
}

/** What has every word typed in its text. */
function found<T>(items: readonly T[], typed: string, textOf: (item: T) => string): T[] {
  const words = typed.trim().toLowerCase().split(/\s+/)
  return items.filter((item) => {
    const text = textOf(item).toLowerCase()
    return words.every((word) => text.includes(word))
  })
}
