'use client'

import { baseRow, baseValue, defaultWhereabouts } from '@/core/plan/cells'
import { sameValue } from '@/core/vocabulary/values'
import { lookup } from '@/core/model/lookup'
import type { Setting } from '@/core/model/types'
import { useAnswer, useDesk, useDeskPart, usePlan } from '@/features/desk'
import { VerdictSign } from '@/ui/verdict'
import { dialSettings } from '@/core/resolve/dial-settings'

const away = { left: 'left', right: 'right', up: 'up', down: 'down' } as const

/** All dials, wheels and rings of a side in one small table: what each turn does, which way, and where it does nothing. */
export function DialsTable({ selected, onGo }: { selected: string | null; onGo: (address: string) => void }) {
  const { model } = useDesk().start
  const side = useDeskPart('side')
  const dials = useAnswer<'dials'>({ kind: 'dials', side }) ?? []
  const settings = dialSettings(model)
  return (
    <div className="grid gap-4">
      <section>
        <h2 className="font-head text-lead font-semibold">Dials in {side}</h2>
        <table className="mt-1 w-full border-collapse">
          <tbody>
            {dials.map(({ control, rows }) => (
              <tr key={control.id} className="border-t align-top">
                <th scope="row" className="w-28 py-1.5 pr-2 text-left font-semibold">
                  {control.name}
                  {control.awayFromEye && (
                    <span className="block text-small font-normal text-silt">
                      {away[control.awayFromEye]} is away from the eye
                    </span>
                  )}
                </th>
                <td className="py-1">
                  {rows.map(({ address, fn, idle }) => (
                    <div key={address.key} className="pb-0.5">
                      <button
                        type="button"
                        aria-pressed={address.key === selected}
                        onClick={() => onGo(address.key)}
                        className="flex w-full flex-wrap items-baseline gap-x-2 rounded px-1 text-left hover:bg-glass aria-pressed:bg-blush"
                      >
                        {address.when && <span className="text-small text-silt">{address.name}</span>}
                        <span className={fn ? 'font-semibold' : 'text-silt italic'}>
                          {fn?.name ?? 'nothing'}
                        </span>
                      </button>
                      {idle.map(({ modes, everywhere, verdict, because }) => (
                        <p key={because} className="px-1 text-small text-silt">
                          <VerdictSign verdict={verdict} />
                          {everywhere ? '' : ` in ${modes.join(', ')}`}: {because}
                        </p>
                      ))}
                    </div>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {settings.length > 0 && (
        <section>
          <h2 className="font-head text-lead font-semibold">How they turn</h2>
          <ul className="mt-1 divide-y">
            {settings.map((setting) => (
              <li key={setting.id} className="py-1.5">
                <DialSetting setting={setting} />
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}

function DialSetting({ setting }: { setting: Setting }) {
  const desk = useDesk()
  const plan = usePlan()
  const side = useDeskPart('side')
  const { model } = desk.start
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  const value = baseValue(model, plan.rows, setting, side)
  const { domain } = setting
  const set = (next: string | boolean) => desk.set({ [row]: sameValue(next, setting.factory) ? null : next })
  return (
    <label className="grid gap-0.5">
      <span className="flex flex-wrap items-baseline justify-between gap-x-2">
        <span>{setting.label}</span>
        <span className="text-small text-silt">{lookup(model).menuAddress.get(setting.id)}</span>
      </span>
      {domain.kind === 'choice' && (
        <select
          value={String(value)}
          onChange={(event) => set(event.target.value)}
          className="min-h-9 w-full rounded-md border bg-sheet px-2"
        >
          {domain.values.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
              {sameValue(id, setting.factory) ? ' (as delivered)' : ''}
            </option>
          ))}
        </select>
      )}
      {domain.kind === 'toggle' && (
        <select
          value={value === true ? 'on' : 'off'}
          onChange={(event) => set(event.target.value === 'on')}
          className="min-h-9 w-full rounded-md border bg-sheet px-2"
        >
          <option>off</option>
          <option>on</option>
        </select>
      )}
    </label>
  )
}
