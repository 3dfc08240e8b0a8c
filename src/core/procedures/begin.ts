import { ownerRow } from '../camera/live/edit'
import { factoryMemory } from '../camera/memory'
import { addressOfMeaning, lookup } from '../model/lookup'
import { situationName, situationsOf, workOf } from '../plan/situations'
import { describeRow, entriesOf, parseRow, rowValue, settingOf, showRow, type Rows } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import { agreedValues } from '../vocabulary/agreed'
import { Composer, type ActOptions } from './composer'
import { setOne } from './menu-pass'
import { composeSetting } from './set-plan'
import { aimOf, type SetOrder } from './wanted'

/** A common setting brought to a value where it stands otherwise; nothing where the model has none. */
export function bring(composer: Composer, means: string, value: Value, options: ActOptions): boolean {
  const setting = lookup(composer.model).byMeaning.get(means)
  return !setting || setting.place === 'physical' || setOne(composer, setting, value, options)
}

/** Something that a person has to enter, by the common settings it is in. */
function enter(composer: Composer, means: string, why: string, part: string): void {
  const setting = lookup(composer.model).byMeaning.get(means)
  if (!setting) return
  composer.doing(`enter/${setting.id}`, `Enter ${setting.label.toLowerCase()}`, {
    where: addressOfMeaning(composer.model, means),
    because: why,
    part,
  })
}

/** Every planned kind of work whose files have to be opened somewhere. */
function editorsOf({ plan }: SetOrder): { readonly id: string; readonly words: string }[] {
  const said = situationsOf(plan).flatMap((id) => {
    const { software } = workOf(plan, id)
    return typeof software === 'string' && software !== ''
      ? [{ software, name: situationName(plan, id) }]
      : []
  })
  const byName = new Map<string, string[]>()
  for (const { software, name } of said) byName.set(software, [...(byName.get(software) ?? []), name])
  if (byName.size === 0)
    return [{ id: 'yours', words: 'Open a picture from the card in the software you work with' }]
  return [...byName].map(([software, names]) => ({
    id: software
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40),
    words: `Open a picture from the card in ${software} (${names.join(', ')})`,
  }))
}

/** The first day with a new camera, in the order in which it is done; important work waits for a file that really opened. */
export function firstDay(order: SetOrder): Composer {
  const composer = new Composer(order)
  const ready = 'Get it running'
  const charged = composer.doing('charge', 'Charge the battery fully and put it in', { part: ready })
  composer.doing('card-in', 'Put the card you will work with in', {
    part: ready,
    events: [{ kind: 'card', what: 'in' }],
    after: [charged],
  })
  composer.doing('dioptre', 'Turn the dioptre until the lettering in the finder is sharp', {
    part: ready,
    because: 'An eyepiece that is off looks like missed focus.',
  })
  for (const [means, why] of [
    ['display.language', 'You read the menu in it.'],
    ['body.clock', 'Pictures of several bodies are sorted by it.'],
    ['files.owner', 'A lost camera tells whose it is.'],
    ['files.copyright', 'It goes into every file.'],
  ] as const)
    enter(composer, means, why, ready)
  composer.menuAct('format', { part: ready, because: 'A card is formatted in the camera that writes on it.' })
  const off = 'Switch off first'
  for (const { means, value, because } of agreedValues) bring(composer, means, value, { because, part: off })
  bring(composer, 'network.wireless', false, {
    because: 'It drains the battery; switch it on when you need it.',
    part: off,
  })
  bring(composer, 'shutter.withoutCard', false, {
    because: 'Pictures without a card are lost.',
    part: off,
  })
  const files = 'A file that opens'
  const wanted = aimOf(order).want
  for (const means of ['image.kind', 'image.rawKind', 'image.quality', 'movie.compression', 'movie.bits'])
    bringPlanned(composer, means, wanted, files)
  const shot = composer.doing('first-picture', 'Take one picture, and one short film if you film', {
    part: files,
    events: [{ kind: 'full' }],
  })
  const opened = editorsOf(order).map(({ id, words }) =>
    composer.doing(`open/${id}`, words, {
      part: files,
      after: [shot],
      expect: 'The picture is there at full size, and its white balance can be changed.',
      because: 'A file that does not open is found out in the evening otherwise.',
    }),
  )
  const save = 'A way back'
  const saved = composer.menuAct('save', {
    part: save,
    because: 'The state that works is the first to keep.',
  })
  const copied = composer.doing(
    'copy-file',
    `Copy ${order.model.cardFile.folder} from the card to your computer`,
    {
      part: save,
      after: saved === null ? [] : [saved],
      because: 'Formatting the card loses it.',
    },
  )
  composer.doing('important-work', 'Take the camera to important work', {
    part: 'Then',
    after: [...opened, copied],
    because: 'Not before a file of it was really opened where you work.',
  })
  return composer
}

