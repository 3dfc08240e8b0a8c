'use client'

import { keyRow } from '@/core/plan/rows'
import { addressesOfControl, atFinder } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import { addressesWith, assign, functionAt, leaveAsDelivered, type Displaced } from '@/core/plan/assign'
import type { FunctionRating } from '@/core/reach/rate-functions'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { FindingCard } from '@/features/desk/finding-card'
import { Button, Offer } from '@/ui/button'
import { MannerSign } from '@/ui/plate/manner'
import { VerdictSign } from '@/ui/verdict'
import { FunctionList } from './function-list'
import type { Outcome } from './outcome'
import { OutcomeLine } from './outcome-line'
import { ReasonField } from '@/features/desk/reason-field'
import { RowNotes } from '@/features/desk/row-notes'
import { useAnswer, useFindings } from '@/features/desk/use-analysis'

/** Checks whose reasons stand with the function itself. */
const toldAlready = ['dead-key', 'inert-key']

/** The key in hand: what it does and where, what the last change displaced, and what else it could do. */
export function KeyPanel({
  addressKey,
  outcome,
  onPut,
  onPick,
  onSwap,
  onClose,
}: {
  addressKey: string
  outcome: Outcome | null
  onPut: (address: string, functionId: string) => void
  onPick: (address: string) => void
  onSwap: () => void
  onClose: () => void
}) {
  const desk = useDesk()
  const { plan, posture } = useDeskView()
  const findings = useFindings() ?? []
  const { model } = desk.start
  const address = lookup(model).addresses.get(addressKey)
  const rated = useAnswer<'functions'>({ kind: 'functions', address: addressKey, posture })
  const all = rated ?? []
  if (!address) return null
  const { control, side } = address
  const ways = addressesOfControl(model, side, control.id)
  const current = functionAt(plan, address)
  const fn = lookup(model).functions.get(current ?? '')
  const standing = all.find((one) => one.fn.id === current)
  const row = keyRow(address)
  const doubled = addressesWith(model, plan, side, current ?? '').filter((other) => other !== address)
  const empty = !fn || fn.manner === 'none'
  const asked = empty
    ? 'Empty on purpose? Say why, and nothing will ask again.'
    : doubled.length > 0
      ? `Also on ${doubled.map((other) => other.control.name).join(' and ')}. Doubled on purpose? Say why.`
      : 'Your reason, for the day you wonder'
  const other = all.find((one) => one.fn.id !== current)
  const tried = other && assign(model, plan, addressKey, other.fn.id, 'tried')
  const would = tried?.ok ? tried.value.displaced : null
  const mine = findings.filter((finding) => finding.row === row && finding.side === side)
  return (
    <div className="grid gap-3">
      <div>
        <div className="flex items-start justify-between gap-2">
          <h2 className="font-head text-[20px] leading-tight font-semibold">{control.name}</h2>
          <Button onClick={onClose}>Close</Button>
        </div>
        <p className="text-silt">
          {control.where} ·{' '}
          {atFinder(control) ? 'found with the eye at the finder' : 'not found with the eye at the finder'}
        </p>
      </div>
      {ways.length > 1 && (
        <div role="group" aria-label="Gesture" className="flex flex-wrap gap-1">
          {ways.map((one) => (
            <button
              key={one.key}
              type="button"
              aria-pressed={one === address}
              onClick={() => onPick(one.key)}
              className="min-h-8 rounded border bg-sheet px-2 text-small aria-pressed:border-brine aria-pressed:text-brine"
            >
              {one.name}
            </button>
          ))}
        </div>
      )}
      <section className="border bg-sheet px-3.5 py-3">
        <p className="flex items-center gap-2 text-small text-silt">
          <span>
            {side} · {address.name}
          </span>
          {fn && <MannerSign manner={fn.manner} />}
        </p>
        <p className="font-head text-lead font-semibold text-pan">{fn ? fn.name : 'Nothing assigned'}</p>
        {standing && <StandingWords standing={standing} menuOf={(id) => lookup(model).menuAddress.get(id)} />}
        <ReasonField row={row} ask={asked} />
        <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-small">
          {row in plan.rows ? (
            <Offer onClick={() => desk.applyStep(leaveAsDelivered(plan, address, desk.newId()))}>
              Leave as delivered: {lookup(model).functions.get(address.factory ?? '')?.name ?? 'nothing'}
            </Offer>
          ) : (
            <span className="text-silt">As delivered.</span>
          )}
          {!empty && (
            <>
              <Offer onClick={onSwap}>Swap with another key</Offer>
              <Offer onClick={() => onPut(addressKey, 'nothing')}>Leave it empty</Offer>
            </>
          )}
        </p>
        <RowNotes row={row} />
      </section>
      {outcome && <OutcomeLine outcome={outcome} />}
      {outcome?.displaced && <DisplacedCard outcome={outcome} onPut={onPut} />}
      {mine
        .filter(
          (finding) =>
            !toldAlready.includes(finding.check) && !(finding.check === 'displaced' && outcome?.displaced),
        )
        .map((finding) => (
          <FindingCard key={`${finding.check} ${finding.rule ?? ''}`} finding={finding} />
        ))}
      {would && !outcome && <WouldDisplace displaced={would} />}
      {rated && (
        <FunctionList
          standings={rated}
          current={current}
          address={address}
          onPut={(id) => onPut(addressKey, id)}
        />
      )}
    </div>
  )
}

