'use client'

import { type BodyLine, endedWords, heldSentence } from '@/features/bodies'
import type { Holds } from '@/core/camera/carry'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { When } from '@/ui/when'
import { CardChoice } from './card-choice'
import type { Progress } from './progress'
import { Finished, Stages } from './stages'
import { useCarry } from './use-carry'

/** A past transfer. */
export interface PastTransfer {
  readonly id: string
  readonly bodyName: string
  readonly revision: number
  readonly outcome: string
  readonly holds: Holds | null
  readonly startedAt: string
  readonly compared: number | null
}

/** The Carry station: choose a body, watch every stage, know what is left to do by hand. */
export function CarryStation({
  bodies,
  past,
}: {
  bodies: readonly BodyLine[]
  past: readonly PastTransfer[]
}) {
  const carrying = useCarry(bodies)
  const { body, own, others, model, progress, running, changing, ready, carry, stop, choose } = carrying
  return (
    <main className="grid gap-4 px-5 py-4 lg:grid-cols-[340px_minmax(0,1fr)]">
      <section aria-label="Target" className="grid content-start gap-3">
        <h1 className="font-head text-title font-semibold">Carry to a body</h1>
        {own.length === 0 && (
          <p>
            No {model} is on the shelf. This plan can be carried to no other model: its files are read by a{' '}
            {model} alone.
          </p>
        )}
        <BodyChoice bodies={own} chosen={body} disabled={running} onChoose={choose} />
        {body && (
          <>
            <CardChoice body={body} disabled={running || changing} onChanging={carrying.changeCard} />
            <div className="flex gap-2">
              <Button main disabled={!ready} onClick={() => void carry()}>
                Carry to {body.name}
              </Button>
              {running && <Button onClick={stop}>Stop</Button>}
            </div>
            <p className="text-small text-silt">
              The plan as it stands is frozen as a revision first. The body is saved before anything is
              written to it; that backup stays on the shelf.
            </p>
          </>
        )}
        {others.length > 0 && (
          <p className="border-t pt-2 text-small text-silt">
            Of other models, and so not to be loaded with this plan:{' '}
            {others.map((one) => `${one.name} (${one.model})`).join(', ')}.
          </p>
        )}
      </section>
      <section aria-label="Transfer" className="min-w-0 border bg-sheet p-4">
        <h2 className="font-head text-lead font-semibold">
          {!body
            ? 'How a plan is carried'
            : progress.revision === null
              ? `What will happen with ${body.name}`
              : `Revision ${progress.revision} → ${body.name}`}
        </h2>
        <Stages progress={progress} />
        {body && <HowItEnded progress={progress} name={body.name} />}
        {past.length > 0 && <Past past={past} />}
      </section>
    </main>
  )
}

function BodyChoice({
  bodies,
  chosen,
  disabled,
  onChoose,
}: {
  bodies: readonly BodyLine[]
  chosen: BodyLine | undefined
  disabled: boolean
  onChoose: (id: string) => void
}) {
  return (
    <div role="group" aria-label="Body" className="grid gap-2">
      {bodies.map((one) => (
        <button
          key={one.id}
          type="button"
          aria-pressed={one === chosen}
          disabled={disabled}
          onClick={() => onChoose(one.id)}
          className="border bg-sheet px-3.5 py-2.5 text-left aria-pressed:border-brine aria-pressed:outline-1 aria-pressed:outline-brine"
        >
          <span className="block font-head text-lead font-semibold">{one.name}</span>
          <span className="block text-silt">
            {one.place} · {one.serial} · firmware {one.firmware}
          </span>
          <span className="block text-small text-silt">
            {one.last
              ? `last: revision ${one.last.revision}, ${endedWords(one.last)}`
              : 'nothing carried to it yet'}
          </span>
        </button>
      ))}
    </div>
  )
}

/** How a transfer ended, and what the body holds now. */
function HowItEnded({ progress, name }: { progress: Progress; name: string }) {
  const { refused, stopped, finished } = progress
  const nothingBegun =
    refused?.stage === null && progress.revision === null && refused.refusal.code !== 'unreachable'
  return (
    <>
      {refused && (
        <div className="mt-3">
          <RefusalNote refusal={refused.refusal} />
          <p className="mt-1 text-silt">
            {nothingBegun ? 'Nothing was begun.' : heldSentence(name, refused.holds)} Mend the cause and carry
            again.
          </p>
        </div>
      )}
      {stopped && (
        <p className="mt-3 font-semibold text-lichen">Stopped. {heldSentence(name, stopped.holds)}</p>
      )}
      {finished && <Finished finished={finished} name={name} />}
    </>
  )
}

function Past({ past }: { past: readonly PastTransfer[] }) {
  return (
    <div className="mt-5 border-t pt-3">
      <h3 className="font-semibold">Carried so far</h3>
      <ul className="text-silt">
        {past.map((one) => (
          <li key={one.id}>
            <When at={one.startedAt} /> · revision {one.revision} → {one.bodyName} · {endedWords(one)}
            {one.compared !== null && ` · ${one.compared} rows`}
          </li>
        ))}
      </ul>
    </div>
  )
}
