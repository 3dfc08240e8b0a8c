import { isUuid, localOwner, query } from './db'
import { listBodies, type Body } from './bodies'
import { listRevisions } from './revisions'

/** Something that can be carried, as it is chosen from a list. */
export interface SourceChoice {
  readonly id: string
  readonly words: string
  readonly modelId: string
}

/** The newest configuration files of cameras on the shelf; with `model` of that alone. */
export async function fileChoices(model: string | null, most = 40): Promise<SourceChoice[]> {
  const files = await query<{ id: string; name: string; model_id: string; body: string | null; at: string }>(
    `select f.id, f.name, f.model_id, b.name as body, to_char(f.added_at, 'YYYY-MM-DD') as at
     from files f left join bodies b on b.id = f.body_id
     where f.owner_id = $1 and f.kind = 'card' and f.deleted_at is null and ($2::text is null or f.model_id = $2)
     order by f.added_at desc limit $3`,
    [localOwner, model, most],
  )
  return files.map(({ id, name, model_id: modelId, body, at }) => ({
    ...{ id: `file:${id}`, modelId },
    words: `File ${name}${body === null ? '' : `, ${body}`}, ${at}`,
  }))
}

/** What bodies hold, to be carried over to others of their model. */
export function bodyChoices(bodies: readonly Body[]): SourceChoice[] {
  return bodies
    .filter(({ id, model }) => bodies.some((other) => other.id !== id && other.model.id === model.id))
    .map(({ id, name, model }) => ({ id: `body:${id}`, words: `What ${name} holds`, modelId: model.id }))
}

/** What can be carried from a plan’s own page besides the plan as it is: its revisions, files of its model, other bodies. */
export async function choicesBesides(
  planId: string,
): Promise<{ bodies: Body[]; sources: SourceChoice[]; modelId: string }> {
  const [{ bodies }, revisions, plans] = await Promise.all([
    listBodies(),
    listRevisions(planId),
    isUuid(planId)
      ? query<{ model_id: string }>('select model_id from plans where id = $1', [planId])
      : ([] as { model_id: string }[]),
  ])
  const modelId = plans[0]?.model_id ?? ''
  const ofRevisions = revisions.map(({ number, at, note }) => ({
    id: `revision:${planId}/${number}`,
    words: `Revision ${number}, ${at.toISOString().slice(0, 10)}${note === '' ? '' : `: ${note}`}`,
    modelId,
  }))
  const others = bodyChoices(bodies).filter((one) => one.modelId === modelId)
  return { bodies, modelId, sources: [...ofRevisions, ...others, ...(await fileChoices(modelId))] }
}
