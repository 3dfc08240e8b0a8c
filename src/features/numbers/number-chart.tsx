'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Curve } from '@/core/numbers/form'
import { showAmount, type QuantityId } from '@/core/numbers/quantities'

const strokes = ['var(--brine)', 'var(--silt)']

/** How one thing goes with another; what the curve says is said in the results beside it. */
export function NumberChart({ curve }: { curve: Curve }) {
  const { x, y, lines, name } = curve
  const isIso = y.quantity === 'iso'
  return (
    <figure className="mt-3">
      <figcaption className="text-small text-silt">
        {name}
        {lines.length > 1 &&
          `: ${lines.map((one, i) => `${one.name} ${i === 0 ? '———' : '– –'}`).join(', ')}`}
      </figcaption>
      <div aria-hidden="true" className="h-44">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart accessibilityLayer={false} margin={{ top: 8, right: 16, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="x"
              type="number"
              domain={x.quantity === 'ev' ? ['dataMin', 'dataMax'] : [0, 'auto']}
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
                    domain: ['dataMin', 'dataMax'] as [string, string],
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
                data={one.points.map(([across, up]) => ({ x: across, y: up }))}
                dataKey="y"
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
