'use client'

import { useState } from 'react'
import { Button } from '@/ui/button'

/** Asks for a reason, and keeps it in one of several ways. */
export function WhyForm({
  label,
  placeholder,
  ways,
}: {
  /** Spoken name of the field. */
  label: string
  placeholder: string
  /** What may be done with the reason, Enter doing the first; `instead` is kept where none is given, else one is asked for. */
  ways: readonly {
    readonly words: string
    readonly instead?: string
    readonly onKeep: (why: string) => void
  }[]
}) {
  const [why, setWhy] = useState('')
  const reasonFor = (way: (typeof ways)[number]) => (why.trim() === '' ? way.instead : why.trim())
  const keep = (way: (typeof ways)[number]) => {
    const reason = reasonFor(way)
    if (reason !== undefined) way.onKeep(reason)
  }
  return (
    <div className="mt-1.5 grid gap-1.5">
      <input
        autoFocus
        aria-label={label}
        maxLength={500}
        value={why}
        placeholder={placeholder}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && ways[0] && keep(ways[0])}
        className="min-h-9 w-full rounded border bg-crust px-2 placeholder:text-silt"
      />
      <p className="flex flex-wrap gap-2">
        {ways.map((way) => (
          <Button key={way.words} disabled={reasonFor(way) === undefined} onClick={() => keep(way)}>
            {way.words}
          </Button>
        ))}
      </p>
    </div>
  )
}
