import type { BodyModel } from '../model/types'
import type { RowId } from '../sync/step'
import { cost, impossible, missing, type InventoryFault } from './fault'
import { bodiesIn, type BodyRecord } from './records'
import { factRow, type Inventory, type Library } from './rows'

/** What is wrong or unsaid of bodies: what two share, what no model has. */
export function bodyFaults({ models }: Library, inventory: Inventory): InventoryFault[] {
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
