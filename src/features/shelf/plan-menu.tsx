'use client'

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { Ellipsis } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Refusal } from '@/core/result'
import { RefusalNote } from '@/ui/refusal-note'
import { actOnPlan, type PlanAct } from './act-on-plan'

const acts: readonly (readonly [PlanAct, string])[] = [
  ['duplicate', 'Duplicate'],
  ['up', 'Move up'],
  ['down', 'Move down'],
  ['delete', 'Delete'],
]

/** What else can be done to a plan on the shelf. */
export function PlanMenu({ id, title }: { id: string; title: string }) {
  const router = useRouter()
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const act = async (what: PlanAct) => {
    const done = await actOnPlan(id, what)
    setRefusal('refusal' in done ? done.refusal : null)
    router.refresh()
  }
  const rename = () => router.push(`/plans/${id}/foundation`)
  const item = 'block min-h-9 w-full px-3 py-1.5 text-left data-focus:bg-glass data-focus:text-brine'
  return (
    <div className="shrink-0">
      <Menu>
        <MenuButton
          aria-label={`More for ${title}`}
          className="grid size-9 place-items-center rounded-md border bg-sheet hover:border-brine hover:text-brine"
        >
          <Ellipsis size={18} aria-hidden="true" />
        </MenuButton>
        <MenuItems anchor="bottom end" className="z-20 mt-1 min-w-44 border bg-sheet py-1 shadow-lg">
          <MenuItem>
            <button type="button" onClick={rename} className={item}>
              Name and purpose
            </button>
          </MenuItem>
          {acts.map(([what, words]) => (
            <MenuItem key={what}>
              <button type="button" onClick={() => void act(what)} className={item}>
                {words}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
      {refusal && <RefusalNote refusal={refusal} />}
    </div>
  )
}
