import { isLive } from '../camera/live/edit'
import { addressOfMeaning, lookup } from '../model/lookup'
import { plannedSlots } from '../plan/plan'
import { bankFactRow, bankRow, rowValue, type RowId } from '../plan/rows'
import type { Value } from '../vocabulary/values'
import { Composer } from './composer'
import { setItems, type Item } from './menu-pass'
import type { SetOrder } from './wanted'

/** Before the work: what is in the camera, what nothing restores by itself, and each bank as it should be. */
export function morning(order: SetOrder): Composer {
  const composer = new Composer(order)
  const ready = 'Before anything'
  composer.doing('battery', 'Put a full battery in, and a spare in the pocket', { part: ready })
  const copied = composer.doing('copied', 'Make sure that yesterday’s pictures are copied twice', {
    part: ready,
  })
  composer.menuAct('format', { part: ready, after: [copied], because: 'The day begins with empty cards.' })
  composer.doing('clock', 'Look at the clock of every body', {
    part: ready,
    where: addressOfMeaning(order.model, 'body.clock'),
    because: 'Pictures of several bodies are sorted by it.',
  })
  physicals(composer, order)
  positions(composer, order)
  banks(composer, order)
  return composer
}

/** Marked dials, levers and switches: in no file and in no bank. */
function physicals(composer: Composer, { model }: SetOrder): void {
  for (const setting of model.settings.filter(({ place }) => place === 'physical'))
    composer.doing(`physical/${setting.id}`, `Look at ${setting.label.toLowerCase()} on the body`, {
      part: 'By hand',
      because: 'No file and no bank sets it.',
    })
}

/** Remembered positions: nothing restores them. */
function positions(composer: Composer, { model }: SetOrder): void {
  for (const position of model.positions.filter(({ keeps }) => keeps.length > 0)) {
    composer.turnTo(position)
    composer.doing(
      `look-at/${position.id}`,
      `Look at shutter speed, aperture, ISO and AF in ${position.name}`,
      {
        part: position.name,
        because: 'It keeps what you changed last, and nothing restores it.',
        expect: 'as the plan has it',
      },
    )
  }
}

/** Each bank: a live one put back where it is changed on site, a snapshot looked at once. */
function banks(composer: Composer, order: SetOrder): void {
  const { model, plan } = order
  for (const slot of plannedSlots(model, plan)) {
    const family = model.families.find(({ id }) => id === slot.family)
    if (!family) continue
    composer.recall(slot.family, slot.slot, slot.name)
    const onSite = rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'onSite'))
    const changed = Array.isArray(onSite) ? (onSite as readonly string[]) : []
    if (!isLive(model, composer.state, family)) {
      composer.doing(`look-at/${slot.family}/${slot.slot}`, `See that ${slot.name} is as it was stored`, {
        part: slot.name,
        ...(slot.purpose === null ? {} : { expect: slot.purpose }),
        because: 'A snapshot comes back whole: what is wrong now was stored wrong.',
      })
      continue
    }
    const items = (changed.length > 0 ? changed : Object.keys(slot.rows)).flatMap((id): Item[] => {
      const setting = lookup(model).settings.get(id)
      const row: RowId = bankRow(slot.family, slot.slot, id)
      const value: Value | null = rowValue(composer.state.body.memory, row)
      return setting && value !== null ? [{ setting, value, row }] : []
    })
    setItems(composer, items, { part: slot.name })
  }
}

/** After the work: nothing is wiped before it was copied twice and opened. */
export function evening(order: SetOrder): Composer {
  const composer = new Composer(order)
  const part = 'Bring it home'
  const one = composer.doing('copy-one', 'Copy every card to your computer', { part })
  const two = composer.doing('copy-two', 'Copy it again to another disk', { part, after: [one] })
  const opened = composer.doing('open-some', 'Open the first, a middle and the last picture of each copy', {
    part,
    after: [one, two],
    expect: 'all of them open',
  })
  composer.doing('changed', 'Note what you changed on the camera and want to keep', {
    part: 'What was learned',
    because: 'A live bank keeps it, a snapshot has lost it.',
  })
  composer.doing('missed', 'Note what misfired: a key, a bank, a missed focus', { part: 'What was learned' })
  composer.menuAct('format', {
    part: 'For tomorrow',
    after: [one, two, opened],
    warning: 'Everything on the card is lost, configuration files too.',
  })
  composer.doing('charge', 'Charge the batteries', { part: 'For tomorrow' })
  return composer
}
