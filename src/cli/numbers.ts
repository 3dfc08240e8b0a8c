import { knownAt, placeId, placeNamed, placesOf, type Place } from '@/core/known/known'
import { stepsOf } from '@/core/known/steps'
import { givenFrom, type Known, type Said } from '@/core/numbers/given'
import { numberGroups, type BodySteps, type NumberForm, type NumberGroup } from '@/core/numbers/form'
import { quantities } from '@/core/numbers/quantities'
import { reckon, usualSteps, type Answer } from '@/core/numbers/reckon'
import { numberForm, numberTable } from '@/core/numbers/table'
import type { Plan } from '@/core/plan/plan'
import { resolve } from '@/core/resolve/resolve'
import { ok, refuse, type Result } from '@/core/result'
import { done, refused, type Command, type Options } from './command'
import { planOnDisk, withInventory } from './disk'
import { modelsFolder } from './options'

/** `number [NAME input=value …]`: every figure with what it asks for; or one of them, reckoned. */
export const numbers: Command = {
  name: 'number',
  usage: 'number [NAME [INPUT=VALUE …]] [--plan PLAN] [--at PLACE] [--inventory FILE] [--models FOLDER]',
  summary: 'every figure with its inputs and units; or one of them with formula, steps and result',
  options: { plan: 'one', at: 'one', inventory: 'one', models: 'one' },
  operands: 'any',
  async run([name, ...inputs], options, notes) {
    if (name === undefined) return listed()
    const form = numberForm(name)
    if (!form) {
      const message = `No figure is called ${name}. \`number\` lists them.`
      return refused({ code: 'unknown-number', message, where: name })
    }
    const typed = typedIn(inputs)
    if (!typed.ok) return refused(typed.refusal)
    const here = await known(options, notes)
    if (!here.ok) return refused(here.refusal)
    const answer = reckon(form, { ...givenFrom(form, here.value.known), ...typed.value }, here.value.steps)
    return answer.ok ? done(answerWords(answer.value), answer.value) : refused(answer.refusal)
  },
}

function listed() {
  const groups = Object.keys(numberGroups) as NumberGroup[]
  const words = groups.flatMap((group) => [
    numberGroups[group],
    ...numberTable.filter((one) => one.group === group).flatMap(formWords),
  ])
  const data = numberTable.map(
    ({ id, name, group, asks, formula, source, limits, choices, inputs, results }) => ({
      ...{ id, name, group, asks, formula, source, limits },
      choices: Object.entries(choices).map(([choice, { name: called, of }]) => ({
        id: choice,
        name: called,
        of,
      })),
      inputs: Object.entries(inputs).map(([input, { name: called, quantity, usual, none }]) => ({
        ...{
          id: input,
          name: called,
          unit: quantities[quantity].unit,
          example: quantities[quantity].example,
        },
        ...(usual ? { usual: usual[0] } : {}),
        ...(none === undefined ? {} : { none }),
      })),
      results: Object.entries(results).map(([result, { name: called, quantity }]) => ({
        ...{ id: result, name: called, unit: quantities[quantity].unit },
      })),
    }),
  )
  return done(words.join('\n'), data)
}

function formWords({ id, name, choices, inputs }: NumberForm): string[] {
  const asked = [
    ...Object.entries(choices).map(([choice, { of }]) => `${choice}=${Object.keys(of).join('|')}`),
    ...Object.entries(inputs).map(([input, { quantity, usual, none }]) => {
      const one = `${input}=${quantities[quantity].example.replaceAll(' ', '')}`
      return usual || none !== undefined ? `[${one}]` : one
    }),
  ]
  return [`  ${id}: ${name}`, `    ${asked.join(' ')}`]
}

/** `input=value` operands; refuses what has no equals sign, and what stands twice. */
export function typedIn(operands: readonly string[]): Result<Record<string, Said>> {
  const said: Record<string, Said> = {}
  for (const operand of operands) {
    const at = operand.indexOf('=')
    if (at <= 0) return refuse('input', 'Write what is given as input=value, such as ev=5.', operand)
    const id = operand.slice(0, at)
    if (Object.hasOwn(said, id)) return refuse('input', `${id} is given twice.`, operand)
    said[id] = { typed: operand.slice(at + 1), from: 'typed' }
  }
  return ok(said)
}

/** What a plan says in the place of `--at`; nothing without `--plan`. */
async function known(
  options: Options,
  notes: string[],
): Promise<Result<{ readonly known: Known; readonly steps: BodySteps }>> {
  const path = options.plan?.at(-1)
  if (path === undefined) {
    const lone = ['at', 'inventory'].find((one) => options[one] !== undefined)
    return lone === undefined
      ? ok({ known: {}, steps: usualSteps })
      : refuse('option', `--${lone} is of a plan: name it with --plan.`, `--${lone}`)
  }
  const read = await planOnDisk(path, modelsFolder(options), notes)
  const full = read.ok ? await withInventory(read.value, options) : read
  if (!full.ok) return full
  const { model, plan, definitions } = full.value
  const place = placeIn(options, plan, placesOf(model, plan, definitions.lenses))
  if (!place.ok) return place
  return ok({
    known: knownAt(model, plan, place.value, (context) => resolve(model, plan, context)),
    steps: stepsOf(model),
  })
}

/** The place of `--at`: by the id of a situation, base or a bank, or by name; without it that of which most is said. */
export function placeIn(options: Options, plan: Plan, places: readonly Place[]): Result<Place> {
  const wanted = options.at?.at(-1) ?? null
  const named = places.find(({ name }) => name === wanted)
  const found = named ?? placeNamed(plan, places, wanted)
  if (found && (wanted === null || found === named || placeId(found) === wanted)) return ok(found)
  return refuse('option', `A place is one of ${places.map(placeId).join(', ')}.`, `--at ${wanted ?? ''}`)
}

/** An answer in words: results, what follows, how it came about. */
function answerWords({ name, results, words, inputs, formula, filled, source, limits }: Answer): string {
  const lines = [
    name,
    ...results.map(
      ({ name: result, words: amount, step }) =>
        `  ${result}: ${amount}${step && step.words !== amount ? ` (set ${step.words})` : ''}`,
    ),
    ...words.map((one) => `  ${one}`),
    `  ${formula}`,
    ...filled.map((line) => `    ${line}`),
    ...inputs.map(
      ({ id, name: input, words: amount, from }) =>
        `  ${id}: ${input} ${amount ?? 'not known'}${from === '' || from === 'typed' ? '' : ` (${from})`}`,
    ),
    `  Source: ${source}.`,
    `  ${limits}`,
  ]
  return lines.join('\n')
}
