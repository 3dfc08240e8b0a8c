'use client'

import { memo } from 'react'
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Curve } from '@/core/numbers/form'
import { showAmount, type QuantityId } from '@/core/numbers/quantities'
import { thinned } from './thinned'

const strokes = ['var(--brine)', 'var(--silt)']

/** How one thing goes with another; what the curve says is said in the results beside it. */
export const NumberChart = memo(function NumberChart({ curve }: { curve: Curve }) {
  const { x, y, name } = curve
  const isIso = y.quantity === 'iso'
  const lines = curve.lines.map((one) => ({
    ...one,
    points: thinned(one.points, isIso ? Math.log2 : undefined),
  }))
  const rows = rowsOf(lines)
  const across = rows.map((row) => row.x ?? 0)
  const up = lines.flatMap(({ points }) => points.map(([, amount]) => amount))
  return (
    <figure className="mt-3">
      <figcaption className="text-small text-silt">
        {name}
        {lines.length > 1 &&
          `: ${lines.map((one, i) => `${one.name} ${i === 0 ? '———' : '– –'}`).join(', ')}`}
      </figcaption>
      <div aria-hidden="true" className="h-44">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart
            accessibilityLayer={false}
            data={rows}
            margin={{ top: 8, right: 16, bottom: 18, left: 0 }}
          >
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="x"
              type="number"
              domain={x.quantity === 'ev' ? [Math.min(...across), Math.max(...across)] : [0, 'auto']}
              allowDecimals={false}
              tickCount={7}
              tickFormatter={(amount: number) => plain(x.quantity, amount)}
              tick={{ fontSize: 13, fill: 'var(--silt)' }}
              stroke="var(--silt)"
              label={{
                value: x.name,
                position: 'insideBottom',
                offset: -10,
                fontSize: 13,
                fill: 'var(--silt)',
              }}
            />
            <YAxis
              width={64}
              type="number"
              {...(isIso
                ? {
                    scale: 'log' as const,
                    domain: [Math.min(...up), Math.max(...up)] as [number, number],
                    ticks: isoTicks(lines),
                  }
                : { domain: [0, 'auto'] as [number, string] })}
              tickFormatter={(amount: number) => plain(y.quantity, amount)}
              tick={{ fontSize: 13, fill: 'var(--silt)' }}
              stroke="var(--silt)"
              axisLine={false}
            />
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
  const all = lines.flatMap(({ points }) => points.map(([, up]) => up))
  const [least, most] = [Math.min(...all), Math.max(...all)]
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
