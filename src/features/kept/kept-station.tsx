'use client'

import { useEffect, useState, type ReactNode } from 'react'
import { copyOf } from '@/features/documents'
import type { ProveKnown } from '@/features/prove'
import type { SheetsKnown } from '@/features/sheets'
import { later } from '@/ui/later'

const Prove = later(() => import('@/features/prove').then((one) => one.ProveStation))

const Foundation = later(() => import('@/features/foundation').then((one) => one.FoundationStation))
const Settings = later(() => import('@/features/settings').then((one) => one.SettingsStation))
const Controls = later(() => import('@/features/controls').then((one) => one.ControlsStation))
const Focus = later(() => import('@/features/focus').then((one) => one.FocusStation))
const Menus = later(() => import('@/features/menus').then((one) => one.MenusStation))
const Banks = later(() => import('@/features/banks').then((one) => one.BanksStation))
const Try = later(() => import('@/features/try').then((one) => one.TryStation))
const Sheets = later(() => import('@/features/sheets').then((one) => one.SheetsStation))

const Numbers = later(() => import('@/features/numbers').then((one) => one.NumbersPage))

const stations: Readonly<Record<string, ReactNode>> = {
  foundation: <Foundation />,
  settings: <Settings />,
  controls: <Controls />,
  focus: <Focus />,
  menus: <Menus />,
  banks: <Banks />,
  numbers: <Numbers />,
  try: <Try />,
}

/** A station of a plan that was opened from the copy of this device. */
export function KeptStation({ station, page }: { station: string; page: string }) {
  const there = stations[station]
  if (there) return there
  if (station === 'prove') return <KeptProve page={page} />
  if (station === 'sheets') return <KeptSheets page={page} />
  return (
    <main className="mx-auto max-w-xl px-6 py-12">
      <h1 className="font-head text-large font-semibold">Not there without a connection</h1>
      <p className="mt-4 text-lead">
        Carrying reads and writes the bodies that the server knows: it waits until that answers again.
        Everything else of this plan is here.
      </p>
    </main>
  )
}

const nothingKnown: ProveKnown = { walks: [], held: {} }
const noRevisions: SheetsKnown = { revisions: [], held: {} }

function KeptProve({ page }: { page: string }) {
  const known = useKnown(`${page}/prove`, nothingKnown)
  return known && <Prove known={known} />
}

function KeptSheets({ page }: { page: string }) {
  const known = useKnown(`${page}/sheets`, noRevisions)
  return known && <Sheets known={known} />
}

/** What a station was given when it was last open on this device; `nothing` where it never was. */
function useKnown<T>(place: string, nothing: T): T | null {
  const [known, setKnown] = useState<T | null>(null)
  useEffect(() => {
    void copyOf<T>(place)
      .catch(() => null)
      .then((copy) => setKnown(copy?.given ?? nothing))
  }, [place, nothing])
  return known
}
