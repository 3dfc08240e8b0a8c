'use client'

import { useState } from 'react'
import { lookup } from '@/core/model/lookup'
import { plannedSlots } from '@/core/plan/plan'
import { bankRow } from '@/core/plan/rows'
import { useDesk, useDeskView, useFindings } from '@/features/desk/desk-context'
import { FindingList } from '@/features/desk/finding-card'
import { usePlaceInPage } from '@/features/desk/use-place-in-page'
import { BankFacts } from './bank-facts'
import { BankTable } from './bank-table'
import { ExposureChart } from './exposure-chart'
import { OutsideFindings } from './outside-findings'
import { ShutterCard } from './shutter-card'

/** The Banks station: one slot at a time against base, with the shutter it asks for and the light it costs. */
export function BanksStation() {
  const { start } = useDesk()
  const { plan } = useDeskView()
  const findings = useFindings()
  const { model } = start
  const slots = model.families.flatMap((family) => family.slots.map((slot) => ({ family, slot })))
  const [picked, setPicked] = useState(0)
  usePlaceInPage((place) => {
    const at = slots.findIndex(({ family, slot }) => place === `${family.id}/${slot.id}`)
    if (at >= 0) setPicked(at)
  })
  const current = slots[picked]
  if (!current) return <p className="px-5 py-8">This body has no banks.</p>
  const { family, slot } = current
  const planned =
    plannedSlots(model, plan).find((one) => one.family === family.id && one.slot === slot.id) ?? null
  const stored = model.settings.filter((setting) => setting.storedBy === family.id)
  const prefix = bankRow(family.id, slot.id, '')
  const mine = findings.filter((finding) => finding.row.startsWith(prefix))
  return (
    <main className="grid gap-4 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_360px]">
      <section aria-label={`Bank ${planned?.name ?? slot.name}`} className="min-w-0 border bg-sheet p-4">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="font-head text-title font-semibold">{family.name}</h1>
          <p className="text-silt">
            {family.keeping === 'snapshot'
              ? 'snapshot: changes on the body vanish when you leave the bank'
              : 'live: every change stays'}
          </p>
        </div>
        <div role="group" aria-label="Bank" className="mt-2 flex flex-wrap gap-2 border-b pb-3">
          {slots.map((one, i) => {
            const used = plannedSlots(model, plan).find(
              (p) => p.family === one.family.id && p.slot === one.slot.id,
            )
            return (
              <button
                key={one.slot.id}
                type="button"
                aria-pressed={i === picked}
                onClick={() => setPicked(i)}
                className="min-h-11 rounded-md border px-3 text-left leading-tight aria-pressed:border-brine aria-pressed:bg-brine aria-pressed:text-on-brine"
              >
                <span className="block font-semibold">
                  {i + 1} · {used?.name ?? one.slot.name}
                </span>
                <span className="block text-small opacity-90">
                  {used ? `${one.slot.name} · ${used.side}` : `${one.slot.name} · unused`}
                </span>
              </button>
            )
          })}
        </div>
        <BankFacts family={family} slot={slot} planned={planned} />
        {planned && <BankTable planned={planned} stored={stored} />}
        {planned && (
          <p className="mt-3 text-small text-silt">
            Outside this bank, must be right:{' '}
            {model.settings
              .filter((setting) => setting.place === 'side' && setting.storedBy === null)
              .map(
                (setting) =>
                  `${setting.label} (${lookup(model).menuAddress.get(setting.id) ?? 'on the body'})`,
              )
              .join(', ')}
            .
          </p>
        )}
      </section>
      <aside aria-label="What it asks for" className="grid min-w-0 content-start gap-3">
        {planned?.side === 'motion' && <ShutterCard planned={planned} />}
        {planned && <ExposureChart side={planned.side} />}
        <FindingList findings={mine.filter((finding) => finding.check !== 'motion-shutter')} />
        <OutsideFindings findings={findings} />
      </aside>
    </main>
  )
}
