import { byHandOf } from '../camera/carry-order'
import { readsFilesOf } from '../model/firmware'
import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import type { ActKind } from '../model/menu-types'
import { plainPath } from '../cards/path'
import { must } from '../result'
import { Composer } from './composer'
import { handActs } from './hand-acts'
import type { FileTask } from './types'
import type { SetOrder } from './wanted'

/** A real body as a carry by hand needs to know it. */
export interface HandBody {
  readonly tag: string
  readonly name: string
  readonly firmware: string | null
  /** Where its file lies on the card, and under which name it reads it; null where its model, or the file itself, says so. */
  readonly folder: string | null
  readonly file: string | null
}

/**
 * Carries what a real body holds, by its own file, to others of its model: saved, taken in, written to each one's card, loaded,
 * saved again and held against what was sent. Where a body cannot read the file, or its model has none, it is set by hand.
 */
export function carryByHand(
  order: SetOrder,
  targets: readonly string[],
  bodies: readonly HandBody[],
): Composer {
  const composer = new Composer(order)
  const of = (tag: string): HandBody =>
    bodies.find((one) => one.tag === tag) ?? { tag, name: tag, firmware: null, folder: null, file: null }
  const source = order.tag === null ? null : of(order.tag)
  const first = source ? fromBody(composer, source) : fromShelf(composer)
  for (const tag of targets) {
    const body = of(tag)
    const why = byHandBecause(order, source, body)
    if (why !== null) setByHand(composer, body, why)
    else toBody(composer, order, body, first)
  }
  return composer
}

/** Why a body cannot take the file; null where nothing speaks against it. */
function byHandBecause({ model }: SetOrder, source: HandBody | null, body: HandBody): string | null {
  if (!model.acts.some(({ does }) => does === 'load'))
    return `A ${model.name} loads no file: it is set by hand.`
  const [from, to] = [source?.firmware ?? null, body.firmware]
  if (from === null || to === null || readsFilesOf(model, to, from)) return null
  return `Firmware ${to} of ${body.name} does not read files of firmware ${from}.`
}

function addressOf({ model }: Composer, does: ActKind): { readonly words: string; readonly where: string } {
  const act = model.acts.find((one) => one.does === does)
  const place = act && lookup(model).menuPlaces.get(act.id)
  return { words: act?.name ?? '', where: place?.address ?? '' }
}

/** An act of the menu of a real body: what is pressed there, and where. */
function menu(
  composer: Composer,
  id: string,
  does: ActKind,
  words: string,
  more: Parameters<Composer['doing']>[2],
): string {
  const { words: line, where } = addressOf(composer, does)
  return composer.add({ ...{ id, kind: 'menu', words, asks: line, where, stands: '' }, ...more })
}

function fileAct(
  composer: Composer,
  id: string,
  kind: 'take' | 'put' | 'compare',
  words: string,
  task: FileTask,
  more: Parameters<Composer['doing']>[2],
): string {
  return composer.add({
    ...{ id, kind, words, asks: `${task.for} ${task.tag ?? 'shelf'}`, task, stands: '' },
    ...more,
  })
}

function fromBody(composer: Composer, { tag, name }: HandBody): string {
  const part = name
  const held = composer.add({
    ...{ id: 'look/source', kind: 'look', asks: tag, part, stands: '' },
    words: `See that ${name} holds what you want to carry`,
    expect: 'a key you rely on does what it should, in each bank',
    because: 'What is saved now is what all the others get.',
  })
  const saved = menu(composer, 'save/source', 'save', `Save the settings of ${name} to its card`, {
    part,
    after: [held],
  })
  const first = fileAct(
    composer,
    handActs.source,
    'take',
    `Take the file of ${name} in`,
    { for: 'source', tag },
    {
      part,
      after: [saved],
      because: 'From here on it is kept: a card that is formatted loses nothing.',
    },
  )
  const again = menu(composer, 'save/again', 'save', `Save once more on ${name}, with nothing changed`, {
    part,
    after: [first],
    because:
      'What differs between two saves of an unchanged camera is only its clock and its counters. Skip it where that is known.',
  })
  fileAct(
    composer,
    handActs.again,
    'take',
    `Take the second save of ${name} in`,
    { for: 'again', tag },
    {
      part,
      after: [again],
    },
  )
  return first
}

