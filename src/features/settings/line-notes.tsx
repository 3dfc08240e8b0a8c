'use client'

import { certainties, certaintyWords, priorities, type NoteName } from '@/core/plan/rows'
import { notedOfLine } from '@/core/settings/mark'
import type { Standing } from '@/core/settings/standing'
import { useDesk, useTypedText } from '@/features/desk'
import { Select } from '@/ui/select'

const priorityWords = {
  'first-four': 'the first four',
  'first-seven': 'the first seven',
  rest: 'later',
} as const

/** Beside a line: why it is so, how sure, where from, how early it matters; kept with every row of the line. */
export function LineNotes({ line, notes }: { line: string; notes: Standing['notes'] }) {
  const desk = useDesk()
  const keep = (name: NoteName, text: string | null) => {
    const rows = notedOfLine(desk.start.model, desk.getView().plan, line, name, text)
    if (Object.keys(rows).length > 0) desk.set(rows)
  }
  const choice = (
    name: 'sure' | 'priority',
    words: string,
    known: readonly (readonly [string, string])[],
  ) => (
    <label className="grid gap-0.5 text-small text-silt">
      {words}
      <Select
        value={notes[name] ?? ''}
        options={[['', 'not said'], ...known]}
        onPick={(one) => keep(name, one === '' ? null : one)}
        className="min-h-9 w-full rounded border bg-crust px-1.5 text-ink"
      />
    </label>
  )
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-1.5">
      <NoteText
        label="Why"
        kept={notes.why ?? ''}
        longest={500}
        onKeep={(text) => keep('why', text)}
        isLong
      />
      {choice(
        'sure',
        'How sure',
        certainties.map((one) => [one, certaintyWords[one]]),
      )}
      {choice(
        'priority',
        'How early',
        priorities.map((one) => [one, priorityWords[one]]),
      )}
      <NoteText
        label="Decided by"
        kept={notes.who ?? ''}
        longest={200}
        onKeep={(text) => keep('who', text)}
        isHalf
      />
      <NoteText
        label="From where"
        kept={notes.source ?? ''}
        longest={200}
        onKeep={(text) => keep('source', text)}
        isHalf
      />
    </div>
  )
}

function NoteText({
  label,
  kept,
  longest,
  onKeep,
  isLong = false,
  isHalf = false,
}: {
  label: string
  kept: string
  longest: number
  onKeep: (text: string | null) => void
  isLong?: boolean
  isHalf?: boolean
}) {
  const text = useTypedText(kept, onKeep)
  const field = {
    value: text.value,
    maxLength: longest,
    onChange: (event: { target: { value: string } }) => text.type(event.target.value),
    onBlur: text.leave,
    className: 'block w-full rounded border bg-crust px-2 py-1 text-body text-ink',
  }
  return (
    <label className={`grid gap-0.5 text-small text-silt ${isHalf ? '' : 'col-span-2'}`}>
      {label}
      {isLong ? <textarea rows={1} {...field} /> : <input {...field} />}
    </label>
  )
}
