'use client'

import { shutterAsked } from '@/core/banks/asked'
import { lookup } from '@/core/model/lookup'
import { countStops, showStops } from '@/core/numbers/motion'
import type { PlannedSlot } from '@/core/plan/plan'
import { bankRow } from '@/core/plan/rows'
import { contextIn } from '@/core/resolve/context'
import { resolve } from '@/core/resolve/resolve'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { Button } from '@/ui/button'

/** The shutter a motion bank's frame rate asks for, with the formula, and one press that sets it. */
export function ShutterCard({ planned }: { planned: PlannedSlot }) {
  const desk = useDesk()
  const { plan } = useDeskView()
  const { model } = desk.start
  const asked = shutterAsked(model, resolve(model, plan, contextIn(model, planned.side, planned)))
  const shutter = lookup(model).byMeaning.get('exposure.shutter')
  if (!asked || !shutter) return null
  const fits = Math.abs(asked.offStops) < 0.05
  return (
    <section
      aria-label="Shutter for the frame rate"
      className={`border bg-sheet px-3.5 py-3 ${fits ? '' : 'border-lichen'}`}
    >
      <p className="text-small text-silt">{asked.rate} asks for</p>
      <p className="font-mono text-large font-semibold">{asked.wanted}</p>
      <p>
        {fits
          ? `This bank has it.`
          : `This bank has ${asked.now}, ${countStops(asked.offStops)} ${asked.offStops > 0 ? 'longer' : 'shorter'}.`}{' '}
        {!fits && (asked.offStops > 0 ? 'Movement will look smeared.' : 'Movement will look choppy.')}
      </p>
      <details className="mt-1 text-small text-silt">
        <summary className="cursor-pointer">How this is reckoned</summary>
        <p className="mt-1">
          Shutter time = angle / (360° × frames a second): {asked.formula}. The nearest step of this body is{' '}
          {asked.wanted}, an angle of {asked.stepAngleDegrees.toFixed(1)}° ({showStops(asked.deviationStops)}
          ).
        </p>
      </details>
      {!fits && (
        <Button
          main
          className="mt-2"
          onClick={() => desk.set({ [bankRow(planned.family, planned.slot, shutter.id)]: asked.wanted })}
        >
          Set {asked.wanted} in this bank
        </Button>
      )}
    </section>
  )
}
