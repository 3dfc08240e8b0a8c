import * as yup from 'yup'
import { knownFolders, mostEntries, seeCard, type CardEntry, type CardSeen } from '@/core/cards/card'
import { judgePut, lyingAt } from '@/core/cards/putting'
import type { Seen } from '@/core/cards/taking'
import { bodiesIn, type BodyRecord } from '@/core/inventory/records'
import type { BodyModel } from '@/core/model/types'
import { ok, refuse, type Result } from '@/core/result'
import { inventoryNow } from './inventory'
import { definitions } from './models'
import { fileFacts } from './opaque'

/** A card in a reader, as a page sees it. */
export interface CardShown {
  readonly entries: readonly CardEntry[]
  readonly isWritable: boolean | null
  readonly free: number | null
}

/** What is to be written, and what is seen of the card it is to be written to. */
export interface ToWrite {
  readonly fileId: string
  readonly digest: string
  readonly path: string
  readonly seen: readonly Seen[]
  readonly card: CardSeen
  /** What lies there already, and is taken in before it is written over; null where nothing does. */
  readonly over: string | null
}

const cardShape = yup
  .object({
    entries: yup
      .array(
        yup
          .object({
            path: yup.string().strict().required().max(1000),
            bytes: yup.number().strict().required().min(0),
            savedAt: yup.number().strict().nullable().defined(),
          })
          .noUnknown()
          .strict(),
      )
      .strict()
      .required()
      .max(mostEntries),
    isWritable: yup.boolean().strict().nullable().defined(),
    free: yup.number().strict().nullable().defined().min(0),
  })
  .strict()

/** Reads what a page says of a card. */
export function readCardShown(given: unknown): Result<CardShown> {
  try {
    const { entries, isWritable, free } = cardShape.validateSync(given, { strict: true })
    return ok({ entries, isWritable, free })
  } catch (error) {
    const { message, path } = error as yup.ValidationError
    return refuse('shape', `What is on the card cannot be read: ${message}.`, path ?? 'entries')
  }
}

/** What lies on a card: the folders of models that are known here, and all others as they are. */
export async function lookAtAnyCard(
  { entries }: Pick<CardShown, 'entries'>,
  of: BodyRecord | null = null,
): Promise<CardSeen> {
  const [{ models }, { inventory }] = await Promise.all([definitions(), inventoryNow()])
  // A folder that several say is theirs belongs to the body that is asked about.
  const bodies = of ? [of, ...bodiesIn(inventory)] : bodiesIn(inventory)
  return seeCard(knownFolders(models, bodies), entries)
}

/** A file of the shelf that is to be written for a body, and what is seen of the card. */
export async function toWrite(
  body: BodyRecord,
  model: BodyModel,
  file: { readonly id: string; readonly name: string; readonly size: number; readonly digest: string },
  shown: CardShown,
): Promise<ToWrite> {
  const path = `${body.folder ?? model.cardFile.folder}/${body.file ?? file.name}`
  const card = await lookAtAnyCard(shown, { ...body, folder: body.folder ?? model.cardFile.folder })
  const put = { path, bytes: file.size, body: { name: body.name, model } }
  return {
    ...{ fileId: file.id, digest: file.digest, path, card },
    seen: judgePut(put, { seen: card, isWritable: shown.isWritable, free: shown.free }),
    over: lyingAt(path, card)?.path ?? null,
  }
}

/** A card prepared for a body: where a file of the shelf would go, and what speaks against it. */
export async function prepareCard(tag: string, fileId: string, shown: CardShown): Promise<Result<ToWrite>> {
  const [{ models }, { inventory }] = await Promise.all([definitions(), inventoryNow()])
  const body = bodiesIn(inventory).find((one) => one.tag === tag)
  const model = models.find(({ id }) => id === body?.model)
  if (!body || !model) return refuse('unknown-body', 'There is no such body, or its model is not here.', tag)
  if (!body.isReal)
    return refuse(
      'simulated',
      `${body.name} is simulated: it is carried to at once, without a card in a reader.`,
      tag,
    )
  const file = await fileFacts(fileId)
  return file.ok ? ok(await toWrite(body, model, file.value, shown)) : file
}
