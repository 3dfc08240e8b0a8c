import { ok, refuse, type Result } from '../result'
import { ladderBetween, stepOf, type LadderStep } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import type { Domain, LadderDomain, RecordField } from './types'

/** Every value of a domain in its own order, or null where there are too many to list (numbers, texts, subsets). */
export function valuesOf(domain: Domain): readonly Value[] | null {
  if (domain.kind === 'choice') return domain.values.map((choice) => choice.id)
  if (domain.kind === 'toggle') return [false, true]
  if (domain.kind === 'ladder')
    return [...(domain.also ?? []).map(({ id }) => id), ...ladderSteps(domain).map((step) => step.mark)]
  return null
}

/** The steps of a ladder domain, from its first to its last mark. */
export function ladderSteps(domain: LadderDomain): readonly LadderStep[] {
  const key = `${domain.ladder} ${domain.from} ${domain.to}`
  let steps = sliced.get(key)
  if (steps === undefined) {
    const between = ladderBetween(domain.ladder, domain.from, domain.to)
    steps = between.ok ? between.value : []
    sliced.set(key, steps)
  }
  return steps
}

/** Accepts a value of the domain, or says what would be accepted. */
export function checkValue(domain: Domain, value: unknown, where: string): Result<Value> {
  switch (domain.kind) {
    case 'choice':
      if (domain.values.some((choice) => choice.id === value)) return ok(value as string)
      return refuse(
        'outside',
        `${shown(value)} is not offered; choose ${listed(domain.values.map((c) => c.name))}.`,
        where,
      )
    case 'toggle':
      return typeof value === 'boolean'
        ? ok(value)
        : refuse('outside', `${shown(value)} should be on or off.`, where)
    case 'ladder':
      if (ladderSteps(domain).some((step) => step.mark === value)) return ok(value as string)
      if (domain.also?.some(({ id }) => id === value)) return ok(value as string)
      return refuse(
        'outside',
        `${shown(value)} is not a step between ${domain.from} and ${domain.to}.`,
        where,
      )
    case 'number': {
      const onStep = typeof value === 'number' && isStep(value, domain.from, domain.to, domain.step)
      if (onStep) return ok(value)
      return refuse(
        'outside',
        `${shown(value)} should be ${domain.from} to ${domain.to} in steps of ${domain.step}.`,
        where,
      )
    }
    case 'subset':
      return checkSubset(domain, value, where)
    case 'region':
    case 'point':
      return checkCells(domain, value, where)
    case 'record':
      return checkRecord(domain, value, where)
    case 'text': {
      const fits =
        typeof value === 'string' &&
        value.length <= domain.longest &&
        [...value].every((letter) => domain.alphabet.includes(letter))
      if (fits) return ok(value)
      return refuse(
        'outside',
        `${shown(value)} should have at most ${domain.longest} of these characters: ${domain.alphabet}`,
        where,
      )
    }
  }
}

/** The marked amount of a value where the domain has one: for comparisons in rules. */
export function amountOf(domain: Domain, value: Value): number | undefined {
  if (domain.kind === 'ladder') return stepOf(domain.ladder, value)?.amount
  if (domain.kind === 'number' && typeof value === 'number') return value
  if (domain.kind === 'choice') {
    const index = domain.values.findIndex((choice) => choice.id === value)
    return index < 0 ? undefined : index
  }
  return undefined
}

/** A value as a photographer writes it, using the menu's own words for choices. */
export function showValue(domain: Domain, value: Value | undefined | null): string {
  if (value === undefined || value === null) return 'not set'
  if (domain.kind === 'choice')
    return domain.values.find((choice) => choice.id === value)?.name ?? shown(value)
  if (domain.kind === 'ladder') return domain.also?.find(({ id }) => id === value)?.name ?? String(value)
  if (domain.kind === 'toggle') return value === true ? 'on' : 'off'
  if (domain.kind === 'number') return domain.unit === '' ? String(value) : `${String(value)} ${domain.unit}`
  if (domain.kind === 'subset' && Array.isArray(value)) {
    const names = domain.values.filter((choice) => value.includes(choice.id)).map((choice) => choice.name)
    return names.length === 0 ? 'none' : names.join(', ')
  }
  if (domain.kind === 'record' && Array.isArray(value)) {
    const fields = domain.fields.map(
      (field, i) => `${field.name} ${showValue(field.domain, fieldValue(field.domain, String(value[i])))}`,
    )
    return fields.join(', ')
  }
  return value === '' ? 'empty' : String(value)
}

