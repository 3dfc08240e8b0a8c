import type { Result } from '@/core/result'
import type { DocumentKind } from '@/core/sync/kind'
import { readSave, type Answer, type ReadSave } from '@/core/sync/protocol'
import type { Step } from '@/core/sync/step'
import { readOrder, refusalResponse } from './requests'

/** One save: `core/sync/protocol` says what goes in and what comes out. 409 with newer steps, 422 with a step that does not fit, 410 where the log is another one. */
export async function answerSave<D>(
  request: Request,
  shape: DocumentKind<D>,
  save: (read: ReadSave) => Promise<Result<Answer>>,
): Promise<Response> {
  const json = await readOrder(request, shape.limits.bytesInSave + shape.limits.bytesInStep)
  if (!json.ok) return refusalResponse(json.refusal)
  const read = readSave(shape, json.value)
  if (!read.ok) return refusalResponse(read.refusal)
  const answer = await save(read.value)
  if (!answer.ok) return refusalResponse(answer.refusal)
  const statuses = { saved: 200, stale: 409, unfit: 422, apart: 410 } as const
  return Response.json(answer.value, { status: statuses[answer.value.kind] })
}

/** Older steps, for undo: those before the one named, oldest first. */
export async function answerEarlier(
  request: Request,
  stepsBefore: (number: number) => Promise<Result<readonly Step[]>>,
): Promise<Response> {
  const before = Number(new URL(request.url).searchParams.get('before'))
  if (!Number.isInteger(before) || before < 1 || before > 2_000_000_000)
    return refusalResponse({
      code: 'shape',
      message: 'Say before which step, such as ?before=51.',
      where: 'before',
    })
  const steps = await stepsBefore(before)
  return steps.ok ? Response.json({ kind: 'steps', steps: steps.value }) : refusalResponse(steps.refusal)
}
