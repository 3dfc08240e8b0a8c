'use client'

import { memo } from 'react'
import { controlsOf } from '@/core/model/controls'
import type { BodyModel } from '@/core/model/types'
import { Drawing } from '@/ui/plate/drawing'

const nothing: ReadonlyMap<string, number> = new Map()

/** The faces of the body, small, with the controls that are held lit. */
export const HeldPlates = memo(function HeldPlates({
  model,
  held,
  onPick,
}: {
  model: BodyModel
  held: readonly string[]
  onPick: (control: string) => void
}) {
  const lit = controlsOf(model, held)
  const faces = model.faces.filter((face) => model.controls.some((control) => control.face === face.id))
  return (
    <div className="flex items-end gap-2" aria-hidden="true">
      {faces.map((face) => {
        const width = 178 * Math.min(1, face.aspect / 1.5)
        const box = { x: 2, y: 2, width, height: width / face.aspect }
        return (
          <svg
            key={face.id}
            viewBox={`0 0 ${width + 4} ${box.height + 4}`}
            className="min-w-0 flex-1"
            style={{ maxHeight: 150 }}
          >
            <Drawing
              face={face}
              controls={model.controls.filter((control) => control.face === face.id)}
              box={box}
              lit={lit}
              heat={nothing}
              onPick={(control) => onPick(control.id)}
            />
          </svg>
        )
      })}
    </div>
  )
})
