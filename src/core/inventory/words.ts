import type { RowId, Step } from '../sync/step'
import type { Value } from '../vocabulary/values'
import { factTable, type Fact } from './facts'
import { gearKinds, type RecordKind } from './kinds'
import { lensesIn } from './lenses'
import { recordName, bodiesIn } from './records'
import { parseInventoryRow } from './accept'
import { factRow, type Inventory, type Library } from './rows'

/** A row's place in words, such as "Heron A, Firmware"; its id where no inventory has it. */
export function describeInventoryRow(library: Library, inventory: Inventory, id: RowId): string {
  const row = parseInventoryRow(id)
  if (!row.ok) return id
  switch (row.value.kind) {
    case 'none':
      return `No ${gearKinds[row.value.gear].toLowerCase()}`
    case 'hand':
      return `Plans for ${modelName(library, row.value.model)} are made with`
    case 'fact': {
      const { record, id: name, fact } = row.value
      return `${titleOf(library, inventory, record, name)}, ${fact.label}`
    }
  }
}

/** What a record is called: a lens without a name of its own by that of the lens it is like. */
export function titleOf(library: Library, inventory: Inventory, kind: RecordKind, id: string): string {
  const lens = kind === 'lens' ? lensesIn(library, inventory).find((one) => one.id === id) : undefined
  return lens?.lens?.name ?? lens?.name ?? recordName(inventory, kind, id)
}

/** What is said of a record beside its name, in a few words. */
export function summaryOf(library: Library, inventory: Inventory, kind: RecordKind, id: string): string {
  const lens = kind === 'lens' ? lensesIn(library, inventory).find((one) => one.id === id)?.lens : null
  if (lens) {
    const [short, long] = lens.focalMm
    const range = short === long ? String(short) : `${short}-${long}`
    return `${range} mm ${lens.widest} · ${lens.fits} · ${lens.contacts ? 'with contacts' : 'without contacts'}`
  }
  const said = factTable[kind].flatMap((fact) => {
    const value = inventory.rows[factRow(kind, id, fact.id)]
    if (value === undefined || fact.id === 'name') return []
    const words = showFact(library, inventory, fact, value)
    // What speaks for itself stands alone.
    return [fact.takes.kind === 'truth' || fact.isLabelled ? `${fact.label.toLowerCase()} ${words}` : words]
  })
  return said.join(' · ')
}

/** A row's value in words. */
export function showInventoryRow(
  library: Library,
  inventory: Inventory,
  id: RowId,
  value: Value | null,
): string {
  if (value === null) return 'not said'
  const row = parseInventoryRow(id)
  if (!row.ok) return String(value)
  if (row.value.kind === 'none') return 'said'
  if (row.value.kind === 'hand') return recordName(inventory, 'body', String(value))
  return showFact(library, inventory, row.value.fact, value)
}

/** A fact's value in words: what it names by its name, numbers with their unit. */
export function showFact(library: Library, inventory: Inventory, { takes }: Fact, value: Value): string {
  switch (takes.kind) {
    case 'truth':
      return value === true ? 'yes' : 'no'
    case 'one':
      return takes.of[String(value)] ?? String(value)
    case 'number':
      return takes.unit === '' ? String(value) : `${String(value)} ${takes.unit}`
    case 'named':
      return nameOf(library, inventory, takes.what, String(value))
    default:
      return String(value)
  }
}

/** What something that a fact names is called. */
export function nameOf(
  library: Library,
  inventory: Inventory,
  what: 'model' | 'lens' | 'maker' | 'slot',
  id: string,
): string {
  switch (what) {
    case 'model':
      return modelName(library, id)
    case 'lens':
      return library.lenses.find((one) => one.id === id)?.name ?? id
    case 'maker':
      return id
    case 'slot': {
      const [tag = '', slot = ''] = id.split('/')
      const body = bodiesIn(inventory).find((one) => one.tag === tag)
      const model = library.models.find((one) => one.id === body?.model)
      return `${body?.name ?? tag}, ${model?.cards.slots.find((one) => one.id === slot)?.name ?? slot}`
    }
  }
}

/** A step in words; long ones are counted after the second change. */
export function describeInventoryStep(library: Library, inventory: Inventory, step: Step): string {
  const phrases = step.changes
    .slice(0, 2)
    .map(
      ({ row, from, to }) =>
        `${describeInventoryRow(library, inventory, row)}: ${showInventoryRow(library, inventory, row, from)} → ${showInventoryRow(library, inventory, row, to)}`,
    )
  const more = step.changes.length - phrases.length
  return more > 0 ? `${phrases.join('; ')}; and ${more} more` : phrases.join('; ')
}

function modelName({ models }: Library, id: string): string {
  const model = models.find((one) => one.id === id)
  return model ? `${model.maker} ${model.name}` : id
}
