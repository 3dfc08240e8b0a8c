'use client'

import { Check, TriangleAlert, Undo2 } from 'lucide-react'
import { memo, useDeferredValue, useId, useState } from 'react'
import type { Choice, Curve, Input } from '@/core/numbers/form'
import { quantities, readAmount, showSpan } from '@/core/numbers/quantities'
import type { Said } from '@/core/numbers/given'
import type { Answer } from '@/core/numbers/reckon'
import { useDesk } from '@/features/desk'
import { later } from '@/ui/later'
import { Select } from '@/ui/select'
import { TextLink } from '@/ui/text-link'
import { SheetFrame } from './sheet-frame'
import type { Numbers } from './use-numbers'

const NumberChart = later(() => import('./number-chart').then((one) => one.NumberChart))

/** A figure in hand: what it asks for, what it comes to, and how. */
export function NumberSheet({ numbers }: { numbers: Numbers }) {
  const { form, answer, refusals } = numbers
  const { planId } = useDesk().start
  // The amounts first: the curve is drawn a moment later, over what is typed meanwhile.
  const curve = useDeferredValue(answer?.curve ?? null)
  const loose = refusals.filter(({ where }) => where === undefined || !(where in form.inputs))
  return (
    <SheetFrame name={form.name} asks={form.asks}>
      <div className="mt-3 grid gap-x-8 gap-y-4 md:grid-cols-2">
        <div>
          <Inputs numbers={numbers} />
        </div>
        <div aria-live="polite">
          {loose.map(({ message }) => (
            <p key={message} role="alert" className="mb-2 text-rust">
              {message}
            </p>
          ))}
          {answer && <Results answer={answer} />}
          <LastCurve key={form.id} curve={curve} />
        </div>
      </div>
      {form.procedure !== null && (
        <p className="mt-3">
          <TextLink href={`/plans/${planId}/prove#${form.procedure}`}>
            Do it on the camera, act by act
          </TextLink>
        </p>
      )}
      <How answer={answer} formula={form.formula} source={form.source} limits={form.limits} />
    </SheetFrame>
  )
}

/** The curve; while an amount is being typed, or cannot be, the last there was, faded: a digit does not set it up anew. */
function LastCurve({ curve }: { curve: Curve | null }) {
  const [last, setLast] = useState(curve)
  if (curve !== null && curve !== last) setLast(curve)
  const shown = curve ?? last
  if (!shown) return null
  return (
    <div className={curve ? '' : 'opacity-40'}>
      <NumberChart curve={shown} />
      {!curve && <p className="text-small">As it was before what is typed now.</p>}
    </div>
  )
}

function Inputs({ numbers: { form, typed, given, type, refusals } }: { numbers: Numbers }) {
  return (
    <div className="grid gap-2.5">
      {Object.entries(form.choices).map(([id, choice]) => (
        <ChoiceRow
          key={`${form.id} ${id}`}
          choice={choice}
          typed={typed[id]}
          given={given[id]}
          onType={(text) => type(id, text)}
        />
      ))}
      {Object.entries(form.inputs).map(([id, input]) => (
        <InputRow
          key={`${form.id} ${id}`}
          id={id}
          input={input}
          typed={typed[id]}
          given={given[id]}
          wrong={refusals.find(({ where }) => where === id)?.message ?? null}
          type={type}
        />
      ))}
    </div>
  )
}

/** An amount to be typed: what is known or usual stands in it until then, with who says so. */
const InputRow = memo(function InputRow({
  id: name,
  input,
  typed,
  given,
  wrong,
  type,
}: {
  id: string
  input: Input
  typed: string | undefined
  given: Said | undefined
  wrong: string | null
  type: Numbers['type']
}) {
  const id = useId()
  const onType = (text: string | null) => type(name, text)
  const usual = given?.typed ?? input.usual?.[0]
  const from = given?.from ?? input.usual?.[1]
  const isOwn = typed !== undefined
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_11rem] items-start gap-x-3 max-sm:grid-cols-[minmax(0,1fr)_9rem]">
      <label htmlFor={id} className="pt-1.5 leading-tight">
        {input.name}
        <span className="block text-small text-silt">
          {isOwn ? null : (from ?? input.none ?? 'not known yet')}
        </span>
      </label>
      <span className="grid gap-0.5">
        <input
          id={id}
          value={typed ?? shown(input, usual)}
          placeholder={`such as ${quantities[input.quantity].example}`}
          aria-invalid={wrong !== null}
          autoComplete="off"
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) =>
            onType(event.target.value === '' && usual === undefined ? null : event.target.value)
          }
          onKeyDown={(event) => {
            if (event.key === 'Escape') onType(null)
          }}
          className={`min-h-9 w-full min-w-0 rounded-md border bg-crust px-2 font-mono tabular-nums placeholder:text-silt aria-invalid:border-rust pointer-coarse:min-h-11 ${isOwn ? 'border-brine' : ''}`}
        />
        {isOwn && usual !== undefined && (
          <Back words={shown(input, usual)} from={from ?? ''} onBack={() => onType(null)} />
        )}
      </span>
      {wrong !== null && (
        <p role="alert" className="col-span-2 text-small text-rust">
          {wrong}
        </p>
      )}
    </div>
  )
})

