'use client'

import { addressKeyOf } from '@/core/plan/rows'
import { situationName } from '@/core/plan/situations'
import { coverageOf, type Reached } from '@/core/reach/report'
import { useAnswer, useDesk, useDeskPart, usePlan, useReach } from '@/features/desk'
import { EyeSign, formula, percent, secondsOf } from '@/features/reach'
import { termOf } from '@/core/vocabulary/terms'
import { Button, Offer } from '@/ui/button'

/** The needs that cost most, each with the one change that helps most; then coverage and every way, by situation. */
export function ReachPanel({ onGo }: { onGo: (address: string) => void }) {
  const desk = useDesk()
  const reach = useReach()
  const plan = usePlan()
  const posture = useDeskPart('posture')
  const worst = useAnswer<'worst'>({ kind: 'worst', posture })
  if (!reach || !worst)
    return (
      <p role="status" className="text-silt">
        What your needs cost is being reckoned …
      </p>
    )
  if (reach.reached.length === 0)
    return <p className="text-silt">Nothing is needed yet. Choose what you shoot, above.</p>
  const nameOf = (id: string) => situationName(plan, id)
  const situations = [...new Set(reach.reached.map(({ need }) => need.situation))]
  return (
    <div className="grid gap-4">
      <section>
        <h2 className="font-head text-lead font-semibold">What costs you most</h2>
        <ol className="mt-2 grid gap-2">
          {worst.map(({ reached, step, words, gain }) => (
            <li key={`${reached.need.situation} ${reached.need.what}`} className="border bg-sheet px-3 py-2">
              <p className="flex items-baseline justify-between gap-2">
                <span>
                  <b>{termOf(reached.need.what)}</b>{' '}
                  <span className="text-small text-silt">
                    {reached.need.perOuting} × · {nameOf(reached.need.situation)}
                  </span>
                </span>
                <span className="font-mono text-small">{secondsOf(reached.perOuting)}</span>
              </p>
              <Way reached={reached} />
              {step ? (
                <Button
                  className="mt-1.5 w-full text-left"
                  onClick={() => {
                    const row = step.changes[0]?.row
                    const key = row && addressKeyOf(row)
                    if (desk.applyStep({ ...step, id: desk.newId() }) && key) onGo(key)
                  }}
                >
                  {words}: <span className="font-semibold text-samphire">saves {secondsOf(gain)}</span>
                </Button>
              ) : (
                <p className="mt-1 text-small text-silt">{words}</p>
              )}
            </li>
          ))}
        </ol>
      </section>
      {situations.map((situation) => {
        const mine = reach.reached.filter(({ need }) => need.situation === situation)
        const { byUse, byCount, menuFree } = coverageOf(mine)
        return (
          <section key={situation}>
            <h2 className="font-head text-lead leading-tight font-semibold">{nameOf(situation)}</h2>
            <p className="text-small text-silt">
              at the finder {percent(byUse)} by use, {percent(byCount)} of the needs; without a menu{' '}
              {percent(menuFree)}
            </p>
            <ul className="mt-1 divide-y">
              {[...mine]
                .sort((a, b) => b.perOuting - a.perOuting)
                .map((reached) => (
                  <li key={reached.need.what} className="py-1">
                    <p className="flex items-baseline justify-between gap-2">
                      <span>{termOf(reached.need.what)}</span>
                      <span className="font-mono text-small whitespace-nowrap">
                        {reached.need.perOuting} × {secondsOf(reached.best?.seconds ?? 0)}
                      </span>
                    </p>
                    <Way reached={reached} onGo={onGo} />
                  </li>
                ))}
            </ul>
          </section>
        )
      })}
    </div>
  )
}

function Way({ reached: { best, absent }, onGo }: { reached: Reached; onGo?: (address: string) => void }) {
  if (absent) return <p className="text-small text-silt italic">This model has nothing like it.</p>
  if (!best) return <p className="text-small text-rust">No way there: missed, or looked up.</p>
  return (
    <p className="text-small text-silt">
      <span className="inline-flex gap-1">
        <EyeSign atFinder={best.atFinder} />
        {onGo ? (
          <Offer className="font-normal" onClick={() => onGo(best.address)}>
            {best.words}
          </Offer>
        ) : (
          best.words
        )}
      </span>
      <span className="block">{formula(best.parts, best.seconds)}</span>
    </p>
  )
}
