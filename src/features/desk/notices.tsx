'use client'

import type { ReactNode } from 'react'
import { Button } from '@/ui/button'
import { later } from '@/ui/later'
import { RefusalNote } from '@/ui/refusal-note'
import { useDesk, useDeskPart } from './desk-context'
import { LinkNotice } from './link-notice'
import { Notice } from './notice'

// Seldom needed, and never without the server that has them.
const AsideNotice = later(() => import('./aside-notice').then((one) => one.AsideNotice))
const EditionNotice = later(() => import('./edition-notice').then((one) => one.EditionNotice))
const LeftBehindNotice = later(() => import('./left-behind-notice').then((one) => one.LeftBehindNotice))

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
    desk.start.newerEdition !== null && <EditionNotice key="edition" />,
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
