import { ok, type Refusal, type Result } from '../result'
import { ladders, nearestStep } from '../vocabulary/ladders'
import type { BodySteps, Curve, Input, NumberForm, ResultForm, StepName } from './form'
import type { Said } from './given'
import { quantities, readAmount, showAmount, showSpan } from './quantities'
import { around, corners, exactly, isRange, type Span } from './span'

/** An input of an answer. */
export interface Given {
  readonly id: string
  readonly name: string
  /** As it was taken; null where nobody says. */
  readonly words: string | null
  readonly from: string
}

/** A result of an answer: from least to most; null for an end that is not there. */
export interface Answered {
  readonly id: string
  readonly name: string
  readonly least: number | null
  readonly most: number | null
  readonly unit: string
  readonly words: string
  /** The nearest the body can be set to, and how far that is off; null where nothing is set. */
  readonly step: { readonly mark: string; readonly words: string } | null
}

/** A figure, reckoned. Without results where something it needs is not known: that is named. */
export interface Answer {
  readonly id: string
  readonly name: string
  readonly results: readonly Answered[]
  readonly words: readonly string[]
  readonly fits: boolean | null
  readonly inputs: readonly Given[]
  /** Names of what nobody says. */
  readonly unknown: readonly string[]
  readonly formula: string
  readonly filled: readonly string[]
  readonly source: string
  readonly limits: string
  readonly curve: Curve | null
}

/** The usual steps of a third of a stop, where no body is known. */
export const usualSteps: BodySteps = {
  shutter: ladders.shutter,
  aperture: ladders.aperture,
  iso: ladders.iso,
}

/**
 * Reckons a figure from what is said. Ranges come through: each result goes from the least to the most it can be. What
 * nobody says stays unknown, and is named; what is usual is taken only where the figure says so, and told.
 * Refuses amounts that cannot be read, names that are not asked for, and what is impossible together, all at once.
 */
export function reckon(
  form: NumberForm,
  said: Readonly<Record<string, Said>>,
  steps: BodySteps = usualSteps,
): Result<Answer> {
  const faults: Refusal[] = Object.keys(said)
    .filter((id) => !Object.hasOwn(form.inputs, id) && !Object.hasOwn(form.choices, id))
    .map((id) => ({
      code: 'unknown-input',
      message: `${form.name} does not ask for ${id}; it asks for ${[...Object.keys(form.choices), ...Object.keys(form.inputs)].join(', ')}.`,
      where: id,
    }))
  const chosen = choicesOf(form, said, faults)
  const given: Record<string, Span> = {}
  const inputs: Given[] = []
  for (const [id, { name, of }] of Object.entries(form.choices)) {
    const from = said[id]?.from ?? 'as usual'
    inputs.push({ id, name, words: of[chosen[id] ?? ''] ?? null, from })
  }
  for (const [id, input] of Object.entries(form.inputs)) {
    const [typed, from] = said[id]
      ? [said[id].typed, said[id].from]
      : [input.usual?.[0], input.usual?.[1] ?? '']
    const read = typed === undefined ? null : readInput(id, input, typed)
    if (read?.ok) given[id] = read.value
    else if (read) faults.push(read.refusal)
    else if (input.none !== undefined) given[id] = exactly(0)
    inputs.push({ id, name: input.name, words: given[id] ? shownInput(input, given[id]) : null, from })
  }
  const [first, ...also] = faults
  if (first) return { ok: false, refusal: also.length > 0 ? { ...first, also } : first }
  const unknown = inputs.filter(({ words }) => words === null).map(({ name }) => name)
  const rest = { id: form.id, name: form.name, inputs, unknown }
  const about = { formula: form.formula, source: form.source, limits: form.limits }
  if (unknown.length > 0) {
    const words = [`Not known: ${unknown.map((one) => one.toLowerCase()).join(', ')}.`]
    return ok({ ...rest, ...about, results: [], words, fits: null, filled: [], curve: null })
  }
  const cases = corners(given)
  for (const one of cases) {
    const why = form.impossible(one, chosen)
    if (why !== null) return { ok: false, refusal: { code: 'impossible', message: why } }
  }
  const worked = cases.map((one) => form.work(one, chosen, steps))
  const spans = Object.fromEntries(
    Object.keys(form.results).map((id) => [id, around(worked.map((one) => spanOf(form, id, one[id])))]),
  )
  const { words, fits } = form.verdict(spans, given, chosen, steps)
  return ok({
    ...rest,
    ...about,
    results: Object.entries(form.results).map(([id, result]) =>
      answered(id, result, spans[id] ?? exactly(0), steps),
    ),
    words,
    fits,
    filled: form.filled.map((line) => filledIn(form, line, given, spans)),
    curve: form.curve?.(given, chosen) ?? null,
  })
}

