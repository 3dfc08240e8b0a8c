'use client'

import { Redo2, Undo2 } from 'lucide-react'
import { useEffect, useState, type ComponentProps } from 'react'
import { historyOf } from '@/core/sync/history'
import type { Step } from '@/core/sync/step'
import { IconButton } from '@/ui/button'
import { useStable } from '@/ui/use-stable'
import type { DocumentDesk } from './document-desk'
import { usePartOf } from './use-part-of'
import { UndoneNote } from './undone-note'

/** Undo and redo of a document, by buttons and by Ctrl+Z, with what each would do and did, in words. */
export function UndoRedo<D>({ desk, describe }: { desk: DocumentDesk<D>; describe: (step: Step) => string }) {
  const log = usePartOf(desk, 'log')
  const earlier = usePartOf(desk, 'earlier')
  const { undo, redo } = historyOf(log)
  const say = (word: string, step: Step | undefined) =>
    step ? `${word}: ${describe(step)}` : `${word}: nothing`
  const [note, setNote] = useState<ComponentProps<typeof UndoneNote>['note']>(null)
  const gone = useStable(() => setNote(null))
  const tell = (did: 'Undone' | 'Redone', step: Step | undefined) =>
    setNote({ did, words: step ? describe(step) : 'the last step' })
  const goBack = useStable(() => {
    if (undo.length === 0 && earlier === 0) return
    void desk.undo()
    tell('Undone', undo.at(-1))
  })
  const goOn = useStable(() => {
    if (redo.length === 0) return
    desk.redo()
    tell('Redone', redo.at(-1))
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z')
        return
      event.preventDefault()
      if (event.shiftKey) goOn()
      else goBack()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [goBack, goOn])
  return (
    <>
      <IconButton
        label={say('Undo', undo.at(-1))}
        disabled={undo.length === 0 && earlier === 0}
        onClick={goBack}
      >
        <Undo2 size={18} aria-hidden="true" />
      </IconButton>
      <IconButton
        label={say('Redo', redo.at(-1))}
        disabled={redo.length === 0}
        onClick={goOn}
        className="max-sm:disabled:hidden"
      >
        <Redo2 size={18} aria-hidden="true" />
      </IconButton>
      <UndoneNote note={note} onBack={note?.did === 'Redone' ? goBack : goOn} onGone={gone} />
    </>
  )
}

/** Whether keys belong to what is typed: in a field that is empty there is nothing of its own to undo. */
function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false
  const field = target.closest<HTMLInputElement>('input, textarea, select')
  return field !== null && field.value !== ''
}

const savingWords = {
  saved: 'saved',
  saving: 'saving …',
  waiting: 'not saved yet',
  stopped: 'not saved',
}

/** Whether a document is saved, in a word. */
export function Saving<D>({ desk }: { desk: DocumentDesk<D> }) {
  const saving = usePartOf(desk, 'saving')
  const isTroubled = saving === 'waiting' || saving === 'stopped'
  return (
    <span role="status" className={`shrink-0 ${isTroubled ? 'font-semibold text-rust' : ''}`}>
      {savingWords[saving]}
    </span>
  )
}
