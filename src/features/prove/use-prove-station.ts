'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Memory } from '@/core/camera/memory'
import { bodiesIn } from '@/core/inventory/records'
import { emptyInventory } from '@/core/inventory/rows'
import { catalogue, isProcedure, startingPointOf, type ProcedureId } from '@/core/procedures/catalogue'
import type { StartingPoint } from '@/core/procedures/order'
import { progressOf, type Walk } from '@/core/procedures/progress'
import { provenRows, type DoneAct } from '@/core/procedures/proven'
import { writeRescuePlace } from '@/core/procedures/place'
import { plannedSlots } from '@/core/plan/plan'
import type { Refusal } from '@/core/result'
import { standingFirmware } from '@/core/resolve/context'
import { beginWalk } from '@/features/walk'
import { useLookAgain } from '@/ui/server-there'
import { useStable } from '@/ui/use-stable'
import { useKeptPart } from '@/features/documents'
import { useAnswer, useDesk, useDeskPart, usePlan, usePlaceInPage } from '@/features/desk'

/** A walk of the plan, as the server lists it. */
export interface WalkKnown {
  readonly id: string
  readonly body: string
  readonly procedure: string
  readonly place: string
  readonly start: StartingPoint
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
export function useProveStation(known: ProveKnown) {
  const { walks, held: beliefs } = known
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
  const [chosenPlace, choosePlace] = useState<string>(model.sides[0] ?? 'stills')
  const place = id === 'rescue' ? chosenPlace : ''
  const [isPlayed, setPlayed] = useState(false)
  const [isBusy, setBusy] = useState(false)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const held = tag === null ? null : (beliefs[tag] ?? null)
  const ofBody = (one: WalkKnown) => one.body === (tag ?? '')
  const mine = walks.filter((one) => one.procedure === id && one.place === place && ofBody(one))
  const open = mine.find(({ endedAt }) => endedAt === null) ?? null
  // A walk that is under way goes on from where it began.
  const wanted = open?.start ?? startingPointOf(id, from)
  const start = wanted === 'believed' && held === null ? 'delivered' : wanted
  const composed = useAnswer<'procedure'>({
    ...{ kind: 'procedure', id, tag, start, isPlayed },
    held: start === 'believed' ? held : null,
    place,
  })
  // A walk goes on elsewhere: how far it is, is asked for again when this page is looked at again.
  useLookAgain(useStable(() => router.refresh()))
  useKeptPart(`/plans/${planId}/prove`, known)
  usePlaceInPage((named) => {
    if (isProcedure(named)) choose(named)
  })
  function choose(next: ProcedureId) {
    setId(next)
    setPlayed(false)
    setRefusal(null)
  }
  const slots = plannedSlots(model, plan)
  return {
    ...{ id, planId, tag, bodies, start, held, isPlayed, isBusy, refusal, plan, model },
    entry: catalogue.find((one) => one.id === id) ?? catalogue[0],
    composed: composed?.procedure.id === id ? composed : null,
    choose,
    chooseBody: (next: string) => setTag(next === '' ? null : next),
    chooseStart: setStart,
    place,
    places: [
      ...model.sides.map((side) => [side, side === 'stills' ? 'Stills, no bank' : 'Film, no bank'] as const),
      ...slots.map((slot) => [writeRescuePlace(slot), slot.name] as const),
    ],
    choosePlace,
    play: () => setPlayed(true),
    /** The walk of this procedure on this body that is open, and those that ended. */
    open,
    ended: mine.filter(({ endedAt }) => endedAt !== null),
    /** How far each procedure is on this body. */
    standing: (procedure: string) => {
      const its = walks.filter((one) => one.procedure === procedure && ofBody(one))
      const under = its.find(({ endedAt }) => endedAt === null)
      if (under) return `under way, ${Object.keys(under.walk.rows).length} ticked`
      return its.length > 0 ? 'walked' : null
    },
    async walk() {
      setBusy(true)
      setRefusal(null)
      // What is on the screen has to be on the server, where the walk is composed.
      if (saving !== 'saved') await saved(desk)
      const begun = await beginWalk({ planId, procedure: id, body: tag ?? '', start, place })
      setBusy(false)
      if (begun.ok) router.push(begun.value)
      else setRefusal(begun.refusal)
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
