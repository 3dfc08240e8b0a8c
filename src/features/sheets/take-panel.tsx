'use client'

import { Check } from '@/ui/check'
import { Button } from '@/ui/button'
import type { TakenLine } from '@/core/sheets/edit/take'
import { useTake, type Taking } from './use-take'

/** A workbook or a CSV that came back: what it would change, line by line, all of it or some. */
export function TakePanel() {
  const taking = useTake()
  const { lines, isBusy, refusal, notes } = taking
  return (
    <section aria-label="Take back a workbook" className="min-w-0 self-start border bg-sheet p-3">
      <h2 className="font-head text-lead font-semibold">Take back a workbook</h2>
      <p className="text-small text-silt">
        A workbook or CSV of this plan that somebody changed: each line is held against the plan as it stands.
      </p>
      <label className="mt-2 block">
        <span className="sr-only">Workbook or CSV</span>
        <input
          type="file"
          accept=".xlsx,.csv"
          disabled={isBusy}
          onChange={(event) => {
            const [file] = event.target.files ?? []
            if (file) void taking.read(file)
            event.target.value = ''
          }}
          className="max-w-full text-small file:mr-2 file:min-h-9 file:rounded-md file:border file:bg-crust file:px-2"
        />
      </label>
      {isBusy && (
        <p role="status" className="mt-2 text-silt">
          Being read … <Button onClick={taking.stop}>Stop</Button>
        </p>
      )}
      {refusal !== null && (
        <p role="alert" className="mt-2 text-rust">
          {refusal}
        </p>
      )}
      {notes.map((note) => (
        <p key={note} className="mt-1 text-small text-lichen">
          {note}
        </p>
      ))}
      {lines && <Lines taking={taking} lines={lines} />}
    </section>
  )
}

const fateWords: Readonly<Record<TakenLine['fate'], string>> = {
  taken: 'changed',
  conflict: 'changed here meanwhile',
  refused: 'refused',
  unknown: 'not known',
  unchanged: 'as it was',
}

function Lines({ taking, lines }: { taking: Taking; lines: readonly TakenLine[] }) {
  const told = lines.filter(({ fate }) => fate !== 'unchanged')
  const same = lines.length - told.length
  const { chosen } = taking
  return (
    <div className="mt-3 border-t pt-2">
      <p className="text-small text-silt">
        {same} {same === 1 ? 'line is' : 'lines are'} as they were.
        {told.length === 0 && ' Nothing is changed.'}
      </p>
      <ul aria-label="Changed lines" className="mt-1 grid gap-2">
        {told.map((line) => (
          <li key={line.at} className="border-b pb-1.5 leading-snug">
            {line.fate === 'taken' || line.fate === 'conflict' ? (
              <Check checked={chosen.has(line.at)} onChange={() => taking.toggle(line.at)}>
                <LineWords line={line} />
              </Check>
            ) : (
              <LineWords line={line} />
            )}
          </li>
        ))}
      </ul>
      {told.length > 0 && (
        <div className="mt-3 flex flex-wrap gap-2">
          <Button main disabled={chosen.size === 0} onClick={taking.take}>
            Take {chosen.size} {chosen.size === 1 ? 'change' : 'changes'}
          </Button>
          <Button onClick={taking.close}>Close</Button>
        </div>
      )}
    </div>
  )
}

function LineWords({ line: { fate, what, from, to, because, at } }: { line: TakenLine }) {
  const tone = fate === 'refused' ? 'text-rust' : fate === 'taken' ? 'text-samphire' : 'text-lichen'
  return (
    <span>
      <b className={`font-semibold ${tone}`}>{fateWords[fate]}</b> {what}:{' '}
      <span className="font-mono">{from === '' ? '–' : from}</span> →{' '}
      <span className="font-mono">{to === '' ? 'as delivered' : to}</span>
      <span className="block text-small text-silt">{because === '' ? at : `${because} ${at}`}</span>
    </span>
  )
}
