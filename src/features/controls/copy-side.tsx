'use client'

import { isKeyRow } from '@/core/plan/rows'
import { useState } from 'react'
import type { SideCopy } from '@/core/plan/copy-side'
import type { Side } from '@/core/model/types'
import { useDesk, useDeskPart } from '@/features/desk'
import { Offer } from '@/ui/button'

/** Copies the keys of the other side to this one, and says which could not follow. */
export function CopySide() {
  const desk = useDesk()
  const side = useDeskPart('side')
  const { model } = desk.start
  const [done, setDone] = useState<{ copy: SideCopy; to: Side } | null>(null)
  const other = model.sides.find((one) => one !== side)
  if (!other) return null
  const copyNow = async () => {
    const { copySide } = await import('@/core/plan/copy-side')
    const copy = copySide(model, desk.getView().plan, side, other, desk.newId())
    if (copy.step.changes.length === 0 || desk.applyStep(copy.step)) setDone({ copy, to: other })
  }
  return (
    <section className="mt-4 border-t pt-3">
      <Offer onClick={() => void copyNow()}>
        Copy the keys of {side} to {other}
      </Offer>
      <p className="text-small text-silt">As far as they take the same there; one step, undone as one.</p>
      {done && (
        <div role="status" className="mt-2">
          <p>
            {done.copy.step.changes.filter(({ row }) => isKeyRow(row)).length} keys of {done.to} changed.
            {done.copy.left.length > 0 && ` ${done.copy.left.length} could not follow:`}
          </p>
          <ul className="mt-1 grid gap-1 text-small text-silt">
            {done.copy.left.map(({ key, because }) => (
              <li key={key}>{because}</li>
            ))}
          </ul>
        </div>
      )}
    </section>
  )
}
