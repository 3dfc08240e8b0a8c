'use client'

import { useId, useState } from 'react'
import { askedOf } from '@/core/inventory/asked'
import type { RecordKind } from '@/core/inventory/kinds'
import type { InventoryFault } from '@/core/inventory/fault'
import { describedFacts } from '@/core/inventory/lenses'
import { isOfRecord } from '@/core/inventory/accept'
import { recordIds, rowsOfRecord } from '@/core/inventory/rows'
import { summaryOf, titleOf } from '@/core/inventory/words'
import { usePlaceInPage } from '@/features/desk'
import { Offer } from '@/ui/button'
import { FactField } from './fact-field'
import { HandChoice } from './hand-choice'
import { useInventory, useInventoryWork } from './inventory-context'
import { NewRecord } from './new-record'

/** What the sections are called and say, by the kind of their records. */
const sections: Readonly<Record<RecordKind, { readonly title: string; readonly empty: string }>> = {
  body: {
    title: 'Bodies',
    empty: 'A body is one camera of yours: which firmware it runs decides what a plan can do on it.',
  },
  lens: { title: 'Lenses', empty: 'Lenses get columns of their own wherever something hangs on the lens.' },
  card: { title: 'Cards', empty: 'A card that is slower than what is filmed is told where it is planned.' },
  gear: { title: 'Everything else', empty: 'Microphone, recorder, remote release, flash, batteries.' },
}

/** The records of one kind: a line each, opened to say more; and the way to add one. */
export function Records({ kind, faults }: { kind: RecordKind; faults: readonly InventoryFault[] }) {
  const inventory = useInventory()
  const [open, setOpen] = useState<string | null>(null)
  const ids = recordIds(inventory.rows, kind)
  usePlaceInPage((place) => {
    const wanted = ids.find((id) => place === `${kind}/${id}`)
    if (wanted !== undefined) setOpen(wanted)
  })
  const { title, empty } = sections[kind]
  return (
    <section aria-labelledby={`kind-${kind}`} className="border bg-sheet px-4 py-3">
      <h2 id={`kind-${kind}`} className="font-head text-lead font-semibold">
        {title}
      </h2>
      {ids.length === 0 && <p className="mt-1 text-silt">{empty}</p>}
      <ul className="mt-1 divide-y">
        {ids.map((id) => (
          <li key={id}>
            <Line
              kind={kind}
              id={id}
              open={open === id}
              onOpen={() => setOpen(open === id ? null : id)}
              faults={faults.filter(({ row }) => isOfRecord(row, kind, id))}
            />
          </li>
        ))}
      </ul>
      <NewRecord kind={kind} onMade={setOpen} />
    </section>
  )
}

function Line({
  kind,
  id,
  open,
  onOpen,
  faults,
}: {
  kind: RecordKind
  id: string
  open: boolean
  onOpen: () => void
  faults: readonly InventoryFault[]
}) {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  const panel = useId()
  const rows = rowsOfRecord(inventory.rows, kind, id)
  const described = kind === 'lens' ? describedFacts(library, inventory, id) : {}
  const title = titleOf(library, inventory, kind, id)
  const worst =
    faults.find((one) => one.kind === 'impossible') ?? faults.find((one) => one.kind === 'missing')
  return (
    <div className="py-1.5">
      <button
        type="button"
        aria-expanded={open}
        aria-controls={panel}
        onClick={onOpen}
        className="flex w-full flex-wrap items-baseline gap-x-3 py-1 text-left hover:text-brine"
      >
        <span className="font-semibold">{title}</span>
        <span className="text-silt">{summaryOf(library, inventory, kind, id)}</span>
        {worst && (
          <span
            className={`ml-auto text-small font-semibold ${worst.kind === 'impossible' ? 'text-rust' : 'text-lichen'}`}
          >
            {worst.kind === 'impossible' ? '✕ cannot be right' : '? not complete'}
          </span>
        )}
      </button>
      {open && (
        <div id={panel} className="mt-1 mb-2 border-l-3 border-brine pl-3">
          {faults.map((one) => (
            <p
              key={one.title}
              className={
                one.kind === 'impossible' ? 'text-rust' : one.kind === 'missing' ? 'text-lichen' : 'text-silt'
              }
            >
              <b className="font-semibold">{one.title}.</b> {one.reason}
            </p>
          ))}
          <div className="grid gap-x-8 sm:grid-cols-2">
            {askedOf(library, inventory, kind, id).map((fact) => (
              <FactField key={fact.id} kind={kind} id={id} fact={fact} described={described[fact.id]} />
            ))}
          </div>
          {kind === 'body' && <HandChoice tag={id} />}
          <Offer
            className="mt-2 text-small"
            onClick={() => desk.set(Object.fromEntries(rows.map((row) => [row, null])))}
          >
            Remove {title}
          </Offer>
        </div>
      )}
    </div>
  )
}
