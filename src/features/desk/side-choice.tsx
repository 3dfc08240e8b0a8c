'use client'

import { Radio, RadioGroup } from '@headlessui/react'
import type { Side } from '@/core/model/types'
import { useDesk, useDeskView } from './desk-context'

/** Stills or motion: flips the whole station. */
export function SideChoice() {
  const desk = useDesk()
  const { side } = useDeskView()
  const names: Record<Side, string> = { stills: 'Stills', motion: 'Motion' }
  return (
    <RadioGroup
      value={side}
      onChange={(chosen: Side) => desk.turnTo(chosen)}
      aria-label="Side"
      className="flex overflow-hidden rounded-md border bg-sheet"
    >
      {desk.start.model.sides.map((one) => (
        <Radio
          key={one}
          value={one}
          className="grid min-h-9 cursor-pointer place-items-center px-3.5 font-medium data-checked:bg-brine data-checked:text-on-brine data-focus:outline-2 data-focus:outline-offset-2"
        >
          {names[one]}
        </Radio>
      ))}
    </RadioGroup>
  )
}
