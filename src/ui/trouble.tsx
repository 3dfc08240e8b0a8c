import type { ReactNode } from 'react'
import type { Refusal } from '@/core/result'
import { AddressHere } from './address-here'
import { AskAgain } from './ask-again'

/** Causes that pass without anybody doing something on this page. */
const passing = ['busy', 'database', 'disk-full']

/** A screen for what could not be shown: the address, the cause, and one way on. What passes by itself is asked for again. */
export function Trouble({
  title,
  refusal,
  address,
  way,
}: {
  title: string
  refusal: Refusal
  /** The address that was asked for; this page's own where it is left out. */
  address?: string
  way?: ReactNode
}) {
  return (
    <main className="mx-auto max-w-xl px-6 py-20">
      <AskAgain waits={passing.includes(refusal.code)} />
      <h1 className="font-head text-large font-semibold">{title}</h1>
      <p className="mt-4 text-lead">{refusal.message}</p>
      <p className="mt-2 break-all font-mono text-small text-silt">{address ?? <AddressHere />}</p>
      <div className="mt-6">{way ?? <WayOn href="/">Back to the shelf</WayOn>}</div>
    </main>
  )
}

/** A way on to a page that is asked for anew: what went wrong is left behind. */
export function WayOn({ href, children }: { href: string; children: ReactNode }) {
  return (
    <a
      href={href}
      className="inline-flex min-h-11 items-center font-semibold text-brine underline underline-offset-3"
    >
      {children}
    </a>
  )
}
