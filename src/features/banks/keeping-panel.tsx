'use client'

import { keepingOf, type Kept } from '@/core/banks/keeping'
import { SettingLabel, useDesk, usePlan } from '@/features/desk'
import { Button } from '@/ui/button'

/** Snapshot or live: what either means for this plan, what to do in the morning, and the sheet that restores a bank. */
export function KeepingPanel() {
  const desk = useDesk()
  const plan = usePlan()
  const { model } = desk.start
  return (
    <div className="grid gap-3">
      {keepingOf(model, plan).map(({ family, now, switchedBy, test, slots }) => {
        const changing = slots.filter(({ onSite }) => onSite.length > 0)
        return (
          <section
            key={family.id}
            aria-label={`Keeping of ${family.name}`}
            className="grid gap-2 border bg-sheet px-3 py-2.5"
          >
            <h2 className="font-semibold">
              {family.name}: {test ? 'snapshot or live? Test on body' : now}
            </h2>
            {test && <p className="text-small text-lichen">{test}</p>}
            <Way title="Snapshot" now={!test && now === 'snapshot'}>
              Every recall brings back what was stored.{' '}
              {changing.length === 0
                ? 'What is changed in the field is gone when the bank is left.'
                : changing
                    .map(
                      ({ slot, onSite }) =>
                        `${slot.name}: ${names(onSite)} set on site ${onSite.length === 1 ? 'is' : 'are'} gone when it is left.`,
                    )
                    .join(' ')}
            </Way>
            <Way title="Live" now={!test && now === 'live'}>
              What is changed stays, meant or not.{' '}
              {changing.length === 0
                ? 'Yesterday’s changes are there this morning.'
                : changing
                    .map(
                      ({ slot, onSite }) =>
                        `${slot.name}: ${names(onSite)} ${onSite.length === 1 ? 'is' : 'are'} as last left.`,
                    )
                    .join(' ')}
            </Way>
            {switchedBy && (
              <p>
                <Button onClick={() => desk.set({ [switchedBy.row]: now !== 'live' })}>
                  Switch to {now === 'live' ? 'snapshot' : 'live'}
                </Button>{' '}
                <span className="text-small text-silt">{switchedBy.setting.label}</span>
              </p>
            )}
            {changing.length > 0 && (
              <details className="text-small" open>
                <summary className="cursor-pointer text-brine">In the morning</summary>
                {changing.map(({ slot, onSite }) => (
                  <Sheet key={slot.slot} title={slot.name} rows={onSite} />
                ))}
              </details>
            )}
            {slots.length > 0 && (
              <details className="text-small">
                <summary className="cursor-pointer text-brine">To restore a bank</summary>
                {slots.map(({ slot, restore }) => (
                  <Sheet key={slot.slot} title={slot.name} rows={restore} />
                ))}
              </details>
            )}
            {slots.length > 0 && changing.length === 0 && (
              <p className="text-small text-silt">
                Which rows change on site? Mark them in the cell’s own card, and both ways are spelled out for
                them.
              </p>
            )}
          </section>
        )
      })}
    </div>
  )
}

function Way({ title, now, children }: { title: string; now: boolean; children: React.ReactNode }) {
  return (
    <p className={`border-l-2 pl-2 ${now ? 'border-brine' : 'border-rule text-silt'}`}>
      <b className="font-semibold">{title}</b>
      {now && ' (so it is)'}. {children}
    </p>
  )
}

function Sheet({ title, rows }: { title: string; rows: readonly Kept[] }) {
  return (
    <div className="mt-1">
      <b className="font-semibold">{title}</b>
      <ul>
        {rows.map(({ setting, planned, where }) => (
          <li key={setting.id} className="flex justify-between gap-2">
            <span>
              <SettingLabel setting={setting} /> <span className="text-silt">{where}</span>
            </span>
            <span className="font-mono">{planned}</span>
          </li>
        ))}
      </ul>
    </div>
  )
}

function names(rows: readonly Kept[]): string {
  return rows.map(({ setting }) => setting.label).join(', ')
}
