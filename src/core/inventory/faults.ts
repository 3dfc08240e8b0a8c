import { bodyFaults } from './body-faults'
import { gearKinds, type GearKind } from './kinds'
import { cost, impossible, missing, type InventoryFault } from './fault'
import { lensFaults } from './lens-faults'
import { bodiesIn, cardsIn, gearIn, hasNone, recordName } from './records'
import { factRow, handsIn, noneRow, recordIds, type Inventory, type Library } from './rows'

/** Everything that is impossible, missing or costly in an inventory, the worst first. */
export function inventoryFaults(library: Library, inventory: Inventory): InventoryFault[] {
  const all = [
    ...bodyFaults(library, inventory),
    ...lensFaults(library, inventory),
    ...cardFaults(library, inventory),
    ...gearFaults(inventory),
    ...handFaults(inventory),
  ]
  const order = ['impossible', 'missing', 'cost']
  return all.sort((one, other) => order.indexOf(one.kind) - order.indexOf(other.kind))
}

/** What an inventory without anything in it, or without a part, leaves undecided; one sentence each. */
export function whatIsUnsaid(inventory: Inventory): string[] {
  return [
    ...recordsUnsaid(inventory),
    ...gearUnsaid(inventory).map((kind) => `${gearKinds[kind]}: not said whether there is one.`),
  ]
}

/** Kinds of gear of which it is not said whether there is one. */
export function gearUnsaid(inventory: Inventory): GearKind[] {
  return (Object.keys(gearKinds) as GearKind[]).filter(
    (kind) => !hasNone(inventory, kind) && !gearIn(inventory).some((one) => one.kind === kind),
  )
}

/** What an inventory without bodies, lenses or cards leaves undecided. */
export function recordsUnsaid({ rows }: Inventory): string[] {
  const has = (kind: Parameters<typeof recordIds>[1]) => recordIds(rows, kind).length > 0
  return [
    ...(has('body')
      ? []
      : ['No body: plans are looked at with the newest firmware, and nothing tells bodies apart.']),
    ...(has('lens')
      ? []
      : ['No lens: plans are looked at with any lens that talks to the body, unless they name one.']),
    ...(has('card') ? [] : ['No card: whether a card keeps up with film and bursts is not checked.']),
  ]
}

function cardFaults({ models }: Library, inventory: Inventory): InventoryFault[] {
  const bodies = bodiesIn(inventory)
  return cardsIn(inventory).flatMap(({ id, name, usedIn, megabytesPerSecond: rate }): InventoryFault[] => {
    const row = (fact: string) => factRow('card', id, fact)
    const body = bodies.find(({ tag }) => tag === usedIn?.tag)
    const model = models.find((one) => one.id === body?.model)
    const slot = model?.cards.slots.find((one) => one.id === usedIn?.slot)
    if (usedIn === null)
      return [
        missing(
          `${name}: used in which slot?`,
          'Until that is said no plan reckons with this card.',
          row('in'),
        ),
      ]
    if (!body || !slot)
      return [
        missing(
          `${name} is used in ${usedIn.tag}/${usedIn.slot}, which is not there`,
          'The body was removed, or its model has no such slot: say where it is used now.',
          row('in'),
        ),
      ]
    if (rate === null)
      return [
        missing(
          `${name}: what does it keep up writing?`,
          'Without it nothing is said of whether it keeps up with film and bursts.',
          row('rate'),
        ),
      ]
    return rate < slot.ceilingMBps
      ? [
          cost(
            `${name} is slower than its slot`,
            `It keeps up ${rate} MB/s; ${slot.name} of ${body.name} takes ${slot.ceilingMBps} MB/s. The card sets the pace.`,
            row('rate'),
          ),
        ]
      : []
  })
}

function gearFaults(inventory: Inventory): InventoryFault[] {
  return gearIn(inventory).flatMap(({ id, name, kind }): InventoryFault[] => {
    if (kind === null)
      return [missing(`${name}: what is it?`, 'Say what kind of thing it is.', factRow('gear', id, 'kind'))]
    return hasNone(inventory, kind)
      ? [
          impossible(
            `${name} is there, and there is said to be none`,
            `“No ${gearKinds[kind].toLowerCase()}” is ticked too: one of the two is wrong.`,
            noneRow(kind),
          ),
        ]
      : []
  })
}

/** A body in the hand that is not there, or not of that model any more. */
function handFaults(inventory: Inventory): InventoryFault[] {
  return handsIn(inventory).flatMap(({ row, model, tag }): InventoryFault[] => {
    if (bodiesIn(inventory).some((one) => one.tag === tag && one.model === model)) return []
    return [
      missing(
        `Plans are made with ${recordName(inventory, 'body', tag)}, which is not there`,
        'Choose another body to plan with.',
        row,
      ),
    ]
  })
}
