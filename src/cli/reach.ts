import { describeStep } from '@/core/plan/rows'
import { writePlanFile } from '@/core/files/plan-file'
import { applyStep } from '@/core/plan/step'
import { startSituation } from '@/core/reach/needs'
import { reachOf, worstNeeds } from '@/core/reach/reach'
import type { Reached } from '@/core/reach/report'
import { termOf } from '@/core/vocabulary/terms'
import { readySets } from '@/core/vocabulary/situations'
import { done, refused, type Command } from './command'
import { onPlan } from './disk'
import { postureIn } from './options'
import { written } from './plans'

/** `plan start PLAN`: needs to start from, by kind of work. */
export const startPlan: Command = {
  name: 'plan start',
  usage: 'plan start PLAN --work KIND [--as SITUATION] [--out FILE] [--models FOLDER]',
  summary: `needs to start from, by kind of work: ${readySets.map((set) => set.id).join(', ')}`,
  options: { work: 'one', as: 'one', out: 'one', models: 'one' },
  operands: 1,
  run: onPlan(async ({ model, plan }, options) => {
    const set = readySets.find((one) => one.id === options.work?.at(-1))
    const known = readySets.map((one) => one.id).join(', ')
    if (!set)
      return refused({ code: 'option', message: `A kind of work is one of ${known}.`, where: '--work' })
    const step = startSituation(plan, set, options.as?.at(-1) ?? set.id, 'start')
    if (step.changes.length === 0) return done('It has all of these needs already.', { changes: [] })
    const after = applyStep(model, plan, step)
    if (!after.ok) return refused(after.refusal)
    return written(
      writePlanFile({ plan: after.value, revision: null }),
      options.out?.at(-1),
      describeStep(model, step),
    )
  }),
}

/** `plan reach PLAN`: what each need costs, how much is done at the finder, and what would help most. */
export const reachPlan: Command = {
  name: 'plan reach',
  usage: 'plan reach PLAN [--posture P] [--worst N] [--inventory FILE] [--models FOLDER]',
  summary:
    'what each need costs in seconds, the share done at the finder, and the steps that would save most',
  options: { posture: 'one', worst: 'one', inventory: 'one', models: 'one' },
  operands: 1,
  run: onPlan(({ model, plan, definitions }, options) => {
    const posture = postureIn(options)
    if (!posture.ok) return refused(posture.refusal)
    const most = Number(options.worst?.at(-1) ?? 0)
    if (!Number.isInteger(most) || most < 0 || most > 20)
      return refused({ code: 'option', message: 'A count from 0 to 20.', where: '--worst' })
    const report = reachOf(model, plan, definitions.lenses, posture.value)
    if (report.reached.length === 0)
      return done(noNeeds, { ...report, byCount: null, byUse: null, menuFree: null, worst: [] })
    const worst = worstNeeds(report, most)
    const percent = (share: number) => `${Math.round(share * 100)} %`
    const target = { true: ', which meets the target', false: ', short of the target', null: '' }[
      String(report.onTarget) as 'true' | 'false' | 'null'
    ]
    const words = [
      ...[...report.reached].sort((a, b) => b.perOuting - a.perOuting).map(needWords),
      `At the finder: ${percent(report.byCount)} of the needs, ${percent(report.byUse)} by use${target}. Without a menu: ${percent(report.menuFree)}.`,
      `${report.seconds.toFixed(0)} s an outing. Load: ${report.load}.`,
      ...worst.map(
        (one) =>
          `${termOf(one.reached.need.what)}: ${one.words}${one.gain > 0 ? `, saves ${one.gain.toFixed(1)} s an outing` : ''}`,
      ),
    ]
    return done(words.join('\n'), { ...report, worst: worst.map(({ step, gain }) => ({ step, gain })) })
  }),
}

/** Said where a plan says nothing of what is shot: nothing can be priced or suggested. */
export const noNeeds =
  'The plan has no needs yet, so there is nothing to reach: plan start PLAN --work KIND brings those of a kind of work.'

function needWords({ need, best, absent, blocked, perOuting }: Reached): string {
  const way = absent
    ? 'this model has nothing like it'
    : best === null
      ? `no way there${blocked === null ? '' : `: ${blocked}`}`
      : `${best.words}: ${best.parts.map((part) => `${part.count} × ${part.operator}`).join(' + ')} = ${best.seconds.toFixed(2)} s, ${best.atFinder ? 'at the finder' : 'the eye leaves the finder'}`
  return `${termOf(need.what)} (${need.situation}, ${need.perOuting} an outing, ${perOuting.toFixed(0)} s): ${way}`
}
