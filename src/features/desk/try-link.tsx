'use client'

import { addressKeyOf } from '@/core/plan/rows'
import Link from 'next/link'
import { writePlace } from '@/core/camera/live/address'
import { contextName, type Finding } from '@/core/checks/finding'
import { contextsOf, type Context } from '@/core/resolve/context'
import { useDesk, usePlan } from './desk-context'

/** Leads to Try it, with the body standing in a state and keys down. */
export function TryLink({
  context,
  held = [],
  className = '',
}: {
  context: Context
  /** Addresses of keys, in the order in which they go down. */
  held?: readonly string[]
  className?: string
}) {
  const { planId } = useDesk().start
  return (
    <Link
      href={`/plans/${planId}/try#${encodeURIComponent(writePlace(context, held))}`}
      prefetch={false}
      className={`font-semibold text-brine underline decoration-rule underline-offset-3 ${className}`}
    >
      Try it
    </Link>
  )
}

/** Leads to Try it, in the first state in which a finding holds, with its key down. */
export function TryFinding({ finding, className }: { finding: Finding; className?: string }) {
  const { start } = useDesk()
  const plan = usePlan()
  const all = contextsOf(start.model, plan, start.lenses, finding.side)
  const found = all.find((one) => finding.contexts.includes(contextName(one))) ?? all[0]
  if (!found) return null
  const key = addressKeyOf(finding.row)
  const held = key === null ? [] : [key]
  return <TryLink context={found.context} held={held} className={className} />
}
