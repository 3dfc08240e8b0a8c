'use client'

import dynamic from 'next/dynamic'
import { useState } from 'react'
import { Button } from '@/ui/button'
import type { NewPlanChoices } from './new-plan-form'

const NewPlanForm = dynamic(() => import('./new-plan-form').then((one) => one.NewPlanForm))

/** Starts a plan: the camera by its plate, what is shot, a name. */
export function NewPlan(choices: NewPlanChoices) {
  const [open, setOpen] = useState(false)
  if (choices.models.length === 0) return null
  return (
    <>
      <Button main onClick={() => setOpen(true)}>
        Start a plan
      </Button>
      {open && <NewPlanForm {...choices} onClose={() => setOpen(false)} />}
    </>
  )
}
