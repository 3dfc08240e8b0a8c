import type { Aside } from '@/core/sync/rebase'
import { Button } from '@/ui/button'
import { Notice } from './notice'

/** A row that could not stay as it was meant: which of the two values is to stand is asked. */
export function AsideNotice({
  about: { why },
  place,
  now,
  mine,
  onSettle,
}: {
  about: Aside
  /** Where it is, what it holds now, and what its owner wanted, in words. */
  place: string
  now: string
  mine: string
  onSettle: (whose: 'mine' | 'theirs') => void
}) {
  const isRefused = why.kind === 'refused'
  return (
    <Notice
      title={isRefused ? 'Not taken.' : 'Changed elsewhere meanwhile.'}
      ways={
        <>
          <Button onClick={() => onSettle('theirs')}>Keep what is there</Button>
          <Button main onClick={() => onSettle('mine')}>
            Put mine back
          </Button>
        </>
      }
    >
      {isRefused && `${why.refusal.message} `}
      {place}: it is now <b>{now}</b>; you wanted <b>{mine}</b>.
    </Notice>
  )
}
