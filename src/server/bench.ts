import { operate, type BodyEvent, type BodyState, type Card } from '@/core/camera/body'
import { carryStages, stageNames, type CarryStage } from '@/core/camera/stages'
import { cardConditions, cardWords, type CardCondition } from '@/core/camera/card-condition'
import { isMishap, mishaps } from '@/core/camera/mishaps'
import { firmwareDay, type FirmwareDay } from '@/core/camera/firmware-day'
import { factRow } from '@/core/inventory/rows'
import { timesNeeded } from '@/core/reach/needs'
import { ok, refuse, type Result } from '@/core/result'
import { keepState, loadBody, lockBody, type Body, type Mishap } from './bodies'
import { standingOf } from './beliefs'
import { keptFilesOf } from './carry-sources'
import { transaction, type Connection } from './db'
import { keepFile } from './files'
import { setInventory } from './inventory'
import { definitions } from './models'
import { loadPlan } from './plans'

/** What is done to a simulated body by hand: its card, its battery, its firmware, what it holds, and what is to go wrong with it. */
export type BenchAct =
  | { readonly act: 'card'; readonly condition: CardCondition }
  | { readonly act: 'battery'; readonly percent: number }
  | { readonly act: 'firmware'; readonly version: string; readonly anyway: boolean }
  | { readonly act: 'restart' | 'reset' | 'save' }
  /** A lens put on, by the id of its definition, or taken off. */
  | { readonly act: 'lens'; readonly lens: string | null }
  | { readonly act: 'mishap'; readonly mishap: Mishap | null }

/** Reads an act from outside; refuses with what it takes. */
export function readBenchAct(given: Readonly<Record<string, unknown>>): Result<BenchAct> {
  const { act, condition, percent, version, lens, stage, what } = given
  switch (act) {
    case 'card': {
      const known = cardConditions.find((one) => one === condition)
      return known
        ? ok({ act, condition: known })
        : refuse('shape', `A card is ${cardConditions.join(', ')}.`, 'condition')
    }
    case 'battery':
      return typeof percent === 'number' && Number.isInteger(percent) && percent >= 0 && percent <= 100
        ? ok({ act, percent })
        : refuse('shape', 'A battery has 0 to 100 percent, a whole number.', 'percent')
    case 'firmware':
      return typeof version === 'string'
        ? ok({ act, version, anyway: given.anyway === true })
        : refuse('shape', 'A firmware is a text.', 'version')
    case 'lens':
      return lens === null || typeof lens === 'string'
        ? ok({ act, lens })
        : refuse('shape', 'A lens is named by the id of its definition; null takes it off.', 'lens')
    case 'restart':
    case 'reset':
    case 'save':
      return ok({ act })
    case 'mishap': {
      if (what === null) return ok({ act, mishap: null })
      const before = carryStages.find((one) => one === stage)
      if (!before) return refuse('shape', `A stage is one of ${carryStages.join(', ')}.`, 'stage')
      if (!isMishap(what)) return refuse('shape', `It is one of ${Object.keys(mishaps).join(', ')}.`, 'what')
      return ok({ act, mishap: { stage: before, what } })
    }
    default:
      return refuse(
        'shape',
        'An act is card, battery, firmware, lens, restart, reset, save or mishap.',
        'act',
      )
  }
}

/** Does it, with the body locked; what was done stands in its history. */
export async function actOnBench(id: string, act: BenchAct): Promise<Result<true>> {
  if (act.act === 'firmware') return updateFirmware(id, act.version, act.anyway)
  return transaction(async (client): Promise<Result<true>> => {
    const body = await lockBody(client, id)
    if (!body.ok) return body
    const done = await carryOut(client, body.value, act)
    if (done.ok) await tell(client, id, act.act, done.value)
    return done.ok ? ok(true) : done
  })
}

/** Does an act on a locked body; gives what happened, in words. */
async function carryOut(
  client: Connection,
  body: Body,
  act: Exclude<BenchAct, { act: 'firmware' }>,
): Promise<Result<string>> {
  switch (act.act) {
    case 'card': {
      const card = cardIn(body.state, act.condition)
      return operated(client, body, { kind: 'card', card }, `Card: ${cardWords[act.condition]}.`)
    }
    case 'battery':
      await keepState(client, body.id, body.state, { ...body.state, batteryPercent: act.percent })
      return ok(`Battery at ${act.percent} %.`)
    case 'restart':
    case 'reset':
      return operated(client, body, { kind: act.act })
    case 'save':
      return save(client, body)
    case 'lens':
      return mount(client, body, act.lens)
    case 'mishap':
      return prepare(client, body, act.mishap)
  }
}

function cardIn({ card }: BodyState, condition: CardCondition): Card | null {
  if (condition === 'none') return null
  const files = card?.files ?? {}
  return { locked: condition === 'locked', freeBytes: condition === 'full' ? 0 : 64_000_000_000, files }
}

