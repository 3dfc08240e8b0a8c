'use client'

import { writePlace, writeState } from '@/core/camera/live/place-text'
import type { Finding } from '@/core/checks/finding'
import { addressKeyOf } from '@/core/plan/rows'
import type { Context } from '@/core/resolve/context'
import { TextLink } from '@/ui/text-link'
import { useDesk } from './desk-context'

/** Leads to Try it, with the body standing in a state and keys down. */
export function TryLink({
  context,
  held = [],
  className,
}: {
  context: Context
  /** Addresses of keys, in the order in which they go down. */
  held?: readonly string[]
  className?: string
}) {
  return <ToPlace place={writePlace(context, held)} className={className} />
}

/** Leads to Try it, in the first state in which a finding holds, with its key down. */
export function TryFinding({ finding, className }: { finding: Finding; className?: string }) {
  const key = addressKeyOf(finding.row)
  const place = writeState(finding.side, finding.contexts[0] ?? '', key === null ? [] : [key])
  return <ToPlace place={place} className={className} />
}

function ToPlace({ place, className }: { place: string; className?: string | undefined }) {
  const { planId } = useDesk().start
  return (
    <TextLink href={`/plans/${planId}/try#${encodeURIComponent(place)}`} className={className}>
      Try it
    </TextLink>
  )
}
