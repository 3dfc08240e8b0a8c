'use client'

import { type RowId, describeRow } from '@/core/plan/rows'
import { itemName, lookup } from '@/core/model/lookup'
import { deliveredAt, itemAt } from '@/core/plan/menu-items'
import {
  FindingCard,
  findingKey,
  FindingList,
  findingsAt,
  ReasonField,
  RowNotes,
  useDesk,
  usePlan,
  useFindings,
} from '@/features/desk'
import { Explain } from '@/ui/explain'
import { later } from '@/ui/later'
import { Button, Offer } from '@/ui/button'
import { useItems } from './use-menus-station'

const ItemList = later(() => import('./item-list').then((one) => one.ItemList))

/** The cell or line in hand, and everything that may stand there: what is needed most and on no key first. */
export function ItemPanel({
  row,
  onPut,
  onClose,
}: {
  row: RowId | null
  onPut: (item: string | null) => void
  onClose: () => void
}) {
  const { model } = useDesk().start
  const plan = usePlan()
  const findings = useFindings() ?? []
  const { uses } = useItems()
  if (row === null) {
    const mine = findingsAt(findings, 'menus')
    return (
      <div className="grid gap-3">
        <p className="text-silt">
          Pick a cell or a line, or drag one onto another to swap them. Arrows go from place to place,{' '}
          <kbd className="font-mono">M</kbd> carries what stands there,{' '}
          <kbd className="font-mono">Delete</kbd> empties it.
        </p>
        <FindingList findings={mine} />
      </div>
    )
  }
  const item = itemAt(model, plan, row)
  const delivered = deliveredAt(model, row)
  const means = lookup(model).settings.get(item ?? '')?.means
  const meant = means == null ? null : ({ kind: 'setting', id: means } as const)
  return (
    <div className="grid gap-3">
      <section className="border bg-sheet px-3.5 py-3">
        <div className="flex items-start justify-between gap-2">
          <p className="text-small text-silt">{describeRow(model, row)}</p>
          <Button onClick={onClose}>Close</Button>
        </div>
        <h2 className="font-head text-lead font-semibold text-pan">
          {item === null ? 'Empty' : itemName(model, item)}
          {meant && <Explain label={itemName(model, item ?? '')} about={{ means: meant }} />}
        </h2>
        {item !== null && uses.get(item)?.way && (
          <p className="text-small text-silt">Quickest way now: {uses.get(item)?.way}</p>
        )}
        <ReasonField
          row={row}
          ask={
            item === null
              ? 'Empty on purpose? Say why.'
              : uses.get(item)?.onKey
                ? 'On a key already. Here as well on purpose? Say why.'
                : 'Your reason, for the day you wonder'
          }
        />
        <p className="mt-2 flex flex-wrap gap-x-4 text-small">
          {item !== delivered && (
            <Offer onClick={() => onPut(delivered)}>
              Restore as delivered: {delivered === null ? 'empty' : itemName(model, delivered)}
            </Offer>
          )}
          {item !== null && <Offer onClick={() => onPut(null)}>Leave it empty</Offer>}
        </p>
        <RowNotes row={row} />
      </section>
      {findings
        .filter(({ places }) => places.some((place) => place.row === row))
        .map((finding) => (
          <FindingCard key={findingKey(finding)} finding={finding} />
        ))}
      <ItemList row={row} current={item} onPut={onPut} />
    </div>
  )
}
