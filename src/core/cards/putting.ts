import type { BodyModel } from '../model/types'
import { isSamePath } from './path'
import { inBytes, type Seen } from './taking'
import type { CardEntry, CardSeen } from './card'

/** What is to be written to a card, and for whom. */
export interface ToPut {
  readonly path: string
  readonly bytes: number
  readonly body: { readonly name: string; readonly model: BodyModel }
}

/** What is known of a card before something is written to it. */
export interface CardAtHand {
  readonly seen: CardSeen
  /** Whether it can be written to at all, as far as it says; null where it does not. */
  readonly isWritable: boolean | null
  /** In bytes; null where it does not say. */
  readonly free: number | null
}

/** Looks at a card before a file is written to it: whose card it is, its lock, its room, and what would be written over. */
export function judgePut(put: ToPut, { seen, isWritable, free }: CardAtHand): Seen[] {
  return [whose(put, seen), lock(isWritable), room(put, free), over(put, seen)]
}

/** The file that lies where another is to be written; null where nothing does. */
export function lyingAt(path: string, { known, other }: Pick<CardSeen, 'known' | 'other'>): CardEntry | null {
  const all = [...known.flatMap(({ files }) => files), ...other.flatMap(({ some }) => some)]
  return all.find((one) => isSamePath(one.path, path)) ?? null
}

function whose({ body }: ToPut, { known }: CardSeen): Seen {
  const about = 'Card'
  const own = known.some(({ modelId }) => modelId === body.model.id)
  const alike = known.find(({ modelId }) => body.model.lookAlikes.some(({ model }) => model === modelId))
  if (alike && !own)
    return {
      ...{ about, verdict: 'stop' },
      words: `This card has files of a look-alike in ${alike.folder}: it is a card of ${alike.of}. Take the one for ${body.name}.`,
    }
  const strange = known.find(({ modelId }) => modelId !== body.model.id)
  if (strange && !own)
    return {
      ...{ about, verdict: 'stop' },
      words: `It is a card of another camera: ${strange.folder} is of ${strange.of}. Take the one for ${body.name}; if it is to go there, save on ${body.name} with it first.`,
    }
  return own
    ? { about, verdict: 'fine', words: `It has been used in a ${body.model.name}.` }
    : {
        about,
        verdict: 'look',
        words: `Nothing on it says that it has been in ${body.name}: format it in the body first, if it is new.`,
      }
}

function lock(isWritable: boolean | null): Seen {
  const about = 'Lock'
  if (isWritable === false)
    return {
      about,
      verdict: 'stop',
      words: 'It cannot be written to: slide its lock, or let this page write.',
    }
  return isWritable === null
    ? { about, verdict: 'fine', words: 'Whether it is locked shows when it is written.' }
    : { about, verdict: 'fine', words: 'Not locked.' }
}

function room({ bytes }: ToPut, free: number | null): Seen {
  const about = 'Room'
  if (free === null)
    return {
      about,
      verdict: 'fine',
      words: `${inBytes(bytes)} are needed; whether there is room shows when it is written.`,
    }
  return free < bytes
    ? { about, verdict: 'stop', words: `${inBytes(free)} are free, ${inBytes(bytes)} are needed.` }
    : { about, verdict: 'fine', words: `${inBytes(free)} are free.` }
}

function over({ path }: ToPut, seen: CardSeen): Seen {
  const about = 'Written over'
  const there = lyingAt(path, seen)
  return there
    ? {
        ...{ about, verdict: 'look' },
        words: `${path} lies there already (${inBytes(there.bytes)}): it is taken in to the shelf first, then written over.`,
      }
    : { about, verdict: 'fine', words: `Nothing lies at ${path}.` }
}
