'use client'

import type { RowId } from '@/core/plan/rows'
import { useState } from 'react'
import { useDesk, usePlanPart } from './desk-context'

/** A text row in a field: what to show, and what to do when it is typed in and left. An empty text removes the row. */
export function useKeptText(row: RowId, fallback = '') {
  const desk = useDesk()
  const kept = usePlanPart((plan) => String(plan.rows[row] ?? fallback))
  return useTypedText(kept, (text) => desk.set({ [row]: text }))
}

/** A text in a field, kept when it is left; null where it was emptied. */
export function useTypedText(kept: string, onKeep: (text: string | null) => void) {
  const [typed, setTyped] = useState<string | null>(null)
  return {
    value: typed ?? kept,
    type: setTyped,
    leave: () => {
      const text = typed?.trim()
      if (text !== undefined && text !== kept) onKeep(text === '' ? null : text)
      setTyped(null)
    },
  }
}
