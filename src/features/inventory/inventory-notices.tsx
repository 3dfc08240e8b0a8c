'use client'

import { describeInventoryRow, showInventoryRow } from '@/core/inventory/words'
import { Notice } from '@/features/desk'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { useInventory, useInventoryPart, useInventoryWork } from './inventory-context'

/** What needs an answer before going on: what is not saved and why, what earlier visits left, rows that could not stay. */
export function InventoryNotices() {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  const aside = useInventoryPart('aside')
  const refusal = useInventoryPart('refusal')
  const link = useInventoryPart('link')
  const leftBehind = useInventoryPart('leftBehind')
  const unkept = useInventoryPart('unkept')
  const giveUp = async () => {
    await desk.giveUp()
    location.reload()
  }
  return (
    <div className="grid gap-2 px-5 empty:hidden [&>*]:mt-3">
      {link.kind === 'waiting' && (
        <Notice title="Not saved yet." ways={<Button onClick={() => desk.retry()}>Try now</Button>}>
          {link.cause.message} Your changes are kept in this browser and sent as soon as it can take them.
        </Notice>
      )}
      {link.kind === 'stopped' && (
        <Notice
          title="Not saved."
          ways={
            <>
              <Button onClick={() => desk.retry()}>Try again</Button>
              <Button onClick={() => void giveUp()}>Give mine up and load the inventory</Button>
            </>
          }
        >
          {link.cause.message}
        </Notice>
      )}
      {unkept && <Notice title="Not kept here.">{unkept.message}</Notice>}
      {leftBehind.map((left) => (
        <Notice
          key={left.tab}
          title="Changes were not saved."
          ways={
            <>
              <Button onClick={() => void desk.decide(left, 'away')}>Give them up</Button>
              <Button main onClick={() => void desk.decide(left, 'on')}>
                Go on with them
              </Button>
            </>
          }
        >
          A tab with the inventory was closed before the server had them.
        </Notice>
      ))}
      {aside.map((about) => (
        <Notice
          key={about.key}
          title={about.why.kind === 'refused' ? 'Not taken.' : 'Changed elsewhere meanwhile.'}
          ways={
            <>
              <Button onClick={() => desk.settleConflict(about, 'theirs')}>Keep what is there</Button>
              <Button main onClick={() => desk.settleConflict(about, 'mine')}>
                Put mine back
              </Button>
            </>
          }
        >
          {about.why.kind === 'refused' && `${about.why.refusal.message} `}
          {describeInventoryRow(library, inventory, about.row)}: it is now{' '}
          <b>{showInventoryRow(library, inventory, about.row, inventory.rows[about.row] ?? null)}</b>; you
          wanted <b>{showInventoryRow(library, inventory, about.row, about.mine)}</b>.
        </Notice>
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
