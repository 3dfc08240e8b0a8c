'use client'

import { useState } from 'react'
import { gearKinds, type RecordKind } from '@/core/inventory/kinds'
import { named } from '@/core/inventory/accept'
import { factRow, newRecordId, type Inventory, type Library } from '@/core/inventory/rows'
import { factTable } from '@/core/inventory/facts'
import { nameOf } from '@/core/inventory/words'
import { Button } from '@/ui/button'
import { Select } from '@/ui/select'
import { useInventory, useInventoryWork } from './inventory-context'

/** What is asked first of a new record: the fact that says most, and what the field for its name says. */
const first: Readonly<
  Record<RecordKind, { readonly fact: string; readonly add: string; readonly other: string | null }>
> = {
  body: { fact: 'model', add: 'Add the body', other: null },
  lens: { fact: 'like', add: 'Add the lens', other: 'another lens' },
  card: { fact: 'in', add: 'Add the card', other: 'not used yet' },
  gear: { fact: 'kind', add: 'Add it', other: null },
}

/** Adds a record: what it is, and what it is called. */
export function NewRecord({ kind, onMade }: { kind: RecordKind; onMade: (id: string) => void }) {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  const { fact, add, other } = first[kind]
  const options = optionsOf(library, inventory, kind, fact)
  const [picked, setPicked] = useState<string | null>(null)
  const [name, setName] = useState('')
  const what = picked ?? options[0]?.[0] ?? ''
  const known = options.find(([id]) => id === what)?.[1]
  const called =
    name.trim() === ''
      ? kind === 'lens' || kind === 'body' || kind === 'gear'
        ? known
        : undefined
      : name.trim()
  const make = () => {
    if (called === undefined) return
    const id = newRecordId(
      inventory.rows,
      kind,
      kind === 'lens' && what !== '' && name.trim() === '' ? what : called,
    )
    const isNamed = name.trim() !== '' || kind !== 'lens'
    const made = desk.set({
      ...(what === '' ? {} : { [factRow(kind, id, fact)]: what }),
      ...(isNamed ? { [factRow(kind, id, 'name')]: called.slice(0, 60) } : {}),
    })
    if (!made) return
    setName('')
    onMade(id)
  }
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-2 border-t pt-2"
      onSubmit={(event) => {
        event.preventDefault()
        make()
      }}
    >
      <Select
        label={`What to add: ${factTable[kind].find(({ id }) => id === fact)?.label ?? kind}`}
        value={what}
        options={[...options, ...(other === null ? [] : ([['', other]] as const))]}
        onPick={setPicked}
        className="min-h-9 max-w-full rounded-md border bg-crust px-2"
      />
      <input
        aria-label={`Name of the new ${kind === 'gear' ? 'thing' : kind}`}
        value={name}
        maxLength={60}
        placeholder={kind === 'card' ? 'Name, such as Blue 128' : (known ?? 'Name')}
        onChange={(event) => setName(event.target.value)}
        className="min-h-9 w-44 rounded border bg-crust px-2 placeholder:text-silt"
      />
      <Button type="submit" disabled={called === undefined}>
        {add}
      </Button>
    </form>
  )
}

function optionsOf(
  library: Library,
  inventory: Inventory,
  kind: RecordKind,
  id: string,
): (readonly [id: string, words: string])[] {
  if (kind === 'gear') return Object.entries(gearKinds)
  const fact = factTable[kind].find((one) => one.id === id)
  if (!fact || fact.takes.kind !== 'named') return []
  const { what } = fact.takes
  return named(library, inventory.rows, fact).map(
    (one) => [one, nameOf(library, inventory, what, one)] as const,
  )
}
