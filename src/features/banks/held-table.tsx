'use client'

import { holdRow, rowValue } from '@/core/plan/rows'
import { showValue } from '@/core/model/domain'
import type { HoldSet, Setting } from '@/core/model/types'
import { showStops } from '@/core/numbers/motion'
import type { LightBetween } from '@/core/resolve/marks'
import type { Held } from '@/core/analysis/questions'
import { sameValue } from '@/core/vocabulary/values'
import { SettingLabel, useDesk, usePlan, ValueField } from '@/features/desk'

/** The rows of a hold set: before, while its key is held, and after. */
export function HeldTable({
  set,
  ticked,
  state,
}: {
  set: HoldSet
  ticked: readonly Setting[]
  /** What it does; null until it is known. */
  state: Held | null
}) {
  const desk = useDesk()
  const plan = usePlan()
  return (
    <table className="w-full border-collapse text-small">
      <thead>
        <tr className="border-b text-left text-silt">
          {['Row', 'Before', 'While held', 'After'].map((one) => (
            <th key={one} className="font-normal">
              {one}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ticked.map((setting) => {
          const row = holdRow(set.id, setting.id)
          const [was, is] = [state?.before[setting.id], state?.held[setting.id]]
          const own = rowValue(plan.rows, row)
          const taken = state === null || (own !== null && sameValue(own, is))
          return (
            <tr key={setting.id} className="border-b align-top">
              <th scope="row" className="pr-1 text-left font-normal">
                <SettingLabel setting={setting} />
              </th>
              <td className="pr-1 font-mono text-silt">{showValue(setting.domain, was)}</td>
              <td className="pr-1">
                <ValueField
                  setting={setting}
                  label={`${setting.label} in ${set.name}`}
                  value={own}
                  inherits="untick"
                  onKeep={(value) => desk.set({ [row]: value })}
                  quiet
                  className="w-full min-w-20 text-pan"
                />
                {!taken && (
                  <span className="block text-lichen">
                    not taken: <span className="font-mono">{showValue(setting.domain, is)}</span>{' '}
                    {state.skipped[setting.id]}
                  </span>
                )}
              </td>
              <td className="font-mono text-silt">{showValue(setting.domain, was)}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** What the exposure does the moment the key goes down. */
export function Jump({ jump }: { jump: LightBetween }) {
  if (!jump.fromByHand || !jump.toByHand)
    return <p className="text-small text-silt">When the key goes down, the camera meters: nothing jumps.</p>
  return (
    <p className={`text-small ${Math.abs(jump.stops) >= 1 ? 'text-lichen' : 'text-silt'}`}>
      When the key goes down: <b className="font-mono font-semibold">{showStops(jump.stops)}</b>
    </p>
  )
}
