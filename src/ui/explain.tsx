'use client'

import { CircleHelp } from 'lucide-react'
import { memo, useEffect, useId, useRef, useState } from 'react'
import type { Meaning } from './use-synonyms'

/** What a common setting or function is: its standard term, one plain sentence, and what else it is called. */
interface Explained {
  readonly term: string
  readonly plain: string
  readonly others: readonly string[]
}

/** What something means, fetched when it is first asked for; null while it is not there, and where it means nothing common. */
export function useExplained(means: Meaning | null): Explained | null {
  const [known, setKnown] = useState<{ of: string; explained: Explained | null } | null>(null)
  const { kind, id } = means ?? { kind: 'setting', id: null }
  const key = id === null ? null : `${kind} ${id}`
  useEffect(() => {
    if (key === null || id === null) return
    let isGone = false
    // Where it cannot be fetched, the server being away, nothing is explained until it is asked for again.
    import('@/core/vocabulary/explained').then(
      ({ explained }) => {
        if (!isGone) setKnown({ of: key, explained: explained(kind, id) })
      },
      () => undefined,
    )
    return () => {
      isGone = true
    }
  }, [key, kind, id])
  return known?.of === key ? known.explained : null
}

type Asked = { readonly means: Meaning } | { readonly text: string }

/** A question mark beside a label that opens to its standard term and a plain sentence. */
export const Explain = memo(function Explain({ label, about }: { label: string; about: Asked }) {
  const [at, setAt] = useState<DOMRect | null>(null)
  const panel = useId()
  if ('means' in about && about.means.id === null) return null
  return (
    // A joiner in front keeps the mark beside the last word of its label.
    <span className="whitespace-nowrap before:content-['\2060']">
      <button
        type="button"
        aria-label={`What is ${label}?`}
        aria-expanded={at !== null}
        aria-controls={at ? panel : undefined}
        onClick={(event) => {
          event.stopPropagation()
          setAt(at ? null : event.currentTarget.getBoundingClientRect())
        }}
        className="relative -my-1 inline-grid align-middle size-6 place-items-center text-silt before:absolute before:-inset-2 hover:text-brine"
      >
        <CircleHelp size={13} aria-hidden="true" />
      </button>
      {at && <Panel id={panel} label={label} about={about} at={at} onClose={() => setAt(null)} />}
    </span>
  )
})

/** How wide a panel is, and how far it stays from the edge of the window, in pixels. */
const [wide, edge] = [288, 12]

function Panel({
  id,
  label,
  about,
  at,
  onClose,
}: {
  id: string
  label: string
  about: Asked
  at: DOMRect
  onClose: () => void
}) {
  const panel = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const leave = (event: Event) => {
      if (event instanceof KeyboardEvent && event.key !== 'Escape') return
      if (
        event.target instanceof Node &&
        panel.current?.parentElement?.contains(event.target) &&
        event.type === 'pointerdown'
      )
        return
      onClose()
    }
    for (const kind of ['keydown', 'pointerdown', 'scroll'] as const)
      window.addEventListener(kind, leave, { capture: true })
    return () => {
      for (const kind of ['keydown', 'pointerdown', 'scroll'] as const)
        window.removeEventListener(kind, leave, { capture: true })
    }
  }, [onClose])
  const left = Math.max(edge, Math.min(at.left, window.innerWidth - wide - edge))
  const below = at.bottom + 160 < window.innerHeight
  const place = below ? { top: at.bottom + 4 } : { bottom: window.innerHeight - at.top + 4 }
  return (
    <div
      ref={panel}
      id={id}
      role="note"
      style={{ left, width: wide, ...place }}
      className="fixed z-50 border border-brine bg-sheet px-3 py-2 text-left text-small font-normal text-ink shadow-md"
    >
      {'text' in about ? <p>{about.text}</p> : <Sentence label={label} means={about.means} />}
    </div>
  )
}

function Sentence({ label, means }: { label: string; means: Meaning }) {
  const known = useExplained(means)
  if (!known) return <p>…</p>
  return (
    <>
      {known.term !== label && <p className="font-semibold">{known.term}</p>}
      <p>{known.plain}</p>
      {known.others.length > 0 && <p className="mt-1 text-silt">Also called {known.others.join(', ')}.</p>}
    </>
  )
}