function bringPlanned(composer: Composer, means: string, wanted: Rows, part: string): void {
  const { model, state } = composer
  const setting = lookup(model).byMeaning.get(means)
  if (!setting) return
  const row = ownerRow(model, state, setting, composer.settings().chains.get(setting.id) ?? [])
  const value = rowValue(wanted, row)
  if (value !== null) setOne(composer, setting, value, { part, because: 'As your plan has it.' })
}

/** Saved, and where that file is; the acts that come before anything is wiped. */
export function saveFirst(composer: Composer, part: string): string[] {
  const { folder } = composer.model.cardFile
  const saved = composer.menuAct('save', { part, because: 'What is on it now cannot be had back otherwise.' })
  const copied = composer.doing('copy-before', `Copy the file in ${folder} on the card to your computer`, {
    part,
    after: saved === null ? [] : [saved],
    warning: 'It lies on the card only: formatting the card loses it.',
  })
  return saved === null ? [copied] : [saved, copied]
}

/** A body brought back to delivered, by way of a file that keeps what was there; then what of the delivered values contradicts the plan. */
export function cleanStart(order: SetOrder): Composer {
  const composer = new Composer(order)
  const { model } = order
  const kept = saveFirst(composer, 'Save what is there')
  const part = 'Back to delivered'
  const reset = composer.menuAct('reset', { part, after: kept })
  const off = composer.restart(reset === null ? kept : [reset], 'Some values come into force only then.')
  const newest = model.firmware.at(-1)?.version
  if (newest !== undefined && newest !== order.firmware) {
    const updated = composer.menuAct('update', {
      part: 'Firmware',
      words: `Update to firmware ${newest}, if it is offered`,
      after: [...kept, off],
      events: [{ kind: 'firmware', version: newest }],
    })
    composer.restart(updated === null ? [off] : [updated], 'An update can leave values of its own.')
  }
  // What the plan wants from here on is composed as if the body were as delivered.
  const rest = composeSetting({
    ...order,
    from: factoryMemory(model),
    firmware: composer.state.body.firmware,
  })
  composer.undone.push(...rest.undone)
  for (const act of rest.acts)
    composer.add(act.after.length > 0 || kept.length === 0 ? act : { ...act, after: [off] })
  return composer
}

/** Nothing wiped: what is there is saved, then every line the plan says is looked at, and mended where it is otherwise. */
export function buildOn(order: SetOrder): Composer {
  const composer = new Composer(order)
  saveFirst(composer, 'Save what is there')
  const { want, planned, lacking } = aimOf(order)
  composer.undone.push(...lacking)
  const { menuAddress } = lookup(order.model)
  for (const [row, value] of entriesOf(want)) {
    if (!planned.has(row)) continue
    const parsed = parseRow(order.model, row)
    const setting = parsed.ok ? (settingOf(parsed.value)?.id ?? '') : ''
    composer.add({
      id: `look/${row}`,
      kind: 'look',
      words: `${describeRow(order.model, row)}: is it ${showRow(order.model, row, value)}?`,
      where: menuAddress.get(setting) ?? '',
      part: 'Look, and mend what is otherwise',
      row,
      sets: value,
      asks: JSON.stringify(value),
      expect: showRow(order.model, row, value),
    })
  }
  return composer
}
