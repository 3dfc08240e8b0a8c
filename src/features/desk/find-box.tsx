'use client'

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { Search } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { IconButton } from '@/ui/button'
import { Option, PickList } from '@/ui/pick-list'
import { useDesk, useDeskView } from './desk-context'
import { findables } from './findable'
import { useShelfNames } from './shelf-names'

/** Finds anything by name, from anywhere in a plan: Ctrl+K. */
export function FindBox() {
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
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-20">
        <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
        <div className="fixed inset-0 grid justify-items-center p-4 pt-[10vh]">
          <DialogPanel className="h-fit w-full max-w-xl border bg-sheet p-4">
            <DialogTitle className="sr-only">Find anything</DialogTitle>
            <Found onDone={() => setOpen(false)} />
          </DialogPanel>
        </div>
      </Dialog>
    </>
  )
}

function Found({ onDone }: { onDone: () => void }) {
  const router = useRouter()
  const { start } = useDesk()
  const { plan } = useDeskView()
  const shelf = useShelfNames()
  const all = useMemo(
    () => findables(start.model, plan, start.planId, shelf),
    [start.model, plan, start.planId, shelf],
  )
  const go = (href: string) => {
    onDone()
    const { pathname, hash } = new URL(href, window.location.href)
    if (pathname !== window.location.pathname || hash === '') router.push(href)
    else if (hash === window.location.hash) window.dispatchEvent(new HashChangeEvent('hashchange'))
    else window.location.assign(hash)
  }
  return (
    <PickList
      label="Find a key, function, setting, bank, plan or body"
      list="Found"
      placeholder="Type a few letters of each word"
      items={all}
      idOf={({ id }) => id}
      textOf={({ name, more, kind, term }) => `${name} ${more} ${kind} ${term ?? ''}`}
      onPick={({ href }) => go(href)}
      nothing={(typed) => `Nothing is called “${typed}”.`}
      most={60}
      tall="max-h-[55vh]"
      option={({ id, kind, name, more, href, term }, place) => (
        <Option key={id} {...place} onPick={() => go(href)}>
          <p className="flex items-baseline justify-between gap-3">
            <span className="font-semibold">{name}</span>
            <span className="text-small text-silt">{kind}</span>
          </p>
          <p className="text-small text-silt">
            {[term === name ? null : term, more].filter(Boolean).join(' · ')}
          </p>
        </Option>
      )}
    />
  )
}
