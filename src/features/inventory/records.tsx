'use client'

import { useId, useState } from 'react'
import { factTable, type RecordKind } from '@/core/inventory/facts'
import type { InventoryFault } from '@/core/inventory/fault'
import { lensesIn, recordName } from '@/core/inventory/records'
import { factRow, recordIds, rowsOfRecord, type Inventory, type Library } from '@/core/inventory/rows'
import { showFact } from '@/core/inventory/words'
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
              faults={faults.filter(
                ({ row }) => rowsOfRecord(inventory.rows, kind, id).includes(row) || isOf(kind, id, row),
              )}
            />
          </li>
        ))}
      </ul>
      <NewRecord kind={kind} onMade={setOpen} />
    </section>
  )
}

/** Whether a row that is not there yet would be one of a record. */
function isOf(kind: RecordKind, id: string, row: string): boolean {
  return factTable[kind].some((fact) => factRow(kind, id, fact.id) === row)
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
        <span className="font-semibold">{nameIn(library, inventory, kind, id)}</span>
        <span className="text-silt">{summary(library, inventory, kind, id)}</span>
        {worst && (
          <span
            className={`ml-auto text-small font-semibold ${worst.kind === 'impossible' ? 'text-rust' : 'text-lichen'}`}
          >
            {worst.kind === 'impossible' ? '✕ cannot be so' : '? something to say'}
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
            {factTable[kind]
              .filter(({ id: fact }) => mayHave(library, inventory, kind, id, fact))
              .map((fact) => (
                <FactField
                  key={fact.id}
                  kind={kind}
                  id={id}
                  fact={fact}
                  assumed={assumedOf(library, inventory, kind, id, fact.id)}
                />
              ))}
          </div>
          {kind === 'body' && <HandChoice tag={id} />}
          <Offer
            className="mt-2 text-small"
            onClick={() => desk.set(Object.fromEntries(rows.map((row) => [row, null])))}
          >
            Remove {nameIn(library, inventory, kind, id)}
          </Offer>
        </div>
      )}
    </div>
  )
}

/** Whether something can be true of a record at all; what is said is shown in any case. */
function mayHave(
  library: Library,
  inventory: Inventory,
  kind: RecordKind,
  id: string,
  fact: string,
): boolean {
  const model = library.models.find((one) => one.id === inventory.rows[factRow('body', id, 'model')])
  if (kind === 'lens' && (fact === 'widestLong' || fact === 'narrowestLong')) {
    const lens = lensesIn(library, inventory).find((one) => one.id === id)?.lens
    return lens?.focalMm[0] !== lens?.focalMm[1] || inventory.rows[factRow('lens', id, fact)] !== undefined
  }
  if (kind !== 'body' || (fact !== 'grip' && fact !== 'adapter') || !model) return true
  const isSaid = inventory.rows[factRow('body', id, fact)] !== undefined
  return isSaid || model.controls.some(({ presence }) => presence === fact)
}

function nameIn(library: Library, inventory: Inventory, kind: RecordKind, id: string): string {
  const lens = kind === 'lens' ? lensesIn(library, inventory).find((one) => one.id === id) : undefined
  return lens?.name ?? recordName(inventory, kind, id)
}

/** What is said of a record beside its name, in a few words. */
function summary(library: Library, inventory: Inventory, kind: RecordKind, id: string): string {
  const said = factTable[kind].flatMap((fact) => {
    const value = inventory.rows[factRow(kind, id, fact.id)]
    if (value === undefined || fact.id === 'name') return []
    const words = showFact(library, inventory, fact, value)
    return [
      ['contacts', 'grip', 'adapter', 'switch', 'stabiliser', 'firmware', 'prefix', 'converter'].includes(
        fact.id,
      )
        ? `${fact.label.toLowerCase()} ${words}`
        : words,
    ]
  })
  const lens = kind === 'lens' ? lensesIn(library, inventory).find((one) => one.id === id)?.lens : null
  if (lens) {
    const [short, long] = lens.focalMm
    const range = short === long ? String(short) : `${short}-${long}`
    return `${range} mm ${lens.widest} · ${lens.fits} · ${lens.contacts ? 'with contacts' : 'without contacts'}`
  }
  return said.join(' · ')
}

/** What a lens that is like another has where nothing is said here. */
function assumedOf(
  library: Library,
  inventory: Inventory,
  kind: RecordKind,
  id: string,
  fact: string,
): string | undefined {
  const like =
    kind === 'lens'
      ? library.lenses.find((one) => one.id === inventory.rows[factRow('lens', id, 'like')])
      : undefined
  if (!like) return undefined
  const yes = (truth: boolean | undefined) => (truth === undefined ? undefined : truth ? 'yes' : 'no')
  const known: Readonly<Record<string, string | undefined>> = {
    name: like.name,
    fits: like.fits,
    contacts: yes(like.contacts),
    focal: like.focalMm[0] === like.focalMm[1] ? String(like.focalMm[0]) : like.focalMm.join('-'),
    widest: like.widest,
    widestLong: like.widestLong,
    narrowest: like.narrowest,
    narrowestLong: like.narrowestLong,
    keys: String(like.keys.length),
    ring: like.ring === null ? 'none' : like.ring.readable ? 'yes' : 'not read',
    clicks: yes(like.ring?.clicks),
    switch: yes(like.focusSwitch),
    stabiliser: yes(like.stabiliser),
    adapter: like.adapter,
  }
  return known[fact]
}
