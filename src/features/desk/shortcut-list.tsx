'use client'

import { memo, useEffect, useState } from 'react'
import { later } from '@/ui/later'

const ShortcutDialog = later(() => import('./shortcut-dialog').then((one) => one.ShortcutDialog))

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
  return <ShortcutDialog keys={keys} onClose={() => setOpen(false)} />
})
