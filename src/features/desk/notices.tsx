'use client'

import { describeRow, showRow } from '@/core/plan/rows'
import type { ReactNode } from 'react'
import { planValue } from '@/core/plan/kind'
import type { Aside } from '@/core/sync/rebase'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/trouble'
import { useDesk, useDeskPart, usePlan } from './desk-context'
import { EditionNotice } from './edition-notice'
import { LeftBehindNotice } from './left-behind-notice'
import { LinkNotice } from './link-notice'
import { Notice } from './notice'

/** What needs an answer before going on: what is not saved and why, what earlier visits left, rows that could not stay. */
export function Notices() {
  const desk = useDesk()
  const aside = useDeskPart('aside')
  const refusal = useDeskPart('refusal')
  const link = useDeskPart('link')
  const leftBehind = useDeskPart('leftBehind')
  const fault = useDeskPart('fault')
  const unkept = useDeskPart('unkept')
  const notices: ReactNode[] = [
    link.kind !== 'good' && <LinkNotice key="link" link={link} />,
    fault && (
      <Notice
        key="fault"
        title="Not worked out."
        ways={<Button onClick={() => desk.again()}>Try again</Button>}
      >
        What this page works out in the background failed: {fault.words}. Your plan is not touched by it.
      </Notice>
    ),
    unkept && (
      <Notice key="unkept" title="Not kept here.">
        {unkept.message}
      </Notice>
    ),
    ...leftBehind.map((left) => <LeftBehindNotice key={left.tab} behind={left} />),
    ...aside.map((about) => <AsideNotice key={about.key} about={about} />),
    <EditionNotice key="edition" />,
    refusal && (
      <div key="refusal" className="flex items-start gap-2">
        <div className="flex-1">
          <RefusalNote refusal={refusal} />
        </div>
        <Button onClick={() => desk.refuse(null)}>Close</Button>
      </div>
    ),
  ]
  return <div className="not-printed grid gap-2 px-5 empty:hidden [&>*]:mt-3">{notices}</div>
}

function AsideNotice({ about }: { about: Aside }) {
  const desk = useDesk()
  const plan = usePlan()
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
