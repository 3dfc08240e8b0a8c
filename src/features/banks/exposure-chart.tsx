'use client'

import { Bar, BarChart, ReferenceLine, XAxis, YAxis } from 'recharts'
import type { BodyModel, Side } from '@/core/model/types'
import { exposureDifference, showStops } from '@/core/numbers/motion'
import { plannedSlots, type Plan } from '@/core/plan/plan'
import { contextIn, type Context } from '@/core/resolve/context'
import { exposureMarks } from '@/core/resolve/marks'
import { resolve } from '@/core/resolve/resolve'
import { useDesk, useDeskView } from '@/features/desk/desk-context'

/** The jump in exposure from the plain position to each bank of a side, in stops. */
export function ExposureChart({ side }: { side: Side }) {
  const { model } = useDesk().start
  const { plan } = useDeskView()
  const jumps = jumpsOf(model, plan, side)
  if (jumps.length === 0) return null
  return (
    <section aria-label="Exposure against the plain position" className="border bg-sheet px-3.5 py-3">
      <h2 className="font-semibold">Light against the plain position</h2>
      <p className="text-small text-silt">
        Shutter, aperture and marked ISO together, in stops; the same scene turns darker to the left.
      </p>
      <div aria-hidden="true" className="mt-2">
        <BarChart
          accessibilityLayer={false}
          width={326}
          height={34 + jumps.length * 30}
          data={[...jumps]}
          layout="vertical"
          margin={{ top: 4, right: 12, bottom: 0, left: 8 }}
        >
          <XAxis
            type="number"
            domain={[-4, 4]}
            tickCount={5}
            tick={{ fontSize: 13, fill: 'var(--silt)' }}
            stroke="var(--rule)"
          />
          <YAxis
            type="category"
            dataKey="label"
            width={158}
            tick={{ fontSize: 13, fill: 'var(--ink)' }}
            stroke="var(--rule)"
          />
          <ReferenceLine x={0} stroke="var(--silt)" />
          <Bar dataKey="stops" fill="var(--brine)" barSize={14} isAnimationActive={false} />
        </BarChart>
      </div>
      <ul className="sr-only">
        {jumps.map((jump) => (
          <li key={jump.name}>
            {jump.name}: {jump.words}
          </li>
        ))}
      </ul>
    </section>
  )
}

function jumpsOf(model: BodyModel, plan: Plan, side: Side) {
  const plain = marksIn(model, plan, contextIn(model, side, null))
  return plannedSlots(model, plan).flatMap((slot) => {
    if (slot.side !== side || !plain) return []
    const marks = marksIn(model, plan, contextIn(model, side, slot))
    const jump = marks && exposureDifference(plain, marks)
    return jump
      ? [
          {
            name: slot.name,
            label: `${slot.name}, ${showStops(jump.stops)}`,
            stops: Math.round(jump.stops * 10) / 10,
            words: showStops(jump.stops),
          },
        ]
      : []
  })
}

function marksIn(model: BodyModel, plan: Plan, context: Context) {
  return exposureMarks(model, resolve(model, plan, context))
}
