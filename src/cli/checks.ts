import { describeRow, describeStep } from '@/core/plan/rows'
import { allFindings, gathered, stillOpen } from '@/core/checks/checks'
import type { Finding, QuickFix } from '@/core/checks/finding'
import { focusTables } from '@/core/focus/trigger-table'
import { rowSentence } from '@/core/focus/words'
import { ownStep } from '@/core/inventory/own-step'
import type { BodyModel } from '@/core/model/types'
import { writePlanFile } from '@/core/files/plan-file'
import type { Plan } from '@/core/plan/plan'
import { applyStep } from '@/core/plan/step'
import { done, refused, type Command, type Options, type Outcome } from './command'
import { onPlan } from './disk'
import { contextFrom, contextOptions, contextUsage } from './options'
import { written } from './plans'

/** `plan check PLAN`: what is wrong with a plan. */
export const checkPlan: Command = {
  name: 'plan check',
  usage:
    'plan check PLAN [--only blocks|problem|tidies] [--silenced yes] [--apply N] [--out FILE] [--inventory FILE] [--models FOLDER]',
  summary: 'what cannot work, what is a problem on the job, what could be tidier, and steps that mend it',
  options: { only: 'one', silenced: 'one', apply: 'many', out: 'one', inventory: 'one', models: 'one' },
  operands: 1,
  run: onPlan(({ model, plan, own, definitions }, options) => {
    const asked = options.only?.at(-1)
    const only = asked === 'trips' || asked === 'problems' ? 'problem' : asked
    const severities = ['blocks', 'problem', 'tidies']
    if (only !== undefined && !severities.includes(only))
      return refused({
        code: 'option',
        message: `“${only}” is none of ${severities.join(', ')}.`,
        where: '--only',
      })
    const all = allFindings(model, plan, definitions.lenses)
    const told = gathered(all)
    const mends = told.flatMap((finding) => finding.mends)
    if (options.apply) return applied(model, { own, plan }, mends, options)
    const open = told.filter((one) => only === undefined || one.severity === only)
    const silenced = options.silenced === undefined ? [] : all.filter((one) => one.silencedBy !== null)
    const count = (severity: string) => open.filter((one) => one.severity === severity).length
    const total = `${count('blocks')} cannot work, ${count('problem')} ${count('problem') === 1 ? 'problem' : 'problems'}, ${count('tidies')} could be tidier; ${all.length - stillOpen(all).length} are silenced by a reason.`
    const folded = only === undefined ? open.filter(({ severity }) => severity === 'tidies') : []
    const words = [...open.filter((one) => !folded.includes(one)), ...silenced].map((finding) =>
      findingWords(model, finding, mends),
    )
    const tidy = folded.map(({ title }) => `    ${title}`)
    const heading = tidy.length === 0 ? [] : ['To tidy up (--only tidies says more of each):']
    return done([...words, ...heading, ...tidy, total].join('\n'), { findings: open, silenced })
  }),
}

/** The mends asked for by their numbers, applied one after the other. */
async function applied(
  model: BodyModel,
  { own, plan }: { readonly own: Plan; readonly plan: Plan },
  mends: readonly QuickFix[],
  options: Options,
): Promise<Outcome> {
  let now = own
  const words: string[] = []
  for (const given of options.apply ?? []) {
    const mend = /^[1-9]\d*$/.test(given) ? mends[Number(given) - 1] : undefined
    if (!mend) {
      const message =
        mends.length === 0 ? 'Nothing can be mended by a step here.' : `A mend from 1 to ${mends.length}.`
      return refused({ code: 'option', message, where: `--apply ${given}` })
    }
    const next = applyStep(model, now, ownStep(own, plan, mend.step))
    if (!next.ok) return refused({ ...next.refusal, where: `--apply ${given}: ${next.refusal.where ?? ''}` })
    now = next.value
    words.push(`${mend.label}: ${describeStep(model, mend.step)}`)
  }
  return written(writePlanFile({ plan: now, revision: null }), options.out?.at(-1), words.join('\n'))
}

function findingWords(model: BodyModel, finding: Finding, all: readonly QuickFix[]): string {
  const where = finding.contexts.length === finding.of ? 'everywhere' : finding.contexts.join('; ')
  const mends = finding.mends
    .map((mend) => `\n    mend ${all.indexOf(mend) + 1}: ${mend.label} (${describeStep(model, mend.step)})`)
    .join('')
  const asks = finding.asks ? ', test on body' : ''
  const silenced = finding.silencedBy === null ? '' : `\n    silenced: ${finding.silencedBy}`
  const titles = [...new Set(finding.places.map(({ title }) => title))]
  const places = titles.length < 2 ? '' : titles.map((title) => `\n    - ${title}`).join('')
  return `${finding.severity}  ${finding.title} [${finding.check}${asks}]\n    ${finding.reason}${places}\n    ${describeRow(model, finding.row)} (${finding.row}), ${finding.sides.join(' and ')}: ${where}${mends}${silenced}`
}

/** `plan focus PLAN`: what focuses when. */
export const focusPlan: Command = {
  name: 'plan focus',
  usage: `plan focus PLAN [--pairs no] ${contextUsage} [--inventory FILE] [--models FOLDER]`,
  summary: 'what focuses when: every key and every ordered pair, in every state that toggles reach',
  options: { ...contextOptions, pairs: 'one', inventory: 'one', models: 'one' },
  operands: 1,
  run: onPlan(({ model, plan, definitions }, options) => {
    const context = contextFrom(options, model, definitions.lenses, plan)
    if (!context.ok) return refused(context.refusal)
    const most = options.pairs?.at(-1) === 'no' ? 1 : 2
    const tables = focusTables(model, plan, context.value)
    const words = tables.flatMap((table) => [
      `${table.variant.words}:`,
      ...table.presses.map(
        (press) =>
          `  ${press.address.control.name}, ${press.address.name} (${press.fn.name}): ${press.leads}`,
      ),
      ...table.rows
        .filter((row) => row.held.length <= most)
        .map((row) => `  ${rowSentence(model, table, row)}`),
    ])
    return done(
      words.join('\n'),
      tables.map(({ variant, presses, rows }) => ({
        state: variant,
        presses: presses.map(({ key, fn, leads }) => ({ key, function: fn.id, leads })),
        rows,
      })),
    )
  }),
}
