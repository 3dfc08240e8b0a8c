'use client'

import { rowValue, schoolRow } from '@/core/plan/rows'
import { useMemo, useState } from 'react'
import { schemeDispute, schemes, schemeStep, schemeWork, type Scheme } from '@/core/focus/schemes'
import { useDesk, useDeskPart, usePlan } from '@/features/desk'
import { Button } from '@/ui/button'

/** The ways to start autofocus: what each changes here, before it is taken, what it costs, and who works so and why. */
export function SchemePanel() {
  const desk = useDesk()
  const plan = usePlan()
  const side = useDeskPart('side')
  const { model } = desk.start
  const yours = rowValue(plan.rows, schoolRow(schemeDispute))
  const [open, setOpen] = useState<string | null>(typeof yours === 'string' ? yours : null)
  const ways = useMemo(
    () => schemes.map((scheme) => ({ scheme, ...schemeWork(model, plan, side, scheme) })),
    [model, plan, side],
  )
  const take = (scheme: Scheme) => desk.applyStep(schemeStep(model, plan, [side], scheme, desk.newId()))
  return (
    <ul className="grid gap-2">
      {ways.map(({ scheme, changes, lacks }) => {
        const { school } = scheme
        const shown = open === school.id
        const off = changes.filter(({ to }) => to === false)
        return (
          <li key={school.id} className={`border bg-sheet ${yours === school.id ? 'border-brine' : ''}`}>
            <button
              type="button"
              aria-expanded={shown}
              onClick={() => setOpen(shown ? null : school.id)}
              className="flex min-h-11 w-full items-baseline gap-2 px-3 py-2 text-left"
            >
              <span className="flex-1 font-semibold">{school.name}</span>
              <span className="text-small text-silt">
                {yours === school.id ? 'yours · ' : ''}
                {changes.length === 0 ? 'set up' : `${changes.length} to change`}
              </span>
            </button>
            {shown && (
              <div className="grid gap-2 border-t px-3 py-2.5">
                <p>{school.reason}</p>
                <p className="text-small text-silt">
                  <b className="font-semibold">Who works so:</b> {scheme.who}
                  <br />
                  <b className="font-semibold">What it costs:</b> {scheme.costs}
                  {off.length > 0 && (
                    <>
                      <br />
                      <b className="font-semibold">Switched off for it:</b>{' '}
                      {off.map(({ what }) => what).join('; ')}
                    </>
                  )}
                </p>
                {changes.length > 0 && (
                  <ol aria-label={`What ${school.name} changes`} className="divide-y border-y">
                    {changes.map(({ row, what, from, becomes }) => (
                      <li key={row} className="py-1">
                        <span className="block text-small text-silt">{what}</span>
                        <span className="font-mono text-silt">{from}</span> →{' '}
                        <span className="font-mono font-semibold text-pan">{becomes}</span>
                      </li>
                    ))}
                  </ol>
                )}
                {lacks.length > 0 && (
                  <p className="text-small text-lichen">Not on this body: {lacks.join('; ')}.</p>
                )}
                {(changes.length > 0 || yours !== school.id) && (
                  <p>
                    <Button main onClick={() => take(scheme)}>
                      {changes.length === 0
                        ? 'Say that this is your way'
                        : `Take ${changes.length === 1 ? 'this change' : `these ${changes.length} changes`} in ${side}`}
                    </Button>
                  </p>
                )}
              </div>
            )}
          </li>
        )
      })}
    </ul>
  )
}