/** Saves what the body holds to its card, and keeps the file on the shelf. */
async function save(client: Connection, body: Body): Promise<Result<string>> {
  const { id, name, tag, model, state } = body
  const atSeconds = Math.floor(Date.now() / 1000)
  const file = `${tag.toUpperCase()}-${atSeconds.toString(36).toUpperCase()}.SSC`
  const done = operate(model, state, { kind: 'save', file, atSeconds })
  if (!done.ok) return done
  await keepState(client, id, state, done.value.body)
  const bytes = done.value.body.card?.files[file]
  if (!bytes) return refuse('no-file', `The card has no ${file}.`, name)
  await keepFile(client, {
    ...{ kind: 'card', name: file, bytes, modelId: model.id, firmware: state.firmware },
    ...{ bodyId: id, revisionId: null, note: `Saved on ${name}.` },
  })
  return ok(`${done.value.log} It is on the shelf, too.`)
}

/** Puts a lens of the body's mount on, or takes it off. */
async function mount(client: Connection, body: Body, id: string | null): Promise<Result<string>> {
  const { lenses } = await definitions()
  const lens = lenses.find((one) => one.id === id)
  if (id !== null && lens?.fits !== body.model.maker)
    return refuse('outside', `There is no such lens for a ${body.model.maker} ${body.model.name}.`, 'lens')
  await client.query('update bodies set lens = $2 where id = $1', [body.id, id])
  return ok(lens ? `Lens: ${lens.name} is on.` : 'The lens is off.')
}

/** Prepares what is to go wrong; null for nothing any more. */
async function prepare(client: Connection, body: Body, mishap: Mishap | null): Promise<Result<string>> {
  const all = mishap ? [...body.mishaps.filter(({ stage }) => stage !== mishap.stage), mishap] : []
  await client.query('update bodies set mishaps = $2 where id = $1', [body.id, JSON.stringify(all)])
  if (!mishap) return ok('Nothing is to go wrong any more.')
  return ok(
    `To go wrong before “${stageNames[mishap.stage]}” of the next transfer: ${mishaps[mishap.what].words}.`,
  )
}

async function operated(
  client: Connection,
  { id, model, state }: Body,
  event: BodyEvent,
  words?: string,
): Promise<Result<string>> {
  const done = operate(model, state, event)
  if (!done.ok) return done
  await keepState(client, id, state, done.value.body)
  return ok(words ?? done.value.log)
}

/** Changes the card in a simulated body; its files stay on the card unless it is taken out. */
export function setCard(id: string, condition: CardCondition): Promise<Result<true>> {
  return actOnBench(id, { act: 'card', condition })
}

/**
 * Puts a newer firmware into a simulated body; the inventory says so from then on, and what it holds stays, as far as that
 * firmware has it. Every gate has to be open; where what it holds is saved nowhere, that is said, and `anyway` goes on.
 */
async function updateFirmware(id: string, version: string, anyway: boolean): Promise<Result<true>> {
  const body = await loadBody(id)
  if (!body.ok) return body
  const { tag, name, state } = body.value
  const day = await firmwareDayOf(body.value, version)
  if (!day.ok) return day
  const shut = day.value.gates.find((gate) => !gate.isOpen && !(anyway && gate.name === 'Files saved'))
  if (shut) return refuse(shut.name === 'Battery' ? 'battery' : 'not-saved', shut.words, name)
  await setInventory({ [factRow('body', tag, 'firmware')]: version })
  await transaction((client) => tell(client, id, 'firmware', `Firmware ${state.firmware} → ${version}.`))
  return ok(true)
}

/** What an update of a body comes to, before it is done. */
export async function firmwareDayOf(body: Body, to: string): Promise<Result<FirmwareDay>> {
  const { belief } = await standingOf(body)
  const plan = belief?.planId ? await loadPlan(belief.planId) : null
  const mine = plan?.ok === true && plan.value.model.version === body.model.version ? plan.value.plan : null
  const needed = (means: string) => (mine ? timesNeeded(body.model, mine, means) : 0)
  return firmwareDay(body.model, body.state, to, await keptFilesOf(body.model), mine?.rows ?? {}, needed)
}

/** Writes down what was done to a body. */
export async function tell(client: Connection, id: string, kind: string, words: string): Promise<void> {
  await client.query('insert into body_events (body_id, kind, words) values ($1, $2, $3)', [id, kind, words])
}

/** Lets happen what is to befall a locked body before a stage, once, and writes it down; gives the state after it. */
export async function befall(client: Connection, body: Body, stage: CarryStage): Promise<BodyState> {
  const mishap = body.mishaps.find((one) => one.stage === stage)
  if (!mishap) return body.state
  const { words, befall: happen } = mishaps[mishap.what]
  const left = body.mishaps.filter((one) => one !== mishap)
  await client.query('update bodies set mishaps = $2 where id = $1', [body.id, JSON.stringify(left)])
  const state = happen(body.state)
  await keepState(client, body.id, body.state, state)
  await tell(client, body.id, 'mishap', `${words}, before “${stageNames[stage]}”.`)
  return state
}
