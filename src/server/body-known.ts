import { clashesOf, compareTwins } from '@/core/camera/twins'
import { bodyTags } from '@/core/plan/bodies'
import { bodyTagOf, describeRow, differsIn, entriesOf, noteRow, rowValue, showRow } from '@/core/plan/rows'
import { writePlace } from '@/core/camera/live/place-text'
import { knownOfLens } from '@/core/camera/on-body'
import { emptyPlan, planTitle, type Plan } from '@/core/plan/plan'
import { usualContext } from '@/core/resolve/context'
import { knownRows } from '@/core/plan/written'
import { ok, refuse } from '@/core/result'
import type { RowDifference } from '@/core/files/compare'
import { howWords, standingOf } from './beliefs'
import { bodyTagged, twinsOf, type Body } from './bodies'
import { localOwner, query } from './db'
import { definitions } from './models'

/** A body with all that is known of it: as its page and commands show it. */
export async function bodyCalled(tag: string, against: string | null) {
  const found = await bodyTagged(tag)
  if (!found?.ok) return found ?? refuse('unknown-body', 'There is no such body.', tag)
  const body = found.value
  const twins = await twinsOf(body)
  const other = twins.find((one) => one.tag === against) ?? twins[0]
  const read = other && (await bodyTagged(other.tag))
  const twin = read?.ok ? read.value : null
  const [standing, plans, backups] = await Promise.all([
    standingOf(body),
    plansFor(body),
    query<{ id: string; name: string; note: string; at: Date }>(
      `select id, name, note, added_at as at from files
       where owner_id = $1 and body_id = $2 and kind = 'card' and deleted_at is null
         and coalesce((select bool_or(tf.role = 'backup') from transfer_files tf where tf.file_id = files.id), true)
       order by added_at desc limit 8`,
      [localOwner, body.id],
    ),
  ])
  const { belief, drift, doubts } = standing
  return ok({
    body,
    belief: belief && {
      ...{ words: belief.words, since: belief.since.toISOString(), how: howWords[belief.how] },
      planId: belief.planId,
    },
    drift: drift.map(differenceLine),
    doubts,
    wanted: plans.flatMap((one) => wantedOf(body, one)),
    lenses: await lensesFor(body),
    twins,
    twin: twin ? twinOf(body, twin, plans) : null,
    backups: backups.map((file) => ({ ...file, at: file.at.toISOString() })),
    memory: entriesOf(body.state.memory).map(([row, value]) => ({
      row,
      place: describeRow(body.model, row),
      value: showRow(body.model, row, value),
    })),
  })
}

/** The lenses of a body's mount, with what it knows of each, and where Try it stands with it. */
async function lensesFor({ model }: Body) {
  const { lenses } = await definitions()
  const plain = emptyPlan(model)
  return lenses
    .filter(({ fits }) => fits === model.maker)
    .map((lens) => {
      const usual = usualContext(model, plain, [lens], model.sides[0] ?? 'stills')
      const place = usual ? writePlace(usual.context, []) : null
      return { id: lens.id, name: lens.name, words: knownOfLens(lens), place }
    })
}

function differenceLine({ row, place, leftWords, rightWords }: RowDifference) {
  return { row, place, leftWords, rightWords }
}

function twinOf(body: Body, other: Body, plans: readonly NamedPlan[]) {
  const model = body.model
  const twins = compareTwins(
    model,
    twin(body),
    twin(other),
    plans.map(({ plan }) => plan.rows),
  )
  return {
    ...{ tag: other.tag, name: other.name, compared: twins.compared, clashes: twins.clashes },
    rows: twins.differences.map(({ kind, isColour, wanted, ...row }) => ({
      ...{ kind, isColour, wanted },
      ...differenceLine(row),
    })),
  }
}

interface NamedPlan {
  readonly id: string
  readonly plan: Plan
}

/** The plans of a body’s model that speak of it, as its edition reads them. */
async function plansFor({ model, tag }: Body): Promise<NamedPlan[]> {
  const rows = await query<{ id: string; rows: Record<string, unknown> }>(
    `select id, rows from plans where owner_id = $1 and model_id = $2 and deleted_at is null
     order by updated_at desc limit 50`,
    [localOwner, model.id],
  )
  return rows
    .map(({ id, rows: given }) => ({
      id,
      plan: { model: { id: model.id, version: model.version }, rows: knownRows(model, given).rows },
    }))
    .filter(({ plan }) => bodyTags(plan).includes(tag))
}

function wantedOf({ model, tag }: Body, { id, plan }: NamedPlan) {
  const rows = entriesOf(plan.rows).flatMap(([row, value]) => {
    const about = bodyTagOf(row) === tag ? differsIn(row, tag) : null
    if (about === null) return []
    const why = rowValue(plan.rows, noteRow('why', row))
    return [
      {
        ...{ place: describeRow(model, about), value: showRow(model, about, value) },
        why: typeof why === 'string' ? why : null,
      },
    ]
  })
  return rows.length === 0 ? [] : [{ planId: id, title: planTitle(plan), rows }]
}

/** What clashes between bodies of one model, pair by pair: for the shelf. */
export function mismatchesOf(bodies: readonly Body[]): {
  readonly one: string
  readonly other: string
  readonly tags: readonly [string, string]
  readonly clashes: readonly string[]
}[] {
  return bodies.flatMap((one, i) =>
    bodies.slice(i + 1).flatMap((other) => {
      if (other.model.id !== one.model.id || other.model.version !== one.model.version) return []
      const clashes = clashesOf(one.model, twin(one), twin(other))
      return clashes.length === 0
        ? []
        : [{ one: one.name, other: other.name, tags: [one.tag, other.tag] as const, clashes }]
    }),
  )
}

function twin({ name, tag, state }: Body) {
  return { name, tag, memory: state.memory }
}
