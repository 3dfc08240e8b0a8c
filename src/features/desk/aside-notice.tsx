import { planValue } from '@/core/plan/kind'
import { describeRow, showRow } from '@/core/plan/rows'
import type { Aside } from '@/core/sync/rebase'
import { Button } from '@/ui/button'
import { useDesk, useDeskPart } from './desk-context'
import { Notice } from './notice'

/** A row that could not stay as it was meant: which of the two values is to stand is asked. */
export function AsideNotice({ about }: { about: Aside }) {
  const desk = useDesk()
  const plan = useDeskPart('document')
  const { model } = desk.start
  const { row, mine, why } = about
  const isRefused = why.kind === 'refused'
  return (
    <Notice
      title={isRefused ? 'Not taken.' : 'Changed elsewhere meanwhile.'}
      ways={
        <>
          <Button onClick={() => desk.settleConflict(about, 'theirs')}>Keep what is there</Button>
          <Button main onClick={() => desk.settleConflict(about, 'mine')}>
            Put mine back
          </Button>
        </>
      }
    >
      {isRefused && `${why.refusal.message} `}
      {describeRow(model, row)}: it is now <b>{showRow(model, row, planValue(plan, row))}</b>; you wanted{' '}
      <b>{showRow(model, row, mine)}</b>.
    </Notice>
  )
}
