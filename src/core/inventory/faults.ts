import type { BodyModel } from '../model/types'
import type { RowId } from '../sync/step'
import { fNumber, focalRange, gearKinds, type GearKind } from './facts'
import { bodiesIn, cardsIn, gearIn, hasNone, lensesIn, recordName, type BodyRecord } from './records'
import { factRow, handsIn, noneRow, recordIds, type Inventory, type Library } from './rows'

/** Something about an inventory that its owner should know. */
export interface InventoryFault {
  /** It cannot be so; something is not said that plans need; or it costs something. */
  readonly kind: 'impossible' | 'missing' | 'cost'
  readonly title: string
  readonly reason: string
  /** The row it is about. */
  readonly row: RowId
}

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

function bodyFaults({ models }: Library, inventory: Inventory): InventoryFault[] {
  const bodies = bodiesIn(inventory)
  return bodies.flatMap((body, i): InventoryFault[] => {
    const { tag, name } = body
    const row = (fact: string) => factRow('body', tag, fact)
    const model = models.find(({ id }) => id === body.model)
    const before = bodies.slice(0, i)
    const twin = before.find(
      (one) => one.model === body.model && body.serial !== null && one.serial === body.serial,
    )
    const clash = before.find(
      (one) => one.model === body.model && body.prefix !== null && one.prefix === body.prefix,
    )
    return [
      ...(twin
        ? [
            impossible(
              `${twin.name} and ${name} have one serial number`,
              `Both say ${body.serial ?? ''}, and no two bodies of a model share one: look at the plate under one of them.`,
              row('serial'),
            ),
          ]
        : []),
      ...(clash
        ? [
            cost(
              `${clash.name} and ${name} name their files alike`,
              `Both begin with ${body.prefix ?? ''}: in a shared folder files of one overwrite those of the other.`,
              row('prefix'),
            ),
          ]
        : []),
      ...modelFaults(body, model, row),
    ]
  })
}

function modelFaults(
  { name, model: id, firmware, serial, grip, adapter }: BodyRecord,
  model: BodyModel | undefined,
  row: (fact: string) => RowId,
): InventoryFault[] {
  if (id === null)
    return [
      missing(
        `${name}: which model is it?`,
        'Until that is said no plan reckons with this body.',
        row('model'),
      ),
    ]
  if (!model)
    return [
      missing(
        `${name}: the model ${id} is not at hand`,
        'Its definition is missing. The body is kept as it is.',
        row('model'),
      ),
    ]
  const known = model.firmware.map(({ version }) => version)
  const parts = { grip, adapter }
  return [
    ...(firmware === null
      ? [
          missing(
            `${name}: which firmware does it run?`,
            `${model.name} has ${known.join(', ')}; until it is said, the newest is reckoned with.`,
            row('firmware'),
          ),
        ]
      : known.includes(firmware)
        ? []
        : [
            impossible(
              `${name} runs ${firmware}, which no ${model.name} has`,
              `The definition knows ${known.join(', ')}.`,
              row('firmware'),
            ),
          ]),
    ...(serial === null
      ? [
          missing(
            `${name}: which serial number?`,
            'It tells the body from others, and files that it writes from theirs.',
            row('serial'),
          ),
        ]
      : []),
    ...(['grip', 'adapter'] as const).flatMap((part) =>
      parts[part] === true && !model.controls.some(({ presence }) => presence === part)
        ? [
            impossible(
              `${name} has no ${part}`,
              `The definition of ${model.name} has no keys on a ${part}.`,
              row(part),
            ),
          ]
        : [],
    ),
  ]
}

function lensFaults(library: Library, inventory: Inventory): InventoryFault[] {
  return lensesIn(library, inventory).flatMap(({ id, name, lens, lacks }): InventoryFault[] => {
    const row = (fact: string) => factRow('lens', id, fact)
    if (!lens)
      return [missing(`${name} is not reckoned with yet`, `Say first: ${lacks.join(', ')}.`, row('name'))]
    const { widest, widestLong = widest, narrowest, narrowestLong = narrowest, focalMm } = lens
    const isZoom = focalMm[0] !== focalMm[1]
    const [short, long] = focalRange(String(inventory.rows[row('focal')] ?? focalMm.join('-')))
    return [
      ...(fNumber(widestLong) < fNumber(widest)
        ? [
            impossible(
              `${name}: wider at its long end`,
              `${widest} at ${short} mm and ${widestLong} at ${long} mm: a zoom is never faster at its long end.`,
              row('widestLong'),
            ),
          ]
        : []),
      ...(!isZoom && lens.widestLong !== undefined && lens.widestLong !== widest
        ? [
            impossible(
              `${name}: two widest apertures`,
              `It has one focal length, so it has one widest aperture.`,
              row('widestLong'),
            ),
          ]
        : []),
      ...(narrowest !== undefined && fNumber(narrowest) < fNumber(widest)
        ? [
            impossible(
              `${name}: apertures stand reversed`,
              `Its narrowest, ${narrowest}, is wider than its widest, ${widest}.`,
              row('narrowest'),
            ),
          ]
        : []),
      ...(narrowestLong !== undefined && fNumber(narrowestLong) < fNumber(widestLong)
        ? [
            impossible(
              `${name}: apertures stand reversed at the long end`,
              `Its narrowest, ${narrowestLong}, is wider than its widest, ${widestLong}.`,
              row('narrowestLong'),
            ),
          ]
        : []),
      ...(library.models.some(({ maker }) => maker === lens.fits)
        ? []
        : [
            missing(
              `${name} fits no body that is known`,
              `No model is by ${lens.fits}, so no plan reckons with it.`,
              row('fits'),
            ),
          ]),
    ]
  })
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

function impossible(title: string, reason: string, row: RowId): InventoryFault {
  return { kind: 'impossible', title, reason, row }
}

function missing(title: string, reason: string, row: RowId): InventoryFault {
  return { kind: 'missing', title, reason, row }
}

function cost(title: string, reason: string, row: RowId): InventoryFault {
  return { kind: 'cost', title, reason, row }
}
