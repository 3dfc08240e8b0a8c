'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import type { Memory } from '@/core/camera/memory'
import { bodiesIn } from '@/core/inventory/records'
import { emptyInventory } from '@/core/inventory/rows'
import { catalogue, isProcedure, type ProcedureId } from '@/core/procedures/catalogue'
import type { StartingPoint } from '@/core/procedures/order'
import { progressOf, type Walk } from '@/core/procedures/progress'
import { provenRows, type DoneAct } from '@/core/procedures/proven'
import type { RescueAt } from '@/core/procedures/rescue'
import { plannedSlots } from '@/core/plan/plan'
import type { Refusal } from '@/core/result'
import { standingFirmware } from '@/core/resolve/context'
import { useAnswer, useDesk, useDeskPart, usePlan, usePlaceInPage } from '@/features/desk'

/** A walk of the plan, as the server lists it. */
export interface WalkKnown {
  readonly id: string
  readonly body: string
  readonly procedure: string
  readonly revision: number | null
  readonly updatedAt: string
  readonly endedAt: string | null
  readonly walk: Walk
  readonly done: readonly DoneAct[]
}

/** What the station is given by the server. */
export interface ProveKnown {
  readonly walks: readonly WalkKnown[]
  /** What each body is believed to hold, by tag. */
  readonly held: Readonly<Record<string, Memory>>
}

/** What the Prove station knows and does. */
export function useProveStation({ walks, held: beliefs }: ProveKnown) {
  const desk = useDesk()
  const plan = usePlan()
  const saving = useDeskPart('saving')
  const router = useRouter()
  const { model, inventory, planId } = desk.start
  const bodies = bodiesIn(inventory ?? emptyInventory).filter((one) => one.model === model.id)
  const [id, setId] = useState<ProcedureId>('first-day')
  const [picked, setTag] = useState<string | null>(bodies[0]?.tag ?? null)
  const tag = bodies.some((one) => one.tag === picked) ? picked : null
  const [from, setStart] = useState<StartingPoint>('delivered')
  const [at, setAt] = useState<RescueAt>({ side: model.sides[0] ?? 'stills', slot: null })
  const [isPlayed, setPlayed] = useState(false)
  const [isBusy, setBusy] = useState(false)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const held = tag === null ? null : (beliefs[tag] ?? null)
  const start = from === 'believed' && held === null ? 'delivered' : from
  const composed = useAnswer<'procedure'>({
    ...{ kind: 'procedure', id, tag, start, isPlayed },
    held: start === 'believed' ? held : null,
    at: id === 'rescue' ? at : null,
  })
  useEffect(() => {
    // A walk goes on elsewhere: how far it is, is asked for again when this page is looked at again.
    const look = () => router.refresh()
    window.addEventListener('focus', look)
    return () => window.removeEventListener('focus', look)
  }, [router])
  usePlaceInPage((place) => {
    if (isProcedure(place)) choose(place)
  })
  function choose(next: ProcedureId) {
    setId(next)
    setPlayed(false)
    setRefusal(null)
  }
  const ofBody = (one: WalkKnown) => one.body === (tag ?? '')
  const mine = walks.filter((one) => one.procedure === id && ofBody(one))
  const slots = plannedSlots(model, plan)
  return {
    ...{ id, tag, bodies, start, held, isPlayed, isBusy, refusal, plan, model },
    entry: catalogue.find((one) => one.id === id) ?? catalogue[0],
    composed: composed?.procedure.id === id ? composed : null,
    choose,
    chooseBody: (next: string) => setTag(next === '' ? null : next),
    chooseStart: setStart,
    place: at.slot === null ? at.side : `${at.slot.family}/${at.slot.slot}`,
    places: [
      ...model.sides.map((side) => [side, side === 'stills' ? 'Stills, no bank' : 'Film, no bank'] as const),
      ...slots.map(({ family, slot, name }) => [`${family}/${slot}`, name] as const),
    ],
    choosePlace: (next: string) => {
      const slot = slots.find((one) => `${one.family}/${one.slot}` === next)
      setAt(slot ? { side: slot.side, slot } : { side: next === 'motion' ? 'motion' : 'stills', slot: null })
    },
    play: () => setPlayed(true),
    /** The walk of this procedure on this body that is open, and those that ended. */
    open: mine.find(({ endedAt }) => endedAt === null) ?? null,
    ended: mine.filter(({ endedAt }) => endedAt !== null),
    /** How far each procedure is on this body. */
    standing: (procedure: string) => {
      const its = walks.filter((one) => one.procedure === procedure && ofBody(one))
      const open = its.find(({ endedAt }) => endedAt === null)
      if (open) return `under way, ${Object.keys(open.walk.rows).length} ticked`
      return its.length > 0 ? 'walked' : null
    },
    async walk() {
      setBusy(true)
      setRefusal(null)
      // What is on the screen has to be on the server, where the walk is composed.
      if (saving !== 'saved') await saved(desk)
      const begun = await begin(planId, { procedure: id, body: tag ?? '', start })
      setBusy(false)
      if ('refusal' in begun) setRefusal(begun.refusal)
      else router.push(`/walks/${begun.walk}`)
    },
    /** Notes that a walk proves, and writes them into the plan in one step. */
    provenBy: ({ done }: WalkKnown) => {
      const firmware = bodies.find((one) => one.tag === tag)?.firmware ?? standingFirmware(model, plan)
      return provenRows(plan, done, { tag, firmware })
    },
    keep: (rows: ReturnType<typeof provenRows>) => desk.set(rows),
    overIn: (walk: Walk) => {
      const progress = composed && progressOf(walk, composed.procedure)
      return progress ? progress.total - progress.open - progress.anew : 0
    },
  }
}

/** What the station's parts are given. */
export type ProveStationKnown = ReturnType<typeof useProveStation>

async function saved(desk: ReturnType<typeof useDesk>): Promise<void> {
  for (let i = 0; i < 50 && desk.getView().saving !== 'saved'; i++)
    await new Promise((resolve) => setTimeout(resolve, 100))
}

async function begin(
  planId: string,
  order: { readonly procedure: string; readonly body: string; readonly start: string },
): Promise<{ readonly walk: string } | { readonly refusal: Refusal }> {
  const response = await fetch(`/api/plans/${planId}/walks`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(order),
  }).catch(() => null)
  const said = (await response?.json().catch(() => null)) as { walk?: string; refusal?: Refusal } | null
  if (said?.walk !== undefined) return { walk: said.walk }
  const refusal = { code: 'no-answer', message: 'The server does not answer; try again in a moment.' }
  return { refusal: said?.refusal ?? refusal }
}
