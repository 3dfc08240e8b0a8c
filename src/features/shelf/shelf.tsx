import Link from 'next/link'
import type { ReactNode } from 'react'
import type { Refusal } from '@/core/result'
import { capital } from '@/core/text'
import { type BodyLine, endedWords, heldSentence, type RealLine, RealStanding } from '@/features/bodies'
import { PlateSymbol, SmallPlate, type Drawn } from '@/ui/plate/drawing'
import { When } from '@/ui/when'
import { BringIn } from './bring-in'
import { FileTable } from './file-table'
import type { ShelfFile } from './shelf-file'
import { DeletedPlans } from './deleted-plans'
import { NewPlan } from './new-plan'
import type { NewPlanChoices } from './new-plan-form'
import { PlanCard } from './plan-card'
import { PlanPages, PlanSearch, type Pages } from './plan-pages'
import type { ShelfPlan } from './shelf-plan'

/** A plan or body that is kept and cannot be shown, and why. */
export interface Unshown {
  readonly id: string
  readonly name: string
  readonly trouble: Refusal
}

/** Two bodies of a model between which something clashes. */
export interface Mismatch {
  readonly one: string
  readonly other: string
  readonly tags: readonly [string, string]
  readonly clashes: readonly string[]
}

/** A transfer that waits. */
export interface WaitingTransfer {
  readonly id: string
  readonly bodyName: string
  readonly source: string
}

/** Home: plans, bodies, files, and what needs attention. */
export function Shelf({
  plans,
  pages,
  bodies,
  real,
  files,
  fileCount,
  models,
  work,
  deleted,
  faults,
  unshown,
  mismatches,
  waiting,
  aside,
}: {
  plans: readonly ShelfPlan[]
  pages: Pages
  bodies: readonly BodyLine[]
  /** Real cameras: carried to by hand. */
  real: readonly RealLine[]
  /** The newest of them. */
  files: readonly ShelfFile[]
  fileCount: number
  models: readonly (NewPlanChoices['models'][number] & Drawn)[]
  work: NewPlanChoices['work']
  /** Plans that were deleted and can be put back. */
  deleted: readonly { readonly id: string; readonly title: string; readonly model: string }[]
  faults: readonly Refusal[]
  unshown: readonly Unshown[]
  mismatches: readonly Mismatch[]
  /** Transfers that wait for somebody to go on. */
  waiting: readonly WaitingTransfer[]
  /** What else stands beside the plans. */
  aside?: ReactNode
}) {
  return (
    <main className="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 px-5 py-6 lg:grid-cols-[minmax(0,1fr)_360px]">
      <svg className="absolute size-0" aria-hidden="true">
        {models.map((model) => (
          <PlateSymbol key={model.id} model={model} />
        ))}
      </svg>
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-6">
        <section aria-labelledby="plans">
          <div className="flex flex-wrap items-baseline justify-between gap-3">
            <h1 id="plans" className="font-head text-title font-semibold">
              Plans
            </h1>
            <NewPlan models={models.map(({ id, name, sides }) => ({ id, name, sides }))} work={work} />
          </div>
          <PlanSearch pages={pages} />
          {plans.length === 0 && pages.find === '' && (
            <p className="mt-2 text-silt">
              A plan says what every key and bank of a camera is for. Start one for your model.
            </p>
          )}
          <ul className="mt-2 grid gap-2">
            {plans.map((plan) => (
              <li key={plan.id}>
                <PlanCard plan={plan} bodies={bodiesFor(bodies, plan)} />
              </li>
            ))}
          </ul>
          <PlanPages pages={pages} />
          <DeletedPlans plans={deleted} />
        </section>
        <Bodies bodies={bodies} real={real} />
        <Files files={files} count={fileCount} />
      </div>
      <aside aria-label="Beside the plans" className="grid content-start gap-6">
        <section aria-labelledby="attention">
          <h2 id="attention" className="font-head text-title font-semibold">
            Needs attention
          </h2>
          <Attention {...{ plans, bodies, faults, unshown, mismatches, waiting }} />
        </section>
        {aside}
        <section aria-labelledby="everything">
          <h2 id="everything" className="font-head text-title font-semibold">
            Everything as one file
          </h2>
          <p className="mt-2 border bg-sheet px-4 py-3 text-silt">
            Plans with all their steps and revisions, bodies, files, transfers and walks, each with its
            digest, as one ZIP. Brought into an empty installation, it is all there again.{' '}
            <a href="/api/export" className="font-semibold text-brine underline underline-offset-3">
              Take everything along
            </a>
          </p>
        </section>
      </aside>
    </main>
  )
}

/** The bodies that a plan can be carried to, those nothing was carried to yet first. */
function bodiesFor(bodies: readonly BodyLine[], plan: ShelfPlan): string[] {
  return bodies
    .filter(({ modelId }) => modelId === plan.modelId)
    .sort((one, other) => Number(one.last !== null) - Number(other.last !== null))
    .map(({ name }) => name)
}

