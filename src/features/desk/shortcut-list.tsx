'use client'

import { memo, useEffect, useState } from 'react'
import { later } from '@/ui/later'
import { Button } from '@/ui/button'

const PageDialog = later(() => import('@/ui/dialog').then((one) => one.PageDialog))

/** Keys that hold at every station. */
const everywhere = [
  ['Ctrl Z', 'undo; with Shift, redo'],
  ['Ctrl K', 'find anything: a key, function, setting, bank, plan or body'],
  ['?', 'this list'],
] as const

/** The list of the keys of a screen, opened with `?` where nothing is being typed. */
export const ShortcutList = memo(function ShortcutList({
  keys,
}: {
  keys: readonly (readonly [key: string, what: string])[]
}) {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select')
      if (!typing && event.key === '?') setOpen(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  if (!open) return null
  return (
    <PageDialog title="Keys of this screen" className="max-w-md p-5" onClose={() => setOpen(false)}>
      <dl className="mt-3 grid grid-cols-[90px_1fr] gap-y-1.5">
        {[...keys, ...everywhere].map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-mono font-semibold">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <Button main className="mt-4" onClick={() => setOpen(false)}>
        Close
      </Button>
    </PageDialog>
  )
})
