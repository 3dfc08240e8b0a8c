import { describeStep } from '@/core/plan/rows'
import { randomUUID } from 'node:crypto'
import { writeFile } from 'node:fs/promises'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { readJson } from '@/core/json'
import { readPlanFile, writePlanFile } from '@/core/files/plan-file'
import { followEdition } from '@/core/fit/edition'
import { parseModel } from '@/core/model/parse'
import { emptyPlan, type Plan } from '@/core/plan/plan'
import { stampedBy } from '@/core/plan/stamp'
import { applyStep } from '@/core/plan/step'
import type { Step } from '@/core/sync/step'
import type { BodyModel } from '@/core/model/types'
import { ok, type Result } from '@/core/result'
import { bodyInHand } from '@/core/inventory/hand'
import { readSteps } from '@/core/sync/protocol'
import { planKind } from '@/core/plan/kind'
import { applyAll } from '@/core/sync/kind'
import { resolve } from '@/core/resolve/resolve'
import type { Resolution, ResolvedAddress, ResolvedSetting } from '@/core/resolve/resolved'
import { boundedBytes } from '@/disk/bounded'
import { done, refused, type Command, type Options, type Outcome } from './command'
import { definitionsIn, inventoryOnDisk, planOnDisk, onPlan } from './disk'
import { contextFrom, contextOptions, contextUsage, modelsFolder } from './options'
import { plainSteps } from './steps'

/** `plan new --model ID`: an empty plan file. */
export const newPlan: Command = {
  name: 'plan new',
  usage: 'plan new --model ID [--out FILE] [--models FOLDER]',
  summary: 'write an empty plan for a model',
  options: { model: 'one', out: 'one', models: 'one' },
  operands: 0,
  async run(_operands, options) {
    const wanted = options.model?.at(-1)
    if (wanted === undefined) return { kind: 'usage', problem: 'say which model: --model ID' }
    const found = await definitionsIn(modelsFolder(options))
    if (!found.ok) return refused(found.refusal)
    const model = found.value.models.find((one) => one.id === wanted)
    if (!model)
      return refused({ code: 'unknown-model', message: `There is no model ${wanted}.`, where: '--model' })
    return written(
      writePlanFile({ plan: emptyPlan(model), revision: null }),
      options.out?.at(-1),
      `An empty plan for ${model.maker} ${model.name}`,
    )
  },
}

/** `plan step PLAN STEPS.json`: applies steps, all or none. */
export const stepPlan: Command = {
  name: 'plan step',
  usage: 'plan step PLAN STEPS [--out FILE] [--inventory FILE] [--models FOLDER]',
  summary: 'apply a file of steps to a plan; all of them or none',
  options: { out: 'one', inventory: 'one', models: 'one' },
  operands: 2,
  async run([planPath = '', stepsPath = ''], options, notes) {
    const read = await planOnDisk(planPath, modelsFolder(options), notes)
    if (!read.ok) return refused(read.refusal)
    const bytes = await boundedBytes(stepsPath)
    const json = bytes.ok ? readJson(bytes.value, stepsPath) : bytes
    if (!json.ok) return refused(json.refusal)
    const { model, plan, definitions } = read.value
    const kind = planKind(
      (id, edition) => definitions.models.find((one) => one.id === id && one.version === edition) ?? null,
    )
    const plain = plainSteps(model, plan, json.value, stepsPath, notes)
    if (!plain.ok) return refused(plain.refusal)
    const given = readSteps(kind, plain.value)
    if (!given.ok) return refused({ ...given.refusal, where: `${stepsPath}: ${given.refusal.where ?? ''}` })
    const steps = await stampedSteps(model, plan, given.value, options)
    if (!steps.ok) return refused(steps.refusal)
    const applied = applyAll(kind, plan, steps.value)
    if (!applied.ok)
      return refused({ ...applied.refusal, where: `${stepsPath}: ${applied.refusal.where ?? ''}` })
    const words = steps.value.map((step) => describeStep(model, step)).join('\n')
    return written(writePlanFile({ plan: applied.value, revision: null }), options.out?.at(-1), words)
  },
}

/** The steps with a stamp beside what they set: of the body in the hand of `--inventory`; as they are without one. */
async function stampedSteps(
  model: BodyModel,
  plan: Plan,
  steps: readonly Step[],
  options: Options,
): Promise<Result<readonly Step[]>> {
  const path = options.inventory?.at(-1)
  const inventory = path === undefined ? null : await inventoryOnDisk(path)
  if (inventory === null) return ok(steps)
  if (!inventory.ok) return inventory
  const hand = bodyInHand(inventory.value, model.id)
  let now = plan
  const stamped: Step[] = []
  for (const step of steps) {
    const next = stampedBy(model, now, step, hand)
    const applied = applyStep(model, now, next)
    stamped.push(next)
    // What does not apply is refused where all are applied.
    if (applied.ok) now = applied.value
  }
  return ok(stamped)
}

