'use client'

import { usePathname } from 'next/navigation'
import { lookup } from '@/core/model/lookup'
import { functionAt } from '@/core/plan/assign'
import { acceptRow, addressKeyOf, type RowId } from '@/core/plan/rows'
import { Fragment, useState, type ReactNode } from 'react'
import type { Finding } from '@/core/checks/finding'
import { Explain } from '@/ui/explain'
import { Offer } from '@/ui/button'
import { Fold } from '@/ui/fold'
import { TextLink } from '@/ui/text-link'
import { SeveritySign } from '@/ui/severity'
import { useDesk, usePlan } from './desk-context'
import { NumberLink } from './number-link'
import { TryFinding } from './try-link'
import { WhyForm } from './why-form'

/** One finding in full: reason, where it holds, and its mend. */
export function FindingCard({ finding }: { finding: Finding }) {
  const desk = useDesk()
  const border = { blocks: 'border-rust', problem: 'border-lichen', tidies: 'border-rule' }[finding.severity]
  const everywhere = finding.contexts.length === finding.of
  return (
    <section className={`border bg-sheet px-3.5 py-2.5 ${border}`}>
      <p className="text-small">
        <SeveritySign severity={finding.severity} />
        <span className="text-silt">
          {' · '}
          {finding.sides.join(' and ')}
          {finding.asks && ' · test on body'}
        </span>
      </p>
      <p className="font-semibold">
        {finding.title}
        <About finding={finding} />
      </p>
      <p>{finding.reason}</p>
      <Places finding={finding} />
      <p className="mt-1 text-small text-silt">
        {everywhere ? `In all ${finding.of} states looked at.` : `In ${finding.contexts.join('; ')}.`}
        {finding.rule && ` Rule: ${finding.rule}.`}
      </p>
      {finding.mends.map((mend) => (
        <Offer
          key={mend.label}
          className="mt-1 mr-4"
          onClick={() => desk.applyStep({ ...mend.step, id: desk.newId() })}
        >
          {mend.label}
        </Offer>
      ))}
      <TryFinding finding={finding} className="mt-1 mr-4" />
      {finding.number !== null && <NumberLink id={finding.number} className="mt-1 mr-4 inline-block" />}
      <ToItsLine finding={finding} />
      <Accept finding={finding} />
    </section>
  )
}

/** Leads to the menu line of the setting that a finding is about, from any other station. */
function ToItsLine({ finding: { about } }: { finding: Finding }) {
  const { planId } = useDesk().start
  const isThere = usePathname()?.endsWith('/settings')
  if (about === null || isThere) return null
  return (
    <TextLink href={`/plans/${planId}/settings#${about}`} className="mt-1 mr-4 inline-block">
      In the menu
    </TextLink>
  )
}

/** Says of one finding that it is meant so, and why: it is not said again. */
function Accept({ finding }: { finding: Finding }) {
  const desk = useDesk()
  const [open, setOpen] = useState(false)
  if (finding.severity === 'blocks') return null
  return (
    <>
      <Offer className="mt-1" aria-expanded={open} onClick={() => setOpen(!open)}>
        It is meant so
      </Offer>
      {open && (
        <WhyForm
          label="Why it is meant so"
          placeholder="Why? It is kept with the plan"
          ways={[
            {
              words: 'Keep',
              onKeep: (why) => desk.set(acceptedRows(finding, why)),
            },
          ]}
        />
      )}
    </>
  )
}

/** What the setting or the function is that a finding is about. */
function About({ finding: { about, row, title } }: { finding: Finding }) {
  const { model } = useDesk().start
  const plan = usePlan()
  const { settings, functions, addresses } = lookup(model)
  const setting = settings.get(about ?? '')
  if (setting) return <Explain label={title} about={{ means: { kind: 'setting', id: setting.means } }} />
  const address = addresses.get(addressKeyOf(row) ?? '')
  const fn = address && functions.get(functionAt(plan, address) ?? '')
  return fn ? <Explain label={title} about={{ means: { kind: 'function', id: fn.means } }} /> : null
}

/** The rows that keep one reason for every place of a finding. */
function acceptedRows({ places }: Finding, why: string): Record<RowId, string> {
  return Object.fromEntries(places.map(({ check, row }) => [acceptRow(check, row), why]))
}

/** Where one fact shows, if in more than one place. */
export function Places({ finding: { places } }: { finding: Finding }) {
  const titles = [...new Set(places.map(({ title }) => title))]
  if (titles.length < 2) return null
  return (
    <ul className="mt-1 list-disc pl-5 text-small">
      {titles.map((title) => (
        <li key={title}>{title}</li>
      ))}
    </ul>
  )
}

/** A name for a finding that stays while it stands. */
export function findingKey({ check, side, row, rule }: Finding): string {
  return `${check} ${side} ${row} ${rule ?? ''}`
}

/** Findings one under the other, worst first; what could be tidier is folded under its count. */
export function FindingList({
  findings,
  card = (finding) => <FindingCard finding={finding} />,
}: {
  findings: readonly Finding[]
  card?: (finding: Finding) => ReactNode
}) {
  const tidies = findings.filter(({ severity }) => severity === 'tidies')
  const each = (finding: Finding) => <Fragment key={findingKey(finding)}>{card(finding)}</Fragment>
  return (
    <>
      {findings.filter(({ severity }) => severity !== 'tidies').map(each)}
      {tidies.length > 0 && (
        <Fold title={`${tidies.length} ${tidies.length === 1 ? 'thing' : 'things'} to tidy up`}>
          <div className="mt-2 grid gap-3">{tidies.map(each)}</div>
        </Fold>
      )}
    </>
  )
}
