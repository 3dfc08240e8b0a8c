import { ladderSteps, showValue } from '../model/domain'
import { settingsIn } from '../model/excerpt'
import { lookup } from '../model/lookup'
import type { Act } from '../model/types'
import { entriesOf, parseRow, settingOf } from '../plan/rows'
import { planTitle } from '../plan/plan'
import { carriedRows } from '../camera/memory'
import { leastForUpdate, updateOf, type Update } from '../camera/firmware-day'
import { timesNeeded } from '../reach/needs'
import { contextOf, memoryPlan } from '../camera/live/state'
import { route, type RouteStep } from '../route/route'
import { firmwareNumber } from '../rules/facts'
import { bring, saveFirst } from './begin'
import { isoRatings, rateAct } from './iso-limits'
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
      id: rateAct(mark),
      kind: 'look',
      words: `${showValue(domain, mark)}: fine, in need, or never?`,
      part: 'Rate it at the size you deliver',
      asks: mark,
      answers: isoRatings,
    })
  setBack(composer, order, 'As it was')
  composer.doing('ladder', 'Write the two limits under You, at Foundation', {
    part: 'Then',
    after: shot.map(({ mark }) => rateAct(mark)),
    writes: 'iso-limits',
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

/** The firmware that an update goes to: the one that is asked for, else the next after the body's. */
export function updateTarget({ model, firmware }: SetOrder, asked: string): string | null {
  const newer = model.firmware.filter(
    ({ version }) => (firmwareNumber(version) ?? 0) > (firmwareNumber(firmware) ?? 0),
  )
  return (newer.find(({ version }) => version === asked) ?? newer[0])?.version ?? null
}

/** The day of an update: nothing is lost, what the file carries across is known, and what to look at again is named. */
export function firmwareDay(order: SetOrder, asked: string): Composer {
  const composer = new Composer(order)
  const { model, firmware, plan } = order
  const kept = saveFirst(composer, 'Before')
  const part = 'The update'
  const to = updateTarget(order, asked)
  const update = to === null ? null : updateOf(model, firmware, to, holding(composer, order))
  const charged = composer.doing('full-battery', 'Put a full battery in', {
    part,
    after: kept,
    because: `Below ${leastForUpdate} % an update may break off, and leaves a dead camera.`,
  })
  if (!update?.ok) {
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
  const { versions, brought, lost, recheck, way } = update.value
  const between = versions.slice(0, -1).map(({ version }) => version)
  const updated = composer.menuAct('update', {
    part,
    after: [...kept, charged],
    events: [{ kind: 'firmware', version: update.value.to }],
    words: `Update to firmware ${update.value.to}`,
    because: `${versions.map(({ brings }) => brings).join(' ')}${between.length > 0 ? ` ${between.join(', ')} lies in between: what that brought comes too.` : ''}`,
  })
  const off = composer.restart(updated === null ? [charged] : [updated], 'The new firmware begins then.')
  for (const words of lost)
    composer.undone.push({ row: null, words, because: `Firmware ${update.value.to} does not have it.` })
  bringBack(composer, way, update.value, off)
  for (const { name, address, version, needed } of brought.filter((one) => one.needed > 0))
    composer.add({
      id: `brought/${name}`,
      kind: 'look',
      words: `Look at what is new: ${name}`,
      where: address,
      part: 'What it brings',
      asks: version,
      because: `The needs of ${planTitle(plan)} ask for it ${needed} times an outing.`,
    })
  for (const { row, place } of recheck)
    composer.add({
      id: `recheck/${row}`,
      kind: 'look',
      words: `Look again: ${place}`,
      part: 'Decided on older firmware',
      row,
      asks: update.value.to,
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
  composer.doing(
    'prove',
    'Carry the plan again, or press every key once: then it is proven on the new firmware',
    {
      part: 'Then',
      after: [off],
    },
  )
  return composer
}

function holding({ state }: Composer, { model, plan }: SetOrder) {
  return {
    held: carriedRows(model, state.body.memory),
    rows: plan.rows,
    needed: (means: string) => timesNeeded(model, plan, means),
  }
}

/** What the update wiped, brought back: by the file saved before, or by hand. */
function bringBack(composer: Composer, way: Update['way'], { from, to }: Update, off: string): void {
  const part = 'After'
  if (way === 'walk') {
    composer.doing('by-hand', 'Set the plan by hand: “Set this plan”, what differs from delivered', {
      part,
      after: [off],
      because: `Firmware ${to} does not read files of ${from}.`,
    })
    return
  }
  const loaded = composer.menuAct('load', {
    part,
    after: [off],
    because: `Firmware ${to} reads files of ${from}: it brings back what the update wiped.`,
  })
  composer.restart(loaded === null ? [off] : [loaded], 'What was loaded comes into force then.')
}

/**
 * A body brought back to delivered and up again from its own file: for a camera that behaves as nothing in the menu explains.
 * What the file does not carry is set by hand afterwards.
 */
export function resetAndRestore(order: SetOrder): Composer {
  const composer = new Composer(order)
  const kept = saveFirst(composer, 'Save what is there')
  const back = 'Back to delivered'
  const reset = composer.menuAct('reset', { part: back, after: kept })
  const off = composer.restart(reset === null ? kept : [reset], 'Some values come into force only then.')
  const seen = composer.doing('as-delivered', 'See whether the trouble is gone as delivered', {
    part: back,
    after: [off],
    expect:
      'gone: a value had caused it. Still there: it is no value; go back all the same, and have the camera looked at',
    because: 'If it comes back with the file, a value in the file causes it.',
  })
  const up = 'Up again from its file'
  const loaded = composer.menuAct('load', { part: up, after: [...kept, off, seen] })
  const on = composer.restart(loaded === null ? [off] : [loaded], 'What was loaded comes into force then.')
  const again = composer.menuAct('save', {
    part: up,
    after: [on],
    because: 'Held against the one saved before, it shows whether everything came back.',
  })
  composer.doing('compare', 'Hold the two files against each other, on the shelf under Files', {
    part: up,
    after: again === null ? [on] : [again],
    expect: 'they say the same',
  })
  setBack(composer, order, 'What no file carries')
  return composer
}
