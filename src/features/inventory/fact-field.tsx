'use client'

import { acceptFact, type Fact } from '@/core/inventory/facts'
import type { RecordKind } from '@/core/inventory/kinds'
import { named } from '@/core/inventory/accept'
import { factRow } from '@/core/inventory/rows'
import { nameOf, showFact } from '@/core/inventory/words'
import type { Value } from '@/core/vocabulary/values'
import { useTypedText } from '@/features/desk'
import { Explain } from '@/ui/explain'
import { NumberField } from '@/ui/number-field'
import { Select } from '@/ui/select'
import { TypedField } from '@/ui/typed-field'
import { useInventory, useInventoryWork } from './inventory-context'

/** One fact of a record: its label with what it is for, and the field for it. Nothing said is its own answer. */
export function FactField({
  kind,
  id,
  fact,
  described,
}: {
  kind: RecordKind
  id: string
  fact: Fact
  /** What holds where nothing is said here, as with a lens that is like another. */
  described?: Value | undefined
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-2 gap-y-1 py-1">
      <span className="leading-tight">
        {fact.label}
        <Explain label={fact.label} about={{ text: fact.plain }} />
      </span>
      <Field kind={kind} id={id} fact={fact} described={described} />
    </div>
  )
}

function Field({ kind, id, fact, described }: Parameters<typeof FactField>[0]) {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  const row = factRow(kind, id, fact.id)
  const value = inventory.rows[row] ?? null
  const keep = (next: Value | null) => desk.set({ [row]: next })
  const { takes } = fact
  const assumed = described === undefined ? undefined : showFact(library, inventory, fact, described)
  const unsaid = assumed === undefined ? 'not said' : `${assumed}, as described`
  switch (takes.kind) {
    case 'truth':
      return (
        <Select
          label={fact.label}
          value={value === null ? '' : value === true ? 'yes' : 'no'}
          options={[
            ['', unsaid],
            ['yes', 'yes'],
            ['no', 'no'],
          ]}
          onPick={(one) => keep(one === '' ? null : one === 'yes')}
          className={choice}
        />
      )
    case 'one':
      return (
        <Select
          label={fact.label}
          value={String(value ?? '')}
          options={[['', unsaid], ...Object.entries(takes.of)]}
          onPick={(one) => keep(one === '' ? null : one)}
          className={choice}
        />
      )
    case 'named': {
      const known = named(library, inventory.rows, fact)
      const held = value === null || known.includes(String(value)) ? [] : [String(value)]
      return (
        <Select
          label={fact.label}
          value={String(value ?? '')}
          options={[
            ['', unsaid],
            ...[...known, ...held].map((one): [string, string] => [
              one,
              nameOf(library, inventory, takes.what, one),
            ]),
          ]}
          onPick={(one) => keep(one === '' ? null : one)}
          className={choice}
        />
      )
    }
    case 'number':
      return (
        <span className="flex items-baseline gap-1">
          <NumberField
            label={fact.label}
            value={typeof value === 'number' ? value : null}
            from={takes.from}
            to={takes.to}
            placeholder={assumed}
            onKeep={keep}
          />
          {takes.unit !== '' && <span className="text-small text-silt">{takes.unit}</span>}
        </span>
      )
    case 'written':
      return (
        <TypedField
          label={fact.label}
          shown={String(value ?? '')}
          placeholder={assumed ?? 'not said'}
          read={(typed) => {
            const read = takes.read(typed)
            return read.ok ? acceptFact(fact, read.value, row, null) : read
          }}
          onKeep={keep}
          className="min-h-8 w-24 text-right"
        />
      )
    case 'text':
      return (
        <TextField
          fact={fact}
          kept={String(value ?? '')}
          placeholder={assumed ?? 'not said'}
          onKeep={keep}
          longest={takes.longest}
        />
      )
  }
}

const choice = 'min-h-8 max-w-44 rounded border bg-crust px-1.5'

function TextField({
  fact,
  kept,
  longest,
  placeholder,
  onKeep,
}: {
  fact: Fact
  placeholder: string
  kept: string
  longest: number
  onKeep: (text: string | null) => void
}) {
  const text = useTypedText(kept, onKeep)
  return (
    <input
      aria-label={fact.label}
      value={text.value}
      maxLength={longest}
      placeholder={placeholder}
      onChange={(event) => text.type(event.target.value)}
      onBlur={text.leave}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      className="min-h-8 w-40 rounded border bg-crust px-1.5 placeholder:text-silt"
    />
  )
}
