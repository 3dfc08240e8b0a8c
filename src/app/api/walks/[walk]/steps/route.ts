import { walkKind } from '@/core/procedures/progress'
import { handled } from '@/server/requests'
import { answerEarlier, answerSave } from '@/server/steps-route'
import { saveWalk, walkStepsBefore } from '@/server/walks'

interface At {
  readonly params: Promise<{ walk: string }>
}

/** A save of a walk. */
export const POST = handled(async (request: Request, { params }: At) => {
  const { walk } = await params
  return answerSave(request, walkKind, (read) => saveWalk(walk, read))
})

/** Older steps of a walk. */
export const GET = handled(async (request: Request, { params }: At) => {
  const { walk } = await params
  return answerEarlier(request, (before) => walkStepsBefore(walk, before))
})
