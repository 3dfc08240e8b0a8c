'use client'

import Link from 'next/link'
import type { ReactNode } from 'react'
import { numberHash } from '@/core/numbers/address'
import { useDesk } from './desk-context'

const nothing: Readonly<Record<string, string>> = {}

/** Leads to a figure on the page of numbers, in a situation, base or a bank, with some of its amounts put in. */
export function NumberLink({
  id,
  at = null,
  typed = nothing,
  className = '',
  children = 'In numbers',
}: {
  id: string
  at?: string | null
  typed?: Readonly<Record<string, string>>
  className?: string
  children?: ReactNode
}) {
  const { planId } = useDesk().start
  return (
    <Link
      href={`/plans/${planId}/numbers#${numberHash({ id, at, typed })}`}
      prefetch={false}
      className={`font-semibold text-brine underline decoration-rule underline-offset-3 ${className}`}
    >
      {children}
    </Link>
  )
}
