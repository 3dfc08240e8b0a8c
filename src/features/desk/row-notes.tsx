'use client'

import { type RowId, certainties, forbiddenAt, idsOf, noteRow } from '@/core/plan/rows'
import { useDesk, usePlan } from './desk-context'
import { useKeptText } from './kept-text'
import { Offer } from '@/ui/button'
import { Check } from '@/ui/check'

/** Beside a row: how sure the owner is, and whether a suggestion may change it. */
export function RowNotes({ row }: { row: RowId }) {
  const desk = useDesk()
  const plan = usePlan()
  const locked = plan.rows[noteRow('lock', row)] !== undefined
  const reason = useKeptText(noteRow('lock', row))
  const forbidden = idsOf(plan.rows).filter((id) => forbiddenAt(id, row) !== null)
  const { functions } = desk.start.model
  return (
    <div className="mt-2 grid gap-1.5 border-t pt-2 text-small">
      <label className="flex items-center justify-between gap-2">
        How sure
        <select
          value={String(plan.rows[noteRow('sure', row)] ?? '')}
          onChange={(event) =>
            desk.set({ [noteRow('sure', row)]: event.target.value === '' ? null : event.target.value })
          }
          className="min-h-8 rounded border bg-crust px-1.5"
        >
          <option value="">not said</option>
          {certainties.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
      <Check
        checked={locked}
        onChange={() => desk.set({ [noteRow('lock', row)]: locked ? null : 'It stays as it is.' })}
      >
        Locked: no suggestion changes this
      </Check>
      {locked && (
        <input
          aria-label="Why it is locked"
          maxLength={500}
          value={reason.value}
          onChange={(event) => reason.type(event.target.value)}
          onBlur={reason.leave}
          className="min-h-8 w-full rounded border bg-crust px-2"
        />
      )}
      {forbidden.map((id) => {
        const what = forbiddenAt(id, row) ?? ''
        return (
          <p key={id} className="flex justify-between gap-2">
            <span>
              Never {functions.find((fn) => fn.id === what)?.name ?? what}: {String(plan.rows[id])}
            </span>
            <Offer onClick={() => desk.set({ [id]: null })}>Allow it</Offer>
          </p>
        )
      })}
    </div>
  )
}
