'use client'

import { keyRow } from '@/core/plan/rows'
import { Printer } from 'lucide-react'
import { showValue } from '@/core/model/domain'
import type { Address } from '@/core/model/addresses'
import { addressesOfControl } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Setting, Side } from '@/core/model/types'
import { functionAt } from '@/core/plan/assign'
import { plannedSlots, planTitle, type Plan, type PlannedSlot } from '@/core/plan/plan'
import type { Value } from '@/core/vocabulary/values'
import { useDesk, useDeskPart, usePlan, useRevision } from '@/features/desk'
import { Button } from '@/ui/button'

/** The pocket card: every key of both sides and every bank on one printed page. */
export function PocketCard() {
  const { start } = useDesk()
  const plan = usePlan()
  const version = useDeskPart('version')
  const { model, planId } = start
  const revision = useRevision()
  const stand = revision?.planVersion === version ? `revision ${revision.number}` : `draft, step ${version}`
  const banks = plannedSlots(model, plan)
  return (
    <main className="px-5 py-4 print:p-0">
      <div className="not-printed mb-3 flex flex-wrap items-center gap-3">
        <Button main onClick={() => window.print()}>
          <Printer size={16} className="mr-1.5 inline" aria-hidden="true" />
          Print
        </Button>
        <a
          href={`/api/plans/${planId}/file`}
          className="font-semibold text-brine underline underline-offset-3"
        >
          Save the plan file
        </a>
        <p className="text-silt">
          One A5 page, landscape; fold it once for the pocket. What you decided stands first, what is as
          delivered below it.
        </p>
      </div>
      <article
        aria-label="Pocket card"
        className="mx-auto max-w-[960px] border bg-sheet p-5 text-[13px] leading-[1.3] print:max-w-none print:border-0 print:p-0 print:text-[11px] print:leading-[1.25]"
      >
        <header className="flex flex-wrap items-baseline justify-between gap-x-4 border-b-2 border-ink pb-1">
          <h1 className="font-head text-lead font-semibold">{planTitle(plan)}</h1>
          <p>
            {model.maker} {model.name} · {stand}
          </p>
        </header>
        <div className="mt-2 grid grid-cols-1 gap-x-6 gap-y-3 sm:grid-cols-2 print:grid-cols-[1fr_1fr]">
          {model.sides.map((side) => (
            <SideKeys key={side} model={model} plan={plan} side={side} />
          ))}
        </div>
        {banks.length > 0 && (
          <section className="mt-2 border-t pt-1.5">
            <h2 className="font-head text-body font-semibold">Banks</h2>
            <div className="grid gap-x-6 sm:grid-cols-3 print:grid-cols-3">
              {banks.map((bank) => (
                <BankBlock key={bank.slot} model={model} bank={bank} />
              ))}
            </div>
          </section>
        )}
      </article>
    </main>
  )
}

function SideKeys({ model, plan, side }: { model: BodyModel; plan: Plan; side: Side }) {
  const addresses = [...lookup(model).addresses.values()].filter((address) => address.side === side)
  const chosen = addresses.filter((address) => keyRow(address) in plan.rows)
  const delivered = addresses.filter(
    (address) => !chosen.includes(address) && functionOn(model, plan, address),
  )
  return (
    <section>
      <h2 className="font-head text-body font-semibold">{side === 'stills' ? 'Stills' : 'Motion'}</h2>
      <table className="w-full border-collapse">
        <tbody>
          {chosen.map((address) => (
            <tr key={address.key} className="border-b border-rule/70">
              <th scope="row" className="pr-2 text-left font-normal text-silt">
                {keyName(model, address)}
              </th>
              <td className="font-semibold">{functionOn(model, plan, address) ?? 'empty'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-silt">
        <span className="font-semibold">As delivered</span>{' '}
        {delivered.map((address, i) => (
          <span key={address.key}>
            {i > 0 && ' · '}
            {keyName(model, address)}: <span className="text-ink">{functionOn(model, plan, address)}</span>
          </span>
        ))}
      </p>
    </section>
  )
}

/** The control's name, and how it is worked where there is more than one way. */
function keyName(model: BodyModel, address: Address): string {
  const ways = addressesOfControl(model, address.side, address.control.id).length
  return ways > 1 ? `${address.control.name}, ${address.name}` : address.control.name
}

/** The name of the function on a key; null where there is none. */
function functionOn(model: BodyModel, plan: Plan, address: Address): string | null {
  const id = functionAt(plan, address)
  const fn = id === null ? undefined : lookup(model).functions.get(id)
  return !fn || fn.manner === 'none' ? null : fn.name
}

function BankBlock({ model, bank }: { model: BodyModel; bank: PlannedSlot }) {
  const rows = model.settings.filter((setting) => setting.id in bank.rows)
  return (
    <div>
      <h3 className="font-semibold">
        {bank.name} <span className="font-normal text-silt">{bank.side}</span>
      </h3>
      {bank.purpose && <p className="text-silt">{bank.purpose}</p>}
      <p>
        {rows.length === 0
          ? 'Equal to base.'
          : rows.map((setting) => labelled(setting, bank.rows[setting.id])).join(' · ')}
      </p>
    </div>
  )
}

/** A setting with its value; a value that begins with the label says it once. */
function labelled(setting: Setting, value: Value | undefined): string {
  const shown = showValue(setting.domain, value)
  return shown.startsWith(setting.label) ? shown : `${setting.label} ${shown}`
}
