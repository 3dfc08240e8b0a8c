import { compareRows, type RowDifference } from '../files/compare'
import { readsFilesOf } from '../model/firmware'
import { lookup } from '../model/lookup'
import { showValue } from '../model/domain'
import { lackingWords } from '../plan/lacking'
import { rowValue, type Rows } from '../plan/rows'
import type { Refusal } from '../result'
import { sameValue } from '../vocabulary/values'
import { leastBatteryPercent, writableCard, type BodyState } from './body'
import { fileFor, type CarryOrder } from './carry-order'
import { carriedRows } from './memory'

/** One thing that is looked at before anything is done to a body. */
export interface PreflightLine {
  /** What it is about, such as "Firmware". */
  readonly name: string
  /** By which it is refused; null where nothing speaks against it. */
  readonly stop: string | null
  readonly words: string
}

/** A row of the body that a transfer would overwrite. */
export interface Overwritten extends RowDifference {
  /** Whether what the body has there is in no file and no revision that is kept. */
  readonly isOnlyHere: boolean
}

/** One line that no file carries and that is done by hand on the body. */
export interface HandWork {
  readonly setting: string
  readonly label: string
  readonly menu: string
  readonly wanted: string
  readonly now: string
  readonly done: boolean
}

/** What would happen to a body, before anything does. */
export interface Preflight {
  readonly lines: readonly PreflightLine[]
  readonly overwritten: readonly Overwritten[]
  readonly handWork: readonly HandWork[]
  /** Whether nothing speaks against it. */
  readonly isClear: boolean
}

/** What would happen to some bodies, before anything does. */
export interface SeenBefore {
  /** What is carried, in words. */
  readonly words: string
  /** Problems that are still open in the plan, the worst first. */
  readonly problems: readonly {
    readonly title: string
    readonly severity: string
    readonly station: string
  }[]
  readonly bodies: readonly {
    readonly id: string
    readonly name: string
    readonly preflight: Preflight | null
    /** Why nothing can be said of it. */
    readonly refusal: Refusal | null
  }[]
}

/** Room that a body wants on its card besides the files, in bytes. */
const spareBytes = 4096

/**
 * Looks at a body before anything is done to it: model, edition, firmware, every row its firmware lacks, battery, card; and
 * row by row what would be overwritten. `kept` are rows that are kept elsewhere, of files and revisions. Changes nothing;
 * linear in rows, times what is kept for those overwritten.
 */
export function preflightOf(order: CarryOrder, body: BodyState, kept: readonly Rows[] = []): Preflight {
  const model = modelLine(order, body)
  const isSameModel = model.stop === null
  const lines = [
    model,
    ...(isSameModel ? [firmwareLine(order, body)] : []),
    batteryLine(body),
    cardLine(order, body),
  ]
  const { differences } = isSameModel
    ? compareRows(order.model, order.rows, carriedRows(order.model, body.memory))
    : { differences: [] }
  const overwritten = differences.map((one) => ({
    ...one,
    // What a body does not have is nowhere else to be kept.
    isOnlyHere:
      one.right !== null &&
      !kept.some((rows) => sameValue(rowValue(rows, one.row) ?? undefined, one.right ?? undefined)),
  }))
  return {
    ...{ lines, overwritten, handWork: isSameModel ? handWorkOf(order, body) : [] },
    isClear: lines.every(({ stop }) => stop === null),
  }
}

function modelLine({ model }: CarryOrder, body: BodyState): PreflightLine {
  const name = 'Model'
  const lookAlike = model.lookAlikes.find((one) => one.model === body.model.id)
  if (lookAlike) {
    const words = `This body is a look-alike, not a ${model.name}. ${lookAlike.tellApart}`
    return { name, stop: 'look-alike', words }
  }
  if (body.model.id !== model.id)
    return {
      ...{ name, stop: 'other-model' },
      words: `It was made for a ${model.name}; this body is a ${body.model.id}.`,
    }
  if (body.model.version !== model.version)
    return {
      ...{ name, stop: 'other-definition' },
      words: 'Body and plan go by different definitions of the model.',
    }
  return { name, stop: null, words: `${model.maker} ${model.name}, as it has to be.` }
}

function firmwareLine({ model, file, lacking }: CarryOrder, { firmware }: BodyState): PreflightLine {
  const name = 'Firmware'
  if (file && !readsFilesOf(model, firmware, file.firmware)) {
    const words = `Firmware ${firmware} does not read files of firmware ${file.firmware}. Set it by hand, with a walk.`
    return { name, stop: 'firmware', words }
  }
  const missing = lacking(firmware)
  if (missing.length > 0)
    return {
      ...{ name, stop: 'firmware-lacks' },
      words: `This body runs firmware ${firmware}, which cannot hold all of it: ${lackingWords(missing)}. Update the body, or change those rows.`,
    }
  const read = file && file.firmware !== firmware ? `; it reads files of ${file.firmware}` : ''
  return { name, stop: null, words: `${firmware} has every row of it${read}.` }
}

function batteryLine({ batteryPercent }: BodyState): PreflightLine {
  const isEnough = batteryPercent >= leastBatteryPercent
  return {
    ...{ name: 'Battery', stop: isEnough ? null : 'battery' },
    words: `The battery has ${batteryPercent} %${isEnough ? '' : `; ${leastBatteryPercent} % are needed. Charge it first`}.`,
  }
}

function cardLine(order: CarryOrder, body: BodyState): PreflightLine {
  const needed = 2 * fileFor(order, body).length + spareBytes
  const card = writableCard(body, '', needed)
  if (!card.ok) return { name: 'Card', stop: card.refusal.code, words: card.refusal.message }
  return {
    name: 'Card',
    stop: null,
    words: `In the body, not locked, with room for the ${needed} bytes it takes.`,
  }
}

/** What is to be set by hand, with what the body has there now. */
export function handWorkOf({ model, byHand }: CarryOrder, body: BodyState): HandWork[] {
  return byHand.map(({ setting, row, value }) => {
    const now = rowValue(body.memory, row) ?? setting.factory
    return {
      setting: setting.id,
      label: setting.label,
      menu: lookup(model).menuAddress.get(setting.id) ?? '',
      wanted: showValue(setting.domain, value),
      now: showValue(setting.domain, now),
      done: sameValue(now, value),
    }
  })
}
