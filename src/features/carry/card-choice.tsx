'use client'

import type { BodyLine } from '@/features/bodies/body-line'

/** What the card of a simulated body is like: for trying how it refuses. */
export function CardChoice({
  body,
  disabled,
  onChanging,
}: {
  body: BodyLine
  disabled: boolean
  /** Told when a change is on its way to the body, and when it has arrived or been lost. */
  onChanging: (underWay: boolean) => void
}) {
  const change = async (condition: string) => {
    onChanging(true)
    try {
      await fetch(`/api/bodies/${body.id}/card`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ condition }),
      })
    } finally {
      onChanging(false)
    }
  }
  return (
    <label className="text-small text-silt">
      Card in {body.name} (a simulated body)
      <select
        value={body.card}
        disabled={disabled}
        onChange={(event) => void change(event.target.value)}
        className="mt-0.5 block min-h-9 w-full rounded border bg-sheet px-2 text-body text-ink"
      >
        <option value="ready">in the body, ready</option>
        <option value="locked">in the body, locked</option>
        <option value="full">in the body, full</option>
        <option value="none">no card</option>
      </select>
    </label>
  )
}
