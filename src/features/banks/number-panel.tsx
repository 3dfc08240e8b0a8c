'use client'

import { memo } from 'react'
import { ownerRange, ownerRow } from '@/core/plan/rows'
import type { Column } from '@/core/banks/columns'
import type { Figure } from '@/core/banks/figures'
import type { Offered } from '@/core/banks/sizes'
import { useDesk, usePlan } from '@/features/desk'
import { NumberField } from '@/ui/number-field'
import { Explain } from '@/ui/explain'
import { figureSentences } from './figure-sentences'
import { HowReckoned } from './figure-line'

/** What each bank brings with it in numbers, and what film it excludes, with what to switch off first. */
export const NumberPanel = memo(function NumberPanel({
  columns,
  figures,
  film,
}: {
  columns: readonly Column[]
  figures: readonly (readonly Figure[])[]
  film: Readonly<Record<string, readonly Offered[]>> | null
}) {
  return (
    <div className="grid gap-2.5">
      {columns.map((column, i) => {
        const mine = (figures[i] ?? []).filter(({ id }) => id !== 'shutter' && id !== 'light')
        const excluded = (film?.[column.id] ?? []).filter(({ because }) => because.length > 0)
        const waits = film === null && column.side === 'motion'
        if (column.kind === 'base' || (mine.length === 0 && excluded.length === 0 && !waits)) return null
        return (
          <section key={column.id} aria-label={`Numbers of ${column.name}`}>
            <h2 className="font-head text-[16px] font-semibold">{column.name}</h2>
            {mine.map((figure) => (
              <details key={figure.id} className="text-small">
                <summary className={`cursor-pointer list-none ${figure.fits ? '' : 'text-lichen'}`}>
                  {figure.what}
                  <Explain label={figure.what} about={{ text: figureSentences[figure.id] }} />{' '}
                  <b className="font-mono font-semibold">{figure.value}</b>
                  <span className="text-silt"> · {figure.words}</span>
                </summary>
                <HowReckoned figure={figure} column={column} />
              </details>
            ))}
            {waits && <p className="text-small text-silt">Sizes are being looked through …</p>}
            {excluded.length > 0 && (
              <ul aria-label={`Excluded in ${column.name}`} className="mt-0.5">
                {excluded.map(({ setting, name, because, first }) => (
                  <li key={`${setting.id} ${name}`} className="text-small" title={because.join(' ')}>
                    <b className="font-semibold">{name}</b> <span className="text-silt">is excluded.</span>{' '}
                    {first.length > 0 ? `First ${first.join(', then ')}.` : because.join(' ')}
                  </li>
                ))}
              </ul>
            )}
          </section>
        )
      })}
      <WorkFacts />
    </div>
  )
})

/** What the numbers hang on besides the plan: lamps measured, what is delivered. */
function WorkFacts() {
  const desk = useDesk()
  const plan = usePlan()
  const facts = [
    ['lampPulses', 'Pulses of your lamps a second, if measured', 'as mains'],
    ['playedRate', 'Frames a second you play at', '25'],
    ['deliveryWidth', 'Pixels across you deliver', 'as filmed'],
  ] as const
  return (
    <details className="border-t pt-1 text-small">
      <summary className="cursor-pointer text-brine">What these numbers go by</summary>
      <div className="mt-1 grid gap-1">
        {facts.map(([fact, label, placeholder]) => {
          const [from, to] = ownerRange(fact)
          const row = ownerRow(fact)
          return (
            <div key={fact} className="flex items-center justify-between gap-2">
              {label}
              <NumberField
                label={label}
                value={typeof plan.rows[row] === 'number' ? plan.rows[row] : null}
                from={from}
                to={to}
                placeholder={placeholder}
                onKeep={(value) => desk.set({ [row]: value })}
                className="w-22"
              />
            </div>
          )
        })}
      </div>
    </details>
  )
}
