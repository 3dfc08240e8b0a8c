'use client'

import type { Face } from '@/core/model/types'

/** Stands for every face, on one sheet. */
export const allFaces = '*'

/** Chooses the face of the body that the plate shows, or all of them. */
export function FacePicker({
  faces,
  face,
  onPick,
  all = true,
}: {
  faces: readonly Face[]
  face: string
  /** Whether they can be shown all at once. */
  all?: boolean
  onPick: (id: string) => void
}) {
  return (
    <div role="group" aria-label="Face" className="flex gap-1">
      {[...faces, ...(all ? [{ id: allFaces, name: 'All faces' }] : [])].map((one) => (
        <button
          key={one.id}
          type="button"
          aria-pressed={one.id === face}
          onClick={() => onPick(one.id)}
          className="min-h-9 border-b-2 border-transparent px-1.5 font-head text-[16px] whitespace-nowrap text-silt aria-pressed:border-ink aria-pressed:font-semibold aria-pressed:text-ink"
        >
          {one.name}
        </button>
      ))}
    </div>
  )
}
