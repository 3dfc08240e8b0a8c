'use client'

import { memo } from 'react'
import type { Side } from '@/core/model/types'
import { exposureAt } from '@/core/numbers/light'
import { plannedSlots } from '@/core/plan/plan'
import { rowValue, showRow, situationRow } from '@/core/plan/rows'
import { factsAsked, uncheckedFacts, workOf } from '@/core/plan/situations'
import { lightLimits, workRanges, workTable, type WorkFact } from '@/core/vocabulary/work'
import type { Value } from '@/core/vocabulary/values'
import { NumberLink, useDesk, useKeptText, usePlanPart } from '@/features/desk'
import { Check } from '@/ui/check'
import { Explain } from '@/ui/explain'
import { HeadedFold } from '@/ui/fold'
import { NumberField } from '@/ui/number-field'
import { Select } from '@/ui/select'

/** What a situation is like: in a sentence, opened to be said; and what is not said, so that nothing is checked against it. */
export const WorkFacts = memo(function WorkFacts({ situation, side }: { situation: string; side: Side }) {
  const { model } = useDesk().start
  const said = usePlanPart((plan) =>
    workTable.flatMap(({ id }) => {
      const value = rowValue(plan.rows, situationRow(situation, id))
      if (value === null) return []
      return [showRow(model, situationRow(situation, id), value)]
    }),
  )
  const unchecked = usePlanPart((plan) => uncheckedFacts(model, workOf(plan, situation), side))
  return (
    <HeadedFold
      className="border-t pt-1"
      summaryClass="min-h-9 cursor-pointer py-1 pointer-coarse:min-h-11"
      summary={
        <>
          {said.length === 0 ? (
            <span className="text-silt">What is it like there? Light, lamps, what moves …</span>
          ) : (
            said.join(' · ')
          )}
          {unchecked.length > 0 && (
            <span className="text-small text-silt">
              {' '}
              · not checked: {unchecked.map(({ name }) => name.toLowerCase()).join(', ')}
            </span>
          )}
        </>
      }
    >
      {() => (
        <>
          <div className="grid gap-x-6 gap-y-2 pt-1 pb-2 sm:grid-cols-2">
            <ShotWith situation={situation} side={side} />
            {factsAsked(side).map((fact) => (
              <Fact key={fact.id} situation={situation} fact={fact} />
            ))}
          </div>
          <p className="flex flex-wrap gap-x-4 pb-2">
            <NumberLink id={side === 'stills' ? 'metered-exposure' : 'film-shutter'} at={situation}>
              Its numbers
            </NumberLink>
          </p>
        </>
      )}
    </HeadedFold>
  )
})

/** The bank it is shot with: that is held against the work, in the place of base. */
function ShotWith({ situation, side }: { situation: string; side: Side }) {
  const desk = useDesk()
  const { model } = desk.start
  const row = situationRow(situation, 'bank')
  const bank = usePlanPart((plan) => String(rowValue(plan.rows, row) ?? 'base'))
  const slots = usePlanPart((plan) =>
    plannedSlots(model, plan)
      .filter((slot) => slot.side === side)
      .map(({ family, slot, name }) => [`${family}/${slot}`, `Bank ${name}`] as const),
  )
  const isUsed = bank === 'base' || slots.some(([id]) => id === bank)
  return (
    <label className="grid content-start gap-0.5">
      <span className="text-small text-silt">Shot with</span>
      <Select
        value={bank}
        options={[
          ['base', 'Base'],
          ...slots,
          ...(isUsed ? [] : ([[bank, 'a bank that is not used']] as const)),
        ]}
        onPick={(one) => desk.set({ [row]: one === 'base' ? null : one })}
      />
      {!isUsed && (
        <span className="text-small text-lichen">
          That bank is not used on this side: nothing is checked.
        </span>
      )}
    </label>
  )
}

function Fact({ situation, fact }: { situation: string; fact: WorkFact }) {
  const desk = useDesk()
  const row = situationRow(situation, fact.id)
  const value = usePlanPart((plan) => rowValue(plan.rows, row))
  const keep = (said: Value | null) => desk.set({ [row]: said })
  return (
    <div role="group" aria-label={fact.name} className="grid content-start gap-0.5">
      <span className="text-small text-silt">
        {fact.name}
        <Explain label={fact.name} about={{ text: fact.plain }} />
      </span>
      <Said situation={situation} fact={fact} value={value} onKeep={keep} />
    </div>
  )
}

