'use client'

import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts'
import type { Suggestion } from '@/core/suggest/suggest'

/** Seconds saved an outing over the number of changes: where the curve flattens, more changes are hardly worth it. */
export function TradeChart({ curve, picked }: { curve: readonly Suggestion[]; picked: number }) {
  const points = [
    { changes: 0, saved: 0 },
    ...curve.map(({ changes, before, after }) => ({
      changes: changes.length,
      saved: Math.round(before.total - after.total),
    })),
  ]
  return (
    <div aria-hidden="true">
      <LineChart
        accessibilityLayer={false}
        width={318}
        height={150}
        data={points}
        margin={{ top: 10, right: 14, bottom: 18, left: 0 }}
      >
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="changes"
          type="number"
          domain={[0, 'dataMax']}
          allowDecimals={false}
          tick={{ fontSize: 13, fill: 'var(--silt)' }}
          stroke="var(--silt)"
          label={{
            value: 'changes',
            position: 'insideBottom',
            offset: -10,
            fontSize: 13,
            fill: 'var(--silt)',
          }}
        />
        <YAxis
          width={58}
          unit=" s"
          tick={{ fontSize: 13, fill: 'var(--silt)' }}
          stroke="var(--silt)"
          axisLine={false}
        />
        <ReferenceLine x={picked} stroke="var(--pan)" />
        <Line
          dataKey="saved"
          type="linear"
          stroke="var(--brine)"
          strokeWidth={2}
          dot={{ r: 3, fill: 'var(--brine)' }}
          isAnimationActive={false}
        />
      </LineChart>
    </div>
  )
}
