import type { BodyLine, OpenCarryLine, RealLine } from '@/features/bodies'
import type { PastTransfer } from '@/features/carry'
import type { HappenedLine } from '@/features/history'
import type { ShelfFile } from '@/features/shelf'
import type { FileLine } from '@/server/files'
import { cardConditionOf, type Body } from '@/server/bodies'
import type { HistoryLine } from '@/server/history'
import type { OpenCarry, RealBody } from '@/server/real-bodies'
import type { TransferLine } from '@/server/transfer-log'

/** A body of the store as screens show it. */
export function bodyLine(body: Body): BodyLine {
  return {
    id: body.id,
    tag: body.tag,
    name: body.name,
    place: body.place,
    modelId: body.model.id,
    model: `${body.model.maker} ${body.model.name}`,
    serial: body.state.serial,
    firmware: body.state.firmware,
    card: cardConditionOf(body.state),
    last: body.lastTransfer && { ...body.lastTransfer, endedAt: body.lastTransfer.endedAt.toISOString() },
  }
}

/** A real camera as screens show it. */
export function realLine({ record, model, belief, proofs, doubts }: RealBody): RealLine {
  return {
    ...{ tag: record.tag, name: record.name, place: record.place ?? '', modelId: model.id },
    ...{ model: `${model.maker} ${model.name}`, serial: record.serial, firmware: record.firmware, doubts },
    belief: belief && { words: belief.words, since: belief.since.toISOString(), planId: belief.planId },
    proofs: proofs.map(({ words, at }) => ({ words, at: at.toISOString() })),
  }
}

/** A carry by hand that is under way, in words; bodies by their names. */
export function openCarryLine(carry: OpenCarry, bodies: readonly RealBody[]): OpenCarryLine {
  const named = (tag: string) => bodies.find(({ record }) => record.tag === tag)?.record.name ?? tag
  const from = carry.from === '' ? 'a file' : named(carry.from)
  return {
    walkId: carry.walkId,
    words: `${from} → ${carry.to.split('+').map(named).join(', ')}, ${carry.ticked} ticked`,
  }
}

/** A file of the store as screens show it. */
export function fileLine(file: FileLine): ShelfFile {
  return {
    ...file,
    addedAt: file.addedAt.toISOString(),
    savedAt: file.savedAt && file.savedAt.toISOString(),
    deletedAt: file.deletedAt && file.deletedAt.toISOString(),
  }
}

/** A transfer of the store as screens show it. */
export function transferLine(transfer: TransferLine): PastTransfer {
  return { ...transfer, startedAt: transfer.startedAt.toISOString() }
}

/** A line of history as screens show it. */
export function happenedLine(line: HistoryLine): HappenedLine {
  return { ...line, at: line.at.toISOString() }
}

/** The number of a page as an address has it; the first where it has none, or nothing like one. */
export function pageNumber(text: string | undefined): number {
  const asked = Number(text ?? 1)
  return Number.isInteger(asked) && asked >= 1 && asked <= 1_000_000 ? asked : 1
}
