'use client'

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { useEffect, useState } from 'react'
import { Button } from '@/ui/button'

/** Keys that hold at every station. */
const everywhere = [
  ['Ctrl Z', 'undo; with Shift, redo'],
  ['Ctrl K', 'find anything: a key, function, setting, bank, plan or body'],
  ['?', 'this list'],
] as const

/** The list of the keys of a screen, opened with `?` where nothing is being typed. */
export function ShortcutList({ keys }: { keys: readonly (readonly [key: string, what: string])[] }) {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select')
      if (!typing && event.key === '?') setOpen(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <Dialog open={open} onClose={() => setOpen(false)} className="relative z-20">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="w-full max-w-md border bg-sheet p-5">
          <DialogTitle className="font-head text-title font-semibold">Keys of this screen</DialogTitle>
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
        </DialogPanel>
      </div>
    </Dialog>
  )
}