function fromShelf(composer: Composer): string {
  return fileAct(
    composer,
    handActs.source,
    'take',
    'Choose the file that is to be carried',
    { for: 'source', tag: null },
    { part: 'The file', because: 'One that is on the shelf, or one you bring.' },
  )
}

function toBody(composer: Composer, order: SetOrder, body: HandBody, source: string): void {
  const { model, plan } = order
  const { tag, name } = body
  const part = name
  const folder = body.folder ?? must(plainPath(model.cardFile.folder))
  const saved = menu(composer, `save/${tag}/before`, 'save', `Save what ${name} holds now to its card`, {
    part,
    because: 'It is the way back.',
  })
  const before = fileAct(
    composer,
    handActs.before(tag),
    'take',
    `Take that file of ${name} in`,
    { for: 'before', tag },
    {
      part,
      after: [saved],
    },
  )
  const put = fileAct(
    composer,
    handActs.put(tag),
    'put',
    `Write the file to the card of ${name}`,
    { for: 'put', tag },
    {
      part,
      where: body.file === null ? folder : `${folder}/${body.file}`,
      after: [source, before],
      because: 'It is read back from the card and compared before the card leaves the reader.',
    },
  )
  const loaded = menu(
    composer,
    handActs.load(tag),
    'load',
    `Put that card into ${name} and load the settings`,
    {
      part,
      after: [put],
      warning: 'What the file carries replaces what the body holds.',
    },
  )
  const off = composer.add({
    ...{
      id: handActs.restart(tag),
      kind: 'do',
      words: `Switch ${name} off and on again`,
      asks: tag,
      part,
      stands: '',
    },
    after: [loaded],
    because: 'What was loaded comes into force then.',
  })
  const saveAgain = menu(composer, `save/${tag}/after`, 'save', `Save the settings of ${name} again`, {
    part,
    after: [off],
    because: 'Only a save after the load shows what the body really holds.',
  })
  const after = fileAct(
    composer,
    handActs.after(tag),
    'take',
    `Take the new file of ${name} in`,
    { for: 'after', tag },
    {
      part,
      after: [saveAgain],
    },
  )
  fileAct(
    composer,
    handActs.compare(tag),
    'compare',
    `Hold what ${name} holds against what was sent`,
    { for: 'compare', tag },
    {
      part,
      after: [after],
      expect: 'equal but for clock, counters and what is this body’s own',
    },
  )
  for (const { setting, row, value } of byHandOf(model, plan, tag))
    composer.add({
      id: `hand/${tag}/${row}`,
      kind: 'do',
      words: `${setting.label}: ${showValue(setting.domain, value)}`,
      where: lookup(model).menuAddress.get(setting.id) ?? '',
      part: `${name}, by hand`,
      asks: JSON.stringify(value),
      stands: '',
      because: 'No file carries it.',
      after: [loaded],
    })
}

/** A body that takes no file: set by hand, then pressed. */
function setByHand(composer: Composer, { tag, name }: HandBody, because: string): void {
  const set = composer.add({
    ...{ id: handActs.set(tag), kind: 'do', asks: tag, part: name, because, stands: '' },
    words: `Set ${name} by hand: what differs, in the order of its menu`,
    door: { procedure: 'set-plan', body: tag },
  })
  composer.add({
    ...{ id: handActs.press(tag), kind: 'do', asks: tag, part: name, after: [set], stands: '' },
    words: `Press every key of ${name} once`,
    because: 'What was set by hand is proven by the hand.',
    door: { procedure: 'press-test', body: tag },
  })
}
