'use client'

import { useEffect } from 'react'
import type { Composed } from '@/core/analysis/questions'
import type { PlayedAct } from '@/core/procedures/play'
import { catalogue, setsPlan, startingPointOf, type ProcedureId } from '@/core/procedures/catalogue'
import type { ProcedureAct } from '@/core/procedures/types'
import { useAnswer } from '@/features/desk'
import { Button } from '@/ui/button'
import { NamedSelect } from '@/ui/select'
import type { TryKnown } from './use-try-station'

/** A procedure played on the body in the hand, act by act: what comes next is lit on the plate. */
export function ProcedurePanel({ known }: { known: TryKnown }) {
  const { procedure: id, body: tag, place } = known.played
  const composed = useAnswer<'procedure'>({
    ...{ kind: 'procedure', id, tag: tag === '' ? null : tag, held: null, place, isPlayed: true },
    start: startingPointOf(id, 'delivered'),
  })
  const isThere = composed?.procedure.id === id
  return (
    <section aria-label="Procedure" className="grid gap-2">
      <NamedSelect<ProcedureId>
        label="Play"
        value={id}
        options={catalogue.filter(({ group }) => group !== 'carry').map((one) => [one.id, one.name] as const)}
        onPick={(procedure) => known.setPlayed({ procedure, body: tag, place: '', at: null })}
      />
      {isThere ? <ActByAct composed={composed} known={known} /> : <p className="text-silt">Composing …</p>}
    </section>
  )
}

/** Where somebody is in a procedure: before it, or so many acts in. */
function useActs({ procedure, played: alone }: Composed, known: TryKnown) {
  const { body, seen, pointAt, played, setPlayed } = known
  const { acts } = procedure
  // A body that starts over, or a plan that changes, takes the procedure off it.
  const at = seen?.holdsOwn === true ? played.at : null
  const next = at === null ? null : (acts[at] ?? null)
  const control = next?.control ?? null
  useEffect(() => {
    pointAt(control)
    return () => pointAt(null)
  }, [pointAt, control])
  const events = acts.slice(0, at ?? 0).reduce((sum, act) => sum + act.events.length, 0)
  return {
    at,
    next,
    /** Nothing but the acts was done on the body. */
    isAlone: (seen?.story.length ?? 0) <= events,
    begin: () => {
      if (!alone) return
      body.hold(alone.begins)
      setPlayed({ ...played, at: 0 })
    },
    /** Does acts up to one, which is not done any more. */
    doTo: (end: number) => {
      body.doing(acts.slice(at ?? 0, end).map(({ events: of, isTried = false }) => ({ events: of, isTried })))
      setPlayed({ ...played, at: end })
    },
  }
}

function ActByAct({ composed, known }: { composed: Composed; known: TryKnown }) {
  const { acts } = composed.procedure
  const { at, next, isAlone, begin, doTo } = useActs(composed, known)
  if (acts.length === 0) return <p>There is nothing to do: what the plan wants here stands already.</p>
  if (at === null) return <Before composed={composed} onBegin={begin} />
  const did = acts[at - 1]
  return (
    <>
      {next ? <Next act={next} at={at} of={acts.length} /> : <Over composed={composed} isAlone={isAlone} />}
      <p className="flex flex-wrap gap-2">
        {next && (
          <>
            <Button main onClick={() => doTo(at + 1)}>
              {next.events.length > 0 ? 'Do it' : 'Next'}
            </Button>
            <Button onClick={() => doTo(acts.length)}>Do the rest</Button>
          </>
        )}
        <Button onClick={begin}>From the beginning</Button>
      </p>
      {did && <Did act={did} played={composed.played?.acts ?? []} />}
    </>
  )
}

function Before({ composed: { procedure }, onBegin }: { composed: Composed; onBegin: () => void }) {
  const { acts, purpose } = procedure
  const doable = acts.filter(({ events }) => events.length > 0).length
  return (
    <>
      <p>{purpose}</p>
      <p className="text-silt">
        {acts.length} {acts.length === 1 ? 'act' : 'acts'}; the body does{' '}
        {doable === acts.length ? 'all' : doable} of them. It stands as the procedure begins; the plan stays
        as it is.
      </p>
      <p>
        <Button main onClick={onBegin}>
          Begin
        </Button>
      </p>
    </>
  )
}

function Next({ act, at, of }: { act: ProcedureAct; at: number; of: number }) {
  return (
    <div className="border bg-sheet px-3.5 py-2.5">
      <p className="flex gap-2 text-small text-silt">
        <span className="tabular-nums">
          {at + 1} of {of}
        </span>
        <span className="min-w-0 flex-1">{act.part}</span>
      </p>
      {act.where !== '' && (
        <p className={`text-small ${act.control === null ? 'font-mono text-brine' : 'text-silt'}`}>
          {act.where}
        </p>
      )}
      <p className="font-head text-lead font-semibold">{act.words}</p>
      {act.expect !== undefined && <p className="text-small text-silt">Expect: {act.expect}</p>}
      {act.because !== undefined && <p className="text-small text-silt">{act.because}</p>}
      {act.warning !== undefined && <p className="text-small text-rust">{act.warning}</p>}
      {act.events.length === 0 && <p className="text-small text-silt">Only you can do this.</p>}
    </div>
  )
}

/** What the body said to the act that was done last. */
function Did({ act, played }: { act: ProcedureAct; played: readonly PlayedAct[] }) {
  const log = played.find((one) => one.act === act.id)?.log ?? []
  return (
    <div role="status" className="text-small">
      <p className="text-silt">Before it: {act.words}</p>
      {log.map(({ kind, words }, i) => (
        <p key={i} className={kind === 'refused' ? 'text-rust' : 'text-samphire'}>
          {words}
        </p>
      ))}
    </div>
  )
}

function Over({ composed: { procedure, played }, isAlone }: { composed: Composed; isAlone: boolean }) {
  const differs = played?.differs.length ?? 0
  const holds =
    differs === 0
      ? 'The body holds the plan, row by row.'
      : `${differs} rows of it are not as the plan wants.`
  return (
    <p role="status" className="border bg-sheet px-3.5 py-2.5">
      Every act is done.{' '}
      {!isAlone
        ? 'Something else was done on the body, too: what it holds now is not what the acts alone make of it.'
        : setsPlan(procedure.id) && holds}
    </p>
  )
}
