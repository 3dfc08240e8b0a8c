'use client'

import { addressesOfControl, atFinder } from '@/core/model/controls'
import type { Address } from '@/core/model/addresses'
import { lookup } from '@/core/model/lookup'
import { leaveAsDelivered, type Displaced } from '@/core/plan/assign'
import type { FunctionRating } from '@/core/reach/rate-functions'
import { FindingCard, ReasonField, RowNotes, SettingFigures, useDesk, usePlan } from '@/features/desk'
import { Explain } from '@/ui/explain'
import { Button, Offer } from '@/ui/button'
import { MannerSign } from '@/ui/plate/manner'
import { useStable } from '@/ui/use-stable'
import { VerdictSign } from '@/ui/verdict'
import { FunctionList } from './function-list'
import type { Outcome } from './outcome'
import { OutcomeLine } from './outcome-line'
import { useKey, type KeyKnown } from './use-key'

/** Checks whose reasons stand with the function itself. */
const toldAlready = ['dead-key', 'inert-key']

/**
 * The key in hand: what it does and where, what the last change displaced, and what else it could do. From key to key the
 * list of functions stays, so that it is not made anew; what was begun about a key, such as a reason, does not.
 */
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
  const known = useKey(addressKey)
  const putHere = useStable((id: string) => onPut(addressKey, id))
  if (!known) return null
  const { address, ways, row, current, ratings, findings, would } = known
  const told = (check: string) => toldAlready.includes(check) || (check === 'displaced' && outcome?.displaced)
  return (
    <div className="grid gap-3">
      <KeyHead address={address} onClose={onClose} />
      {ways.length > 1 && <Gestures ways={ways} picked={address} onPick={onPick} />}
      <section key={addressKey} className="border bg-sheet px-3.5 py-3">
        <OnTheKey known={known} onSwap={onSwap} onEmpty={() => onPut(addressKey, 'nothing')} />
        <KeyFigures known={known} />
        <RowNotes row={row} />
      </section>
      {outcome && <OutcomeLine outcome={outcome} />}
      {outcome?.displaced && <DisplacedCard outcome={outcome} onPut={onPut} />}
      {findings
        .filter(({ check }) => !told(check))
        .map((finding) => (
          <FindingCard key={`${finding.check} ${finding.rule ?? ''}`} finding={finding} />
        ))}
      {would && !outcome && <WouldDisplace displaced={would} />}
      <FunctionList ratings={ratings} current={current} address={address} onPut={putHere} />
    </div>
  )
}

/** The figures of what the function steers. */
function KeyFigures({ known: { fn } }: { known: KeyKnown }) {
  const { settings } = lookup(useDesk().start.model)
  return <SettingFigures means={(fn?.changes ?? []).flatMap((id) => settings.get(id)?.means ?? [])} />
}

function KeyHead({ address: { control }, onClose }: { address: Address; onClose: () => void }) {
  return (
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
  )
}

function Gestures({
  ways,
  picked,
  onPick,
}: {
  ways: readonly Address[]
  picked: Address
  onPick: (address: string) => void
}) {
  return (
    <div role="group" aria-label="Gesture" className="flex flex-wrap gap-1">
      {ways.map((one) => (
        <button
          key={one.key}
          type="button"
          aria-pressed={one === picked}
          onClick={() => onPick(one.key)}
          className="min-h-8 rounded border bg-sheet px-2 text-small aria-pressed:border-brine aria-pressed:text-brine"
        >
          {one.name}
        </button>
      ))}
    </div>
  )
}

/** What is on the key, how it stands there, why, and what can be done with it. */
function OnTheKey({
  known: { address, fn, rating, row, reasonAsked, planned },
  onSwap,
  onEmpty,
}: {
  known: KeyKnown
  onSwap: () => void
  onEmpty: () => void
}) {
  const desk = useDesk()
  const plan = usePlan()
  const { functions, menuAddress } = lookup(desk.start.model)
  return (
    <>
      <p className="flex items-center gap-2 text-small text-silt">
        <span>
          {address.side} · {address.name}
        </span>
        {fn && <MannerSign manner={fn.manner} />}
      </p>
      <p className="font-head text-lead font-semibold text-pan">
        {fn ? fn.name : 'Nothing assigned'}
        {fn && <Explain label={fn.name} about={{ means: { kind: 'function', id: fn.means } }} />}
      </p>
      {rating && <RatingWords rating={rating} menuOf={(id) => menuAddress.get(id)} />}
      <ReasonField row={row} ask={reasonAsked} />
      <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-small">
        {planned ? (
          <Offer onClick={() => desk.applyStep(leaveAsDelivered(plan, address, desk.newId()))}>
            Restore as delivered: {functions.get(address.factory ?? '')?.name ?? 'nothing'}
          </Offer>
        ) : (
          <span className="text-silt">As delivered.</span>
        )}
        {fn && fn.manner !== 'none' && (
          <>
            <Offer onClick={onSwap}>Swap with another key</Offer>
            <Offer onClick={onEmpty}>Leave it empty</Offer>
          </>
        )}
      </p>
    </>
  )
}

function RatingWords({
  rating,
  menuOf,
}: {
  rating: FunctionRating
  menuOf: (setting: string) => string | undefined
}) {
  if (rating.fn.manner === 'none') return <p>Nothing happens here, so nothing happens by accident.</p>
  const menu = rating.fn.changes.flatMap((id) => menuOf(id) ?? [])
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-2">
        <VerdictSign verdict={rating.works === rating.of ? 'works' : rating.verdict} word={false} />
        Works in {rating.works} of {rating.of} banks and lenses
        {menu.length > 0 && <span className="font-mono text-small text-silt">menu: {menu.join(', ')}</span>}
      </p>
      {rating.reasons.map((reason) => (
        <p key={reason.rule} className="mt-1 text-small text-silt">
          {reason.contexts.length === rating.of ? 'Everywhere' : reason.contexts.join('; ')}: {reason.because}
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
      : displaced.turnedBy
        ? `${displaced.turnedBy.control.name} still turns it`
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
      : displaced.turnedBy
        ? `No key has it now; ${displaced.turnedBy.control.name} still turns it.`
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
