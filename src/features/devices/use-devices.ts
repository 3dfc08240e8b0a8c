import { useEffect, useState } from 'react'
import type { Refusal } from '@/core/result'
import { ask } from '@/ui/ask'

/** A device that was let in, as the shelf shows it. */
export interface DeviceLine {
  readonly id: string
  readonly name: string
  readonly letInAt: string
  readonly lastUsedAt: string
}

/** Where other devices reach Salt Shelf, and which are let in. */
interface Shared {
  readonly door: {
    readonly origin: string
    readonly plain: string
    readonly fingerprint: string
    readonly isReachable: boolean
    /** What leads to the certificate, as a picture. */
    readonly picture: string
  } | null
  readonly devices: readonly DeviceLine[]
}

/** What the shelf knows of other devices; a device that was let in knows itself alone. */
export type DevicesKnown =
  ({ readonly kind: 'here' } & Shared) | { readonly kind: 'device'; readonly device: DeviceLine }

/** How often the shelf looks whether somebody came in while a code is open, in milliseconds. */
const often = 2000

/** What the shelf knows and does about other devices. */
export function useDevices(atFirst: Shared) {
  const [{ door, devices }, setShared] = useState(atFirst)
  const [code, setCode] = useState<{ readonly code: string; readonly endsAt: string } | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [isBusy, setBusy] = useState(false)
  useEffect(() => {
    if (!code) return
    const look = async () => {
      const response = await fetch('/api/devices').catch(() => null)
      if (!response?.ok) return
      const now = (await response.json()) as Shared & { readonly codeUntil: string | null }
      setShared(now)
      if (now.codeUntil === null) setCode(null)
    }
    const timer = setInterval(() => void look(), often)
    return () => clearInterval(timer)
  }, [code])
  const act = async <T extends object>(address: string) => {
    setBusy(true)
    setRefusal(null)
    const done = await ask<T>(address, {})
    setBusy(false)
    if (!done.ok) setRefusal(done.refusal)
    return done.ok ? done.value : null
  }
  return {
    ...{ door, devices, code, refusal, isBusy },
    letIn: async () => setCode(await act<{ code: string; endsAt: string }>('/api/devices')),
    end: async ({ id }: DeviceLine) => {
      if (await act(`/api/devices/${id}`))
        setShared((now) => ({ ...now, devices: now.devices.filter((one) => one.id !== id) }))
    },
  }
}
