'use client'

import { useEffect, type RefObject } from 'react'
import { useStable } from '@/ui/use-stable'
import { panels, type Panel } from './panels'

interface Acts {
  readonly carry: (address: string) => void
  readonly swap: (address: string) => void
  readonly clear: (address: string) => void
  readonly panel: (panel: Panel) => void
  readonly back: () => void
}

/** The keys of the Controls station. */
export const controlsKeys = [
  ['Tab', 'from key to key'],
  ['Enter', 'take the key in hand; in the list, put the function on it'],
  ['↑ ↓', 'through the list of functions'],
  ['M', 'pick up this key’s function; Enter on another key puts it there'],
  ['S', 'let this key change places with another: Enter on the other'],
  ['Delete', 'leave this key empty'],
  ['1 2 3 4', 'keys, reach, dials, suggest, beside the plate'],
  ['Escape', 'back out'],
] as const

/** The keyboard of the Controls station; keys typed into a field are left alone. */
export function useShortcuts(station: RefObject<HTMLElement | null>, acts: Acts) {
  const onKey = useStable((event: KeyboardEvent) => {
    const target = event.target instanceof HTMLElement ? event.target : null
    if (event.key === 'Escape') return acts.back()
    if (target?.closest('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey) return
    const panel = (Object.keys(panels) as Panel[])[Number(event.key) - 1]
    if (panel) return acts.panel(panel)
    const address = station.current?.contains(target)
      ? target?.closest<HTMLElement>('[data-address]')?.dataset.address
      : undefined
    if (!address) return
    if (event.key.toLowerCase() === 'm') acts.carry(address)
    if (event.key.toLowerCase() === 's') acts.swap(address)
    if (event.key === 'Delete') acts.clear(address)
  })
  useEffect(() => {
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [onKey])
}
