'use client'

import { ArrowRight } from 'lucide-react'
import Link from 'next/link'
import { purposeRow, titleRow } from '@/core/plan/rows'
import { FindingList, ShortcutList, TextRow } from '@/features/desk'
import { ReachStrip } from '@/features/reach'
import { Bag } from './bag'
import { Reckoning } from './reckoning'
import { SituationTable } from './situation-table'
import { You } from './you'
import { useGradually } from '@/ui/use-gradually'
import { useFoundationStation, type FoundationKnown, type Situation } from './use-foundation-station'

/** The Foundation station: what the owner shoots, what that asks of the hand, and what it costs today. */
export function FoundationStation() {
  const known = useFoundationStation()
  const drawn = useGradually(known.situations.length, 1)
  return (
    <main className="grid gap-4 px-5 py-4">
      <ReachStrip>
        <Link
          href={`/plans/${known.planId}/controls`}
          className="inline-flex min-h-9 items-center gap-1.5 rounded-md border bg-sheet px-3 font-medium hover:border-brine hover:text-brine"
        >
          To the keys <ArrowRight size={16} aria-hidden="true" />
        </Link>
      </ReachStrip>
      <section aria-label="The plan" className="grid gap-3 border bg-sheet px-4 py-3 sm:grid-cols-2">
        <TextRow label="Name of the plan" row={titleRow} longest={80} />
        <TextRow label="What it is for, in one line" row={purposeRow} longest={120} />
      </section>
      <Bag />
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_320px]">
        <section aria-label="What you shoot" className="min-w-0">
          <KindsOfWork known={known} />
          {known.situations.map((situation, i) =>
            i < drawn ? (
              <SituationTable
                key={situation.id}
                situation={situation}
                known={known.known}
                most={mostShown(known.situations.length)}
              />
            ) : (
              <div key={situation.id} style={{ height: heightOf(situation, known.situations.length) }} />
            ),
          )}
        </section>
        <div className="grid content-start gap-3">
          {known.problems.length > 0 && (
            <section aria-label="Problems" className="grid gap-3">
              <FindingList findings={known.problems} />
            </section>
          )}
          <You />
          <Reckoning />
        </div>
      </div>
      <ShortcutList keys={[]} />
    </main>
  )
}

/** A dozen needs together, and at least four of each kind of work: the others stand behind “more”. */
function mostShown(situations: number): number {
  return Math.max(4, Math.floor(12 / Math.max(1, situations)))
}

/** About as high as its table will be, in pixels. */
function heightOf({ needs }: Situation, among: number): number {
  return 190 + Math.min(needs.length, mostShown(among)) * 56
}

function KindsOfWork({ known: { ready, start, startOwn } }: { known: FoundationKnown }) {
  return (
    <div className="border bg-sheet px-4 py-3">
      <h1 className="font-head text-title font-semibold">What you shoot</h1>
      <p className="mt-1 max-w-2xl text-silt">
        Begin with a kind of work; it brings the adjustments that come up in it and how often. Then change
        what is different for you.
      </p>
      <div role="group" aria-label="Kinds of work" className="mt-3 flex flex-wrap gap-2">
        {ready.map(({ set, there }) => (
          <button
            key={set.id}
            type="button"
            disabled={there}
            onClick={() => start(set)}
            className="min-h-11 rounded-md border px-3 text-left leading-tight hover:border-brine hover:text-brine disabled:border-samphire disabled:text-samphire disabled:hover:text-samphire"
          >
            <span className="block font-semibold">{set.name}</span>
            <span className="block text-small text-silt">
              {there ? 'in the plan' : `${set.side}, ${set.needs.length} needs`}
            </span>
          </button>
        ))}
        <button
          type="button"
          onClick={startOwn}
          className="min-h-11 rounded-md border border-dashed px-3 text-left leading-tight hover:border-brine hover:text-brine"
        >
          <span className="block font-semibold">Something else</span>
          <span className="block text-small text-silt">from nothing</span>
        </button>
      </div>
    </div>
  )
}
