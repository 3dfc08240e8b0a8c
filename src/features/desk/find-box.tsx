'use client'

import { Search } from 'lucide-react'
import { memo, useEffect, useState } from 'react'
import { later } from '@/ui/later'
import { IconButton } from '@/ui/button'

const dialogs = {
  plan: later(() => import('./find-dialog').then((one) => one.FindDialog)),
  shelf: later(() => import('./find-dialog').then((one) => one.FindOnShelf)),
}

/** Finds anything by name, from anywhere in a plan, or on the shelf: Ctrl+K. */
export const FindBox = memo(function FindBox({ on = 'plan' }: { on?: keyof typeof dialogs }) {
  const FindDialog = dialogs[on]
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return
      event.preventDefault()
      setOpen(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <>
      <IconButton label="Find anything: Ctrl K" onClick={() => setOpen(true)}>
        <Search size={18} aria-hidden="true" />
      </IconButton>
      {open && <FindDialog onDone={() => setOpen(false)} />}
    </>
  )
})
