'use client'

import { idsOf, needRow, needSituationOf, situationOf, situationRow } from '@/core/plan/rows'
import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { memo, useId, useState } from 'react'
import type { Need } from '@/core/reach/needs'
import { movedSituation } from '@/core/plan/situations'
import { needFlags, type NeedFlag } from '@/core/vocabulary/need-flags'
import { knows } from '@/core/reach/knows'
import { useDesk, useKeptText } from '@/features/desk'
import { EyeSign, formula, secondsOf } from '@/features/reach'
import { functionTerms, settingTerms, termOf } from '@/core/vocabulary/terms'
import { Explain } from '@/ui/explain'
import { IconButton, Offer } from '@/ui/button'
import { Check } from '@/ui/check'
import { NumberField } from '@/ui/number-field'
import { WorkFacts } from './work-facts'
import type { QuickestWay, Situation } from './use-foundation-station'

const often = [
  ['never', 0],
  ['rarely', 2],
  ['now and then', 6],
  ['often', 20],
  ['very often', 60],
  ['constantly', 200],
] as const

/** The needs of one situation: how often each comes, what matters about it, and the quickest way as the plan stands. */
export const SituationTable = memo(function SituationTable({
  situation,
  known,
  most,
}: {
  situation: Situation
  /** Whether the ways are known. */
  known: boolean
  /** So many needs are shown at first, the most frequent. */
  most: number
}) {
  const { name, side, needs } = situation
  const [all, setAll] = useState(false)
  const shown = useFrequent(needs, all ? needs.length : most)
  const films = side === 'motion'
  return (
    <section
      aria-label={name}
      className="mt-4 border bg-sheet px-4 py-3 [contain-intrinsic-size:auto_30rem] [content-visibility:auto]"
    >
      <Head situation={situation} known={known} />
      <WorkFacts situation={situation.id} side={side} />
      <div className="overflow-x-auto">
        <table className="mt-2 w-full min-w-160 border-collapse">
          <thead>
            <tr className="border-b text-left text-small text-silt">
              <th className="py-1 pr-2 font-normal">You adjust</th>
              <th className="px-2 py-1 font-normal">times an outing</th>
              <th className="px-1 py-1 text-center font-normal">urgent</th>
              <th className="px-1 py-1 text-center font-normal">eye at finder</th>
              {films && <th className="px-1 py-1 text-center font-normal">recording</th>}
              <th className="px-2 py-1 font-normal">quickest way now</th>
              <th className="px-2 py-1 text-right font-normal whitespace-nowrap">an outing</th>
              <th className="w-8" />
            </tr>
          </thead>
          <tbody>
            {shown.map(([need, reached]) => (
              <NeedRow key={need.what} need={need} reached={reached} films={films} />
            ))}
          </tbody>
        </table>
      </div>
      {needs.length > shown.length && (
        <Offer className="mt-2 mr-4 min-h-9" onClick={() => setAll(true)}>
          More: {needs.length - shown.length} that come less often
        </Offer>
      )}
      <AddNeed situation={situation.id} has={needs.map(([{ what }]) => what)} />
    </section>
  )
})

/**
 * The needs that come most often, in the order of when the table was first seen: whoever changes how often one comes does not see
 * it jump, and what is added stands at the end.
 */
function useFrequent(needs: Situation['needs'], most: number): Situation['needs'] {
  const [first] = useState(() =>
    [...needs].sort(([a], [b]) => b.perOuting - a.perOuting).map(([{ what }]) => what),
  )
  const rank = ([{ what }]: Situation['needs'][number]) => {
    const at = first.indexOf(what)
    return at < 0 ? Infinity : at
  }
  const seen = needs.filter((need) => rank(need) < Infinity).sort((a, b) => rank(a) - rank(b))
  return [...seen.slice(0, most), ...needs.filter((need) => rank(need) === Infinity)]
}

/** Its name, its side, what it costs an outing, and its place among the others. */
function Head({
  situation: { id, name, side, place, needs },
  known,
}: {
  situation: Situation
  known: boolean
}) {
  const desk = useDesk()
  const { model } = desk.start
  const text = useKeptText(situationRow(id, 'name'), id)
  const remove = () => {
    const rows = idsOf(desk.getView().plan.rows).filter(
      (row) => (situationOf(row) ?? needSituationOf(row)) === id,
    )
    desk.set(Object.fromEntries(rows.map((row) => [row, null])))
  }
  const total = needs.reduce((sum, [, reached]) => sum + (reached?.perOuting ?? 0), 0)
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <h2 className="sr-only">{name}</h2>
      <input
        aria-label="Name of the situation"
        value={text.value}
        maxLength={60}
        onChange={(event) => text.type(event.target.value)}
        onBlur={text.leave}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className="-ml-1 min-w-0 rounded border border-transparent bg-transparent px-1 font-head text-lead font-semibold [field-sizing:content] hover:border-rule"
      />
      <p className="flex items-baseline gap-1 text-silt">
        {model.sides.length > 1 ? (
          <select
            aria-label={`Side of ${name}`}
            value={side}
            onChange={(event) => desk.set({ [situationRow(id, 'side')]: event.target.value })}
            className="min-h-9 rounded-md border bg-sheet px-2"
          >
            {model.sides.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        ) : (
          side
        )}
        · {known ? secondsOf(total) : '…'} an outing
      </p>
      <div className="flex-1" />
      <Move situation={id} name={name} place={place} />
      <Offer className="text-small" onClick={remove}>
        Remove, {needs.length} needs
      </Offer>
    </div>
  )
}

