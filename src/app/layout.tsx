import type { Metadata } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Salt Shelf', template: '%s · Salt Shelf' },
  description: 'Plan, prove, document and carry a camera’s controls and memory banks.',
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get('theme')?.value
  const theme = chosen === 'day' || chosen === 'night' ? chosen : undefined
  return (
    <html lang="en" data-theme={theme}>
      <body className="min-h-dvh">{children}</body>
    </html>
  )
}
