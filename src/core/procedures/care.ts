import { ladderSteps, showValue } from '../model/domain'
import { settingsIn } from '../model/excerpt'
import { lookup } from '../model/lookup'
import type { Act } from '../model/types'
import type { LiveEvent } from '../camera/live/events'
import { describeRow, entriesOf, parseRow, settingOf } from '../plan/rows'
import { decidedBefore } from '../plan/stamp'
import { contextOf, memoryPlan } from '../camera/live/state'
import { route, type RouteStep } from '../route/route'
import { firmwareNumber } from '../rules/facts'
import { bring, saveFirst } from './begin'
import { sameValue, type Value } from '../vocabulary/values'
import { Composer } from './composer'
import { setItems, setOne, type Item } from './menu-pass'
import type { SetOrder } from './wanted'

/** Full stops of the camera's ISO ladder, each shot once and rated: fine, in need, never. */
export function isoLadder(order: SetOrder): Composer {
  const composer = new Composer(order)
  const { byMeaning } = lookup(order.model)
  const iso = byMeaning.get('exposure.iso')
  if (iso?.domain.kind !== 'ladder') return composer
  const { domain } = iso
  bring(composer, 'exposure.isoAuto', false, { part: 'Set up', because: 'The ISO is chosen by hand here.' })
  composer.doing('subject', 'Frame something with dark folds, skin or wood, and even light', {
    part: 'Set up',
  })
  const stops = ladderSteps(domain).filter((_, i) => i % 3 === 0)
  const shot = stops.filter(({ mark }) => {
    if (!setOne(composer, iso, mark, { part: 'Shoot the ladder' })) return false
    composer.doing(`shoot/${mark}`, `Take a picture at ${showValue(domain, mark)}`, {
      part: 'Shoot the ladder',
      events: [{ kind: 'full' }],
    })
    return true
  })
  for (const { mark } of shot)
    composer.add({
      id: `rate/${mark}`,
      kind: 'look',
      words: `${showValue(domain, mark)}: fine, in need, or never?`,
      part: 'Rate it at the size you deliver',
      asks: mark,
      expect: 'fine, in need, or never: write it down as what you saw',
    })
  setBack(composer, order, 'As it was')
  composer.doing('ladder', 'Say the two limits under You, at Foundation', {
    part: 'Then',
    because: 'Checks of the automatic ISO go by them.',
  })
  return composer
}

/** What was changed for the occasion set back to what the plan has. */
export function setBack(composer: Composer, { model, from }: SetOrder, part: string): void {
  const { memory } = composer.state.body
  const rows = entriesOf(from).filter(([row, value]) => !sameValue(memory[row], value))
  const items = rows.flatMap(([row, value]): Item[] => {
    const parsed = parseRow(model, row)
    const setting = parsed.ok ? settingOf(parsed.value) : null
    return setting ? [{ setting, value, row }] : []
  })
  setItems(composer, items, { part })
}

/** A phone or a remote paired: what has to be on first, in order, and the act. */
export function pairing(order: SetOrder): Composer {
  const composer = new Composer(order)
  const { model } = order
  const act = model.acts.find(({ does }) => does === 'pair')
  if (!act) return composer
  const remote = lookup(model).byMeaning.get('network.remote')
  const on = remote?.domain.kind === 'toggle' ? { [remote.id]: true } : {}
  // The remote is switched on before it is paired: what is wanted first, then the act.
  const values = { ...neededBy(act), ...on }
  for (const wanted of [{ values }, { values: {}, acts: [act.id] }]) {
    const found = route(model, memoryPlan(composer.state), contextOf(composer.state), wanted)
    if (!found.ok) {
      composer.undone.push({ row: null, words: act.name, because: found.refusal.message })
      return composer
    }
    for (const step of found.value.steps) along(composer, step)
  }
  composer.doing('paired', 'See that the phone or the remote releases the shutter', {
    part: 'Then',
    expect: 'one picture more on the card',
  })
  return composer
}

/** The values that an act asks for plainly. */
function neededBy({ needs }: Act): Readonly<Record<string, Value>> {
  return Object.fromEntries(
    needs.flatMap(({ when }) => {
      const [setting] = settingsIn(when)
      return 'is' in when && setting !== undefined ? [[setting, when.is] as const] : []
    }),
  )
}

/** A step of a route as an act. */
function along(composer: Composer, { move }: RouteStep): void {
  const { model } = composer
  const part = 'In the menu'
  if (move.kind === 'position') {
    const position = model.positions.find(({ id }) => id === move.to)
    if (position) composer.turnTo(position)
  } else if (move.kind === 'act') {
    // The menu is opened and left without an act of its own: every line of it says where it stands.
    if (move.act.does !== 'run') composer.actOf(move.act, { part })
  } else {
    const setting = lookup(model).settings.get(move.setting)
    if (setting) setOne(composer, setting, move.to, { part })
  }
}

/** The day of an update: nothing is lost, what the file carries across is known, and what to look at again is named. */
export function firmwareDay(order: SetOrder): Composer {
  const composer = new Composer(order)
  const { model, firmware } = order
  const kept = saveFirst(composer, 'Before')
  const next = model.firmware.find(
    ({ version }) => (firmwareNumber(version) ?? 0) > (firmwareNumber(firmware) ?? 0),
  )
  const part = 'The update'
  const charged = composer.doing('full-battery', 'Put a full battery in', { part, after: kept })
  if (!next) {
    composer.doing(
      'newest',
      `Firmware ${firmware} is the newest that the definition of ${model.name} knows`,
      {
        part,
        because: 'For a later one, bring the definition up to date first.',
      },
    )
    return composer
  }
  const events: LiveEvent[] = [{ kind: 'firmware', version: next.version }]
  const updated = composer.menuAct('update', {
    part,
    after: [...kept, charged],
    events,
    words: `Update to firmware ${next.version}`,
    because: next.brings,
  })
  const off = composer.restart(updated === null ? [charged] : [updated], 'The new firmware begins then.')
  const after = 'After'
  if (next.readsFilesFrom.includes(firmware)) {
    const loaded = composer.menuAct('load', {
      part: after,
      after: [off],
      because: `Firmware ${next.version} reads files of ${firmware}: it brings back what the update wiped.`,
    })
    composer.restart(loaded === null ? [off] : [loaded], 'What was loaded comes into force then.')
  } else
    composer.doing('by-hand', 'Set the plan by hand: “Set this plan”, what differs from delivered', {
      part: after,
      after: [off],
      because: `Firmware ${next.version} does not read files of ${firmware}.`,
    })
  for (const { row } of decidedBefore(order.plan.rows, next.version))
    composer.add({
      id: `recheck/${row}`,
      kind: 'look',
      words: `Look again: ${describeRow(order.model, row)}`,
      part: 'Decided on older firmware',
      row,
      asks: next.version,
      because: 'It was decided on an older firmware.',
    })
  const again = composer.menuAct('save', {
    part: 'Then',
    because: 'The file of the new firmware is another one.',
  })
  composer.doing('copy-after', 'Copy that file to your computer as well', {
    part: 'Then',
    after: again === null ? [] : [again],
  })
  return composer
}
