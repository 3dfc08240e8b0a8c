import type { BodyLine } from '@/features/bodies'
import type { ShelfFile } from '@/features/shelf'
import type { FileLine } from '@/server/files'
import { cardConditionOf, type Body } from '@/server/bodies'

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

/** A file of the store as screens show it. */
export function fileLine(file: FileLine): ShelfFile {
  return { ...file, addedAt: file.addedAt.toISOString() }
}
