import type { Step } from '@/core/sync/step'
import { Button } from '@/ui/button'
import { Notice } from './notice'
import type { LeftBehind } from './queue'

/** What a closed tab could not save: to go on with it, or to give it up. */
export function LeftBehindNotice({
  behind,
  name,
  describeStep,
  onDecide,
}: {
  behind: LeftBehind
  /** What the document is called, such as "plan". */
  name: string
  describeStep: (step: Step) => string
  onDecide: (go: 'on' | 'away') => void
}) {
  const { steps, aside } = behind.left
  const count = steps.length + aside.length
  const last = steps.at(-1)
  return (
    <Notice
      title={count === 1 ? 'One change was not saved.' : `${count} changes were not saved.`}
      ways={
        <>
          <Button onClick={() => onDecide('away')}>{count === 1 ? 'Give it up' : 'Give them up'}</Button>
          <Button main onClick={() => onDecide('on')}>
            {count === 1 ? 'Go on with it' : 'Go on with them'}
          </Button>
        </>
      }
    >
      A tab with this {name} was closed before the server had {count === 1 ? 'it' : 'them'},{' '}
      <time dateTime={behind.at.toISOString()}>{behind.at.toLocaleString()}</time>.
      {last && ` The last: ${describeStep(last)}.`}
    </Notice>
  )
}
