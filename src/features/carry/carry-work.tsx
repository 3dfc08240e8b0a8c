'use client'

import Link from 'next/link'
import { carryStages, stageNames } from '@/core/camera/stages'
import { capital } from '@/core/text'
import { type BodyLine, endedWords, heldSentence } from '@/features/bodies'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { NamedSelect } from '@/ui/select'
import { Past } from './past'
import { PreflightList } from './preflight-list'
import type { Progress } from './progress'
import type { PastTransfer } from './sources'
import { Finished, Stages } from './stages'
import { useCarry, type CarryGiven, type Carrying } from './use-carry'

/** Choose what is carried and to which bodies, see what would happen to each, then watch every stage. */
export function CarryWork({
  given,
  past,
  none,
}: {
  given: CarryGiven
  past: readonly PastTransfer[]
  /** What is said where no body can take it. */
  none: string
}) {
  const carrying = useCarry(given)
  const { targets, running, progress, others, own } = carrying
  const busy = running !== null
  return (
    <main className="grid gap-4 px-5 py-4 lg:grid-cols-[340px_minmax(0,1fr)]">
      <section aria-label="Target" className="grid content-start gap-3">
        <h1 className="font-head text-title font-semibold">Carry to a body</h1>
        {own.length === 0 && <p>{none}</p>}
        <Source carrying={carrying} given={given} />
        <BodyChoice carrying={carrying} disabled={busy} />
        {targets.length > 0 && <Begin carrying={carrying} />}
        {others.length > 0 && (
          <p className="border-t pt-2 text-small text-silt">
            Of other models, and so not to be loaded with this:{' '}
            {others.map((one) => `${one.name} (${one.model})`).join(', ')}.
          </p>
        )}
      </section>
      <section aria-label="Transfer" className="min-w-0 border bg-sheet p-4">
        {Object.keys(progress).length === 0 ? (
          <Before carrying={carrying} />
        ) : (
          given.bodies
            .filter(({ id }) => progress[id])
            .map((body) => <Under key={body.id} body={body} progress={progress[body.id]} />)
        )}
        {past.length > 0 && (
          <Past
            key={past.map(({ id, outcome }) => `${id} ${outcome}`).join()}
            past={past}
            busy={busy}
            onGoOn={({ id, bodyId }) => void carrying.goOn(id, bodyId)}
          />
        )}
      </section>
    </main>
  )
}

function Source({ carrying, given }: { carrying: Carrying; given: CarryGiven }) {
  const { source, running, pickSource } = carrying
  if (given.sources.length < 2) return source ? <p>{source.words}</p> : null
  return (
    <NamedSelect
      label="Carry"
      value={source?.id ?? ''}
      options={given.sources.map(({ id, words }) => [id, words] as const)}
      onPick={(id) => {
        if (running === null) pickSource(id)
      }}
    />
  )
}

function BodyChoice({ carrying, disabled }: { carrying: Carrying; disabled: boolean }) {
  const { own, targets, toggle } = carrying
  return (
    <div role="group" aria-label="Bodies" className="grid gap-2">
      {own.map((one) => (
        <button
          key={one.id}
          type="button"
          aria-pressed={targets.includes(one)}
          disabled={disabled}
          onClick={() => toggle(one.id)}
          className="border bg-sheet px-3.5 py-2.5 text-left aria-pressed:border-brine aria-pressed:outline-1 aria-pressed:outline-brine"
        >
          <span className="block font-head text-lead font-semibold">{one.name}</span>
          <span className="block text-silt">
            {[one.place, one.serial, `firmware ${one.firmware}`].filter((part) => part !== '').join(' · ')}
          </span>
          <span className="block text-small text-silt">
            {one.last ? `last: ${one.last.source}, ${endedWords(one.last)}` : 'nothing carried to it yet'}
          </span>
        </button>
      ))}
    </div>
  )
}

