'use client'

import { memo } from 'react'
import { showValue, valuesOf } from '@/core/model/domain'
import { orientations, postures, type BodyModel, type Orientation, type Posture } from '@/core/model/types'
import type { LiveEvent } from '@/core/camera/live/events'
import type { Seen } from '@/core/camera/live/seen'
import type { Value } from '@/core/vocabulary/values'
import type { LensModel } from '@/core/model/types'
import { orientationWords, postureWords } from '@/core/model/hand-words'
import { Check } from '@/ui/check'
import { Select } from '@/ui/select'

/** How the body stands, but for its keys. */
export interface Surroundings extends Pick<
  Seen,
  'position' | 'banks' | 'lens' | 'posture' | 'orientation' | 'eye' | 'on' | 'slots'
> {
  /** The levers of the body, by setting. */
  readonly levers: Readonly<Record<string, Value>>
}

/** That part of what is seen of a body. */
export function surroundingsOf(model: BodyModel, seen: Seen): Surroundings {
  const { position, banks, lens, posture, orientation, eye, on, slots, values } = seen
  const levers = leversOf(model).flatMap(({ id }) => {
    const value = values[id]
    return value === undefined ? [] : [[id, value] as const]
  })
  return { position, banks, lens, posture, orientation, eye, on, slots, levers: Object.fromEntries(levers) }
}

function leversOf(model: BodyModel) {
  return model.settings.filter(
    ({ place, domain }) => place === 'physical' && (valuesOf(domain)?.length ?? 0) > 1,
  )
}

/** What surrounds the keys: the mode dial, banks of the menu, lens, levers, how the camera is held. */
export const StateBar = memo(function StateBar({
  model,
  lenses,
  stands,
  onEvent,
}: {
  model: BodyModel
  lenses: readonly LensModel[]
  stands: Surroundings
  onEvent: (event: LiveEvent) => void
}) {
  const byMenu = model.families.filter(
    ({ id }) => !model.positions.some((position) => position.family === id),
  )
  const levers = leversOf(model)
  const fitting = lenses.filter(
    (one) => one.fits === model.maker || one.id === stands.lens?.id || !one.contacts,
  )
  const nameOf = (family: string, slot: string, word: string) => {
    const used = stands.slots.find((one) => one.family === family && one.slot === slot)
    if (!used) return `${word}, unused`
    return used.name === word ? word : `${used.name} (${word})`
  }
  return (
    <section aria-label="Around the keys" className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
      <Choice
        label="Mode dial"
        value={stands.position ?? ''}
        options={model.positions.map((one) => [
          one.id,
          one.kind === 'slot' && one.family && one.slot ? nameOf(one.family, one.slot, one.name) : one.name,
        ])}
        onPick={(position) => onEvent({ kind: 'position', position })}
      />
      {byMenu.map((family) => (
        <Choice
          key={family.id}
          label={family.name}
          value={stands.banks[family.id] ?? ''}
          options={[
            ['', 'no bank'],
            ...family.slots.map((slot): [string, string] => [slot.id, nameOf(family.id, slot.id, slot.name)]),
          ]}
          onPick={(slot) => onEvent({ kind: 'recall', family: family.id, slot: slot === '' ? null : slot })}
        />
      ))}
      <Choice
        label="Lens"
        value={stands.lens?.id ?? ''}
        options={[
          ...fitting.map((one): [string, string] => [one.id, one.name]),
          ...(stands.lens && !fitting.some(({ id }) => id === stands.lens?.id)
            ? [[stands.lens.id, stands.lens.name] as [string, string]]
            : []),
          ['', 'no lens'],
        ]}
        onPick={(id) => onEvent({ kind: 'lens', lens: fitting.find((one) => one.id === id) ?? null })}
      />
      {levers.map((setting) => (
        <Choice
          key={setting.id}
          label={setting.label}
          value={JSON.stringify(stands.levers[setting.id] ?? setting.factory)}
          options={(valuesOf(setting.domain) ?? []).map((value) => [
            JSON.stringify(value),
            showValue(setting.domain, value),
          ])}
          onPick={(value) =>
            onEvent({ kind: 'lever', setting: setting.id, value: JSON.parse(value) as string })
          }
        />
      ))}
      <Choice
        label="Held"
        value={stands.posture}
        options={postures.map((one) => [one, postureWords[one]])}
        onPick={(posture) => onEvent({ kind: 'posture', posture: posture as Posture })}
      />
      <Choice
        label="Turned"
        value={stands.orientation}
        options={orientations.map((one) => [one, orientationWords[one]])}
        onPick={(orientation) => onEvent({ kind: 'rotate', orientation: orientation as Orientation })}
      />
      <Check checked={stands.eye} onChange={() => onEvent({ kind: 'eye', at: !stands.eye })}>
        eye at the finder
      </Check>
      <Check checked={stands.on} onChange={() => onEvent({ kind: 'power', on: !stands.on })}>
        camera on
      </Check>
    </section>
  )
})

function Choice({
  label,
  value,
  options,
  onPick,
}: {
  label: string
  value: string
  options: readonly (readonly [string, string])[]
  onPick: (value: string) => void
}) {
  return (
    <label className="flex items-baseline gap-1 text-small text-silt">
      {label}
      <Select
        value={value}
        options={options}
        onPick={onPick}
        className="min-h-8 max-w-36 rounded-md border bg-sheet px-1 text-small text-ink"
      />
    </label>
  )
}
