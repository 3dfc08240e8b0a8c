import type { Metadata, Viewport } from 'next'
import { cookies, headers } from 'next/headers'
import type { ReactNode } from 'react'
import { KeepsWorking } from '@/features/kept'
import { nonceHeader } from '@/server/gate'
import { Answering } from '@/ui/answering'
import { answering, keepEarlyPresses } from '@/ui/early-presses'
import { titled } from '@/ui/titled'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Salt Shelf', template: titled('%s') },
  description: 'Plan, prove, document and carry a camera’s controls and memory banks.',
  appleWebApp: { title: 'Salt Shelf', statusBarStyle: 'default' },
}

/** In the page before anything that could be pressed. */
const early = { __html: `(${keepEarlyPresses.toString()})(${JSON.stringify(answering)})` }

export const viewport: Viewport = {
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#FAF7F2' },
    { media: '(prefers-color-scheme: dark)', color: '#10191C' },
  ],
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get('theme')?.value
  const nonce = (await headers()).get(nonceHeader) ?? undefined
  const theme = chosen === 'day' || chosen === 'night' ? chosen : undefined
  return (
    <html lang="en" data-theme={theme}>
      <body className="min-h-dvh">
        <script nonce={nonce} dangerouslySetInnerHTML={early} />
        {children}
        <Answering />
        <KeepsWorking />
      </body>
    </html>
  )
}