interface SaidProps {
  situation: string
  fact: WorkFact
  value: Value | null
  onKeep: (value: Value | null) => void
}

function Said({ situation, fact, value, onKeep }: SaidProps) {
  const { id, name, choices, takes } = fact
  switch (takes) {
    case 'one':
      return (
        <Select
          label={name}
          value={value === null ? '' : String(value)}
          options={[['', 'not said'], ...choices.map((one) => [one.id, one.name] as const)]}
          onPick={(one) => onKeep(one === '' ? null : one)}
        />
      )
    case 'any':
      return <Any fact={fact} value={value} onKeep={onKeep} />
    case 'light':
      return <Light fact={fact} value={value} onKeep={onKeep} />
    case 'number': {
      const [from, to] = workRanges[id] ?? [0, 1]
      return (
        <NumberField
          label={name}
          value={typeof value === 'number' ? value : null}
          from={from}
          to={to}
          placeholder="not said"
          onKeep={onKeep}
          className="w-24"
        />
      )
    }
    case 'text':
      return <SaidText situation={situation} id={id} name={name} />
  }
}

function Any({ fact: { choices }, value, onKeep }: Omit<SaidProps, 'situation'>) {
  const now = Array.isArray(value) ? (value as readonly string[]) : []
  const turned = (id: string) =>
    choices.map((one) => one.id).filter((one) => (one === id ? !now.includes(id) : now.includes(one)))
  return (
    <div className="grid">
      {choices.map(({ id, name }) => (
        <Check
          key={id}
          checked={now.includes(id)}
          onChange={() => onKeep(turned(id).length === 0 ? null : turned(id))}
        >
          {name}
        </Check>
      ))}
    </div>
  )
}

function SaidText({ situation, id, name }: { situation: string; id: string; name: string }) {
  const text = useKeptText(situationRow(situation, id))
  return (
    <input
      aria-label={name}
      maxLength={200}
      value={text.value}
      placeholder="not said"
      onChange={(event) => text.type(event.target.value)}
      onBlur={text.leave}
      className="min-h-9 rounded border bg-crust px-2 placeholder:text-silt"
    />
  )
}

/** The light as EV, or in plain words; with what each end of it comes to. */
function Light({ fact: { choices }, value, onKeep }: Omit<SaidProps, 'situation'>) {
  const [dark, bright] = Array.isArray(value) ? (value as readonly string[]) : []
  const ready = choices.find(({ amount }) => amount.join() === `${dark ?? ''},${bright ?? ''}`)
  const [least, most] = lightLimits
  const keep = (from: number | null, to: number | null) =>
    onKeep(
      from === null && to === null
        ? null
        : [String(halves(from ?? to ?? 0)), String(halves(to ?? from ?? 0))].sort(
            (a, b) => Number(a) - Number(b),
          ),
    )
  const numberOf = (text: string | undefined) => (text === undefined ? null : Number(text))
  return (
    <div className="grid gap-1">
      <Select
        label="Light in plain words"
        value={ready?.id ?? (value === null ? '' : 'own')}
        options={[
          ['', 'not said'],
          ...choices.map((one) => [one.id, `${one.name}, EV ${one.amount.join(' to ')}`] as const),
          ...(value !== null && !ready ? ([['own', 'your own range']] as const) : []),
        ]}
        onPick={(id) => {
          const found = choices.find((one) => one.id === id)
          if (id !== 'own') onKeep(found ? found.amount.map(String) : null)
        }}
      />
      <p className="flex items-center gap-1.5 text-small">
        EV
        <NumberField
          label="Darkest, EV"
          value={numberOf(dark)}
          from={least}
          to={most}
          onKeep={(from) => keep(from, numberOf(bright))}
          className="w-14"
        />
        to
        <NumberField
          label="Brightest, EV"
          value={numberOf(bright)}
          from={least}
          to={most}
          onKeep={(to) => keep(numberOf(dark), to)}
          className="w-14"
        />
      </p>
      {dark !== undefined && bright !== undefined && (
        <p className="text-small text-silt">
          {`At its darkest about ${exposureAt(Number(dark), 'f/2.8', 'ISO 3200')}; at its brightest ${exposureAt(Number(bright), 'f/2.8', 'ISO 3200')}.`}
        </p>
      )}
    </div>
  )
}

function halves(ev: number): number {
  return Math.round(ev * 2) / 2
}
