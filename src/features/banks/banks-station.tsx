'use client'

import { FindingList, ShortcutList } from '@/features/desk'
import { later } from '@/ui/later'
import { Check } from '@/ui/check'
import { Beside } from '@/ui/beside'
import { Tabs } from '@/ui/tabs'
import { FilmWith } from './film-with'
import { MatrixTable } from './matrix-table'
import { NumberPanel } from './number-panel'
import { PairGridTable } from './pair-grid'
import { panels, useBanksStation, type BanksKnown } from './use-banks-station'

const BuildPanel = later(() => import('./build-panel').then((one) => one.BuildPanel))
const CellPanel = later(() => import('./cell-panel').then((one) => one.CellPanel))
const FollowCard = later(() => import('./follow-card').then((one) => one.FollowCard))
const HoldPanel = later(() => import('./hold-panel').then((one) => one.HoldPanel))
const KeepingPanel = later(() => import('./keeping-panel').then((one) => one.KeepingPanel))
const SharePanel = later(() => import('./share-panel').then((one) => one.SharePanel))

const bankKeys = [
  ['Tab', 'from cell to cell'],
  ['↑ ↓', 'in a cell, the next value'],
] as const

/** The Banks station: base and every bank side by side, what each costs in light and movement, and how they are built. */
export function BanksStation() {
  const known = useBanksStation()
  const { inHand, baseChange, cellInHand, panel } = known
  return (
    <main className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_360px]">
      <SideBySide known={known} />
      <Beside
        label="Beside the banks"
        inHand={inHand && `[data-place="${[inHand.column, inHand.setting].filter(Boolean).join(' ')}"]`}
        onClose={cellInHand ? undefined : () => known.take(null)}
      >
        {baseChange && <FollowCard key={baseChange.row} change={baseChange} onDone={known.baseChanged} />}
        {cellInHand && <CellPanel {...cellInHand} onClose={() => known.take(null)} />}
        <Tabs label="Beside the banks" names={panels} picked={panel} onPick={known.setPanel}>
          <Panel known={known} />
        </Tabs>
      </Beside>
      <ShortcutList keys={bankKeys} />
    </main>
  )
}

function SideBySide({ known }: { known: BanksKnown }) {
  const { banks, all } = known
  return (
    <section aria-label="Banks side by side" className="min-w-0 self-start border bg-sheet px-4 pt-2 pb-3">
      <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h1 className="font-head text-title font-semibold">Banks</h1>
        {banks?.filming && <FilmWith filming={banks.filming} />}
      </div>
      {known.waiting && (
        <p className="mb-2 max-w-xl text-silt">
          No bank is used yet. Set base as you mostly work, copy it to the banks, then vary each in a few
          rows: under Build, to the right.
        </p>
      )}
      {banks ? (
        <>
          <MatrixTable banks={banks} all={all} inHand={known.inHand} onTake={known.take} onSet={known.set} />
          <Check checked={all} onChange={() => known.showAll(!all)} className="mt-2 min-h-9 text-small">
            Show all {banks.rows.length} rows
          </Check>
        </>
      ) : (
        <p role="status" className="min-h-120 py-6 text-silt">
          Base and banks are being compared …
        </p>
      )}
      {known.bases.map(({ side, context }) => (
        <PairGridTable key={side} side={side} lens={context.lens} />
      ))}
    </section>
  )
}

function Panel({ known: { panel, banks, columns, column, film, problems } }: { known: BanksKnown }) {
  switch (panel) {
    case 'numbers':
      return banks && <NumberPanel columns={columns} figures={banks.figures} film={film} />
    case 'build':
      return <BuildPanel column={column} />
    case 'keeping':
      return <KeepingPanel />
    case 'hold':
      return <HoldPanel />
    case 'share':
      return <SharePanel />
    case 'problems':
      if (problems?.length === 0) return <p className="text-silt">No problems in base or banks.</p>
      return <div className="grid gap-3">{problems && <FindingList findings={problems} />}</div>
  }
}
