import Link from 'next/link'
import type { Refusal } from '@/core/result'
import { type BodyLine, endedWords, heldSentence } from '@/features/bodies'
import { SeveritySign } from '@/ui/severity'
import { When } from '@/ui/when'
import { BringIn } from './bring-in'
import { FileTable, type ShelfFile } from './file-table'
import { NewPlan } from './new-plan'
import { PlanPages, PlanSearch, type Pages } from './plan-pages'

/** A plan as the shelf shows it. */
export interface ShelfPlan {
  readonly id: string
  readonly title: string
  readonly model: string
  readonly steps: number
  readonly updated: string
  /** What is wrong in it; null while that is being reckoned. */
  readonly counts: { readonly blocks: number; readonly problems: number } | null
}

/** A plan or body that is kept and cannot be shown, and why. */
export interface Unshown {
  readonly id: string
  readonly name: string
  readonly trouble: Refusal
}

/** Home: plans, bodies, files, and what needs attention. */
export function Shelf({
  plans,
  pages,
  bodies,
  files,
  fileCount,
  models,
  faults,
  unshown,
}: {
  plans: readonly ShelfPlan[]
  pages: Pages
  bodies: readonly BodyLine[]
  /** The newest of them. */
  files: readonly ShelfFile[]
  fileCount: number
  models: readonly { id: string; name: string; version: number }[]
  faults: readonly Refusal[]
  unshown: readonly Unshown[]
}) {
  return (
    <main className="mx-auto grid max-w-[1240px] gap-x-8 gap-y-6 px-5 py-6 lg:grid-cols-[minmax(0,1fr)_360px]">
      <div className="grid content-start gap-6">
        <section aria-labelledby="plans">
          <div className="flex flex-wrap items-baseline justify-between gap-3">
            <h1 id="plans" className="font-head text-title font-semibold">
              Plans
            </h1>
            <NewPlan models={models} />
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
                <Link
                  href={`/plans/${plan.id}/controls`}
                  className="block border bg-sheet px-4 py-3 hover:border-brine"
                >
                  <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                    <span className="font-head text-lead font-semibold text-brine">{plan.title}</span>
                    <PlanStand plan={plan} />
                  </span>
                  <span className="block text-silt">
                    {plan.model} · {plan.steps} {plan.steps === 1 ? 'step' : 'steps'} · changed{' '}
                    <When at={plan.updated} />
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          <PlanPages pages={pages} />
        </section>
        <Bodies bodies={bodies} />
        <Files files={files} count={fileCount} />
      </div>
      <aside aria-labelledby="attention" className="content-start">
        <h2 id="attention" className="font-head text-title font-semibold">
          Needs attention
        </h2>
        <Attention plans={plans} bodies={bodies} faults={faults} unshown={unshown} />
      </aside>
    </main>
  )
}

function PlanStand({ plan: { counts } }: { plan: ShelfPlan }) {
  if (!counts) return <span className="text-small text-silt">being checked …</span>
  if (counts.blocks > 0) return <SeverityCount severity="blocks" count={counts.blocks} />
  if (counts.problems > 0) return <SeverityCount severity="problem" count={counts.problems} />
  return <span className="text-small text-samphire">no problems</span>
}

function SeverityCount({ severity, count }: { severity: 'blocks' | 'problem'; count: number }) {
  return (
    <span className="inline-flex items-center gap-1 text-small">
      <SeveritySign severity={severity} word={false} /> {count}{' '}
      {severity === 'blocks' ? 'cannot work' : count === 1 ? 'problem' : 'problems'}
    </span>
  )
}

function Bodies({ bodies }: { bodies: readonly BodyLine[] }) {
  return (
    <section aria-labelledby="bodies">
      <h2 id="bodies" className="font-head text-title font-semibold">
        Bodies
      </h2>
      {bodies.length === 0 && (
        <p className="mt-2 text-silt">A body is one camera of yours. Plans are carried to it.</p>
      )}
      <ul className="mt-2 grid gap-2 sm:grid-cols-2">
        {bodies.map((body) => (
          <li key={body.id} className="border bg-sheet px-4 py-3">
            <p className="font-head text-lead font-semibold">{body.name}</p>
            <p className="text-silt">
              {body.place} · {body.model}
            </p>
            <p className="font-mono text-small text-silt">
              {body.serial} · firmware {body.firmware}
            </p>
            <p className="mt-1">
              {body.last ? (
                <>
                  Revision {body.last.revision}: {endedWords(body.last)}, <When at={body.last.endedAt} />
                </>
              ) : (
                'Nothing carried to it yet'
              )}
            </p>
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
      {count > files.length && (
        <p className="mt-2">
          <Link href="/files" className="font-semibold text-brine underline underline-offset-3">
            All {count} files
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
}: {
  plans: readonly ShelfPlan[]
  bodies: readonly BodyLine[]
  faults: readonly Refusal[]
  unshown: readonly Unshown[]
}) {
  const waiting = bodies
    .filter((body) => body.last === null)
    .map((body) => ({ body, plan: plans.find((plan) => plan.model === body.model) }))
  const unsure = bodies.filter(
    ({ last }) => last?.holds && last.holds !== 'before' && last.outcome !== 'identical',
  )
  const troubled = plans.flatMap(({ counts, ...plan }) =>
    counts && counts.problems + counts.blocks > 0 ? [{ ...plan, ...counts }] : [],
  )
  if ([waiting, troubled, faults, unshown, unsure].every((list) => list.length === 0)) {
    return plans.some(({ counts }) => counts === null) ? (
      <p className="mt-2 text-silt">Plans are still being checked.</p>
    ) : (
      <p className="mt-2 text-silt">Nothing. No plan has problems, and every body has been carried to.</p>
    )
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
      {troubled.map((plan) => (
        <li key={plan.id} className="border-l-3 border-lichen bg-sheet px-3 py-2">
          <Link
            href={`/plans/${plan.id}/controls`}
            className="font-semibold text-brine underline underline-offset-3"
          >
            {plan.title}
          </Link>
          : {plan.blocks > 0 ? `${plan.blocks} rows cannot work, ` : ''}
          {plan.problems} {plan.problems === 1 ? 'problem' : 'problems'}.
        </li>
      ))}
      {waiting.map(({ body, plan }) => (
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
