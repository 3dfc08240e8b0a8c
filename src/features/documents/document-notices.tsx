'use client'

import type { ReactNode } from 'react'
import type { Refusal } from '@/core/result'
import type { RowId, Step } from '@/core/sync/step'
import type { Value } from '@/core/vocabulary/values'
import { Button } from '@/ui/button'
import { later } from '@/ui/later'
import { RefusalNote } from '@/ui/refusal-note'
import type { DocumentDesk } from './document-desk'
import { Notice } from './notice'
import { usePartOf } from './use-part-of'
import { StoppedNotice, type KeptElsewhere } from './stopped-notice'

// Seldom needed, and never without the server that has them.
const AsideNotice = later(() => import('./aside-notice').then((one) => one.AsideNotice))
const LeftBehindNotice = later(() => import('./left-behind-notice').then((one) => one.LeftBehindNotice))

/** How a kind of document is spoken of. */
export interface DocumentWords<D> {
  /** What one is called, such as "plan". */
  readonly name: string
  /** What a row holds now. */
  readonly value: (document: D, row: RowId) => Value | null
  readonly describeRow: (row: RowId) => string
  readonly showRow: (row: RowId, value: Value | null) => string
  readonly describeStep: (step: Step) => string
}

/** What needs an answer before going on: what is not saved and why, what earlier visits left, rows that could not stay. */
export function DocumentNotices<D>({
  desk,
  words,
  keep = null,
  before,
  after,
}: {
  desk: DocumentDesk<D>
  words: DocumentWords<D>
  /** Where what is here can go while nothing is taken any more. */
  keep?: KeptElsewhere | null
  /** What is told besides, before and after what every document has to tell. */
  before?: ReactNode
  after?: ReactNode
}) {
  const document = usePartOf(desk, 'document')
  const aside = usePartOf(desk, 'aside')
  const refusal = usePartOf(desk, 'refusal')
  const link = usePartOf(desk, 'link')
  const leftBehind = usePartOf(desk, 'leftBehind')
  const unkept = usePartOf(desk, 'unkept')
  const uncopied = usePartOf(desk, 'uncopied')
  const saving = usePartOf(desk, 'saving')
  return (
    <div className="not-printed grid gap-2 px-5 empty:hidden [&>*]:mt-3">
      {saving === 'waiting' && link.kind === 'waiting' && !isSaidAlready(desk, link.cause) && (
        <Notice title="Not saved yet." ways={<Button onClick={() => desk.retry()}>Try now</Button>}>
          {link.cause.message} Your changes are kept in this browser and sent as soon as it can take them.
        </Notice>
      )}
      {link.kind === 'stopped' && (
        <StoppedNotice
          cause={link.cause}
          name={words.name}
          hasUnsaved={saving !== 'saved'}
          keep={keep}
          onRetry={() => desk.retry()}
          onGiveUp={() => desk.giveUp()}
        />
      )}
      {before}
      {unkept && <Notice title="Not kept here.">{unkept.message}</Notice>}
      {uncopied && !unkept && <Notice title="Only with a connection.">{uncopied.message}</Notice>}
      {leftBehind.map((left) => (
        <LeftBehindNotice
          key={left.tab}
          behind={left}
          name={words.name}
          describeStep={words.describeStep}
          onDecide={(go) => void desk.decide(left, go)}
        />
      ))}
      {aside.map((about) => (
        <AsideNotice
          key={about.key}
          about={about}
          place={words.describeRow(about.row)}
          now={words.showRow(about.row, words.value(document, about.row))}
          mine={words.showRow(about.row, about.mine)}
          onSettle={(whose) => desk.settleConflict(about, whose)}
        />
      ))}
      {after}
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

/** A page that was opened without the server says from its first moment that changes wait. */
function isSaidAlready<D>({ isCopy }: DocumentDesk<D>, { code }: Refusal): boolean {
  return isCopy && code === 'unreachable'
}