/** Moves a situation among the others. */
function Move({ situation, name, place }: { situation: string; name: string; place: Situation['place'] }) {
  const desk = useDesk()
  const ways = [
    { label: `Move ${name} up`, by: -1, Sign: ArrowUp, end: 'first' },
    { label: `Move ${name} down`, by: 1, Sign: ArrowDown, end: 'last' },
  ]
  return (
    <span className="not-printed flex gap-1 self-center">
      {ways.map(({ label, by, Sign, end }) => (
        <IconButton
          key={label}
          label={label}
          disabled={place === end || place === 'only'}
          onClick={() => desk.set(movedSituation(desk.getView().plan, situation, by))}
          className="border-transparent"
        >
          <Sign size={16} aria-hidden="true" />
        </IconButton>
      ))}
    </span>
  )
}

const NeedRow = memo(function NeedRow({
  need,
  reached,
  films,
}: {
  need: Need
  reached: QuickestWay | null
  films: boolean
}) {
  const desk = useDesk()
  const row = needRow(need.situation, need.what)
  const term = termOf(need.what)
  const keep = (count: number, flags: readonly NeedFlag[]) =>
    desk.set({ [row]: [String(Math.round(count)), ...needFlags.filter((flag) => flags.includes(flag))] })
  const toggle = (flag: NeedFlag) =>
    keep(
      need.perOuting,
      need.flags.includes(flag) ? need.flags.filter((one) => one !== flag) : [...need.flags, flag],
    )
  const word = [...often].reverse().find(([, count]) => need.perOuting >= count)?.[0] ?? 'never'
  const flags: readonly NeedFlag[] = films ? needFlags : needFlags.filter((flag) => flag !== 'recording')
  const spoken: Record<NeedFlag, string> = {
    urgent: 'urgent',
    finder: 'eye at the finder',
    recording: 'while recording',
  }
  return (
    <tr className="border-b align-top last:border-0">
      <th scope="row" className="py-2 pr-2 text-left font-semibold">
        {term}
        <Explain
          label={term}
          about={{ means: { kind: settingTerms.has(need.what) ? 'setting' : 'function', id: need.what } }}
        />
      </th>
      <td className="px-2 py-1 whitespace-nowrap">
        <NumberField
          label={`${term}, times an outing`}
          value={need.perOuting}
          from={0}
          to={9999}
          onKeep={(count) => keep(count ?? 0, need.flags)}
          className="w-14"
        />{' '}
        <select
          aria-label={`${term}, how often`}
          value={word}
          onChange={(event) => keep(often.find(([one]) => one === event.target.value)?.[1] ?? 0, need.flags)}
          className="min-h-8 rounded border-0 bg-transparent text-silt"
        >
          {often.map(([one]) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </td>
      {flags.map((flag) => (
        <td key={flag} className="px-1 py-2 text-center">
          <Check
            label={`${term}, ${spoken[flag]}`}
            checked={need.flags.includes(flag)}
            onChange={() => toggle(flag)}
          />
        </td>
      ))}
      <td className="px-2 py-2">
        {reached === null ? (
          <span className="text-silt">…</span>
        ) : reached.absent ? (
          <span className="text-silt italic">this model has nothing like it</span>
        ) : !reached.best ? (
          <span className="text-rust">no way there: {reached.blocked ?? 'missed, or looked up, 30 s'}</span>
        ) : (
          <>
            <span className="inline-flex items-baseline gap-1.5">
              <EyeSign atFinder={reached.best.atFinder} />
              {reached.best.words}
            </span>
            <span className="block text-small text-silt">
              {formula(reached.best.parts, reached.best.seconds)}
            </span>
          </>
        )}
      </td>
      <td className="px-2 py-2 text-right font-mono whitespace-nowrap">
        {!reached ? '…' : reached.best || reached.perOuting > 0 ? secondsOf(reached.perOuting) : '—'}
      </td>
      <td className="py-0.5">
        <IconButton
          label={`Remove ${term}`}
          className="border-transparent bg-transparent"
          onClick={() => desk.set({ [row]: null })}
        >
          <X size={15} aria-hidden="true" />
        </IconButton>
      </td>
    </tr>
  )
})

function AddNeed({ situation, has }: { situation: string; has: readonly string[] }) {
  const desk = useDesk()
  const id = useId()
  const [typed, setTyped] = useState('')
  const [unknown, setUnknown] = useState(false)
  // The list is long, and only there while somebody types.
  const [typing, setTyping] = useState(false)
  const known = [...settingTerms, ...functionTerms]
    .map(([what, term]) => ({ id: what, term }))
    .filter(({ id: what }) => !has.includes(what) && knows(desk.start.model, what))
  const add = (text: string) => {
    const found = known.find(({ term }) => term.toLowerCase() === text.trim().toLowerCase())
    setUnknown(text.trim() !== '' && !found)
    if (!found) return
    desk.set({ [needRow(situation, found.id)]: ['6'] })
    setTyped('')
  }
  return (
    <p className="mt-2">
      <input
        aria-label="Add an adjustment"
        list={`${id} known`}
        value={typed}
        placeholder="Add: what else do you adjust?"
        onChange={(event) => {
          setTyped(event.target.value)
          setUnknown(false)
          if (known.some(({ term }) => term === event.target.value)) add(event.target.value)
        }}
        onFocus={() => setTyping(true)}
        onBlur={() => setTyping(false)}
        onKeyDown={(event) => event.key === 'Enter' && add(typed)}
        className="min-h-9 w-72 max-w-full rounded border bg-crust px-2 placeholder:text-silt"
      />
      <datalist id={`${id} known`}>
        {typing && known.map(({ id: what, term }) => <option key={`${what} ${term}`} value={term} />)}
      </datalist>
      {unknown && (
        <span role="alert" className="ml-2 text-rust">
          This model knows no “{typed.trim()}”.
        </span>
      )}
    </p>
  )
}
