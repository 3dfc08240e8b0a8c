'use client'

import { useMemo } from 'react'
import { effectsOf } from '@/core/inventory/effects'
import { gearKinds, type GearKind } from '@/core/inventory/kinds'
import { gearUnsaid, inventoryFaults, recordsUnsaid } from '@/core/inventory/faults'
import { hasNone } from '@/core/inventory/records'
import { noneRow } from '@/core/inventory/rows'
import { describeInventoryStep } from '@/core/inventory/words'
import { FindBox } from '@/features/desk'
import { Saving, UndoRedo } from '@/features/documents'
import { Check } from '@/ui/check'
import { TopBar } from '@/ui/top-bar'
import { FileWays } from './file-ways'
import { useInventory, useInventoryWork } from './inventory-context'
import { InventoryNotices } from './inventory-notices'
import { Records } from './records'

/** What the owner has: bodies, lenses, cards and the rest; what is wrong or unsaid; and what plans make of it. */
export function InventoryPage() {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  const faults = useMemo(() => inventoryFaults(library, inventory), [library, inventory])
  return (
    <>
      <TopBar actions={<Actions />}>
        <p className="flex gap-x-1 text-silt">
          Bodies <span>·</span> <Saving desk={desk} />
        </p>
      </TopBar>
      <InventoryNotices />
      <main className="mx-auto grid max-w-[1240px] gap-5 px-5 py-5 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="grid content-start gap-4">
          <div>
            <h1 className="font-head text-title font-semibold">Bodies, and what goes with them</h1>
            <p className="mt-1 max-w-2xl text-silt">
              Said once, it holds in every plan: lenses, firmware and grip change what works, what it costs
              and what is told. What you do not say stays unknown.
            </p>
          </div>
          <Records kind="body" faults={faults} />
          <Records kind="lens" faults={faults} />
          <Records kind="card" faults={faults} />
          <Records kind="gear" faults={faults} />
        </div>
        <div className="grid content-start gap-4">
          <Effects />
          <Unsaid />
          <FileWays />
        </div>
      </main>
    </>
  )
}

function Actions() {
  const { desk, library } = useInventoryWork()
  const inventory = useInventory()
  return (
    <>
      <FindBox on="shelf" />
      <UndoRedo desk={desk} describe={(step) => describeInventoryStep(library, inventory, step)} />
    </>
  )
}

/** For every model of which there is a body, what plans reckon with. */
function Effects() {
  const { library } = useInventoryWork()
  const inventory = useInventory()
  const effects = useMemo(() => effectsOf(library, inventory), [library, inventory])
  return (
    <section aria-labelledby="effects" className="border bg-sheet px-4 py-3">
      <h2 id="effects" className="font-head text-lead font-semibold">
        What plans reckon with
      </h2>
      {effects.length === 0 && (
        <p className="mt-1 text-silt">Nothing yet: say which body you have, and which model it is.</p>
      )}
      {effects.map(({ model, sentences }) => (
        <div key={model.id} className="mt-2">
          <h3 className="font-semibold">
            {model.maker} {model.name}
          </h3>
          <ul className="list-disc pl-5">
            {sentences.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  )
}

/** What is not said and what that leaves undecided; of what there is none can be said at once. */
function Unsaid() {
  const { desk } = useInventoryWork()
  const inventory = useInventory()
  const records = recordsUnsaid(inventory)
  const gear = (Object.keys(gearKinds) as GearKind[]).filter(
    (kind) => hasNone(inventory, kind) || gearUnsaid(inventory).includes(kind),
  )
  if (records.length + gear.length === 0) return null
  return (
    <section aria-labelledby="unsaid" className="border bg-sheet px-4 py-3">
      <h2 id="unsaid" className="font-head text-lead font-semibold">
        What is not said
      </h2>
      {records.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-silt">
          {records.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      {gear.length > 0 && (
        <p className="mt-1 text-silt">Tick what you do not have; the rest stays unknown.</p>
      )}
      {gear.map((kind) => {
        const none = hasNone(inventory, kind)
        return (
          <Check key={kind} checked={none} onChange={() => desk.set({ [noneRow(kind)]: none ? null : true })}>
            No {gearKinds[kind].toLowerCase()}
          </Check>
        )
      })}
    </section>
  )
}
