'use client'

import { useState } from 'react'
import { Button } from '@/ui/button'
import type { StoryLine } from '@/core/camera/live/in-hand'

/** What was done, as a script that can be changed, played again, and given to the headless command. */
export function SequencePanel({
  story,
  onPlay,
}: {
  story: readonly StoryLine[]
  onPlay: (text: string) => Promise<string | null>
}) {
  const recorded = [...story]
    .reverse()
    .map((one) => one.line)
    .join('\n')
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const unmet = story.filter((one) => one.instead !== null).length
  const play = async () => setWrong(await onPlay(typed ?? recorded))
  return (
    <section aria-label="Sequence">
      <p className="text-small text-silt">
        Everything you do is recorded here, a line each. Change it, add what you expect (“expect focus
        follows”), and play it from the beginning. The same text can be played from a terminal.
      </p>
      <textarea
        aria-label="Script"
        spellCheck={false}
        rows={10}
        value={typed ?? recorded}
        onChange={(event) => setTyped(event.target.value)}
        className="mt-2 w-full rounded border bg-crust p-2 font-mono text-small"
      />
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <Button main onClick={() => void play()}>
          Play from the beginning
        </Button>
        {typed !== null && <Button onClick={() => setTyped(null)}>As recorded</Button>}
      </p>
      <p role="status" className={`mt-1 ${wrong !== null || unmet > 0 ? 'text-rust' : 'text-silt'}`}>
        {wrong ??
          (unmet > 0
            ? `${unmet} expected ${unmet === 1 ? 'thing was' : 'things were'} not so; the log says which.`
            : '')}
      </p>
    </section>
  )
}