const sliced = new Map<string, readonly LadderStep[]>()

function checkSubset(
  domain: Extract<Domain, { kind: 'subset' }>,
  value: unknown,
  where: string,
): Result<Value> {
  const order = domain.values.map((choice) => choice.id)
  const members = Array.isArray(value) ? value.map((member) => order.indexOf(member as string)) : null
  const rising = members?.every((index, i) => index >= 0 && (i === 0 || index > (members[i - 1] ?? -1)))
  if (members && rising && members.length >= domain.atLeast) return ok(value as readonly string[])
  return refuse(
    'outside',
    `${shown(value)} should list at least ${domain.atLeast} of ${listed(order)}, in that order.`,
    where,
  )
}

/** `column,row` for a point; `left,top,right,bottom` for a region, left and top not past right and bottom. */
function checkCells(
  domain: Extract<Domain, { kind: 'region' | 'point' }>,
  value: unknown,
  where: string,
): Result<Value> {
  const cells =
    typeof value === 'string' && /^\d{1,3}(,\d{1,3})+$/.test(value) ? value.split(',').map(Number) : []
  const inside = cells.every((cell, i) => cell >= 1 && cell <= (i % 2 === 0 ? domain.columns : domain.rows))
  const [left = 1, top = 1, right = left, bottom = top] = cells
  const whole = cells.length === (domain.kind === 'point' ? 2 : 4)
  if (whole && inside && left <= right && top <= bottom) return ok(value as string)
  const form = domain.kind === 'point' ? 'column,row' : 'left,top,right,bottom'
  return refuse(
    'outside',
    `${shown(value)} should be ${form} on a grid of ${domain.columns} by ${domain.rows}, counted from 1.`,
    where,
  )
}

function checkRecord(
  domain: Extract<Domain, { kind: 'record' }>,
  value: unknown,
  where: string,
): Result<Value> {
  if (!Array.isArray(value) || value.length !== domain.fields.length) {
    const names = listed(domain.fields.map((field) => field.name))
    return refuse('outside', `${shown(value)} should list a text for each of ${names}.`, where)
  }
  for (const [i, field] of domain.fields.entries()) {
    const text: unknown = value[i]
    const checked = checkValue(
      field.domain,
      typeof text === 'string' ? fieldValue(field.domain, text) : text,
      `${where}, ${field.name}`,
    )
    if (!checked.ok) return checked
    if (String(checked.value) !== text)
      return refuse('outside', `${shown(text)} should be written ${String(checked.value)}.`, where)
  }
  return ok(value as readonly string[])
}

/** A record's fields are kept as texts; this is the value such a text stands for. */
export function fieldValue(domain: RecordField['domain'], text: string): Value {
  if (domain.kind === 'number') return text.trim() === '' ? NaN : Number(text)
  if (domain.kind === 'toggle') return text === 'true' ? true : text === 'false' ? false : text
  return text
}

function isStep(value: number, from: number, to: number, step: number): boolean {
  const steps = (value - from) / step
  return value >= from && value <= to && Math.abs(steps - Math.round(steps)) < 1e-9
}

function shown(value: unknown): string {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing')
  return `“${text.length > 60 ? `${text.slice(0, 60)}…` : text}”`
}

function listed(names: readonly string[]): string {
  return names.length > 8 ? `${names.slice(0, 8).join(', ')} …` : names.join(', ')
}
