'use client'

import { memo } from 'react'
import type { Severity } from '@/core/checks/finding'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Setting } from '@/core/model/types'
import type { SettingLine } from '@/core/settings/lines'
import type { Standing } from '@/core/settings/standing'
import { cellWords } from '@/core/settings/words'
import { SeveritySign } from '@/ui/severity'
import { StateSign } from './state-sign'

/** A line of the menu as the list shows it: what the camera calls it, what is planned, where it stands. */
export const LineRow = memo(function LineRow({
  model,
  line,
  standing,
  elsewhere,
  worst,
  idle,
  inHand,
  onTake,
}: {
  model: BodyModel
  line: SettingLine
  standing: Standing
  /** Where else it has a value, in words; empty where nowhere. */
  elsewhere: string
  worst: Severity | null
  /** Where it does nothing as the camera stands, in words: " here", " in stills"; null where it does something. */
  idle: string | null
  inHand: boolean
  onTake: (id: string) => void
}) {
  const setting = lookup(model).settings.get(line.id)
  return (
    <button
      type="button"
      data-line={line.id}
      aria-current={inHand || undefined}
      tabIndex={inHand ? 0 : -1}
      onClick={() => onTake(line.id)}
      className="grid min-h-10 w-full grid-cols-[2.25rem_minmax(0,1fr)_auto] items-center gap-x-2 border-b px-2 py-0.5 text-left max-sm:py-1 pointer-coarse:min-h-11 hover:bg-glass focus-visible:-outline-offset-2 aria-current:bg-glass aria-current:shadow-[inset_3px_0_0_var(--color-brine)] sm:grid-cols-[2.25rem_minmax(0,5fr)_minmax(0,6fr)_9.5rem]"
    >
      <span className="text-right max-sm:self-start max-sm:pt-0.5 font-mono text-small text-silt tabular-nums">
        {placeOnPage(line)}
      </span>
      <span className="min-w-0 leading-tight">
        {line.label}
        {line.kind !== 'setting' && (
          <span className="text-small text-silt"> · {line.kind === 'act' ? 'act' : 'set-up page'}</span>
        )}
      </span>
      <span className="min-w-0 text-small leading-tight max-sm:col-start-2 max-sm:row-start-2">
        {setting && !line.isByHand && <Planned model={model} setting={setting} standing={standing} />}
        {line.isByHand && <span className="text-silt italic">set by hand on the body</span>}
        {standing.setUp > 0 && <b className="font-semibold text-pan">{standing.setUp} planned</b>}
        {elsewhere !== '' && <span className="text-silt"> · also {elsewhere}</span>}
        {idle !== null && <span className="text-silt"> · does nothing{idle}</span>}
      </span>
      <span className="flex items-center gap-2 text-small max-sm:col-start-3 max-sm:row-start-1 max-sm:row-span-2">
        <StateSign state={standing.state} />
        {worst !== null && <SeveritySign severity={worst} word={false} />}
      </span>
    </button>
  )
})

/** Its line on its page, as the camera counts: "4", or "4.2" for one behind a further press. */
function placeOnPage({ address }: SettingLine): string {
  const counted = [...(address ?? '').matchAll(/line (\d+)/g)].map(([, number]) => number)
  return counted.join('.')
}

/** What is planned in base: delivered → planned where they differ, each cell by itself where they are not alike. */
function Planned({ model, setting, standing }: { model: BodyModel; setting: Setting; standing: Standing }) {
  const delivered = showValue(setting.domain, setting.factory)
  const cells = cellWords(model, setting, standing.cells)
  const planned = cells.filter(({ value }) => value !== null)
  if (planned.length === 0) return <span className="font-mono text-silt">{delivered}</span>
  const alike = planned.length === cells.length && planned.every(({ shown }) => shown === planned[0]?.shown)
  const shown = alike ? planned.slice(0, 1).map((cell) => ({ ...cell, where: '' })) : planned
  return (
    <span className="font-mono">
      {shown.slice(0, 3).map(({ row, where, shown: words }, i) => (
        <span key={row}>
          {i > 0 && <span className="text-silt">; </span>}
          {where !== '' && <span className="font-sans text-silt">{where} </span>}
          {words !== delivered && i === 0 && <span className="text-silt">{delivered} → </span>}
          <b className={`font-semibold ${words === delivered ? '' : 'text-pan'}`}>{words}</b>
        </span>
      ))}
      {shown.length > 3 && <span className="font-sans text-silt"> and {shown.length - 3} more</span>}
    </span>
  )
}