/** What is asked before it begins, and the button that begins it. */
function Begin({ carrying }: { carrying: Carrying }) {
  const { clear, targets, running, ready, pauseBefore } = carrying
  const names = clear.length > 0 ? clear : targets
  return (
    <>
      <NamedSelect
        label="Wait before"
        value={pauseBefore}
        options={[
          ['', 'no stage'],
          ...carryStages.slice(1).map((stage) => [stage, stageNames[stage]] as const),
        ]}
        onPick={carrying.setPauseBefore}
      />
      <div className="flex flex-wrap gap-2">
        <Button main disabled={!ready} onClick={() => void carrying.carry()}>
          Carry to {names.map(({ name }) => name).join(' and ')}
        </Button>
        {running !== null && <Button onClick={carrying.stop}>Stop</Button>}
      </div>
      <p className="text-small text-silt">
        {carrying.source?.id.startsWith('plan:') === true && 'The plan is frozen as a revision first. '}
        Each body is saved before anything is written to it; that backup stays on the shelf. A configuration
        file carries all of it or nothing: no part alone.
      </p>
    </>
  )
}

/** What would happen to each body chosen, and what is still open in the plan. */
function Before({ carrying }: { carrying: Carrying }) {
  const { targets, seen, seenOf, source } = carrying
  const problems = seen.value?.problems ?? []
  return (
    <>
      <h2 className="font-head text-lead font-semibold">
        {targets.length === 0
          ? 'What is looked at, and done, at each stage'
          : 'Before anything is done: what would happen'}
      </h2>
      {seen.refusal !== null && (
        <RefusalNote refusal={{ code: 'refused', message: seen.refusal, where: source?.words ?? '' }} />
      )}
      {problems.length > 0 && (
        <p className="mt-2 border-l-3 border-lichen px-3 py-1">
          <b>
            {problems.length === 1 ? '1 problem is' : `${problems.length} problems are`} still open in the
            plan:
          </b>{' '}
          {problems
            .slice(0, 3)
            .map(({ title }) => title)
            .join('; ')}
          {problems.length > 3 && `; and ${problems.length - 3} more`}.
        </p>
      )}
      {targets.map((body) => {
        const found = seenOf(body.id)
        return (
          <section key={body.id} aria-label={`Preflight of ${body.name}`} className="mt-3">
            <h3 className="flex flex-wrap items-baseline gap-x-3 font-semibold">
              {body.name}
              <Link
                href={`/bodies/${body.tag}`}
                className="text-small font-normal text-brine underline underline-offset-3"
              >
                Battery, card and memory
              </Link>
            </h3>
            {found?.preflight ? (
              <PreflightList name={body.name} preflight={found.preflight} />
            ) : found?.refusal ? (
              <RefusalNote refusal={found.refusal} />
            ) : (
              <p className="text-silt">{seen.refusal === null ? 'Being looked at …' : ''}</p>
            )}
          </section>
        )
      })}
      {targets.length === 0 && <Stages progress={null} />}
    </>
  )
}

/** A transfer under way, or just ended. */
function Under({ body, progress }: { body: BodyLine; progress: Progress | undefined }) {
  if (!progress) return null
  return (
    <section aria-label={`Transfer to ${body.name}`} className="mb-4">
      <h2 className="font-head text-lead font-semibold">
        {progress.begun ? `${capital(progress.begun.from)} → ${body.name}` : body.name}
      </h2>
      <Stages progress={progress} />
      <HowItEnded progress={progress} name={body.name} />
    </section>
  )
}

/** How a transfer ended, and what the body holds now. */
function HowItEnded({ progress, name }: { progress: Progress; name: string }) {
  const { refused, stopped, finished, paused, begun } = progress
  const nothingBegun = refused?.stage === null && begun === null && refused.refusal.code !== 'unreachable'
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
      {paused && (
        <p className="mt-3 font-semibold text-lichen">
          It waits before “{stageNames[paused]}”. Go on below, today or another day: it first looks whether{' '}
          {name} is as it was left.
        </p>
      )}
      {finished && <Finished finished={finished} name={name} />}
    </>
  )
}
