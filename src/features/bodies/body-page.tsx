import type { ReactNode } from 'react'
import { capital } from '@/core/text'
import { TextLink } from '@/ui/text-link'
import { When } from '@/ui/when'
import { Bench } from './bench'
import type { BenchBody } from './bench-body'
import { DifferenceTable, type DifferenceRow } from '@/ui/difference-table'
import { TwinChoice } from './twin-choice'

/** A body as its page shows it. */
interface BodyKnown extends BenchBody {
  readonly place: string
  readonly model: string
  readonly serial: string
  readonly belief: {
    readonly words: string
    readonly since: string
    readonly how: string
    readonly planId: string | null
  } | null
  readonly drift: readonly DifferenceRow[]
  readonly doubts: readonly string[]
  /** Deliberate differences from the others, by plan. */
  readonly wanted: readonly {
    readonly planId: string
    readonly title: string
    readonly rows: readonly { readonly place: string; readonly value: string; readonly why: string | null }[]
  }[]
  /** Bodies of the same model. */
  readonly twins: readonly { readonly tag: string; readonly name: string }[]
  readonly twin: TwinKnown | null
  readonly backups: readonly {
    readonly id: string
    readonly name: string
    readonly note: string
    readonly at: string
  }[]
}

/** This body against another of its model. */
interface TwinKnown {
  readonly tag: string
  readonly name: string
  readonly compared: number
  readonly clashes: readonly string[]
  readonly rows: readonly (DifferenceRow & {
    readonly kind: 'own' | 'carried'
    readonly isColour: boolean
    readonly wanted: string | null
  })[]
}

/** One body: what it is believed to hold, how far it has drifted, how it differs from its twins, and its bench. */
export function BodyPage({ body, history }: { body: BodyKnown; history: ReactNode }) {
  return (
    <main className="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 px-5 py-6 lg:grid-cols-[minmax(0,1fr)_340px]">
      <div className="grid min-w-0 content-start gap-6">
        <header>
          <h1 className="font-head text-title font-semibold">{body.name}</h1>
          <p className="text-silt">
            {[body.model, body.place, `serial ${body.serial}`, `firmware ${body.firmware}`]
              .filter((part) => part !== '')
              .join(' · ')}
          </p>
          <p className="mt-1">
            <TextLink href={`/bodies#body/${body.tag}`}>
              Its record: name, serial number, firmware, prefix
            </TextLink>
          </p>
        </header>
        <Believed body={body} />
        <Wanted body={body} />
        <Twins body={body} />
        <Backups body={body} />
        <section aria-labelledby="happened">
          <h2 id="happened" className="font-head text-title font-semibold">
            What happened to it
          </h2>
          {history}
        </section>
      </div>
      <aside aria-label="Bench" className="grid content-start gap-6">
        <Bench body={body} />
      </aside>
    </main>
  )
}

function Believed({ body }: { body: BodyKnown }) {
  const { belief, drift, doubts, name } = body
  return (
    <section aria-labelledby="believed" className="border bg-sheet p-4">
      <h2 id="believed" className="font-head text-lead font-semibold">
        Believed to hold
      </h2>
      {belief === null ? (
        <p className="mt-1 text-silt">
          Nothing is known of what {name} holds: carry a plan to it, or walk through one beside it.
        </p>
      ) : (
        <>
          <p className="mt-1">
            <b>{capital(belief.words)}</b>, since <When at={belief.since} />
          </p>
          <p className={doubts.length === 0 ? 'font-semibold text-samphire' : 'text-silt'}>
            {doubts.length === 0 ? '✓ ' : ''}Proven: {belief.how}.
          </p>
          {doubts.length > 0 && (
            <ul className="mt-2 grid gap-1">
              {doubts.map((doubt) => (
                <li key={doubt} className="border-l-3 border-lichen px-3 py-1">
                  <b className="text-lichen">▲ In doubt.</b> {doubt}
                </li>
              ))}
            </ul>
          )}
          {drift.length > 0 && (
            <DifferenceTable
              caption={`Rows in which ${name} is not as believed`}
              left="Believed"
              right="On the body"
              rows={drift}
            />
          )}
          {belief.planId !== null && (
            <p className="mt-2">
              <TextLink href={`/plans/${belief.planId}/carry`}>Carry the plan to it again</TextLink>
            </p>
          )}
        </>
      )}
    </section>
  )
}

function Wanted({ body: { wanted } }: { body: BodyKnown }) {
  if (wanted.length === 0) return null
  return (
    <section aria-labelledby="wanted">
      <h2 id="wanted" className="font-head text-lead font-semibold">
        Different on purpose
      </h2>
      {wanted.map(({ planId, title, rows }) => (
        <div key={planId} className="mt-1">
          <p className="text-silt">{title} wants of this body alone:</p>
          <ul>
            {rows.map((row) => (
              <li key={row.place}>
                {row.place}: <b className="font-mono">{row.value}</b>{' '}
                <span className="text-silt">{row.why ?? 'without a reason'}</span>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  )
}

function Twins({ body: { twins, twin, name, tag } }: { body: BodyKnown }) {
  if (twins.length === 0) return null
  const unwanted = twin?.rows.filter((row) => row.wanted === null) ?? []
  const wanted = twin?.rows.filter((row) => row.wanted !== null) ?? []
  const colour = twin?.rows.filter((row) => row.isColour && row.wanted === null).length ?? 0
  return (
    <section aria-labelledby="twins">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="twins" className="font-head text-lead font-semibold">
          Against another body
        </h2>
        <TwinChoice tag={tag} twins={twins} chosen={twin?.tag ?? ''} />
      </div>
      {twin && (
        <>
          <p className="mt-1">
            {unwanted.length === 0
              ? `${name} and ${twin.name} hold the same: ${twin.compared} rows compared.`
              : `${unwanted.length === 1 ? '1 row differs' : `${unwanted.length} rows differ`} that no plan wants so, of ${twin.compared}.`}{' '}
            Colour{' '}
            {colour === 0 ? 'is the same on both' : `differs in ${colour === 1 ? '1 row' : `${colour} rows`}`}
            .
          </p>
          {twin.clashes.map((clash) => (
            <p key={clash} className="mt-1 border-l-3 border-lichen px-3 py-1">
              <b className="text-lichen">▲</b> {clash}
            </p>
          ))}
          {unwanted.length > 0 && (
            <DifferenceTable
              caption="Nobody wants these to differ"
              left={name}
              right={twin.name}
              rows={unwanted}
            />
          )}
          {wanted.length > 0 && (
            <DifferenceTable
              caption="Different on purpose"
              left={name}
              right={twin.name}
              rows={wanted.map((row) => ({ ...row, note: row.wanted }))}
            />
          )}
        </>
      )}
    </section>
  )
}

function Backups({ body: { backups, id, name } }: { body: BodyKnown }) {
  if (backups.length === 0) return null
  return (
    <section aria-labelledby="backups">
      <h2 id="backups" className="font-head text-lead font-semibold">
        Ways back
      </h2>
      <ul className="mt-1 divide-y">
        {backups.map((file) => (
          <li key={file.id} className="py-1">
            <TextLink href={`/carry?source=${encodeURIComponent(`file:${file.id}`)}&to=${id}`}>
              Put {file.name} back on {name}
            </TextLink>{' '}
            <span className="text-silt">
              {file.note} <When at={file.at} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
