'use client'

import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { PageDialog } from '@/ui/dialog'
import { PickList } from '@/ui/pick-list'
import { useDesk, usePlan } from './desk-context'
import { findables, shelfFindables, type Findable } from './findable'
import { useShelfNames } from './shelf-names'

/** What can be found by name: everything of the plan, and what else stands on the shelf; loaded when it is opened first. */
export function FindDialog({ onDone }: { onDone: () => void }) {
  return (
    <PageDialog title="Find anything" quiet className="max-w-xl p-4" onClose={onDone}>
      <FoundInPlan onDone={onDone} />
    </PageDialog>
  )
}

/** The same on the shelf: plans and bodies. */
export function FindOnShelf({ onDone }: { onDone: () => void }) {
  const [typed, setTyped] = useState('')
  const shelf = useShelfNames(typed)
  const all = useMemo(() => shelfFindables(shelf), [shelf])
  return (
    <PageDialog title="Find anything" quiet className="max-w-xl p-4" onClose={onDone}>
      <Found label="Find a plan or a body" all={all} onType={setTyped} onDone={onDone} />
    </PageDialog>
  )
}

function FoundInPlan({ onDone }: { onDone: () => void }) {
  const { start } = useDesk()
  const plan = usePlan()
  const [typed, setTyped] = useState('')
  const shelf = useShelfNames(typed)
  const all = useMemo(
    () => findables(start.model, plan, start.planId, shelf),
    [start.model, plan, start.planId, shelf],
  )
  return (
    <Found
      label="Find a key, function, setting, figure, bank, plan or body"
      all={all}
      onType={setTyped}
      onDone={onDone}
    />
  )
}

function Found({
  label,
  all,
  onType,
  onDone,
}: {
  label: string
  all: readonly Findable[]
  onType: (typed: string) => void
  onDone: () => void
}) {
  const router = useRouter()
  const go = ({ href }: Findable) => {
    onDone()
    const { pathname, hash } = new URL(href, window.location.href)
    if (pathname !== window.location.pathname || hash === '') router.push(href)
    else if (hash === window.location.hash) window.dispatchEvent(new HashChangeEvent('hashchange'))
    else window.location.assign(hash)
  }
  return (
    <PickList
      label={label}
      list="Found"
      placeholder="Type a few letters of each word"
      items={all}
      idOf={({ id }) => id}
      textOf={({ name, more, kind, term, also }) => `${name} ${more} ${kind} ${term ?? ''} ${also ?? ''}`}
      meansOf={({ means }) => means ?? null}
      onPick={go}
      nothing={(typed) => `Nothing is called “${typed}”.`}
      onType={onType}
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
