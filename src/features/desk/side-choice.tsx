'use client'

import { Camera, Video } from 'lucide-react'
import { memo } from 'react'
import type { Side } from '@/core/model/types'
import { useDesk, useDeskPart } from './desk-context'

/** On a phone the side is told by a sign, so that the head takes one row. */
function SideSign({ side }: { side: Side }) {
  const Sign = side === 'stills' ? Camera : Video
  return <Sign size={18} aria-hidden="true" className="sm:hidden" />
}

const names: Record<Side, string> = { stills: 'Stills', motion: 'Motion' }

/** Stills or motion: flips the whole station. */
export const SideChoice = memo(function SideChoice() {
  const desk = useDesk()
  const side = useDeskPart('side')
  return (
    <fieldset
      role="radiogroup"
      aria-label="Side"
      className="flex overflow-hidden rounded-md border bg-sheet has-focus-visible:outline-2 has-focus-visible:outline-offset-2"
    >
      {desk.start.model.sides.map((one) => (
        <label
          key={one}
          className="relative grid min-h-9 cursor-pointer place-items-center px-3.5 font-medium max-sm:min-w-11 max-sm:px-2 has-checked:bg-brine has-checked:text-on-brine"
        >
          <input
            type="radio"
            name="side"
            value={one}
            checked={one === side}
            onChange={() => desk.setSide(one)}
            className="absolute inset-0 cursor-pointer appearance-none opacity-0"
          />
          <span className="max-sm:sr-only">{names[one]}</span>
          <SideSign side={one} />
        </label>
      ))}
    </fieldset>
  )
})
