'use client'

import { Search } from 'lucide-react'
import { memo, useEffect, useState } from 'react'
import { later } from '@/ui/later'
import { IconButton } from '@/ui/button'

const FindDialog = later(() => import('./find-dialog').then((one) => one.FindDialog))

/** Finds anything by name, from anywhere in a plan: Ctrl+K. */
export const FindBox = memo(function FindBox() {
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
