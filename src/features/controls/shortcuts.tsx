'use client'

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { useEffect, useRef, useState, type RefObject } from 'react'
import { Button } from '@/ui/button'
import { panels, type Panel } from './panel-tabs'

interface Acts {
  readonly carry: (address: string) => void
  readonly swap: (address: string) => void
  readonly clear: (address: string) => void
  readonly panel: (panel: Panel) => void
  readonly back: () => void
}

const listed = [
  ['Tab', 'from key to key'],
  ['Enter', 'take the key in hand; in the list, put the function on it'],
  ['↑ ↓', 'through the list of functions'],
  ['M', 'pick up this key’s function; Enter on another key puts it there'],
  ['S', 'let this key change places with another: Enter on the other'],
  ['Delete', 'leave this key empty'],
  ['1 2 3 4', 'keys, reach, dials, suggest, beside the plate'],
  ['Ctrl K', 'find anything: a key, function, setting, bank, plan or body'],
  ['Escape', 'back out'],
  ['Ctrl Z', 'undo; with Shift, redo'],
  ['?', 'this list'],
] as const

/** The keyboard of the Controls station; keys typed into a field are left alone. */
export function useShortcuts(station: RefObject<HTMLElement | null>, acts: Acts) {
  const [open, setOpen] = useState(false)
  const latest = useRef(acts)
  useEffect(() => {
    latest.current = acts
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target instanceof HTMLElement ? event.target : null
      if (event.key === 'Escape') return latest.current.back()
      if (target?.closest('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key === '?') return setOpen(true)
      const panel = panels[Number(event.key) - 1]
      if (panel) return latest.current.panel(panel)
      const address = station.current?.contains(target)
        ? target?.closest<HTMLElement>('[data-address]')?.dataset.address
        : undefined
      if (!address) return
      if (event.key.toLowerCase() === 'm') latest.current.carry(address)
      if (event.key.toLowerCase() === 's') latest.current.swap(address)
      if (event.key === 'Delete') latest.current.clear(address)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [station])
  return { open, close: () => setOpen(false), back: acts.back }
}

/** The list of shortcuts of this screen. */
export function Shortcuts({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="w-full max-w-md border bg-sheet p-5">
          <DialogTitle className="font-head text-title font-semibold">Keys of this screen</DialogTitle>
          <dl className="mt-3 grid grid-cols-[90px_1fr] gap-y-1.5">
            {listed.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-mono font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Button main className="mt-4" onClick={onClose}>
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
