'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { cardConditions, cardWords } from '@/core/camera/card-condition'
import { carryStages, stageNames, type CarryStage } from '@/core/camera/stages'
import { isMishap, mishaps } from '@/core/camera/mishaps'
import type { Refusal } from '@/core/result'
import { BeginWalk } from '@/features/walk'
import { Button } from '@/ui/button'
import { Fold } from '@/ui/fold'
import { NumberField } from '@/ui/number-field'
import { ask } from '@/ui/ask'
import { RefusalNote } from '@/ui/refusal-note'
import { NamedSelect } from '@/ui/select'
import { TextLink } from '@/ui/text-link'
import type { BenchBody } from './bench-body'
import { FirmwareDayPanel } from './firmware-day-panel'

const cards = cardConditions.map((condition) => [condition, cardWords[condition]] as const)

/** The bench of a simulated body: battery, card, firmware, memory, and what is to go wrong at the next transfer. */
export function Bench({ body }: { body: BenchBody }) {
  const router = useRouter()
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [isBusy, setBusy] = useState(false)
  const act = async (order: object) => {
    setBusy(true)
    const done = await ask(`/api/bodies/${body.id}/bench`, order)
    setRefusal(done.ok ? null : done.refusal)
    setBusy(false)
    router.refresh()
  }
  return (
    <section aria-labelledby="bench" className="grid content-start gap-3 border bg-sheet p-4">
      <h2 id="bench" className="font-head text-lead font-semibold">
        Bench
      </h2>
      <p className="text-small text-silt">
        {body.name} is simulated: what is done here happens to it at once, and stands in its history.
      </p>
      <p className="flex items-center gap-2">
        <span className="text-small text-silt">Battery, percent</span>
        <NumberField
          key={body.battery}
          label="Battery, percent"
          value={body.battery}
          from={0}
          to={100}
          onKeep={(percent) => void act({ act: 'battery', percent: percent ?? 0 })}
        />
      </p>
      <NamedSelect
        label="Card"
        value={body.card}
        options={cards}
        onPick={(condition) => void act({ act: 'card', condition })}
      />
      <OnIt body={body} act={act} />
      {body.cardFiles.length > 0 && (
        <Fold
          title={`On its card: ${body.cardFiles.length === 1 ? '1 file' : `${body.cardFiles.length} files`}`}
        >
          <ul className="font-mono text-small">
            {body.cardFiles.map((file) => (
              <li key={file.name}>
                {file.name} <span className="text-silt">{file.bytes} bytes</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <FirmwareDayPanel body={body} act={act} />
      <div className="flex flex-wrap gap-2">
        <Button disabled={isBusy} onClick={() => void act({ act: 'save' })}>
          Save to card and shelf
        </Button>
        <Button disabled={isBusy} onClick={() => void act({ act: 'restart' })}>
          Restart
        </Button>
        <Button disabled={isBusy} onClick={() => void act({ act: 'reset' })}>
          Reset
        </Button>
      </div>
      {body.planId !== null && (
        <BeginWalk asked={{ planId: body.planId, procedure: 'reset-restore', body: body.tag }}>
          Reset and restore, act by act
        </BeginWalk>
      )}
      {body.isPending && (
        <p className="border-l-3 border-lichen px-3">
          Something was loaded and is not yet in force: it is, after a restart.
        </p>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
      <Mishaps body={body} act={act} />
      <MemoryList memory={body.memory} />
    </section>
  )
}

/** The lens that is on it: what the body knows of it, and the way to press its keys with it. */
function OnIt({ body, act }: { body: BenchBody; act: (order: object) => Promise<void> }) {
  const on = body.lenses.find(({ id }) => id === body.lens)
  return (
    <div className="grid gap-1">
      <NamedSelect
        label="Lens"
        value={on?.id ?? ''}
        options={[['', 'none on it'], ...body.lenses.map(({ id, name }) => [id, name] as const)]}
        onPick={(id) => void act({ act: 'lens', lens: id === '' ? null : id })}
      />
      {on && <p className="text-small text-silt">{on.words}</p>}
      {on?.place != null && body.planId !== null && (
        <TextLink href={`/plans/${body.planId}/try#${encodeURIComponent(on.place)}`}>
          Press its keys with this lens
        </TextLink>
      )}
    </div>
  )
}

function Mishaps({ body, act }: { body: BenchBody; act: (order: object) => Promise<void> }) {
  const [stage, setStage] = useState<CarryStage>('load')
  return (
    <div className="grid gap-2 border-t pt-3">
      <h3 className="font-semibold">To go wrong at the next transfer</h3>
      {body.mishaps.map((one) => (
        <p key={one.stage}>
          Before “{stageNames[one.stage]}”: {mishaps[one.what].words.toLowerCase()}.
        </p>
      ))}
      <NamedSelect
        label="Before"
        value={stage}
        options={carryStages.map((one) => [one, stageNames[one]] as const)}
        onPick={setStage}
      />
      <NamedSelect
        label="Happens"
        value=""
        options={[['', 'nothing'], ...Object.entries(mishaps).map(([id, { words }]) => [id, words] as const)]}
        onPick={(what) => void act({ act: 'mishap', stage, what: isMishap(what) ? what : null })}
      />
    </div>
  )
}

function MemoryList({ memory }: { memory: BenchBody['memory'] }) {
  const [find, setFind] = useState('')
  const words = find.toLowerCase().split(/\s+/)
  const shown = memory.filter(({ place, value }) => {
    const text = `${place} ${value}`.toLowerCase()
    return words.every((word) => text.includes(word))
  })
  return (
    <div className="border-t pt-2">
      <Fold title={`Its memory: ${memory.length} rows`}>
        <label className="block text-small text-silt">
          Find a row
          <input
            value={find}
            onChange={(event) => setFind(event.target.value)}
            className="mt-0.5 block min-h-9 w-full rounded-md border bg-sheet px-2 text-body text-ink"
          />
        </label>
        <ul className="mt-2 max-h-80 overflow-auto">
          {shown.slice(0, 300).map((one) => (
            <li key={one.row} className="flex justify-between gap-3 border-b py-0.5 last:border-0">
              <span>{one.place}</span> <span className="text-right font-mono">{one.value}</span>
            </li>
          ))}
        </ul>
        {shown.length > 300 && <p className="text-silt">And {shown.length - 300} more: type a word.</p>}
        {shown.length === 0 && <p className="text-silt">No row has these words.</p>}
      </Fold>
    </div>
  )
}
