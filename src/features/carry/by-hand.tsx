'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { writeTargets } from '@/core/procedures/place'
import type { Refusal } from '@/core/result'
import { OpenCarries, RealStanding, type OpenCarryLine, type RealLine } from '@/features/bodies'
import { beginWalk } from '@/features/walk'
import { Button } from '@/ui/button'
import { Check } from '@/ui/check'
import { RefusalNote } from '@/ui/refusal-note'
import { NamedSelect } from '@/ui/select'

/** Carrying between real cameras: from which, to which, and the walk that watches over it. */
export function ByHand({
  planId,
  bodies,
  carries,
}: {
  planId: string
  bodies: readonly RealLine[]
  carries: readonly OpenCarryLine[]
}) {
  const router = useRouter()
  const [from, setFrom] = useState(bodies[0]?.tag ?? '')
  const others = bodies.filter(({ tag }) => tag !== from)
  const [picked, pick] = useState<readonly string[] | null>(null)
  const targets = others.filter(({ tag }, i) => (picked ? picked.includes(tag) : i === 0))
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [isBusy, setBusy] = useState(false)
  const begin = async () => {
    setBusy(true)
    const place = writeTargets(targets.map(({ tag }) => tag))
    const begun = await beginWalk({ planId, procedure: 'carry-by-hand', body: from, place })
    setBusy(false)
    if (begun.ok) router.push(begun.value)
    else setRefusal(begun.refusal)
  }
  const toggle = (tag: string) => {
    const now = targets.map((one) => one.tag)
    pick(now.includes(tag) ? now.filter((one) => one !== tag) : [...now, tag])
  }
  return (
    <section aria-labelledby="by-hand" className="px-5 pb-8">
      <div className="grid gap-3 border bg-sheet p-4">
        <h2 id="by-hand" className="font-head text-title font-semibold">
          Real cameras, by hand
        </h2>
        <p className="max-w-2xl text-silt">
          A real camera has no socket: you save on one, move the card, and load on the other. A walk goes with
          you, looks at every file, and proves by a second save what was loaded.
        </p>
        <ul className="grid gap-3 md:grid-cols-2">
          {bodies.map((body) => (
            <li key={body.tag} className="border px-3.5 py-2.5">
              <Link
                href={`/bodies/${body.tag}`}
                className="font-head text-lead font-semibold hover:text-brine hover:underline"
              >
                {body.name}
              </Link>
              <RealStanding body={body} />
            </li>
          ))}
        </ul>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          <NamedSelect
            label="Carry"
            value={from}
            options={[
              ...bodies.map((one) => [one.tag, `what ${one.name} holds`] as const),
              ['', 'a file that is there already'] as const,
            ]}
            onPick={(tag) => {
              setFrom(tag)
              pick(null)
            }}
          />
          <div role="group" aria-label="To" className="flex flex-wrap gap-x-5">
            {others.map((one) => (
              <Check key={one.tag} checked={targets.includes(one)} onChange={() => toggle(one.tag)}>
                to {one.name}
              </Check>
            ))}
          </div>
        </div>
        {others.length === 0 ? (
          <p className="text-silt">There is no other real camera of this model to carry it to.</p>
        ) : (
          <p>
            <Button main disabled={isBusy || targets.length === 0} onClick={() => void begin()}>
              Carry it by hand
            </Button>
          </p>
        )}
        <OpenCarries carries={carries} />
        {refusal && <RefusalNote refusal={refusal} />}
      </div>
    </section>
  )
}
