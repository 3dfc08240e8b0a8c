import type { NamedRegion } from '@/core/files/verdict'
import { unkept } from '@/core/text'
import { ok, refuse, type Result } from '@/core/result'
import { isUuid, localOwner, query, type Connection } from './db'

/** A named stretch as it is kept. */
export interface KeptRegion extends NamedRegion {
  readonly id: string
}

const columns = `id, kind, size, from_byte as "from", to_byte as "to", words`

/** The named stretches of the files of a model, in order. */
export async function regionsOf(model: string): Promise<KeptRegion[]> {
  return query<KeptRegion>(
    `select ${columns} from file_regions where owner_id = $1 and model_id = $2 order by size, from_byte, to_byte`,
    [localOwner, model],
  )
}

/** More stretches of one model are not kept: a file that changes all over has none that mean anything. */
const mostKept = 2000

/** Keeps stretches of the files of a model; those that are kept already stay as they are. */
export async function keepRegions(
  client: Pick<Connection, 'query'>,
  model: string,
  regions: readonly NamedRegion[],
): Promise<void> {
  await client.query(
    `insert into file_regions (owner_id, model_id, kind, size, from_byte, to_byte, words)
     select $1, $2, r.kind, r.size, r."from", r."to", r.words
     from jsonb_to_recordset($3) as r (kind text, size int, "from" int, "to" int, words text)
     where (select count(*) from file_regions where owner_id = $1 and model_id = $2) < $4
     on conflict do nothing`,
    [localOwner, model, JSON.stringify(regions), mostKept],
  )
}

/** Reads a stretch from outside; refuses what is none. */
export function readRegion(given: Readonly<Record<string, unknown>>): Result<NamedRegion> {
  const { kind, size, from, to, words = '' } = given
  const isPlace = (one: unknown): one is number => Number.isSafeInteger(one) && (one as number) >= 0
  if (kind !== 'noise' && kind !== 'own')
    return refuse('shape', 'A stretch is noise, or a body’s own.', 'kind')
  if (!isPlace(size) || !isPlace(from) || !isPlace(to) || from >= to || to > size)
    return refuse(
      'outside',
      'A stretch goes from a byte to a later one, within the size of the file.',
      'from',
    )
  if (typeof words !== 'string' || words.length > 120 || unkept.test(words))
    return refuse('shape', 'Its words are a text of at most 120 characters.', 'words')
  return ok({ kind, size, from, to, words })
}

/** Takes a named stretch away again: it counts from then on. */
export async function dropRegion(id: string): Promise<Result<true>> {
  const gone = isUuid(id)
    ? await query('delete from file_regions where id = $1 and owner_id = $2 returning id', [id, localOwner])
    : []
  return gone.length > 0 ? ok(true) : refuse('unknown-region', 'There is no such stretch.', id)
}
