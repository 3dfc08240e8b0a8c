import type { Metadata } from 'next'
import { KeptPage } from '@/features/kept'

export const metadata: Metadata = { title: 'On this device' }

/** What the service worker shows where the server does not answer. */
export default function KeptRoute() {
  return <KeptPage />
}
