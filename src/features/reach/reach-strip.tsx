'use client'

import { idsOf, isNeedRow, ownerRow, rowValue } from '@/core/plan/rows'
import { memo, type ReactNode } from 'react'
import Link from 'next/link'
import { posturesOf } from '@/core/model/controls'
import type { ReachReport } from '@/core/reach/report'
import { useDesk, useDeskPart, usePlanPart, useReach } from '@/features/desk'
import { Explain } from '@/ui/explain'
import { Select } from '@/ui/select'
import { postureWords } from '@/core/model/hand-words'
import { percent, secondsOf, signed } from './words'

/** What the needs of the plan cost, in one line; with a change in the hand, what it would make of it. */
export const ReachStrip = memo(function ReachStrip({
  trial,
  children,
}: {
  trial?: ReachReport | null
  children?: ReactNode
}) {
  const desk = useDesk()
  const needed = usePlanPart(({ rows }) => idsOf(rows).some((row) => isNeedRow(row)))
  const target = usePlanPart(({ rows }) => rowValue(rows, ownerRow('target')))
  const posture = useDeskPart('posture')
  const report = useReach()
  // What was reckoned while nothing was needed yet says nothing of the needs there are now.
  const now = report && report.reached.length > 0 ? report : null
  if (!needed) {
    return (
      <section
        aria-label="Reach"
        className="not-printed flex flex-wrap items-center gap-x-4 gap-y-2 border bg-sheet px-4 py-2"
      >
        <p className="flex-1">
          <b>What do you adjust in an outing?</b>{' '}
          <span className="text-silt">Say it once, and every key shows what it saves and what it costs.</span>
        </p>
        <Link
          href={`/plans/${desk.start.planId}/foundation`}
          className="rounded-md border border-brine bg-brine px-3 py-1.5 font-medium text-on-brine"
        >
          Choose what you shoot
        </Link>
        {children}
      </section>
    )
  }
  const next = trial ?? now
  const change = (of: (report: ReachReport) => number) => (next && now ? of(next) - of(now) : 0)
  const shown = (of: (report: ReachReport) => string) => (next ? of(next) : '…')
  return (
    <section
      aria-label="Reach"
      className="not-printed flex flex-wrap items-center gap-x-6 gap-y-2 border bg-sheet px-4 py-2"
    >
      <div>
        <p className="flex items-baseline gap-2">
          <span className="font-head text-title leading-none font-semibold tabular-nums">
            {shown((one) => percent(one.byUse))}
          </span>
          <span>
            with the eye at the finder
            <Explain label="with the eye at the finder" about={{ text: sentences.byUse }} />
          </span>
          <Change amount={change((one) => one.byUse)} unit="%" />
        </p>
        <Meter share={next?.byUse ?? 0} target={typeof target === 'number' ? target / 100 : null} />
      </div>
      <Figure
        label="of the needs"
        about={sentences.byCount}
        value={shown((one) => percent(one.byCount))}
        change={change((one) => one.byCount)}
        unit="%"
      />
      <Figure
        label="without a menu"
        about={sentences.menuFree}
        value={shown((one) => percent(one.menuFree))}
        change={change((one) => one.menuFree)}
        unit="%"
      />
      <Figure
        label="an outing"
        about={sentences.seconds}
        value={shown((one) => secondsOf(one.seconds))}
        change={change((one) => one.seconds)}
        unit="s"
        lessIsGood
      />
      <Figure label="to remember" about={sentences.load} value={shown((one) => String(one.load))} />
      <div className="ml-auto flex flex-wrap items-center gap-2">
        <Select
          label="How the camera is held"
          value={posture}
          options={posturesOf(desk.start.model).map((one) => [one, postureWords[one]])}
          onPick={(one) => desk.setPosture(one)}
        />
        {children}
      </div>
    </section>
  )
})

/** What each figure says, in a sentence. */
const sentences = {
  byUse: 'Of all adjustments in an outing, how many you can make without taking the eye off the finder.',
  byCount:
    'Of the different things you adjust, how many you can reach without taking the eye off the finder.',
  menuFree: 'Of all adjustments in an outing, how many need no menu.',
  seconds: 'Time spent adjusting in one outing: each need by its quickest way, times how often it comes.',
  load: 'Keys that do something else than as delivered, counted once for each side and meaning: what the hand has to learn.',
} as const

function Figure({
  label,
  value,
  change = 0,
  unit = 's',
  lessIsGood = false,
  about,
}: {
  label: string
  /** What the figure says, in a sentence. */
  about?: string
  value: string
  change?: number
  unit?: 's' | '%'
  lessIsGood?: boolean
}) {
  return (
    <p className="leading-tight">
      <span className="block font-semibold tabular-nums">
        {value} <Change amount={change} unit={unit} lessIsGood={lessIsGood} />
      </span>
      <span className="block text-small text-silt">
        {label}
        {about && <Explain label={label} about={{ text: about }} />}
      </span>
    </p>
  )
}

/** A difference, by sign, word and colour. */
export function Change({
  amount,
  unit,
  lessIsGood = false,
}: {
  amount: number
  unit: 's' | '%'
  lessIsGood?: boolean
}) {
  const text = signed(amount, unit)
  if (text === '') return null
  const good = lessIsGood ? amount < 0 : amount > 0
  return (
    <span className={`text-small font-semibold tabular-nums ${good ? 'text-samphire' : 'text-lichen'}`}>
      {text}
      <span className="sr-only">{good ? ' better' : ' worse'}</span>
    </span>
  )
}

/** A share as a bar, with the owner's target as a mark on it. */
function Meter({ share, target }: { share: number; target: number | null }) {
  const met = target !== null && share >= target
  return (
    <div className="relative mt-1 h-2 w-56 bg-glass" aria-hidden="true">
      <div className={`h-full ${met ? 'bg-samphire' : 'bg-brine'}`} style={{ width: `${share * 100}%` }} />
      {target !== null && (
        <div className="absolute -top-0.5 h-3 w-0.5 bg-pan" style={{ left: `${target * 100}%` }} />
      )}
    </div>
  )
}
