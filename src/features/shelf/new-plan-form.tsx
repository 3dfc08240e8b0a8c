'use client'

import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { PageDialog } from '@/ui/dialog'
import { guideThrough } from '@/ui/guide'
import { SmallPlate } from '@/ui/plate/drawing'
import { RefusalNote } from '@/ui/refusal-note'

/** What a plan can be started with. */
export interface NewPlanChoices {
  readonly models: readonly {
    readonly id: string
    readonly name: string
    readonly sides: readonly string[]
  }[]
  /** The kinds of work there are, each with the side it is done on. */
  readonly work: readonly { readonly id: string; readonly name: string; readonly side: string }[]
}

const unreachable: Refusal = {
  code: 'unreachable',
  message:
    'The server did not answer. If the plan was made after all, it stands on the shelf when this page is loaded again.',
}

/** The camera by its plate, what is shot with it, and what the plan is called. */
export function NewPlanForm({ models, work, onClose }: NewPlanChoices & { onClose: () => void }) {
  const router = useRouter()
  const [model, setModel] = useState<string | null>(null)
  const [kinds, setKinds] = useState<readonly string[]>([])
  const [title, setTitle] = useState('')
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const chosen = models.find(({ id }) => id === model)
  const fitting = work.filter(({ side }) => chosen?.sides.includes(side) ?? true)
  const begin = async (event: FormEvent) => {
    event.preventDefault()
    if (model === null) {
      setRefusal({ code: 'missing', message: 'Choose the camera first.' })
      return
    }
    const order = {
      model,
      title: title.trim(),
      work: kinds.filter((id) => fitting.some((one) => one.id === id)),
    }
    const response = await fetch('/api/plans', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(order),
    }).catch(() => null)
    const answer = (await response?.json().catch(() => null)) as { id?: string; refusal?: Refusal } | null
    if (answer?.id === undefined) return setRefusal(answer?.refusal ?? unreachable)
    guideThrough(answer.id)
    router.push(`/plans/${answer.id}/foundation`)
  }
  const turn = (id: string) =>
    setKinds((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))
  return (
    <PageDialog title="Start a plan" className="max-w-3xl px-5 py-4" onClose={onClose}>
      <form onSubmit={(event) => void begin(event)} className="mt-3 grid gap-4">
        <Cameras models={models} model={model} onPick={setModel} />
        <fieldset>
          <legend className="font-semibold">
            What do you shoot? <span className="font-normal text-silt">It can be changed at any time.</span>
          </legend>
          <div className="mt-1.5 flex flex-wrap gap-2">
            {fitting.map(({ id, name }) => (
              <label
                key={id}
                className="flex min-h-11 cursor-pointer items-center gap-2 rounded-md border px-3 has-checked:border-brine has-checked:text-brine"
              >
                <input type="checkbox" checked={kinds.includes(id)} onChange={() => turn(id)} />
                {name}
              </label>
            ))}
          </div>
        </fieldset>
        <label className="grid gap-1">
          <span className="font-semibold">Name of the plan</span>
          <input
            value={title}
            maxLength={80}
            placeholder={chosen ? `New plan for ${chosen.name}` : ''}
            onChange={(event) => setTitle(event.target.value)}
            className="min-h-10 rounded border bg-crust px-2"
          />
        </label>
        {refusal && <RefusalNote refusal={refusal} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" main>
            Start the plan
          </Button>
        </div>
      </form>
    </PageDialog>
  )
}

function Cameras({
  models,
  model,
  onPick,
}: {
  models: NewPlanChoices['models']
  model: string | null
  onPick: (id: string) => void
}) {
  return (
    <fieldset>
      <legend className="font-semibold">Which camera?</legend>
      <div className="mt-1.5 grid grid-cols-2 gap-2 sm:grid-cols-3">
        {models.map(({ id, name }) => (
          <label
            key={id}
            className="grid cursor-pointer justify-items-center gap-1 border px-2 py-2 text-center has-checked:border-brine has-checked:bg-glass has-focus-visible:outline-2 has-focus-visible:outline-brine"
          >
            <input
              type="radio"
              name="camera"
              value={id}
              checked={id === model}
              onChange={() => onPick(id)}
              className="sr-only"
            />
            <SmallPlate model={id} className="h-20 w-full" />
            <span className="font-semibold">{name}</span>
          </label>
        ))}
      </div>
    </fieldset>
  )
}
