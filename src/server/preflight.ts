import { onEdition } from '@/core/camera/body'
import { preflightOf, type SeenBefore } from '@/core/camera/preflight'
import { adviceOn } from '@/core/checks/checks'
import { equipmentFor, equipped } from '@/core/inventory/equip'
import { ok, type Result } from '@/core/result'
import { loadBody } from './bodies'
import { keptRowsOf, openSource, type CarrySource, type Opened } from './carry-sources'
import { inventoryNow } from './inventory'
import { definitions } from './models'

/** More bodies are not looked at together. */
export const mostBodies = 40

/** Looks at bodies before something is carried to them: freezes nothing, writes nothing. */
export async function seeBefore(
  source: CarrySource,
  bodyIds: readonly string[],
): Promise<Result<SeenBefore>> {
  const opened = await openSource(source, null)
  if (!opened.ok) return opened
  const { words, model } = opened.value
  const [kept, problems, bodies] = await Promise.all([
    keptRowsOf(model),
    problemsOf(opened.value),
    Promise.all(bodyIds.slice(0, mostBodies).map(loadBody)),
  ])
  return ok({
    words,
    problems,
    bodies: bodies.map((body, i) => {
      if (!body.ok) return { id: bodyIds[i] ?? '', name: '', preflight: null, refusal: body.refusal }
      const { id, name, state } = body.value
      const order = opened.value.orderFor(body.value, { stem: 'REV', atSeconds: 0 })
      return order.ok
        ? {
            id,
            name,
            preflight: preflightOf(order.value, onEdition(order.value.model, state), kept),
            refusal: null,
          }
        : { id, name, preflight: null, refusal: order.refusal }
    }),
  })
}

async function problemsOf({ plan, model }: Opened): Promise<SeenBefore['problems']> {
  if (plan === null) return []
  const [library, { inventory }] = await Promise.all([definitions(), inventoryNow()])
  const equipment = equipmentFor(model, library, inventory)
  return adviceOn(model, equipped(plan, equipment), equipment.lenses)
    .filter(({ severity }) => severity !== 'tidies')
    .map(({ title, severity, station }) => ({ title, severity, station }))
}
