'use client'

import type { ReactNode } from 'react'
import { numberHash } from '@/core/numbers/address'
import { TextLink } from '@/ui/text-link'
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
    <TextLink href={`/plans/${planId}/numbers#${numberHash({ id, at, typed })}`} className={className}>
      {children}
    </TextLink>
  )
}
