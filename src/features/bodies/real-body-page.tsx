import type { ReactNode } from 'react'
import { BeginWalk } from '@/features/walk'
import { TextLink } from '@/ui/text-link'
import { When } from '@/ui/when'
import { OpenCarries, type OpenCarryLine } from './open-carries'
import { RealStanding, type RealLine } from './real-standing'

/** A real camera with its files. */
export interface RealBodyKnown extends RealLine {
  readonly folder: string
  readonly file: string | null
  readonly files: readonly {
    readonly id: string
    readonly name: string
    readonly note: string
    readonly at: string
    readonly size: number
  }[]
  /** Plans of its model, the newest first. */
  /** Carries by hand that are under way. */
  readonly carries: readonly OpenCarryLine[]
  readonly plans: readonly { readonly id: string; readonly title: string }[]
}

/** A real camera: what it is believed to hold, its files, and what is done with it by hand. */
export function RealBodyPage({ body, history }: { body: RealBodyKnown; history: ReactNode }) {
  const { tag, name, model, place, serial, firmware, folder, file } = body
  return (
    <main className="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 px-5 py-6 lg:grid-cols-[minmax(0,1fr)_340px]">
      <div className="grid min-w-0 content-start gap-6">
        <header>
          <h1 className="font-head text-title font-semibold">{name}</h1>
          <p className="text-silt">
            {[
              ...[model, place, serial === null ? '' : `serial ${serial}`],
              firmware === null ? '' : `firmware ${firmware}`,
            ]
              .filter((part) => part !== '')
              .join(' · ')}
          </p>
          <p className="mt-1">
            A real camera: nothing is simulated behind it.{' '}
            <TextLink href={`/bodies#body/${tag}`}>Its record</TextLink>
          </p>
        </header>
        <section aria-labelledby="believed" className="border bg-sheet p-4">
          <h2 id="believed" className="mb-1 font-head text-lead font-semibold">
            Believed to hold
          </h2>
          <RealStanding body={body} />
          <OpenCarries carries={body.carries} />
        </section>
        <Files body={body} />
        <section aria-labelledby="happened">
          <h2 id="happened" className="font-head text-title font-semibold">
            What happened to it
          </h2>
          {history}
        </section>
      </div>
      <aside aria-label="By hand" className="grid content-start gap-3 self-start border bg-sheet p-4">
        <h2 className="font-head text-lead font-semibold">By hand</h2>
        {body.plans.length === 0 && (
          <p className="text-silt">There is no plan for a {model} yet: it is what all walks go by.</p>
        )}
        {body.plans.map((plan) => (
          <ByPlan key={plan.id} plan={plan} tag={tag} />
        ))}
        <p className="border-t pt-3">
          Its file lies in <span className="font-mono">{file === null ? folder : `${folder}/${file}`}</span>.{' '}
          <TextLink href="/cards">Take one in from its card</TextLink>
        </p>
      </aside>
    </main>
  )
}

function ByPlan({ plan, tag }: { plan: { readonly id: string; readonly title: string }; tag: string }) {
  const asked = { planId: plan.id, body: tag }
  return (
    <div className="grid justify-items-start gap-1 border-t pt-2">
      <h3 className="font-semibold">{plan.title}</h3>
      <TextLink href={`/plans/${plan.id}/carry`}>Carry its file to another, or another’s to it</TextLink>
      <BeginWalk asked={{ ...asked, procedure: 'set-plan' }}>Set this plan, act by act</BeginWalk>
      <BeginWalk asked={{ ...asked, procedure: 'press-test' }}>Press every key once</BeginWalk>
      <BeginWalk asked={{ ...asked, procedure: 'firmware-day' }}>Firmware day</BeginWalk>
      <BeginWalk asked={{ ...asked, procedure: 'reset-restore' }}>Reset and restore</BeginWalk>
    </div>
  )
}

function Files({ body: { files, name } }: { body: RealBodyKnown }) {
  return (
    <section aria-labelledby="files">
      <h2 id="files" className="font-head text-lead font-semibold">
        Its files
      </h2>
      {files.length === 0 && (
        <p className="mt-1 text-silt">
          No file of {name} is on the shelf yet: save on it, and take the file in.
        </p>
      )}
      <ul className="mt-1 divide-y">
        {files.map((one) => (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-4 py-1">
            <TextLink href={`/api/files/${one.id}`}>{one.name}</TextLink>
            <span className="text-silt tabular-nums">{one.size} bytes</span>
            <span className="min-w-0 flex-1 basis-40">{one.note}</span>
            <TextLink href={`/files/compare?left=${one.id}`}>Compare</TextLink>
            <span className="text-silt">
              <When at={one.at} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
