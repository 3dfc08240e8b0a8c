'use client'

import { describeStep, purposeRow, rowValue } from '@/core/plan/rows'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { memo, useEffect, useMemo, useRef, useState } from 'react'
import { planTitle } from '@/core/plan/plan'
import { TopBar } from '@/ui/top-bar'
import { usePageTitle } from '@/ui/use-page-title'
import { useDesk, useDeskPart, usePlanPart, useRevision } from './desk-context'
import { FindBox } from './find-box'
import { stations } from './stations'
import { SideChoice } from './side-choice'
import { StationGuide } from './station-guide'
import { Saving, UndoRedo } from '@/features/documents'
import { useFindings } from './use-analysis'

/** The head of every station: whose plan, whether it is saved, undo and redo, and the route. */
export function PlanBar() {
  const { planId } = useDesk().start
  const station = usePathname().split('/').at(-1) ?? ''
  return (
    <>
      <TopBar isFull actions={<PlanActions />}>
        <PlanName />
      </TopBar>
      <Route />
      <StationGuide planId={planId} station={station} />
    </>
  )
}

function PlanName() {
  const desk = useDesk()
  const { start } = desk
  const title = usePlanPart(planTitle)
  usePageTitle(title)
  const purpose = usePlanPart((plan) => rowValue(plan.rows, purposeRow))
  const version = useDeskPart('version')
  const frozen = useRevision()
  const stand =
    frozen === null
      ? 'draft'
      : frozen.planVersion === version
        ? `revision ${frozen.number}`
        : `draft after revision ${frozen.number}`
  return (
    <div className="min-w-0 leading-tight">
      <p className="flex min-w-0 gap-x-1 text-silt max-sm:flex-col max-sm:text-small">
        <span className="truncate">
          <Link
            href={`/plans/${start.planId}/foundation`}
            className="font-semibold text-ink hover:underline max-sm:pointer-events-none max-sm:line-clamp-1"
          >
            {title}
          </Link>{' '}
          <span className="max-sm:sr-only">
            · {start.model.maker} {start.model.name} · {stand}
          </span>
        </span>
        <span className="max-sm:sr-only">·</span>
        <Saving desk={desk} />
      </p>
      {typeof purpose === 'string' && (
        <p className="truncate text-small text-silt max-sm:hidden">{purpose}</p>
      )}
    </div>
  )
}

function PlanActions() {
  const desk = useDesk()
  const here = usePathname()
  return (
    <>
      <FindBox />
      <UndoRedo desk={desk} describe={(step) => describeStep(desk.start.model, step)} />
      {/\/(controls|focus|menus)$/.test(here) && <SideChoice />}
    </>
  )
}

function Route() {
  const { planId, model } = useDesk().start
  const findings = useFindings()
  const here = usePathname()
  const plan = useDeskPart('document')
  const stands = useMemo(
    () => stations.map(({ stand }) => stand(findings, { model, plan })),
    [findings, model, plan],
  )
  const nav = useRef<HTMLElement>(null)
  useEffect(() => {
    // With the next picture: at once everything would have to be laid out for it alone.
    const frame = requestAnimationFrame(() => {
      const route = nav.current
      const stop = route?.querySelector<HTMLElement>('[aria-current]')
      if (!route || !stop) return
      // Where the route is wider than the screen, the station in hand is in sight; the page itself stays where it is.
      route.scrollLeft = stop.offsetLeft - route.offsetLeft - (route.clientWidth - stop.offsetWidth) / 2
    })
    return () => cancelAnimationFrame(frame)
  }, [here])
  return (
    <nav
      ref={nav}
      aria-label="Route"
      // A fading edge is the sign that there is more.
      className="not-printed flex gap-6 overflow-x-auto border-b px-5 max-sm:mask-r-from-90% max-sm:pr-12"
    >
      {stations.map(({ path, name, readsMore = false }, i) => {
        const address = `/plans/${planId}/${path}`
        return (
          <Stop
            key={path}
            address={address}
            name={name}
            stand={stands[i] ?? null}
            current={here === address}
            readsMore={readsMore}
          />
        )
      })}
    </nav>
  )
}

const Stop = memo(function Stop({
  address,
  name,
  stand,
  current,
  readsMore,
}: {
  address: string
  name: string
  stand: string | null
  current: boolean
  readsMore: boolean
}) {
  const [isNear, setNear] = useState(false)
  const come = () => setNear(true)
  return (
    <Link
      href={address}
      // What stands on the plan alone is there as soon as a hand comes near: it cannot be out of date.
      prefetch={isNear && !readsMore ? true : null}
      onPointerEnter={come}
      onFocus={come}
      aria-current={current ? 'page' : undefined}
      className={`min-h-11 whitespace-nowrap border-b-3 pt-1.5 pb-1 ${current ? 'border-brine text-brine' : 'border-transparent'}`}
    >
      <span className="block font-head text-[16px] leading-tight font-semibold">{name}</span>
      <span
        className={`block text-small leading-tight ${/^\d+ problems?$/.test(stand ?? '') ? 'text-lichen' : 'text-silt'}`}
      >
        {stand ?? '…'}
      </span>
    </Link>
  )
})
