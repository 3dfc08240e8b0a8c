'use client'

import { useEffect, useState } from 'react'

/** The owner's plans and bodies, by name. */
export interface ShelfNames {
  readonly plans: readonly { readonly id: string; readonly title: string; readonly model: string }[]
  readonly bodies: readonly { readonly id: string; readonly name: string; readonly place: string }[]
}

const nothing: ShelfNames = { plans: [], bodies: [] }

/** Asks the server once what else stands on the shelf; nothing where it does not answer. */
export function useShelfNames(): ShelfNames {
  const [names, setNames] = useState(nothing)
  useEffect(() => {
    void fetch('/api/shelf')
      .then((response) => response.json() as Promise<ShelfNames>)
      .then(setNames)
      .catch(() => undefined)
  }, [])
  return names
}
