import { describeStep } from '@/core/plan/rows'
import { Button } from '@/ui/button'
import { useDesk } from './desk-context'
import { Notice } from './notice'
import type { LeftBehind } from './queue'

/** What a closed tab could not save: to go on with it, or to give it up. */
export function LeftBehindNotice({ behind }: { behind: LeftBehind }) {
  const desk = useDesk()
  const { steps, aside } = behind.left
  const count = steps.length + aside.length
  const last = steps.at(-1)
  return (
    <Notice
      title={count === 1 ? 'One change was not saved.' : `${count} changes were not saved.`}
      ways={
        <>
          <Button onClick={() => void desk.decide(behind, 'away')}>
            {count === 1 ? 'Give it up' : 'Give them up'}
          </Button>
          <Button main onClick={() => void desk.decide(behind, 'on')}>
            {count === 1 ? 'Go on with it' : 'Go on with them'}
          </Button>
        </>
      }
    >
      A tab with this plan was closed before the server had {count === 1 ? 'it' : 'them'},{' '}
      <time dateTime={behind.at.toISOString()}>{behind.at.toLocaleString()}</time>.
      {last && ` The last: ${describeStep(desk.start.model, last)}.`}
    </Notice>
  )
}
