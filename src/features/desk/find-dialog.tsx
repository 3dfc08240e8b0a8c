'use client'

import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { PageDialog } from '@/ui/dialog'
import { PickList } from '@/ui/pick-list'
import { useDesk, usePlan } from './desk-context'
import { findables } from './findable'
import { useShelfNames } from './shelf-names'

/** What can be found by name: everything of the plan, and what else stands on the shelf; loaded when it is opened first. */
export function FindDialog({ onDone }: { onDone: () => void }) {
  return (
    <PageDialog title="Find anything" quiet className="max-w-xl p-4" onClose={onDone}>
      <Found onDone={onDone} />
    </PageDialog>
  )
}

function Found({ onDone }: { onDone: () => void }) {
  const router = useRouter()
  const { start } = useDesk()
  const plan = usePlan()
  const [typed, setTyped] = useState('')
  const shelf = useShelfNames(typed)
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
      idOf={({ href, name }) => `${href} ${name}`}
      textOf={({ name, more, kind, term }) => `${name} ${more} ${kind} ${term ?? ''}`}
      meansOf={({ means }) => means ?? null}
      onPick={({ href }) => go(href)}
      nothing={(typed) => `Nothing is called “${typed}”.`}
      onType={setTyped}
      onEscape={onDone}
      tall="55vh"
      option={({ kind, name, more, term }) => (
        <>
          <p className="flex items-baseline justify-between gap-3">
            <span className="font-semibold">{name}</span>
            <span className="text-small text-silt">{kind}</span>
          </p>
          <p className="text-small text-silt">
            {[term === name ? null : term, more].filter(Boolean).join(' · ')}
          </p>
        </>
      )}
    />
  )
}
