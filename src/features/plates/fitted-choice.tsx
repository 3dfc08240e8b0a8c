'use client'

import { plannedLenses } from '@/core/plan/plan'
import { anyLens } from '@/core/model/any-lens'
import type { Fitted } from '@/core/resolve/presence'
import { Check } from '@/ui/check'
import { Select } from '@/ui/select'
import { useDesk, usePlan } from '@/features/desk'

/** Everything on the camera that can be: a lens with a key and a ring, grip and adapter. */
export const everyPart: Fitted = {
  lens: { ...anyLens, keys: [{ id: 'key', name: 'Key' }], ring: { readable: true } },
  attached: ['grip', 'adapter'],
}

/** Chooses what is on the camera: the plates show the controls that are there with it. */
export function FittedChoice({ fitted, onChange }: { fitted: Fitted; onChange: (fitted: Fitted) => void }) {
  const { model, lenses } = useDesk().start
  const plan = usePlan()
  const presences = new Set(model.controls.flatMap((control) => control.presence ?? []))
  const planned = plannedLenses(plan)
  const fitting = lenses.filter((lens) => planned.includes(lens.id) || lens.fits === model.maker)
  const byLens = presences.has('lens-key') || presences.has('lens-ring')
  const parts = (['grip', 'adapter'] as const).filter((part) => presences.has(part))
  const attached = fitted.attached ?? []
  return (
    <>
      {byLens && (
        <Select
          label="Lens on the camera"
          value={fitted.lens.id}
          options={[
            [anyLens.id, 'any lens'],
            ...fitting.map((lens): [string, string] => [lens.id, lens.name]),
          ]}
          onPick={(id) =>
            onChange({ ...fitted, lens: lenses.find((lens) => lens.id === id) ?? everyPart.lens })
          }
          className="min-h-9 max-w-32 rounded-md border bg-sheet px-1.5 text-silt"
        />
      )}
      {parts.map((part) => (
        <Check
          key={part}
          checked={attached.includes(part)}
          onChange={() =>
            onChange({
              ...fitted,
              attached: attached.includes(part)
                ? attached.filter((one) => one !== part)
                : [...attached, part],
            })
          }
          className="text-silt"
        >
          {part}
        </Check>
      ))}
    </>
  )
}
