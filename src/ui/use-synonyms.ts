'use client'

import { useEffect, useState } from 'react'

/** A common setting or function, by its id; null where a thing means nothing common. */
export interface Meaning {
  readonly kind: 'setting' | 'function'
  readonly id: string | null
}

type Words = (kind: Meaning['kind'], id: string | null) => string

let loaded: Words | undefined

/** Where they cannot be fetched, the server being away, a list is searched by its own words. */
const none: Words = () => ''

/** What else common settings and functions are called: fetched when it is first asked for, nothing until it is there. */
export function useSynonyms(isAsked: boolean): Words | undefined {
  const [words, setWords] = useState(() => loaded)
  useEffect(() => {
    if (!isAsked || words) return
    let isGone = false
    void import('@/core/vocabulary/synonyms')
      .then(
        ({ searchWords }) => (loaded = searchWords),
        () => none,
      )
      .then((came) => {
        if (!isGone) setWords(() => came)
      })
    return () => {
      isGone = true
    }
  }, [isAsked, words])
  return words
}
