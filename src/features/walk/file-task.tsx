import { handActs } from '@/core/procedures/hand-acts'
import { comparedOf, fileOf } from '@/core/procedures/hand-files'
import type { Mark, Walk } from '@/core/procedures/progress'
import { later } from '@/ui/later'
import type { WalkAct, WalkStart } from './start'

const TakeTask = later(async () => (await import('./take-task')).TakeTask)
const PutTask = later(async () => (await import('./put-task')).PutTask)
const CompareTask = later(async () => (await import('./compare-task')).CompareTask)

/** What is done with a file at an act: taken in, written to a card, held against another. */
export function FileTaskPanel({
  start,
  act,
  walk,
  onKeep,
  onSay,
  onGoTo,
}: {
  start: WalkStart
  act: WalkAct
  walk: Walk
  onKeep: (id: string, text: string) => boolean
  onSay: (id: string, mark: Mark | null, words?: string) => boolean
  onGoTo: (id: string) => void
}) {
  const { task } = act
  if (!task) return null
  const keep = (text: string) => void onKeep(act.id, text)
  if (task.for === 'compare')
    return (
      <CompareTask
        walkId={start.id}
        act={act}
        compared={comparedOf(walk, act.id)}
        onCompared={keep}
        onDiffers={(words) => void onSay(act.id, 'differs', words)}
        onTakeAgain={() => onGoTo(handActs.after(task.tag ?? ''))}
      />
    )
  const kept = fileOf(walk, act.id)
  if (task.for === 'put') return <PutTask walkId={start.id} act={act} kept={kept} onPut={keep} />
  return <TakeTask walkId={start.id} modelId={start.modelId} act={act} kept={kept} onTaken={keep} />
}
