import { actOnBench, readBenchAct } from '@/server/bench'
import { handled, readOrder, refusalResponse } from '@/server/requests'

/** What is done to a simulated body by hand: `{act, …}`. */
export const POST = handled(async (request: Request, { params }: { params: Promise<{ body: string }> }) => {
  const order = await readOrder(request)
  const act = order.ok ? readBenchAct(order.value) : order
  if (!act.ok) return refusalResponse(act.refusal)
  const done = await actOnBench((await params).body, act.value)
  return done.ok ? Response.json({ kind: 'done' }) : refusalResponse(done.refusal)
})