function StandingWords({
  standing,
  menuOf,
}: {
  standing: FunctionRating
  menuOf: (setting: string) => string | undefined
}) {
  if (standing.fn.manner === 'none') return <p>Nothing happens here, so nothing happens by accident.</p>
  const menu = standing.fn.changes.flatMap((id) => menuOf(id) ?? [])
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-2">
        <VerdictSign verdict={standing.works === standing.of ? 'works' : standing.verdict} word={false} />
        Works in {standing.works} of {standing.of} banks and lenses
        {menu.length > 0 && <span className="font-mono text-small text-silt">menu: {menu.join(', ')}</span>}
      </p>
      {standing.reasons.map((reason) => (
        <p key={reason.rule} className="mt-1 text-small text-silt">
          {reason.contexts.length === standing.of ? 'Everywhere' : reason.contexts.join('; ')}:{' '}
          {reason.because}
        </p>
      ))}
    </>
  )
}

/** What anything else put here would displace, and where that could go. */
function WouldDisplace({ displaced }: { displaced: Displaced }) {
  const { model } = useDesk().start
  const name = lookup(model).functions.get(displaced.functionId)?.name ?? displaced.functionId
  const free = displaced.couldGoTo[0]
  const left =
    displaced.alsoOn.length > 0
      ? `it stays on ${displaced.alsoOn.map((one) => one.control.name).join(' and ')}`
      : free
        ? `it could go to ${free.control.name}, ${free.name}`
        : displaced.menu.length > 0
          ? `it is left in the menu at ${displaced.menu.join(', ')}`
          : 'no other key is free for it, and it has no menu line'
  return (
    <p className="text-small text-silt">
      Anything else displaces {name}: {left}.
    </p>
  )
}

function DisplacedCard({
  outcome,
  onPut,
}: {
  outcome: Outcome
  onPut: (address: string, functionId: string) => void
}) {
  const { start } = useDesk()
  const { displaced, from } = outcome
  if (!displaced) return null
  const fn = lookup(start.model).functions.get(displaced.functionId)
  const left =
    displaced.alsoOn.length > 0
      ? `It is still on ${displaced.alsoOn.map((one) => one.control.name).join(' and ')}.`
      : `No key has it now. ${displaced.menu.length > 0 ? `It is left in the menu at ${displaced.menu.join(', ')}.` : 'It has no menu line.'}`
  return (
    <section role="status" className="border border-lichen bg-sheet px-3.5 py-2.5">
      <p className="text-small font-semibold text-lichen">Displaced</p>
      <p>
        <b>{fn?.name}</b> was here. {left}
      </p>
      <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        {[...displaced.couldGoTo]
          .sort((a, b) => Number(b.key === from) - Number(a.key === from))
          .slice(0, 2)
          .map((one) => (
            <Offer key={one.key} onClick={() => onPut(one.key, displaced.functionId)}>
              Put it on {one.control.name}
              {addressesOfControl(start.model, one.side, one.control.id).length > 1 ? `, ${one.name}` : ''}
            </Offer>
          ))}
      </p>
    </section>
  )
}
