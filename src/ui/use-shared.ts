'use client'

import { useState } from 'react'
import { sharing } from '@/core/delta'

/** A value, with whatever is equal in the one drawn before in its place: for parts that are drawn again only with another. */
export function useShared<T>(value: T): T {
  const [shared] = useState(() => sharer<T>())
  return shared(value)
}

/** Gives each value it is given with whatever is equal in the former one in its place. */
export function sharer<T>(): (value: T) => T {
  let kept: { readonly value: T } | null = null
  return (value) => {
    kept = { value: kept ? sharing(kept.value, value) : value }
    return kept.value
  }
}