/** `plan follow PLAN --former DEFINITION`: the plan on the newer edition of its model. */
export const followPlan: Command = {
  name: 'plan follow',
  usage: 'plan follow PLAN --former DEFINITION [--out FILE] [--models FOLDER]',
  summary: 'take a plan from a former edition of its model to the one in the folder',
  options: { former: 'one', out: 'one', models: 'one' },
  operands: 1,
  async run([planPath = ''], options) {
    const formerPath = options.former?.at(-1)
    if (formerPath === undefined)
      return {
        kind: 'usage',
        problem: 'say where the edition is that the plan stands on: --former DEFINITION',
      }
    const [bytes, definition] = [await boundedBytes(planPath), await boundedBytes(formerPath)]
    if (!bytes.ok) return refused(bytes.refusal)
    if (!definition.ok) return refused(definition.refusal)
    const former = parseModel(definition.value, formerPath)
    if (!former.ok) return refused(...former.faults)
    const read = readPlanFile(bytes.value, planPath, [former.value])
    if (!read.ok) return refused(read.refusal)
    const found = await definitionsIn(modelsFolder(options))
    if (!found.ok) return refused(found.refusal)
    const model = found.value.models.find((one) => one.id === former.value.id)
    if (!model)
      return refused({
        code: 'unknown-model',
        message: `There is no model ${former.value.id} in the folder of models.`,
        where: modelsFolder(options),
      })
    const { step, lines } = followEdition(former.value, read.value.plan, model, randomUUID())
    const both = planKind((_id, edition) => (edition === model.version ? model : former.value))
    const applied = both.apply(read.value.plan, step)
    if (!applied.ok) return refused(applied.refusal)
    const words = [
      `Edition ${former.value.version} → ${model.version} of ${model.name}: ${lines.length} of ${Object.keys(read.value.plan.rows).length} rows change`,
      ...lines.map(({ was, becomes, because }) => `${was} → ${becomes ?? 'left out'}\n   ${because}`),
    ].join('\n')
    return written(writePlanFile({ plan: applied.value, revision: null }), options.out?.at(-1), words)
  },
}

/** `plan resolve PLAN`: every value and key in a context, with the reasons. */
export const resolvePlan: Command = {
  name: 'plan resolve',
  usage: `plan resolve PLAN ${contextUsage} [--inventory FILE] [--models FOLDER]`,
  summary: 'what every setting and key amounts to in one context, and why',
  options: { ...contextOptions, inventory: 'one', models: 'one' },
  operands: 1,
  run: onPlan(({ model, plan, definitions }, options) => {
    const context = contextFrom(options, model, definitions.lenses, plan)
    if (!context.ok) return refused(context.refusal)
    const resolution = resolve(model, plan, context.value)
    const settings = [...resolution.settings.values()]
    const keys = [...resolution.addresses.values()]
    const nameOf = (id: string | null) =>
      id === null ? 'nothing' : (lookup(model).functions.get(id)?.name ?? id)
    const words = [
      'Settings',
      ...settings.map(settingLine),
      '',
      'Keys',
      ...keys.map((key) => keyLine(key, nameOf)),
      ...signLines(resolution),
    ]
    return done(words.join('\n'), asData(resolution))
  }),
}

function settingLine(one: ResolvedSetting): string {
  const { domain, label } = one.setting
  const chain = one.chain.map((link) => `${link.layer} ${showValue(domain, link.value)}`).join(' → ')
  const maybe =
    one.possible.length > 1
      ? `; test on body: ${one.possible.map((value) => showValue(domain, value)).join(' or ')}`
      : ''
  const remarks = one.remarks
    .map((remark) => `\n      ${remark.kind} (${remark.truth}): ${remark.because}`)
    .join('')
  return `  ${label}: ${showValue(domain, one.value)}  [${chain}]${maybe}${remarks}`
}

function keyLine(key: ResolvedAddress, nameOf: (id: string | null) => string): string {
  const verdicts = {
    works: 'works',
    inert: 'does nothing',
    dead: 'dead',
    test: 'test on body',
    empty: 'empty',
  }
  const gets = key.effectiveFunctionId === key.functionId ? '' : ` → ${nameOf(key.effectiveFunctionId)}`
  const remarks = key.remarks
    .map((remark) => `\n      ${remark.kind} (${remark.truth}): ${remark.because}`)
    .join('')
  return `  ${key.address.control.name}, ${key.address.name}: ${nameOf(key.functionId)}${gets}, ${verdicts[key.verdict]}${key.active ? '' : ' (not the one that answers now)'}${remarks}`
}

function signLines({ indicators }: Resolution): string[] {
  if (indicators.length === 0) return []
  return [
    '',
    'Signs',
    ...indicators.map((one) => `  ${one.indicator} ${one.says} (${one.truth}): ${one.because}`),
  ]
}

function asData({ settings, addresses, indicators }: Resolution): unknown {
  return {
    settings: Object.fromEntries(
      [...settings].map(([id, { value, possible, chain, remarks }]) => [
        id,
        { value, possible, chain, remarks },
      ]),
    ),
    addresses: Object.fromEntries(
      [...addresses].map(
        ([id, { functionId, effectiveFunctionId: gets, source, active, verdict, remarks }]) => [
          id,
          { function: functionId, gets, source, active, verdict, remarks },
        ],
      ),
    ),
    indicators,
  }
}

/** A plan file to `--out`, or to standard output. */
export async function written(text: string, out: string | undefined, words: string): Promise<Outcome> {
  if (out === undefined) return done(text.trimEnd(), JSON.parse(text))
  await writeFile(out, text)
  return done(`${words}\nWritten to ${out}`, { written: out })
}
