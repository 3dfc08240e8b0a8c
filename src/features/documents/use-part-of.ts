'use client'

import { useSyncExternalStore } from 'react'
import type { DocumentDesk, DocumentView } from './document-desk'

/** One part of what a desk shows; whoever reads it is drawn again only when that part changes. */
export function usePartOf<D, K extends keyof DocumentView<D>>(
  desk: DocumentDesk<D>,
  part: K,
): DocumentView<D>[K] {
  const read = () => desk.getView()[part]
  return useSyncExternalStore(desk.subscribe, read, read)
}
