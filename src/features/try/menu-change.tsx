'use client'

import { useState } from 'react'
import type { LiveEvent } from '@/core/camera/live/events'
import type { Seen } from '@/core/camera/live/seen'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import { SettingLabel, ValueField } from '@/features/desk'
import { PickList } from '@/ui/pick-list'

/** A value changed in the camera's own menu: it lands where the camera keeps it, or is lost with the bank. */
export function MenuChange({
  model,
  seen,
  onEvent,
}: {
  model: BodyModel
  seen: Seen
  onEvent: (event: LiveEvent) => void
}) {
  const [id, setId] = useState<string | null>(null)
  const { settings, menuAddress } = lookup(model)
  const setting = settings.get(id ?? '')
  return (
    <section aria-label="In the menu">
      {setting && (
        <div className="mb-2 border bg-sheet px-3 py-2">
          <p className="font-semibold">
            <SettingLabel setting={setting} />
          </p>
          <p className="text-small text-silt">{menuAddress.get(setting.id)}</p>
          <ValueField
            key={setting.id}
            setting={setting}
            label={`${setting.label} on the body`}
            value={seen.values[setting.id] ?? null}
            inherits="as it is"
            onKeep={(value) => value !== null && onEvent({ kind: 'menu', setting: setting.id, value })}
            className="mt-1 w-full"
          />
        </div>
      )}
      <PickList
        label="Change in the camera’s menu"
        list="Settings"
        placeholder="shutter, look, frame rate …"
        items={model.settings.filter(({ place }) => place !== 'physical')}
        idOf={({ id }) => id}
        textOf={(one) => `${one.label} ${one.id} ${menuAddress.get(one.id) ?? ''}`}
        meansOf={({ means }) => ({ kind: 'setting', id: means })}
        onPick={(one) => setId(one.id)}
        option={(one) => (
          <>
            {one.label} <span className="text-small text-silt">{menuAddress.get(one.id)}</span>
          </>
        )}
        nothing={(typed) => `The menu has nothing called “${typed}”.`}
        tall="13rem"
      />
    </section>
  )
}
