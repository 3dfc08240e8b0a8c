'use client'

import { bankFactRow, rowValue } from '@/core/plan/rows'
import { whereIs, type Column } from '@/core/banks/columns'
import type { Cell, MatrixRow } from '@/core/banks/matrix-rows'
import { showValue } from '@/core/model/domain'
import type { BodyModel } from '@/core/model/types'
import { addressesWith } from '@/core/plan/assign'
import type { Plan } from '@/core/plan/plan'
import { commonSettings } from '@/core/vocabulary/catalogue'
import { ReasonField, TryLink, useAnswer, useDesk, usePlan } from '@/features/desk'
import { Offer } from '@/ui/button'
import { Check } from '@/ui/check'

const layerWords = {
  factory: 'as delivered',
  marked: 'marked dial',
  base: 'base',
  body: 'this one body',
  position: 'remembered position',
  bank: 'bank',
  edit: 'changed on the body',
  dial: 'mode dial',
  hold: 'hold set',
  held: 'key held',
  rule: 'the body',
} as const

/** The key that puts a hold set in force; none for other columns. */
function keysOf(model: BodyModel, plan: Plan, { side, context }: Column): string[] {
  return (context.held ?? []).flatMap((fn) => addressesWith(model, plan, side, fn)[0]?.key ?? [])
}

/** One cell in full: in plain words, where its value comes from, whether it is meant, and the way back to base. */
export function CellPanel({
  column,
  row: { setting },
  cell,
  onClose,
}: {
  column: Column
  row: MatrixRow
  cell: Cell
  onClose: () => void
}) {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  const chain = useAnswer<'cell'>({ kind: 'cell', column: column.id, setting: setting.id }) ?? []
  const plain = setting.means === null ? undefined : commonSettings.get(setting.means)?.plain
  const listOf = (fact: 'meant' | 'onSite') => {
    if (column.kind !== 'slot') return null
    const id = bankFactRow(column.family.id, column.slot.id, fact)
    const listed = rowValue(plan.rows, id)
    const now = Array.isArray(listed) ? (listed as readonly string[]) : []
    const has = now.includes(setting.id)
    const toggle = () => {
      const next = model.settings
        .map((one) => one.id)
        .filter((one) => (one === setting.id ? !has : now.includes(one)))
      desk.set({ [id]: next.length === 0 ? null : next })
    }
    return { has, toggle }
  }
  const [meant, onSite] = [listOf('meant'), listOf('onSite')]
  return (
    <section
      aria-label={`${setting.label} in ${column.name}`}
      className="border border-pan bg-sheet px-3 py-2"
    >
      <p className="flex items-baseline justify-between gap-2">
        <b className="font-semibold">
          {setting.label} <span className="font-normal text-silt">in {column.name}</span>
        </b>
        <Offer className="text-small" onClick={onClose}>
          Close
        </Offer>
      </p>
      <p className="text-small text-silt">
        {plain} {whereIs(model, setting)}.
      </p>
      <TryLink context={column.context} held={keysOf(model, plan, column)} className="text-small" />
      {cell.because && <p className="text-small text-lichen">{cell.because}</p>}
      <ol className="mt-1 text-small">
        {chain.map(({ layer, value }, i) => (
          <li key={i} className={i === chain.length - 1 ? 'font-semibold' : 'text-silt'}>
            {layerWords[layer]}: <span className="font-mono">{showValue(setting.domain, value)}</span>
          </li>
        ))}
      </ol>
      {meant && (
        <Check checked={meant.has} onChange={meant.toggle} className="mt-1 text-small">
          Meant to differ
        </Check>
      )}
      {onSite && (
        <Check checked={onSite.has} onChange={onSite.toggle} className="text-small">
          Expected to change on site
        </Check>
      )}
      {cell.own !== null && cell.row !== null && column.kind !== 'base' && (
        <Offer
          className="mt-1 text-small"
          onClick={() => cell.row !== null && desk.set({ [cell.row]: null })}
        >
          {column.kind === 'hold' ? 'Untick it' : 'Put back to base'}
        </Offer>
      )}
      {cell.row !== null && <ReasonField key={cell.row} row={cell.row} ask="Why it is so" />}
    </section>
  )
}