function ChoiceRow({
  choice,
  typed,
  given,
  onType,
}: {
  choice: Choice
  typed: string | undefined
  given: Said | undefined
  onType: (text: string | null) => void
}) {
  const first = Object.keys(choice.of)[0] ?? ''
  const usual = given?.typed ?? first
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_11rem] items-start gap-x-3 max-sm:grid-cols-[minmax(0,1fr)_9rem]">
      <span className="pt-1.5 leading-tight">
        {choice.name}
        <span className="block text-small text-silt">{typed === undefined && given ? given.from : null}</span>
      </span>
      <span className="grid gap-0.5">
        <Select
          label={choice.name}
          value={typed ?? usual}
          options={Object.entries(choice.of)}
          onPick={onType}
          className="min-h-9 w-full min-w-0 rounded-md border bg-crust px-2 pointer-coarse:min-h-11"
        />
        {typed !== undefined && given && typed !== usual && (
          <Back words={choice.of[usual] ?? ''} from={given.from} onBack={() => onType(null)} />
        )}
      </span>
    </div>
  )
}

/** Takes back what was typed: what is known holds again. */
function Back({ words, from, onBack }: { words: string; from: string; onBack: () => void }) {
  return (
    <button
      type="button"
      onClick={onBack}
      title={from}
      className="flex min-h-6 items-center gap-1 text-left text-small text-brine hover:underline pointer-coarse:min-h-11"
    >
      <Undo2 size={13} aria-hidden="true" className="shrink-0" />
      <span>back to {words}</span>
    </button>
  )
}

/** An amount as it is shown elsewhere; as it was typed where it cannot be read. */
function shown({ quantity }: Input, typed: string | undefined): string {
  if (typed === undefined) return ''
  const read = readAmount(quantity, typed)
  return read.ok ? showSpan(quantity, read.value) : typed
}

function Results({ answer: { results, words, fits } }: { answer: Answer }) {
  const [first, ...others] = results
  return (
    <>
      {first && (
        <p className="border-b pb-2">
          <span className="text-small text-silt">{first.name}</span>
          <span className="block font-mono text-large leading-tight font-semibold tabular-nums">
            {first.words}
          </span>
          {first.step && first.step.words !== first.words && (
            <span className="text-small text-silt">On the camera: {first.step.words}</span>
          )}
        </p>
      )}
      <dl className="grid">
        {others.map(({ id, name, words: amount, step }) => (
          <div key={id} className="flex flex-wrap items-baseline gap-x-3 border-b py-1">
            <dt className="min-w-0 flex-1 text-silt">{name}</dt>
            <dd className="text-right font-mono tabular-nums">
              {amount}
              {step && step.words !== amount && (
                <span className="block text-small text-silt">{step.words}</span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {words.map((one, i) => (
        <p key={one} className={`mt-2 flex gap-2 ${fits === false ? 'text-lichen' : ''}`}>
          {i === 0 && fits === false && (
            <TriangleAlert size={17} role="img" aria-label="problem" className="mt-0.5 shrink-0" />
          )}
          {i === 0 && fits === true && (
            <Check size={17} role="img" aria-label="fits" className="mt-0.5 shrink-0 text-samphire" />
          )}
          <span className={i > 0 && fits !== null ? 'pl-[25px]' : ''}>{one}</span>
        </p>
      ))}
    </>
  )
}

/** Formula, with the amounts in it; where it comes from, and what it leaves out. */
function How({
  answer,
  formula,
  source,
  limits,
}: {
  answer: Answer | null
  formula: string
  source: string
  limits: string
}) {
  return (
    <div className="mt-4 grid gap-x-8 gap-y-2 border-t pt-3 md:grid-cols-2">
      <div>
        <h3 className="text-small font-semibold text-silt">How it is worked out</h3>
        <p className="font-mono text-small break-words">{formula}</p>
        {answer?.filled.map((line) => (
          <p key={line} className="font-mono text-small break-words text-silt">
            {line}
          </p>
        ))}
      </div>
      <div className="text-small">
        <h3 className="font-semibold text-silt">Where it comes from</h3>
        <p>{source}</p>
        <h3 className="mt-1.5 font-semibold text-silt">What it leaves out</h3>
        <p>{limits}</p>
      </div>
    </div>
  )
}
