import { describeRow, showRow } from '@/core/plan/rows'
import loadHighs from 'highs'
import { ownStep } from '@/core/inventory/own-step'
import { writePlanFile } from '@/core/files/plan-file'
import { applyStep } from '@/core/plan/step'
import { needsOf } from '@/core/reach/needs'
import { reachOf } from '@/core/reach/reach'
import { blockedIn } from '@/core/reach/report'
import { withAssumedModes } from '@/core/suggest/assumed'
import { explain } from '@/core/suggest/explain'
import { instanceOf } from '@/core/suggest/instance'
import { solveWith } from '@/core/suggest/solver'
import { stepFor } from '@/core/suggest/change'
import { proofOf, suggest } from '@/core/suggest/suggest'
import { termOf } from '@/core/vocabulary/terms'
import { done, refused, type Command } from './command'
import { onPlan } from './disk'
import { noNeeds } from './reach'
import { postureIn } from './options'
import { written } from './plans'

/** `plan suggest PLAN`: the best arrangement of keys and menus for the plan's needs, proven or with its gap. */
export const suggestPlan: Command = {
  name: 'plan suggest',
  usage:
    'plan suggest PLAN [--changes N] [--menus-only yes] [--let-go yes] [--posture P] [--seconds S] [--out FILE] [--inventory FILE] [--models FOLDER]',
  summary: 'the best arrangement of keys and menus for the needs, with few changes or any number',
  options: {
    changes: 'one',
    'menus-only': 'one',
    'let-go': 'one',
    posture: 'one',
    seconds: 'one',
    out: 'one',
    inventory: 'one',
    models: 'one',
  },
  operands: 1,
  run: onPlan(async ({ model, plan, own, definitions }, options) => {
    const one = (name: string) => options[name]?.at(-1)
    const posture = postureIn(options)
    if (!posture.ok) return refused(posture.refusal)
    const changes = one('changes') === undefined ? null : Number(one('changes'))
    const seconds = Number(one('seconds') ?? 20)
    if (changes !== null && !(Number.isInteger(changes) && changes >= 1))
      return refused({ code: 'option', message: 'A whole number from 1.', where: '--changes' })
    if (!(seconds > 0 && seconds <= 600))
      return refused({ code: 'option', message: 'Seconds from 0 to 600.', where: '--seconds' })
    const only = one('menus-only') === 'yes' ? ({ only: 'menus' } as const) : {}
    const { lenses } = definitions
    if (needsOf(model, plan).length === 0)
      return refused({ code: 'no-needs', message: noNeeds, where: 'plan suggest' })
    const weighed = withAssumedModes(model, plan)
    const letGo = one('let-go') === 'yes'
    const question = { model, plan: weighed.plan, lenses, posture: posture.value, letGo, ...only }
    const instance = instanceOf(question)
    const solve = solveWith(await loadHighs())
    const suggestion = suggest(instance, solve, changes, { seconds })
    const { before, after } = suggestion
    const reach = reachOf(model, weighed.plan, lenses, posture.value)
    const explained = explain(model, weighed.plan, reach, suggestion.changes, 2)
    const words = suggestion.changes.map(({ row, from, to, gain }, i) => {
      const change = `${describeRow(model, row)}: ${showRow(model, row, from || null)} → ${showRow(model, row, to || null)}, saves ${gain.toFixed(1)} s`
      const lost = explained[i]?.lost
      return lost == null ? change : `${change}\n    ${lost}`
    })
    const assumed = weighed.assumed.map(({ row, value, words: said }) => ({ row, value, words: said }))
    const summary = `${before.total.toFixed(1)} → ${after.total.toFixed(1)} s an outing, ${(before.seconds - after.seconds).toFixed(1)} s of the hand. ${proofOf(suggestion)}`
    const left = blockedIn(reach).map(({ what, because }) => `Left out: ${termOf(what)}. ${because}`)
    const text = [...assumed.map((one) => one.words), ...words, summary, ...left].join('\n')
    if (one('out') === undefined || suggestion.changes.length === 0)
      return done(text, { ...suggestion, assumed, explained })
    const step = stepFor(model, plan, suggestion.changes, 'suggest', weighed.assumed)
    const taken = applyStep(model, own, ownStep(own, plan, step))
    if (!taken.ok) return refused(taken.refusal)
    return written(writePlanFile({ plan: taken.value, revision: null }), one('out'), text)
  }),
}
