'use client'

import { usePathname } from 'next/navigation'

/** The address of this page, as text. */
export function AddressHere() {
  return usePathname()
}
