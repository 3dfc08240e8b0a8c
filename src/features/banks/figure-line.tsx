'use client'

import { TriangleAlert } from 'lucide-react'
import type { Column } from '@/core/banks/columns'
import { numberOfFigure } from '@/core/banks/figure-numbers'
import type { Figure } from '@/core/banks/figures'
import { NumberLink } from '@/features/desk'
import { Explain } from '@/ui/explain'
import { figureSentences } from './figure-sentences'
import { Offer } from '@/ui/button'

/** A reckoned line: for each column one of its figures, with a mark where it is a problem. */
export function FigureLine({
  what,
  id,
  columns,
  figures,
  onMend,
}: {
  what: string
  id: Figure['id']
  columns: readonly Column[]
  figures: readonly (readonly Figure[])[]
  /** Sets what the figure asks for. */
  onMend?: (column: Column, value: string) => void
}) {
  if (!figures.some((all) => all.some((one) => one.id === id))) return null
  return (
    <tr className="border-b bg-glass align-top">
      <th scope="row" className="sticky left-0 z-1 bg-glass py-1 pr-2 pl-1 text-left font-normal">
        {what}
        <Explain label={what} about={{ text: figureSentences[id] }} />
      </th>
      {columns.map((column, i) => {
        const figure = figures[i]?.find((one) => one.id === id)
        return (
          <td key={column.id} className={`py-1 leading-tight ${column.kind === 'base' ? 'pl-2' : 'pl-1'}`}>
            {figure && (
              <details>
                <summary className={`cursor-pointer list-none ${figure.fits ? '' : 'text-lichen'}`}>
                  <span className="font-mono font-semibold whitespace-nowrap">{figure.value}</span>
                  {!figure.fits && (
                    <TriangleAlert size={14} className="ml-1 inline" aria-label="problem" role="img" />
                  )}
                  <span className="block text-small">{figure.short}</span>
                </summary>
                <HowReckoned figure={figure} column={column} />
                {onMend && !figure.fits && (
                  <Offer className="text-small" onClick={() => onMend(column, figure.value)}>
                    Set {figure.value} in {column.name}
                  </Offer>
                )}
              </details>
            )}
          </td>
        )
      })}
    </tr>
  )
}

/** Words, formula and inputs of a figure. */
export function HowReckoned({ figure, column }: { figure: Figure; column: Column }) {
  return (
    <div className="mt-0.5 max-w-72 text-small text-silt">
      <p>{figure.words}</p>
      <p className="font-mono">{figure.formula}</p>
      <p>{figure.inputs.map(([name, value]) => `${name} ${value}`).join('; ')}</p>
      <NumberLink id={numberOfFigure[figure.id]} at={column.id} />
    </div>
  )
}
