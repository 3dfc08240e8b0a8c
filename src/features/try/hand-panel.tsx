'use client'

import { addressesOfControl } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { LiveEvent } from '@/core/camera/live/events'
import type { Seen } from '@/core/camera/live/seen'
import type { BodyModel } from '@/core/model/types'
import { VerdictSign } from '@/ui/verdict'
import { Button } from '@/ui/button'

/** The control in hand: a button for each thing that can be done with it, what is on it, and whether that works now. */
export function HandPanel({
  model,
  seen,
  control,
  onEvent,
  onTap,
}: {
  model: BodyModel
  seen: Seen
  control: string | null
  /** Down and up again. */
  onTap: (control: string, gesture: string) => void
  onEvent: (event: LiveEvent) => void
}) {
  const found = control === null ? undefined : lookup(model).controls.get(control)
  if (!found)
    return (
      <p className="py-2 text-silt">
        Press keys on the plate with the pointer; hold Shift to keep one down. Or go to a label with Tab:
        Enter presses, H holds, the arrows turn.
      </p>
    )
  const all = addressesOfControl(model, seen.side, found.id)
  const active = all.filter((one) => seen.keys[one.key]?.active ?? true)
  return (
    <section aria-label="In hand" className="grid gap-2">
      <h2 className="font-head text-lead font-semibold">{found.name}</h2>
      {active.map((address) => {
        const stands = seen.keys[address.key]
        const fn = lookup(model).functions.get(stands?.functionId ?? '')
        const down = seen.held.includes(address.key)
        const where = { control: found.id, gesture: address.gesture.id }
        const turns = address.gesture.id === 'turn'
        return (
          <div key={address.key} className="border bg-sheet px-3 py-2">
            <p className="text-small text-silt">{address.name}</p>
            <p className="flex items-baseline justify-between gap-2">
              <b className="font-semibold">{fn?.name ?? 'nothing'}</b>
              {stands && <VerdictSign verdict={stands.verdict} />}
            </p>
            {stands?.because.map((words) => (
              <p key={words} className="text-small text-silt">
                {words}
              </p>
            ))}
            <p className="mt-1.5 flex flex-wrap gap-2">
              {turns ? (
                <>
                  <Button onClick={() => onEvent({ kind: 'turn', ...where, clicks: -1 })}>← one click</Button>
                  <Button onClick={() => onEvent({ kind: 'turn', ...where, clicks: 1 })}>one click →</Button>
                </>
              ) : (
                <>
                  <Button onClick={() => onTap(where.control, where.gesture)}>Press</Button>
                  <Button
                    aria-pressed={down}
                    onClick={() => onEvent({ kind: down ? 'release' : 'press', ...where })}
                    className="aria-pressed:border-pan aria-pressed:bg-blush aria-pressed:text-pan"
                  >
                    {down ? 'Let go' : 'Hold'}
                  </Button>
                  {found.kind === 'release' && (
                    <Button onClick={() => onEvent({ kind: 'full' })}>Press through</Button>
                  )}
                </>
              )}
            </p>
          </div>
        )
      })}
    </section>
  )
}
