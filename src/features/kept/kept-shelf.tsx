'use client'

import { useEffect, useState } from 'react'
import { copiesHere, type KeptCopy } from '@/features/documents'
import { useServerBack } from '@/ui/server-there'
import { TopBar } from '@/ui/top-bar'
import { WayOn } from '@/ui/trouble'
import { When } from '@/ui/when'

/** The shelf where no server answers: what this device can open. */
export function KeptShelf() {
  const [copies, setCopies] = useState<readonly KeptCopy[] | null>(null)
  useEffect(() => {
    void copiesHere()
      .catch(() => [])
      .then(setCopies)
  }, [])
  const isBack = useServerBack()
  useEffect(() => {
    if (isBack) location.replace('/')
  }, [isBack])
  return (
    <>
      <TopBar>
        <p className="text-silt">Shelf</p>
      </TopBar>
      <main className="mx-auto max-w-2xl px-5 py-6">
        <h1 className="font-head text-title font-semibold">On this device</h1>
        <p className="mt-2 text-silt">
          The server does not answer. What was opened here before opens from this device; what you change is
          kept and sent when the server is there again.
        </p>
        <p className="mt-1">
          <WayOn href="/">Ask the server again</WayOn>
        </p>
        {onTheMachineItself() && (
          <p className="mt-2 text-silt">
            Salt Shelf runs on this machine: start it again with{' '}
            <span className="font-mono text-small text-ink">npm run demo</span>
          </p>
        )}
        {copies?.length === 0 && (
          <p className="mt-4 border bg-sheet p-4">Nothing was opened on this device yet.</p>
        )}
        <ul className="mt-4 grid gap-2">
          {copies?.map(({ page, name, at }) => (
            <li key={page} className="border bg-sheet">
              <a href={page} className="flex min-h-14 flex-wrap items-baseline gap-x-3 px-4 py-3">
                <span className="font-head text-[17px] font-semibold text-brine">{name}</span>
                <span className="text-small text-silt">
                  {kindOf(page)} · opened <When at={at.toISOString()} />
                </span>
              </a>
            </li>
          ))}
        </ul>
      </main>
    </>
  )
}

/** Whether the server that does not answer is one of this machine. */
function onTheMachineItself(): boolean {
  return ['127.0.0.1', 'localhost', '[::1]'].includes(location.hostname)
}

function kindOf(page: string): string {
  if (page.startsWith('/plans/')) return 'plan'
  return page.startsWith('/walks/') ? 'walk' : 'what you have'
}
