'use client'

import { useEffect } from 'react'
import { Button } from '@/ui/button'

/** How long it stays, in milliseconds. */
const staysFor = 8000

/** What was just undone or redone, in words, with the way back; fixed where it is in sight. */
export function UndoneNote({
  note,
  onBack,
  onGone,
}: {
  note: { readonly did: 'Undone' | 'Redone'; readonly words: string } | null
  onBack: () => void
  onGone: () => void
}) {
  useEffect(() => {
    if (!note) return
    const timer = setTimeout(onGone, staysFor)
    return () => clearTimeout(timer)
  }, [note, onGone])
  return (
    <div
      role="status"
      className="not-printed pointer-events-none fixed inset-x-0 bottom-4 z-30 grid justify-items-center px-4"
    >
      {note && (
        <p className="pointer-events-auto flex max-w-xl items-center gap-3 border border-ink bg-sheet px-3.5 py-2 shadow-lg">
          <span className="min-w-0">
            <b className="font-semibold">{note.did}:</b> {note.words}
          </span>
          <Button onClick={onBack}>{note.did === 'Undone' ? 'Redo' : 'Undo'}</Button>
        </p>
      )}
    </div>
  )
}
