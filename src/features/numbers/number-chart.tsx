'use client'

import { memo } from 'react'
import { type AxisDomain, CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Curve } from '@/core/numbers/form'
import { showAmount, type QuantityId } from '@/core/numbers/quantities'
import { thinned } from './thinned'

const strokes = ['var(--brine)', 'var(--silt)']

// The same objects at each drawing: the chart sets up an axis anew for whatever is another one.
const margin = { top: 8, right: 16, bottom: 18, left: 0 }
const tick = { fontSize: 13, fill: 'var(--silt)' }
const fromZero: AxisDomain = [0, 'auto']

/** How one thing goes with another; what the curve says is said in the results beside it. */
export const NumberChart = memo(function NumberChart({ curve }: { curve: Curve }) {
  const { x, y, name } = curve
  const isIso = y.quantity === 'iso'
  const lines = curve.lines.map((one) => ({
    ...one,
    points: thinned(one.points, isIso ? Math.log2 : undefined),
  }))
  const rows = rowsOf(lines)
  return (
    <figure className="mt-3">
      <figcaption className="text-small text-silt">
        {name}
        {lines.length > 1 &&
          `: ${lines.map((one, i) => `${one.name} ${i === 0 ? '———' : '– –'}`).join(', ')}`}
      </figcaption>
      <div aria-hidden="true" className="h-44">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart accessibilityLayer={false} data={rows} margin={margin}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            {/* In strings, so that an axis that stays as it is is not set up again. */}
            <AcrossAxis
              name={x.name}
              quantity={x.quantity}
              span={x.quantity === 'ev' ? endsOf(rows.map((row) => row.x ?? 0)).join(' ') : ''}
            />
            <UpAxis quantity={y.quantity} ticks={isIso ? isoTicks(lines).join(' ') : ''} />
            {lines.map((one, i) => (
              <Line
                key={one.name}
                dataKey={`y${i}`}
                connectNulls
                name={one.name}
                type="linear"
                stroke={strokes[i]}
                strokeWidth={2}
                strokeDasharray={i === 0 ? undefined : '6 4'}
                dot={false}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  )
})

const AcrossAxis = memo(function AcrossAxis({
  name,
  quantity,
  span,
}: {
  name: string
  quantity: QuantityId
  span: string
}) {
  return (
    <XAxis
      dataKey="x"
      type="number"
      domain={span === '' ? fromZero : numbersIn(span)}
      allowDecimals={false}
      tickCount={7}
      interval={0}
      tickFormatter={(amount: number) => plain(quantity, amount)}
      tick={tick}
      stroke="var(--silt)"
      label={{ value: name, position: 'insideBottom', offset: -10, ...tick }}
    />
  )
})

const UpAxis = memo(function UpAxis({ quantity, ticks }: { quantity: QuantityId; ticks: string }) {
  const marks = numbersIn(ticks)
  return (
    <YAxis
      width={64}
      interval={0}
      type="number"
      {...(marks.length > 0
        ? { scale: 'log' as const, domain: endsOf(marks), ticks: marks }
        : { domain: fromZero })}
      tickFormatter={(amount: number) => plain(quantity, amount)}
      tick={tick}
      stroke="var(--silt)"
      axisLine={false}
    />
  )
})

function numbersIn(text: string): number[] {
  return text === '' ? [] : text.split(' ').map(Number)
}

function endsOf(amounts: readonly number[]): [number, number] {
  return [Math.min(...amounts), Math.max(...amounts)]
}

/** The points of every line by where they stand across, from left to right. */
function rowsOf(lines: Curve['lines']): Record<string, number>[] {
  const rows = new Map<number, Record<string, number>>()
  lines.forEach(({ points }, i) => {
    for (const [x, y] of points) rows.set(x, { ...rows.get(x), x, [`y${i}`]: y })
  })
  return [...rows.values()].sort((one, two) => (one.x ?? 0) - (two.x ?? 0))
}

/** Full stops from the lowest to the highest, every other where there are many. */
function isoTicks(lines: Curve['lines']): number[] {
  const [least, most] = endsOf(lines.flatMap(({ points }) => points.map(([, up]) => up)))
  const stops = Math.log2(most / least)
  const step = stops > 6 ? 4 : 2
  const ticks = [least]
  for (let tick = least * step; tick < most / 1.3; tick *= step) ticks.push(tick)
  return most > least ? [...ticks, most] : ticks
}

/** Without its unit, which stands at the axis. */
function plain(quantity: QuantityId, amount: number): string {
  return showAmount(quantity, amount).replace(/^(?:EV |ISO |f\/)| s$/g, '')
}
