'use client'

import { useEffect, useState } from 'react'

/** What an address answers; null until it does, and where there is no address. */
export function useFetched<T>(address: string | null): { value: T | null; refusal: string | null } {
  const [got, setGot] = useState<{ address: string; value: T | null; refusal: string | null } | null>(null)
  useEffect(() => {
    if (address === null) return
    let late = false
    const take = (value: T | null, refusal: string | null) => {
      if (!late) setGot({ address, value, refusal })
    }
    fetch(address)
      .then(async (response) => {
        const said = (await response.json()) as T & { refusal?: { message: string } }
        if (response.ok) take(said, null)
        else take(null, said.refusal?.message ?? 'The server refuses it.')
      })
      .catch(() => take(null, 'The server does not answer: this needs it.'))
    return () => {
      late = true
    }
  }, [address])
  return got !== null && got.address === address ? got : { value: null, refusal: null }
}
