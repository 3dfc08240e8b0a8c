'use client'

import type { RowId } from '@/core/plan/rows'
import { useState } from 'react'
import { columnsOf, type Column } from '@/core/banks/columns'
import type { MatrixRow } from '@/core/banks/matrix'
import { followers } from '@/core/plan/bulk'
import { vary } from '@/core/plan/bulk'
import type { Value } from '@/core/vocabulary/values'
import {
  FindingList,
  findingsAt,
  ShortcutList,
  useAnswer,
  useDesk,
  useDeskView,
  useFindings,
  usePlaceInPage,
} from '@/features/desk'
import { Check } from '@/ui/check'
import { Tabs } from '@/ui/tabs'
import { BuildPanel } from './build-panel'
import { CellPanel } from './cell-panel'
import { FilmWith } from './film-with'
import { FollowCard, type BaseChange } from './follow-card'
import { HoldPanel } from './hold-panel'
import { KeepingPanel } from './keeping-panel'
import { MatrixTable, type InHand } from './matrix-table'
import { NumberPanel } from './number-panel'
import { PairGridTable } from './pair-grid'
import { SharePanel } from './share-panel'

const panels = {
  numbers: 'Numbers',
  build: 'Build',
  keeping: 'Keeping',
  hold: 'Hold',
  share: 'Shared',
  trips: 'Trips',
} as const

const bankKeys = [
  ['Tab', 'from cell to cell'],
  ['↑ ↓', 'in a cell, the next value'],
] as const

/** The Banks station: base and every bank side by side, what each costs in light and movement, and how they are built. */
export function BanksStation() {
  const desk = useDesk()
  const { plan } = useDeskView()
  const findings = useFindings()
  const { model, lenses } = desk.start
  const [all, setAll] = useState(false)
  const [chosen, setPanel] = useState<keyof typeof panels | null>(null)
  const [inHand, setInHand] = useState<InHand | null>(null)
  const [asked, setAsked] = useState<BaseChange | null>(null)
  const film = useAnswer<'film'>({ kind: 'film' })
  const banks = useAnswer<'banks'>({ kind: 'banks' })
  usePlaceInPage((place) => {
    if (columnsOf(model, desk.getView().plan, lenses).some((one) => one.id === place))
      setInHand({ column: place, setting: null })
    setPanel('build')
  })
  const columns = banks?.columns ?? []
  const column = columns.find((one) => one.id === inHand?.column) ?? null
  const at = column ? columns.indexOf(column) : -1
  const row = banks?.rows.find(({ setting }) => setting.id === inHand?.setting)
  const cell = row?.cells[at]
  const take = (place: InHand) => {
    setInHand(place)
    if (place.setting === null) setPanel('build')
  }
  const set = (into: Column, { setting }: MatrixRow, id: RowId, value: Value | null) => {
    if (into.kind === 'base' && followers(model, plan, id).length > 0) setAsked({ row: id, value })
    else if (into.kind === 'slot' && value !== null) {
      const step = vary(model, plan, into.planned, { [setting.id]: value }, desk.newId())
      if (step.ok) desk.applyStep(step.value)
      else desk.refuse(step.refusal)
    } else desk.set({ [id]: value })
  }
  const trips = findingsAt(findings, 'banks')
  const sides = [...new Set(columns.map(({ side }) => side))]
  const waiting = banks !== null && columns.every(({ kind }) => kind === 'base')
  const panel = chosen ?? (waiting ? 'build' : 'numbers')
  return (
    <main className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_360px]">
      <section aria-label="Banks side by side" className="min-w-0 self-start border bg-sheet px-4 pt-2 pb-3">
        <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
          <h1 className="font-head text-title font-semibold">Banks</h1>
          {banks?.filming && <FilmWith filming={banks.filming} />}
        </div>
        {waiting && (
          <p className="mb-2 max-w-xl text-silt">
            No bank is used yet. Set base as you mostly work, copy it to the banks, then vary each in a few
            rows: under Build, to the right.
          </p>
        )}
        {banks ? (
          <>
            <MatrixTable banks={banks} all={all} inHand={inHand} onTake={take} onSet={set} />
            <Check checked={all} onChange={() => setAll(!all)} className="mt-2 min-h-9 text-small">
              Show all {banks.rows.length} rows
            </Check>
          </>
        ) : (
          <p role="status" className="min-h-120 py-6 text-silt">
            Base and banks are being compared …
          </p>
        )}
        {sides.map((side) => {
          const base = columns.find((one) => one.kind === 'base' && one.side === side)
          return base ? <PairGridTable key={side} side={side} lens={base.context.lens} /> : null
        })}
      </section>
      <aside aria-label="Beside the banks" className="min-w-0">
        {asked && <FollowCard key={asked.row} change={asked} onDone={() => setAsked(null)} />}
        {column && row && cell && (
          <CellPanel column={column} row={row} cell={cell} onClose={() => setInHand(null)} />
        )}
        <Tabs label="Beside the banks" names={panels} picked={panel} onPick={setPanel} />
        {panel === 'numbers' && banks && (
          <NumberPanel columns={columns} figures={banks.figures} film={film} />
        )}
        {panel === 'build' && <BuildPanel column={column} />}
        {panel === 'keeping' && <KeepingPanel />}
        {panel === 'hold' && <HoldPanel />}
        {panel === 'share' && <SharePanel />}
        {panel === 'trips' && (
          <div className="grid gap-3">
            {findings === null ? null : trips.length === 0 ? (
              <p className="text-silt">Nothing in base or banks will trip you.</p>
            ) : (
              <FindingList findings={trips} />
            )}
          </div>
        )}
      </aside>
      <ShortcutList keys={bankKeys} />
    </main>
  )
}
