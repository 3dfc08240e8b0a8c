'use client'

import { useState } from 'react'
import { rowValue, sheetRow } from '@/core/plan/rows'
import { useDesk, usePlan } from '@/features/desk'

const row = sheetRow('pocket', 'remember')

/** Up to three lines of one’s own that stand first under Not to forget; kept when a field is left. */
export function RememberLines() {
  const desk = useDesk()
  const said = rowValue(usePlan().rows, row)
  const kept = Array.isArray(said) ? said.map(String) : []
  const keep = (i: number, text: string) => {
    const lines = [0, 1, 2].map((k) => (k === i ? text : (kept[k] ?? '')).trim()).filter((one) => one !== '')
    if (lines.join('\n') !== kept.join('\n')) desk.set({ [row]: lines.length === 0 ? null : lines })
  }
  return (
    <fieldset className="mt-2">
      <legend className="text-small text-silt">Not to forget, in your own words</legend>
      <div className="mt-1 grid gap-1.5 sm:grid-cols-3">
        {[0, 1, 2].map((i) => (
          <RememberLine
            key={`${i} ${kept[i] ?? ''}`}
            number={i + 1}
            text={kept[i] ?? ''}
            onKeep={(text) => keep(i, text)}
          />
        ))}
      </div>
    </fieldset>
  )
}

function RememberLine({
  number,
  text,
  onKeep,
}: {
  number: number
  text: string
  onKeep: (text: string) => void
}) {
  const [typed, setTyped] = useState(text)
  return (
    <input
      aria-label={`Not to forget, line ${number}`}
      value={typed}
      maxLength={120}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => onKeep(typed)}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      className="min-h-9 w-full min-w-0 rounded-md border bg-sheet px-2 pointer-coarse:min-h-11"
    />
  )
}
