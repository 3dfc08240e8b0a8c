'use client'

import { PlugZap, Unplug } from 'lucide-react'
import { useServerBack } from '@/ui/server-there'
import { When } from '@/ui/when'

/** Says that a page is the copy of this device, and of when; and when the server is there again. */
export function KeptSign({ at }: { at: Date }) {
  const isBack = useServerBack()
  const Sign = isBack ? PlugZap : Unplug
  return (
    <p
      role="note"
      className="not-printed flex items-center gap-x-2 border-b bg-sheet px-5 py-1 text-small text-silt max-sm:px-4"
    >
      <Sign size={15} aria-hidden="true" className="shrink-0" />
      <span>
        {isBack ? (
          'The server answers again; what you changed is sent to it.'
        ) : (
          <>
            Without a connection, as of <When at={at.toISOString()} />. Changes wait here.
          </>
        )}
      </span>
      <button
        type="button"
        onClick={() => location.reload()}
        className="min-h-8 shrink-0 text-brine underline underline-offset-3 max-sm:min-h-11"
      >
        {isBack ? 'Load it from the server' : 'Ask the server'}
      </button>
    </p>
  )
}
