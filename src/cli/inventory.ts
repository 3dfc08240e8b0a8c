import { effectsOf } from '@/core/inventory/effects'
import { factTable } from '@/core/inventory/facts'
import { recordKinds } from '@/core/inventory/kinds'
import { inventoryFaults, whatIsUnsaid } from '@/core/inventory/faults'
import { factRow, recordIds, type Inventory, type Library } from '@/core/inventory/rows'
import { showFact, titleOf } from '@/core/inventory/words'
import { done, refused, type Command } from './command'
import { definitionsIn, inventoryOnDisk } from './disk'
import { modelsFolder } from './options'

/** `inventory FILE`: what an owner has, what is wrong or unsaid in it, and what plans reckon with. */
export const showInventory: Command = {
  name: 'inventory',
  usage: 'inventory FILE [--models FOLDER]',
  summary: 'print an inventory, what is wrong or unsaid in it, and what plans reckon with',
  options: { models: 'one' },
  operands: 1,
  async run([path = ''], options) {
    const definitions = await definitionsIn(modelsFolder(options))
    if (!definitions.ok) return refused(definitions.refusal)
    const read = await inventoryOnDisk(path)
    if (!read.ok) return refused(read.refusal)
    const [library, inventory] = [definitions.value, read.value]
    const faults = inventoryFaults(library, inventory)
    const unsaid = whatIsUnsaid(inventory)
    const effects = effectsOf(library, inventory).map(({ model, sentences }) => ({
      model: model.id,
      sentences,
    }))
    const lines = [
      ...recordLines(library, inventory),
      ...faults.map(({ kind, title, reason, row }) => `${kind}: ${title}. ${reason} (${row})`),
      ...unsaid.map((one) => `not said: ${one}`),
      ...effects.flatMap(({ model, sentences }) => [
        `plans for ${model} reckon with:`,
        ...sentences.map((one) => `  ${one}`),
      ]),
    ]
    return done(lines.join('\n'), { rows: inventory.rows, faults, unsaid, effects })
  },
}

function recordLines(library: Library, inventory: Inventory): string[] {
  return recordKinds.flatMap((kind) =>
    recordIds(inventory.rows, kind).map((id) => {
      const name = titleOf(library, inventory, kind, id)
      const said = factTable[kind].flatMap((fact) => {
        const value = inventory.rows[factRow(kind, id, fact.id)]
        if (value === undefined || fact.id === 'name') return []
        return [`${fact.label.toLowerCase()} ${showFact(library, inventory, fact, value)}`]
      })
      return `${kind} ${id}: ${name}${said.length > 0 ? `, ${said.join(', ')}` : ''}`
    }),
  )
}
