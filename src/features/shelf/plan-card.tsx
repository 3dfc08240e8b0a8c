import { ArrowRight } from 'lucide-react'
import Link from 'next/link'
import { SmallPlate } from '@/ui/plate/drawing'
import { SeveritySign } from '@/ui/severity'
import { When } from '@/ui/when'
import { nextStep } from './next-step'
import { PlanMenu } from './plan-menu'
import type { ShelfPlan } from './shelf-plan'

/** A plan at one glance: its camera, what it is for, what is wrong in it, worst first, and what to do next. */
export function PlanCard({ plan, bodies }: { plan: ShelfPlan; bodies: readonly string[] }) {
  const { id, title, purpose, work, model, updated, proven } = plan
  const next = nextStep(plan, bodies)
  return (
    <article className="relative grid gap-x-5 border bg-sheet px-4 py-3 hover:border-brine sm:grid-cols-[132px_minmax(0,1fr)]">
      <SmallPlate model={plan.modelId} className="mt-1 hidden h-24 w-full sm:block" />
      <div className="min-w-0">
        <div className="flex items-start justify-between gap-3">
          <h3 className="min-w-0 font-head text-lead font-semibold">
            <Link
              href={`/plans/${id}/controls`}
              className="inline-flex min-h-8 items-center wrap-anywhere text-brine hover:underline"
            >
              {title}
            </Link>
          </h3>
          <PlanMenu id={id} title={title} />
        </div>
        <p className={purpose === null && work.length === 0 ? 'text-silt' : ''}>
          {purpose ?? (work.length > 0 ? `For ${work.join(', ')}` : 'Nothing said yet of what it is for.')}
        </p>
        <p className="text-small text-silt">
          {model} · changed <When at={updated} />
          {proven && (
            <>
              {' '}
              · <span className="text-samphire">proven on {proven.body}</span> <When at={proven.at} />
            </>
          )}
        </p>
        <Wrong plan={plan} />
        {next && (
          <p className="mt-2">
            <Link
              href={`/plans/${id}/${next.station}`}
              className="inline-flex min-h-9 items-center gap-1.5 rounded-md border px-3 font-medium hover:border-brine hover:text-brine"
            >
              {next.words} <ArrowRight size={16} aria-hidden="true" />
            </Link>
          </p>
        )}
      </div>
    </article>
  )
}

/** What is wrong in a plan: how much, and the worst of it. */
function Wrong({ plan: { id, counts } }: { plan: ShelfPlan }) {
  if (!counts) return <p className="mt-1.5 text-small text-silt">being checked …</p>
  const { blocks, problems, worst } = counts
  if (blocks + problems === 0) return <p className="mt-1.5 text-samphire">No problems.</p>
  const more = blocks + problems - worst.length
  const said = [
    blocks > 0 ? `${blocks} cannot work` : '',
    problems > 0 ? `${problems} ${problems === 1 ? 'problem' : 'problems'}` : '',
  ].filter((one) => one !== '')
  return (
    <div className="mt-1.5">
      <p className="font-semibold">{said.join(', ')}</p>
      <ul>
        {worst.map(({ severity, title, station }) => (
          <li key={title} className="flex gap-1.5">
            <SeveritySign severity={severity} word={false} />
            <Link href={`/plans/${id}/${station}`} className="min-w-0 hover:underline">
              {title}
            </Link>
          </li>
        ))}
        {more > 0 && <li className="pl-5.5 text-small text-silt">and {more} more</li>}
      </ul>
    </div>
  )
}
