'use client'

import { memo } from 'react'
import { Ban, Check, CircleHelp, Undo } from 'lucide-react'
import type { LogLine } from '@/core/camera/live/events'
import type { StoryLine } from '@/core/camera/live/in-hand'

const signs = {
  did: { Sign: Check, word: 'done', colour: 'text-samphire' },
  refused: { Sign: Ban, word: 'refused', colour: 'text-rust' },
  lost: { Sign: Undo, word: 'lost', colour: 'text-lichen' },
  test: { Sign: CircleHelp, word: 'test on body', colour: 'text-silt' },
} as const satisfies Record<LogLine['kind'], unknown>

/** Longer stories are in the sequence. */
const mostShown = 60

/** The log: what happened and why, the newest first. */
export const StoryList = memo(function StoryList({ story }: { story: readonly StoryLine[] }) {
  if (story.length === 0)
    return (
      <p className="py-2 text-silt">
        Press a key on the plate. What the body does, and why, is written here.
      </p>
    )
  return (
    <ol aria-label="Log" aria-live="polite" className="divide-y border-y">
      {story.slice(0, mostShown).map((one) => (
        <Line key={one.id} of={one} />
      ))}
    </ol>
  )
})

const Line = memo(function Line({ of: { line, words: said, log, instead } }: { of: StoryLine }) {
  return (
    <li className="py-1.5">
      <p className={`text-small text-silt ${said === null ? 'font-mono' : ''}`}>{said ?? line}</p>
      {log.map(({ kind, words }, i) => {
        const { Sign, word, colour } = signs[kind]
        return (
          <p key={i} className="grid grid-cols-[18px_1fr] gap-1">
            <Sign size={15} className={`mt-1 ${colour}`} aria-hidden="true" />
            <span>
              {kind !== 'did' && <b className={`font-semibold ${colour}`}>{word}: </b>}
              {words}
            </span>
          </p>
        )
      })}
      {instead !== null && (
        <p className="text-rust">
          <b className="font-semibold">Not as expected.</b> Instead: {instead}
        </p>
      )}
    </li>
  )
})
