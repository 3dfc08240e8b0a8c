'use client'

import { useSyncExternalStore } from 'react'
import { Button } from '@/ui/button'
import { FileDrop } from '@/ui/file-drop'
import { RefusalNote } from '@/ui/refusal-note'
import { opensFolders } from './card-folder'
import type { OpenCard, useCard } from './use-card'

/** The ways to a card: its folder opened, or its file chosen or dropped; with what became of it. */
export function CardWays({
  card,
  mode,
  label,
  many = false,
  onOpen,
}: {
  card: ReturnType<typeof useCard>
  mode: 'read' | 'readwrite'
  /** What the button says that chooses a file. */
  label: string
  many?: boolean
  onOpen: (opened: OpenCard) => void
}) {
  // The server cannot know: the button comes with the page's own code.
  const canOpen = useSyncExternalStore(never, opensFolders, () => false)
  const then = (opened: OpenCard | null) => {
    if (opened) onOpen(opened)
  }
  return (
    <div className="grid gap-2">
      <FileDrop
        label={label}
        many={many}
        onFiles={(files) => void card.take(files).then(then)}
        onDropped={(given) => void card.drop(given).then(then)}
      >
        {canOpen && (
          <Button className="min-h-11" onClick={() => void card.choose(mode).then(then)}>
            Open the card
          </Button>
        )}
      </FileDrop>
      {card.count !== null && (
        <p role="status" className="text-silt">
          Reading the card … {card.count} files
        </p>
      )}
      {card.refusal && <RefusalNote refusal={card.refusal} />}
    </div>
  )
}

const never = () => () => undefined
