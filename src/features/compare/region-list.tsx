'use client'

import { useState } from 'react'
import type { DifferentRegion } from '@/core/files/regions'
import { Button, Offer } from '@/ui/button'

/** So many regions are shown; nobody reads more. */
const shown = 60

/** The places in which two files differ, from the first: where, how long, how much of it differs; each can be named. */
export function RegionList({
  regions,
  count,
  onName,
}: {
  regions: readonly DifferentRegion[]
  count: number
  /** Names a place; null where nothing is known of which model the files are. */
  onName: ((region: DifferentRegion, kind: 'noise' | 'own', words: string) => void) | null
}) {
  const [naming, name] = useState<number | null>(null)
  return (
    <div className="max-h-[28rem] overflow-auto border bg-sheet px-3">
      <table className="w-full border-collapse">
        <caption className="sr-only">Places that differ</caption>
        <thead>
          <tr className="border-b text-left text-small text-silt">
            <th className="py-1.5 pr-4 font-normal">From byte</th>
            <th className="pr-4 font-normal">to</th>
            <th className="pr-4 text-right font-normal">Differ</th>
            <th className="pr-4 font-normal max-sm:hidden">In the other</th>
            {onName && <th className="font-normal" />}
          </tr>
        </thead>
        <tbody>
          {regions.slice(0, shown).map((region, i) => (
            <tr key={region.left.from} className="border-b align-baseline last:border-0">
              <td className="py-1 pr-4 font-mono tabular-nums">{region.left.from}</td>
              <td className="pr-4 font-mono tabular-nums">{region.left.to}</td>
              <td className="pr-4 text-right font-mono whitespace-nowrap tabular-nums">
                {region.bytes} {region.bytes === 1 ? 'byte' : 'bytes'}
              </td>
              <td className="pr-4 text-silt max-sm:hidden">{otherWords(region)}</td>
              {onName && (
                <td>
                  {naming === i ? (
                    <NameForm
                      onNamed={(kind, words) => {
                        onName(region, kind, words)
                        name(null)
                      }}
                      onCancel={() => name(null)}
                    />
                  ) : (
                    region.left.to > region.left.from && <Offer onClick={() => name(i)}>Leave it out …</Offer>
                  )}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {count > shown && <p className="border-t py-1 text-silt">And {count - shown} more places.</p>}
    </div>
  )
}

function otherWords({ left, right }: DifferentRegion): string {
  const [mine, theirs] = [left.to - left.from, right.to - right.from]
  if (theirs === 0) return 'not there'
  if (mine === 0) return `${theirs} more bytes, from ${right.from}`
  return left.from === right.from && mine === theirs
    ? 'at the same place'
    : `from ${right.from} to ${right.to}`
}

function NameForm({
  onNamed,
  onCancel,
}: {
  onNamed: (kind: 'noise' | 'own', words: string) => void
  onCancel: () => void
}) {
  const [words, setWords] = useState('')
  return (
    <span className="flex flex-wrap items-center gap-2 py-1">
      <input
        autoFocus
        aria-label="What it is"
        placeholder="such as serial number"
        maxLength={120}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') onNamed('own', words)
          if (event.key === 'Escape') onCancel()
        }}
        className="min-h-9 rounded-md border bg-sheet px-2"
      />
      <Button onClick={() => onNamed('own', words)}>This body’s own</Button>
      <Button onClick={() => onNamed('noise', words)}>Clock or counter</Button>
      <Offer onClick={onCancel}>Not now</Offer>
    </span>
  )
}
