'use client'

import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { BodyModel, Side } from '@/core/model/types'
import type { EnablingItem } from '@/core/settings/enabling'
import { useDesk } from '@/features/desk'
import { Offer } from '@/ui/button'
import type { SettingsKnown } from './use-settings-station'

/** What would make a setting work that does nothing here, each with its step. */
export function EnabledBy({
  id,
  side,
  known: { enabling, model },
}: {
  id: string
  side: Side
  known: SettingsKnown
}) {
  const desk = useDesk()
  const items = enabling.filter(
    (item) => !item.isPlanned && item.enables.some((one) => one.side === side && one.id === id),
  )
  return items.map((item) => (
    <p key={item.row}>
      <Offer onClick={() => desk.set({ [item.row]: item.to })}>{settingWords(model, item)}</Offer>
    </p>
  ))
}

/** The enabling items in menu order: what comes first and is planned, and what is still missing, with what each is for. */
export function EnablingList({ known: { enabling, model, take } }: { known: SettingsKnown }) {
  const desk = useDesk()
  const { settings, addresses } = lookup(model)
  const nameOf = (id: string) => settings.get(id)?.label ?? addresses.get(id)?.control.name ?? id
  if (enabling.length === 0) return null
  return (
    <ol aria-label="Enabling items first" className="my-2 grid gap-2 border-l-2 border-brine pl-3">
      {enabling.map((item) => (
        <li key={`${item.row} ${String(item.to)}`} className="leading-snug">
          <button
            type="button"
            className="font-semibold underline decoration-rule"
            onClick={() => take(item.setting)}
          >
            {nameOf(item.setting)}
          </button>{' '}
          <span className="text-silt">{item.sides.join(' and ')}</span>
          {item.isPlanned ? (
            <span className="font-mono text-pan"> {valueWords(model, item)}</span>
          ) : (
            <>
              {' · '}
              <Offer onClick={() => desk.set({ [item.row]: item.to })}>
                Set it to {valueWords(model, item)}
              </Offer>
            </>
          )}
          <span className="block text-small text-silt">
            {item.isPlanned ? 'First, for ' : 'Missing, for '}
            {[...new Set(item.enables.map(({ id }) => nameOf(id)))].join(', ')}. {item.enables[0]?.because}
          </span>
        </li>
      ))}
    </ol>
  )
}

function valueWords(model: BodyModel, { setting: id, to }: EnablingItem): string {
  const setting = lookup(model).settings.get(id)
  return setting ? showValue(setting.domain, to) : String(to)
}

function settingWords(model: BodyModel, item: EnablingItem): string {
  return `Set ${lookup(model).settings.get(item.setting)?.label ?? item.setting} to ${valueWords(model, item)}`
}
