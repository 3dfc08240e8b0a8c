'use client'

import { pairMarks } from '@/core/plan/rows'
import { Check, Minus, TriangleAlert } from 'lucide-react'
import type { LensModel, Side } from '@/core/model/types'
import { useAnswer, useDesk } from '@/features/desk'
import { Select } from '@/ui/select'

const signs = {
  sensible: { Sign: Check, colour: 'text-samphire' },
  risky: { Sign: TriangleAlert, colour: 'text-lichen' },
  unused: { Sign: Minus, colour: 'text-silt' },
} as const

/** Two families combined: each pair sensible, risky or unused, as the owner says, else as what the two bring about. */
export function PairGridTable({ side, lens }: { side: Side; lens: LensModel }) {
  const desk = useDesk()
  const grid = useAnswer<'pairs'>({ kind: 'pairs', side, lens: lens.id })
  if (!grid) return null
  return (
    <section aria-label={`Combinations in ${side}`} className="mt-4">
      <h2 className="font-head text-lead font-semibold">Both families together</h2>
      <p className="text-small text-silt">
        A pair is risky where the two bring about something that neither does by itself. Say otherwise where
        you know better.
      </p>
      <table className="mt-1 w-full table-fixed border-collapse">
        <thead>
          <tr className="border-b text-left">
            <td className="w-28" />
            {grid.across.map((other) => (
              <th key={other.slot} scope="col" className="pb-1 pl-2 font-semibold">
                {other.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {grid.down.map((one, i) => (
            <tr key={one.slot} className="border-b align-top">
              <th scope="row" className="py-1.5 text-left font-semibold">
                {one.name}
              </th>
              {grid.across.map((other, j) => {
                const pair = grid.pairs[i]?.[j]
                if (!pair) return null
                const { Sign, colour } = signs[pair.mark]
                return (
                  <td
                    key={other.slot}
                    className={`border-l py-1.5 pl-2 ${pair.mark === 'unused' ? 'opacity-60' : ''}`}
                  >
                    <span className="flex items-center gap-1.5">
                      <Sign size={16} className={`shrink-0 ${colour}`} aria-hidden="true" />
                      <Select
                        label={`${one.name} with ${other.name}`}
                        value={pair.said ?? ''}
                        options={[
                          ['', pair.said === null ? pair.mark : 'as reckoned'],
                          ...pairMarks.map((mark) => [mark, mark] as const),
                        ]}
                        onPick={(mark) => desk.set({ [pair.row]: mark === '' ? null : mark })}
                        className="min-h-8 rounded border bg-crust px-1"
                      />
                      {pair.light && <span className="font-mono text-small text-silt">{pair.light}</span>}
                    </span>
                    {pair.news.map((words) => (
                      <p key={words} className="mt-0.5 text-small leading-tight text-lichen">
                        {words}
                      </p>
                    ))}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
