'use client'

import type { Composed } from '@/core/analysis/questions'
import { startingPoints, startWords, type StartingPoint } from '@/core/procedures/order'
import { setsPlan } from '@/core/procedures/catalogue'
import { writeProcedurePlace } from '@/core/procedures/place'
import { Button } from '@/ui/button'
import { NotDone } from '@/ui/not-done'
import { RefusalNote } from '@/ui/refusal-note'
import { NamedSelect } from '@/ui/select'
import { TextLink } from '@/ui/text-link'
import { Acts } from './acts'
import { ProcedureChoice, ProcedureList } from './procedure-list'
import { EndedWalks } from './walks'
import { useProveStation, type ProveKnown, type ProveStationKnown } from './use-prove-station'

/** The Prove station: every procedure of the plan, composed for a body; walked beside the camera, or played. */
export function ProveStation({ known }: { known: ProveKnown }) {
  const station = useProveStation(known)
  const { entry, composed, open } = station
  return (
    <main className="grid gap-4 px-5 py-4 lg:grid-cols-[300px_minmax(0,1fr)]">
      <section aria-label="Procedures">
        <h1 className="font-head text-title font-semibold">Prove</h1>
        <p className="mt-1 text-small text-silt">
          Ordered acts, to be done with the camera in one hand. Choose one, then walk it on a phone beside the
          camera.
        </p>
        <ProcedureChoice station={station} />
        <ProcedureList station={station} />
      </section>
      <section aria-label={entry.name} className="min-w-0 self-start border bg-sheet p-4">
        <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
          <div className="min-w-0 flex-1 basis-64">
            <h2 className="font-head text-title font-semibold">{entry.name}</h2>
            <p className="text-silt">{entry.purpose}</p>
          </div>
          <div className="flex flex-wrap gap-2">
            <Button main disabled={station.isBusy} onClick={() => void station.walk()}>
              {open ? 'Go on with the walk' : 'Walk it'}
            </Button>
            <Button disabled={station.isPlayed} onClick={station.play}>
              Play it on the simulated body
            </Button>
          </div>
        </div>
        <Choices station={station} />
        {station.refusal && <RefusalNote refusal={station.refusal} />}
        {composed === null ? (
          <p className="mt-4 text-silt">Composing …</p>
        ) : (
          <>
            <Figures composed={composed} over={open && station.overIn(open.walk)} />
            {composed.played && (
              <p>
                <TextLink
                  href={`/plans/${station.planId}/try#${encodeURIComponent(writeProcedurePlace({ procedure: station.id, body: station.tag ?? '', place: station.place }))}`}
                >
                  See it act by act in Try it
                </TextLink>
              </p>
            )}
            <Acts
              acts={composed.procedure.acts}
              walk={open?.walk ?? null}
              log={composed.played?.acts ?? null}
            />
            <div className="mt-4 empty:hidden">
              <NotDone {...composed.procedure} />
            </div>
          </>
        )}
        <EndedWalks station={station} />
      </section>
    </main>
  )
}

/** For which body, from what, and where. */
function Choices({ station }: { station: ProveStationKnown }) {
  const { id, tag, bodies, start, held, place, places } = station
  return (
    <div className="mt-3 flex flex-wrap gap-x-5 gap-y-2">
      <NamedSelect
        label="For"
        value={tag ?? ''}
        options={[['', 'no body in particular'], ...bodies.map((one) => [one.tag, one.name] as const)]}
        onPick={station.chooseBody}
      />
      {id === 'set-plan' && (
        <NamedSelect<StartingPoint>
          label="Set"
          value={start}
          options={startingPoints
            .filter((one) => one !== 'believed' || held !== null)
            .map((one) => [one, startWords[one]] as const)}
          onPick={station.chooseStart}
        />
      )}
      {id === 'rescue' && (
        <NamedSelect label="In" value={place} options={places} onPick={station.choosePlace} />
      )}
    </div>
  )
}

/** How long it is, how far somebody is, and what the simulated body came to. */
function Figures({ composed: { procedure, played }, over }: { composed: Composed; over: number | null }) {
  const { acts, undone } = procedure
  const presses = acts.reduce((sum, act) => sum + act.presses, 0)
  return (
    <>
      <p className="mt-3 border-t pt-2 text-lead tabular-nums">
        {count(acts.length, 'act')}
        {presses > 0 && ` · ${count(presses, 'press', 'presses')} in the menu`}
        {over !== null && ` · ${over} over`}
        {undone.length > 0 && <span className="text-lichen"> · {undone.length} not done by it</span>}
      </p>
      {played && (
        <p role="status" className="mt-1">
          {played.refused.length > 0 ? (
            <span className="font-semibold text-rust">
              ✗ The simulated body refused {count(played.refused.length, 'act')}:{' '}
              {played.refused[0]?.words}{' '}
            </span>
          ) : (
            <span className="font-semibold text-samphire">
              ✓ {playedWords(played.acts.length, acts.length)}{' '}
            </span>
          )}
          {setsPlan(procedure.id) &&
            (played.differs.length === 0
              ? 'It holds the plan, row by row.'
              : `${count(played.differs.length, 'row')} of it ${played.differs.length === 1 ? 'is' : 'are'} not as the plan wants: ${played.differs.slice(0, 3).join('; ')}${played.differs.length > 3 ? ' …' : '.'}`)}
        </p>
      )}
    </>
  )
}

/** How much of it a body can do by itself: the rest is done around the camera. */
function playedWords(did: number, all: number): string {
  if (did === 0) return 'Nothing of it is done on the camera: there was nothing to play.'
  if (did === all) return 'The simulated body did every act.'
  return `The simulated body did ${count(did, 'act')}; ${count(all - did, 'act')} only you can do.`
}

function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`
}
