import { fit } from '@/core/fit/fit'
import { writePlanFile } from '@/core/files/plan-file'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { runStates, type RunState } from '@/core/model/types'
import { route } from '@/core/route/route'
import { done, refused, type Command } from './command'
import { planOnDisk, onPlan } from './disk'
import { contextFrom, contextOptions, contextUsage, modelsFolder, valuesFrom } from './options'
import { written } from './plans'

/** `plan route PLAN`: the shortest legal way through the camera's menu from one state to another. */
export const routePlan: Command = {
  name: 'plan route',
  usage: `plan route PLAN [--want SETTING=VALUE] [--act ID] [--turn POSITION] [--end STATE] ${contextUsage} [--inventory FILE] [--models FOLDER]`,
  summary: 'the shortest legal way through the menu to what is wanted, from a context',
  options: {
    ...contextOptions,
    want: 'many',
    act: 'many',
    turn: 'one',
    end: 'one',
    inventory: 'one',
    models: 'one',
  },
  operands: 1,
  run: onPlan(({ model, plan, definitions }, options) => {
    const context = contextFrom(options, model, definitions.lenses, plan)
    if (!context.ok) return refused(context.refusal)
    const values = valuesFrom(options, 'want', model)
    if (!values.ok) return refused(values.refusal)
    const [end, position] = [options.end?.at(-1), options.turn?.at(-1)]
    if (end !== undefined && !runStates.some((state) => state === end))
      return refused({
        code: 'option',
        message: `“${end}” is none of ${runStates.join(', ')}.`,
        where: '--end',
      })
    const found = route(model, plan, context.value, {
      values: values.value,
      acts: options.act ?? [],
      ...(position === undefined ? {} : { position }),
      ...(end === undefined ? {} : { run: end as RunState }),
    })
    if (!found.ok) return refused(found.refusal)
    const { steps, presses, left } = found.value
    const lines = steps.map(
      (step, i) =>
        `${i + 1}. ${step.where}: ${step.words}${step.warning === null ? '' : `\n   beware: ${step.warning}`}${step.doubts.map((doubt) => `\n   test on body: ${doubt}`).join('')}`,
    )
    const stays = left.map(({ setting, from, to }) => {
      const found = lookup(model).settings.get(setting)
      return found
        ? `${found.label} stays at ${showValue(found.domain, to)}; it was ${showValue(found.domain, from)}.`
        : setting
    })
    const total =
      steps.length === 0 ? ['Everything stands as wanted already.'] : [`${presses} presses in all.`]
    return done([...lines, ...total, ...stays].join('\n'), found.value)
  }),
}

/** `plan fit PLAN --to MODEL`: the plan on another model, and what is lost. */
export const fitPlan: Command = {
  name: 'plan fit',
  usage: 'plan fit PLAN --to MODEL [--out FILE] [--models FOLDER]',
  summary: 'map a plan to another model: what is carried, what is near, what is lost',
  options: { to: 'one', out: 'one', models: 'one' },
  operands: 1,
  async run([planPath = ''], options, notes) {
    const wanted = options.to?.at(-1)
    if (wanted === undefined) return { kind: 'usage', problem: 'say to which model: --to ID' }
    const read = await planOnDisk(planPath, modelsFolder(options), notes)
    if (!read.ok) return refused(read.refusal)
    const { model, plan, definitions } = read.value
    const other = definitions.models.find((one) => one.id === wanted)
    if (!other)
      return refused({ code: 'unknown-model', message: `There is no model ${wanted}.`, where: '--to' })
    const fitted = fit(model, plan, other)
    const lines = fitted.lines.map(
      (line) =>
        `${line.how}: ${line.was}${line.becomes === null ? '' : ` → ${line.becomes}`}\n   ${line.because}`,
    )
    const free = `Free there: slots ${fitted.free.slots.join(', ') || 'none'}; hold sets ${fitted.free.holdSets.join(', ') || 'none'}; ${fitted.free.keys} keys.`
    const words = [...lines, free].join('\n')
    const out = options.out?.at(-1)
    if (out === undefined)
      return done(words, { lines: fitted.lines, free: fitted.free, rows: fitted.plan.rows })
    return written(writePlanFile({ plan: fitted.plan, revision: null }), out, words)
  },
}