function choicesOf(
  form: NumberForm,
  said: Readonly<Record<string, Said>>,
  faults: Refusal[],
): Record<string, string> {
  return Object.fromEntries(
    Object.entries(form.choices).map(([id, { name, of }]) => {
      const typed = said[id]?.typed.trim()
      const found = Object.keys(of).find(
        (one) => one === typed || of[one]?.toLowerCase() === typed?.toLowerCase(),
      )
      if (typed !== undefined && found === undefined)
        faults.push({
          code: 'unknown-choice',
          message: `${name} is one of ${Object.keys(of).join(', ')}.`,
          where: id,
        })
      return [id, found ?? Object.keys(of)[0] ?? '']
    }),
  )
}

function readInput(id: string, { name, quantity, single, aboveZero }: Input, typed: string): Result<Span> {
  const read = readAmount(quantity, typed)
  const fault = (code: string, message: string): Result<Span> => ({
    ok: false,
    refusal: { code, message: `${name}: ${message}`, where: id },
  })
  if (!read.ok) return fault(read.refusal.code, read.refusal.message)
  if (single && isRange(read.value))
    return fault('no-range', `“${typed}” is a range; one amount is needed here.`)
  if (aboveZero && read.value[0] <= 0) return fault('beyond', `“${typed}” must be above zero.`)
  return read
}

function spanOf(form: NumberForm, id: string, result: number | Span | undefined): Span {
  const span = typeof result === 'number' ? exactly(result) : result
  const bad = span === undefined || span.some((end) => Number.isNaN(end) || end === -Infinity)
  if (bad || (span.includes(Infinity) && form.results[id]?.endless === undefined))
    throw new Error(`${form.id} has no ${id} for what it was given`)
  return span
}

function answered(id: string, form: ResultForm, span: Span, steps: BodySteps): Answered {
  const [least, most] = span.map((end) => (Number.isFinite(end) ? end : null))
  return {
    id,
    name: form.name,
    least: least ?? null,
    most: most ?? null,
    unit: quantities[form.quantity].unit,
    words: showSpan(form.quantity, span, form.endless),
    step: form.step && Number.isFinite(span[1]) ? stepWords(form, form.step, span, steps) : null,
  }
}

/** The nearest step of a body to an amount, and how many stops it is off; "ISO 2500", "1/125, 0.04 stops shorter". */
function stepWords(
  { atMost }: ResultForm,
  name: StepName,
  span: Span,
  all: BodySteps,
): { mark: string; words: string } | null {
  const steps = all[name]
  if (steps.length === 0) return null
  const [first, last] = span.map((amount) => {
    const below = atMost ? steps.filter((one) => one.amount <= amount * 1.001) : []
    const step = nearestStep(name, amount, below.length > 0 ? below : steps)
    const stops = Math.log2(step.amount / amount) * (name === 'aperture' ? 2 : 1)
    return { step, stops }
  })
  if (!first || !last) return null
  const apart = first.step.mark !== last.step.mark
  const mark = apart ? `${first.step.mark} to ${last.step.mark}` : first.step.mark
  if (apart || isRange(span)) return { mark, words: mark }
  const off = Math.abs(first.stops)
  if (off < 0.01) return { mark, words: mark }
  const [more, less] = {
    shutter: ['longer', 'shorter'],
    aperture: ['narrower', 'wider'],
    iso: ['higher', 'lower'],
  }[name]
  const stops = showAmount('stops', off)
  const amounts = steps.map((one) => one.amount)
  const isBeyond = span[0] < Math.min(...amounts) || span[0] > Math.max(...amounts)
  // Beyond the first or the last step there is none to be had; between two it is only a matter of rounding.
  const words =
    isBeyond && off > 0.17
      ? `no nearer than ${mark}: ${stops} off`
      : `${mark}, ${stops} ${first.stops > 0 ? more : less}`
  return { mark, words }
}

function shownInput({ none, quantity }: Input, span: Span): string {
  return none !== undefined && span[1] === 0 ? none : showSpan(quantity, span)
}

function filledIn(
  form: NumberForm,
  line: string,
  given: Readonly<Record<string, Span>>,
  results: Readonly<Record<string, Span>>,
): string {
  return line.replaceAll(/(\^?)\{(\w+)\}(²?)/g, (whole, up: string, id: string, square: string) => {
    const [input, result] = [form.inputs[id], form.results[id]]
    const span = input ? given[id] : results[id]
    if (!span || (!input && !result)) return whole
    const words = input
      ? shownInput(input, span)
      : result
        ? showSpan(result.quantity, span, result.endless)
        : ''
    // In a formula an f-number and a brightness stand bare: 2², 2^5; and so does the ISO that goes in.
    const bare = words.replaceAll(input ? /f\/|EV |ISO /g : /f\/|EV /g, '')
    return isRange(span) && `${up}${square}` !== '' ? `${up}(${bare})${square}` : `${up}${bare}${square}`
  })
}