function Bodies({ bodies, real }: { bodies: readonly BodyLine[]; real: readonly RealLine[] }) {
  return (
    <section aria-labelledby="bodies">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="bodies" className="font-head text-title font-semibold">
          Bodies
        </h2>
        <span className="flex flex-wrap gap-x-5">
          <Link href="/bodies" className="font-semibold text-brine underline underline-offset-3">
            Bodies, lenses and cards
          </Link>
          <Link href="/cards" className="font-semibold text-brine underline underline-offset-3">
            Cards
          </Link>
          <Link href="/history" className="font-semibold text-brine underline underline-offset-3">
            History
          </Link>
        </span>
      </div>
      {bodies.length + real.length === 0 && (
        <p className="mt-2 text-silt">A body is one camera of yours. Plans are carried to it.</p>
      )}
      <ul className="mt-2 grid gap-2 sm:grid-cols-2">
        {bodies.map((body) => (
          <li key={body.id} className="grid grid-cols-[minmax(0,1fr)_88px] gap-x-3 border bg-sheet px-4 py-3">
            <div className="min-w-0">
              <p className="font-head text-lead font-semibold">
                <Link href={`/bodies/${body.tag}`} className="hover:text-brine hover:underline">
                  {body.name}
                </Link>
              </p>
              <p className="text-silt">
                {body.place} · {body.model}
              </p>
              <p className="font-mono text-small text-silt">
                {body.serial} · firmware {body.firmware}
              </p>
              <p className="mt-1">
                {body.last ? (
                  <>
                    {capital(body.last.source)}: {endedWords(body.last)}, <When at={body.last.endedAt} />
                  </>
                ) : (
                  'Nothing carried to it yet'
                )}
              </p>
            </div>
            <SmallPlate model={body.modelId} className="h-16 w-full self-center" />
          </li>
        ))}
        {real.map((body) => (
          <li key={body.tag} className="border bg-sheet px-4 py-3">
            <p className="font-head text-lead font-semibold">
              <Link href={`/bodies/${body.tag}`} className="hover:text-brine hover:underline">
                {body.name}
              </Link>
            </p>
            <p className="text-silt">
              {[body.place, body.model, 'a real camera'].filter((part) => part !== '').join(' · ')}
            </p>
            <div className="mt-1">
              <RealStanding body={body} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Files({ files, count }: { files: readonly ShelfFile[]; count: number }) {
  return (
    <section aria-labelledby="files">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="files" className="font-head text-title font-semibold">
          Files
        </h2>
        <BringIn />
      </div>
      {files.length === 0 ? (
        <p className="mt-2 text-silt">
          Every configuration file that is saved, carried or brought in is kept here, byte for byte. Carry a
          plan to a body, or bring a file in.
        </p>
      ) : (
        <FileTable files={files} />
      )}
      {count > 0 && (
        <p className="mt-2">
          <Link href="/files" className="font-semibold text-brine underline underline-offset-3">
            {count === 1 ? 'The one file' : `All ${count} files`}, with tags and the bin
          </Link>
        </p>
      )}
    </section>
  )
}

function Attention({
  plans,
  bodies,
  faults,
  unshown,
  mismatches,
  waiting,
}: {
  plans: readonly ShelfPlan[]
  bodies: readonly BodyLine[]
  faults: readonly Refusal[]
  unshown: readonly Unshown[]
  mismatches: readonly Mismatch[]
  waiting: readonly WaitingTransfer[]
}) {
  const untouched = bodies
    .filter((body) => body.last === null)
    .map((body) => ({ body, plan: plans.find((plan) => plan.model === body.model) }))
  const unsure = bodies.filter(
    ({ last }) => last?.holds && last.holds !== 'before' && last.outcome !== 'identical',
  )
  if ([untouched, faults, unshown, unsure, mismatches, waiting].every((list) => list.length === 0)) {
    return <p className="mt-2 text-silt">Nothing: every body has been carried to.</p>
  }
  return (
    <ul className="mt-2 grid gap-2">
      {faults.map((fault) => (
        <li
          key={`${fault.where ?? ''} ${fault.message}`}
          className="border-l-3 border-rust bg-sheet px-3 py-2"
        >
          <b className="text-rust">A definition file cannot be used.</b> {fault.message}
          <span className="block font-mono text-small break-all text-silt">{fault.where}</span>
        </li>
      ))}
      {unshown.map(({ id, name, trouble }) => (
        <li key={id} className="border-l-3 border-rust bg-sheet px-3 py-2">
          <b className="text-rust">{name} cannot be shown.</b> {trouble.message}
          {trouble.where && (
            <span className="block font-mono text-small break-all text-silt">{trouble.where}</span>
          )}
        </li>
      ))}
      {unsure.map((body) => (
        <li key={body.id} className="border-l-3 border-lichen bg-sheet px-3 py-2">
          {heldSentence(body.name, body.last?.holds ?? null)}
        </li>
      ))}
      {waiting.map((one) => (
        <li key={one.id} className="border-l-3 border-lichen bg-sheet px-3 py-2">
          <b>{one.bodyName}</b>: {one.source} waits for you to go on.{' '}
          <Link href="/carry" className="font-semibold text-brine underline underline-offset-3">
            Go on or stop it
          </Link>
        </li>
      ))}
      {mismatches.map(({ one, other, tags: [first, second], clashes }) => (
        <li key={`${first} ${second}`} className="border-l-3 border-lichen bg-sheet px-3 py-2">
          {clashes.join(' ')}{' '}
          <Link
            href={`/bodies/${first}?against=${second}`}
            className="font-semibold text-brine underline underline-offset-3"
          >
            {one} against {other}
          </Link>
        </li>
      ))}
      {untouched.map(({ body, plan }) => (
        <li key={body.id} className="border-l-3 bg-sheet px-3 py-2">
          <b>{body.name}</b> has{' '}
          {plan ? 'had nothing carried to it.' : `no plan yet: none is for a ${body.model}.`}
          {plan && (
            <>
              {' '}
              <Link
                href={`/plans/${plan.id}/carry`}
                className="font-semibold text-brine underline underline-offset-3"
              >
                Carry {plan.title}
              </Link>
            </>
          )}
        </li>
      ))}
    </ul>
  )
}
