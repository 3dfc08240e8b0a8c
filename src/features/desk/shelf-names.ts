'use client'

import { useEffect, useState } from 'react'

/** The owner's plans and bodies, by name. */
export interface ShelfNames {
  readonly plans: readonly { readonly id: string; readonly title: string; readonly model: string }[]
  readonly bodies: readonly {
    readonly id: string
    readonly tag: string
    readonly name: string
    readonly place: string
  }[]
}

const nothing: ShelfNames = { plans: [], bodies: [] }

/** How long a hand may rest while it types, in milliseconds. */
const rest = 150

/** What else stands on the shelf with these words in its name, as the database finds it; nothing where it does not answer. */
export function useShelfNames(words: string): ShelfNames {
  const [names, setNames] = useState(nothing)
  const wanted = words.trim()
  useEffect(() => {
    let late = false
    const timer = setTimeout(
      () => {
        void fetch(`/api/shelf?find=${encodeURIComponent(wanted)}`)
          .then((response) => (response.ok ? (response.json() as Promise<ShelfNames>) : nothing))
          .then((found) => {
            if (!late) setNames(found)
          })
          .catch(() => undefined)
      },
      wanted === '' ? 0 : rest,
    )
    return () => {
      late = true
      clearTimeout(timer)
    }
  }, [wanted])
  return names
}
