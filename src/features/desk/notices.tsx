'use client'

import { describeRow, showRow } from '@/core/plan/describe'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/trouble'
import { useDesk, useDeskView } from './desk-context'

/** What needs an answer before going on: rows that two tabs changed, and a step that was refused. */
export function Notices() {
  const desk = useDesk()
  const { conflicts, refusal } = useDeskView()
  const { model } = desk.start
  if (conflicts.length === 0 && !refusal) return null
  return (
    <div className="not-printed grid gap-2 px-5 pt-3">
      {conflicts.map((conflict) => (
        <section key={conflict.row} role="alert" className="border-l-3 border-lichen bg-sheet px-3 py-2">
          <p>
            <span className="font-semibold text-lichen">Changed elsewhere meanwhile. </span>
            {describeRow(model, conflict.row)}: it is now{' '}
            <b>{showRow(model, conflict.row, conflict.theirs)}</b>; you wanted{' '}
            <b>{showRow(model, conflict.row, conflict.mine)}</b>.
          </p>
          <p className="mt-2 flex gap-2">
            <Button onClick={() => desk.settle(conflict.row, 'theirs')}>Keep what is there</Button>
            <Button main onClick={() => desk.settle(conflict.row, 'mine')}>
              Put mine back
            </Button>
          </p>
        </section>
      ))}
      {refusal && (
        <div className="flex items-start gap-2">
          <div className="flex-1">
            <RefusalNote refusal={refusal} />
          </div>
          <Button onClick={() => desk.refuse(null)}>Close</Button>
        </div>
      )}
    </div>
  )
}
