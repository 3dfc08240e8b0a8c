import { allFindings, stillOpen } from '@/core/checks/checks'
import type { Finding } from '@/core/checks/finding'
import { compareSources } from '@/core/camera/sources'
import { focusTables, type FocusRow, type FocusTable } from '@/core/focus/table'
import type { FocusOutcome } from '@/core/focus/outcome'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import { describeRow, describeStep } from '@/core/plan/describe'
import { done, refused, type Command } from './command'
import { planOnDisk, onPlan } from './disk'
import { comparisonWords } from './files'
import { contextFrom, contextOptions, contextUsage, modelsFolder } from './options'

/** `plan check PLAN`: what is wrong with a plan. */
export const checkPlan: Command = {
  name: 'plan check',
  usage: 'plan check PLAN [--only blocks|trips|tidies] [--silenced yes] [--models FOLDER]',
  summary: 'what cannot work, what will trip its owner up, what could be tidier, and steps that mend it',
  options: { only: 'one', silenced: 'one', models: 'one' },
  operands: 1,
  run: onPlan(({ model, plan, definitions }, options) => {
    const only = options.only?.at(-1)
    const severities = ['blocks', 'trips', 'tidies']
    if (only !== undefined && !severities.includes(only))
      return refused({
        code: 'option',
        message: `“${only}” is none of ${severities.join(', ')}.`,
        where: '--only',
      })
    const all = allFindings(model, plan, definitions.lenses)
    const open = stillOpen(all).filter((one) => only === undefined || one.severity === only)
    const silenced = options.silenced === undefined ? [] : all.filter((one) => one.silencedBy !== null)
    const count = (severity: string) => open.filter((one) => one.severity === severity).length
    const total = `${count('blocks')} block, ${count('trips')} trip, ${count('tidies')} could be tidier; ${all.length - stillOpen(all).length} are silenced by a reason.`
    const words = [...open, ...silenced].map((finding) => findingWords(model, finding))
    return done([...words, total].join('\n'), { findings: open, silenced })
  }),
}

function findingWords(model: BodyModel, finding: Finding): string {
  const where = finding.contexts.length === finding.of ? 'everywhere' : finding.contexts.join('; ')
  const mends = finding.mends
    .map((mend) => `\n    mend: ${mend.label} (${describeStep(model, mend.step)})`)
    .join('')
  const asks = finding.asks ? ', test on body' : ''
  const silenced = finding.silencedBy === null ? '' : `\n    silenced: ${finding.silencedBy}`
  return `${finding.severity}  ${finding.title} [${finding.check}${asks}]\n    ${finding.reason}\n    ${describeRow(model, finding.row)}, ${finding.side}: ${where}${mends}${silenced}`
}

/** `plan focus PLAN`: what focuses when. */
export const focusPlan: Command = {
  name: 'plan focus',
  usage: `plan focus PLAN [--pairs no] ${contextUsage} [--models FOLDER]`,
  summary: 'what focuses when: every key and every ordered pair, in every state that toggles reach',
  options: { ...contextOptions, pairs: 'one', models: 'one' },
  operands: 1,
  run: onPlan(({ model, plan, definitions }, options) => {
    const context = contextFrom(options, model, definitions.lenses)
    if (!context.ok) return refused(context.refusal)
    const most = options.pairs?.at(-1) === 'no' ? 1 : 2
    const tables = focusTables(model, plan, context.value)
    const words = tables.flatMap((table) => [
      `${table.variant.words}:`,
      ...table.presses.map(
        (press) =>
          `  ${press.address.control.name}, ${press.address.name} (${press.fn.name}): ${press.leads}`,
      ),
      ...table.rows.filter((row) => row.held.length <= most).map((row) => `  ${rowWords(model, table, row)}`),
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

function rowWords(model: BodyModel, table: FocusTable, row: FocusRow): string {
  const name = (key: string) => table.triggers.find((one) => one.key === key)
  const held = row.held.map((key) => {
    const trigger = name(key)
    return trigger ? `${trigger.address.control.name} (${trigger.fn.name})` : key
  })
  const outcomes = row.outcomes.map((one) => outcomeWords(model, one)).join('; or ')
  const asks = row.asks.length === 0 ? '' : `; test on body: ${row.asks.join(' ')}`
  return `${held.length === 0 ? 'hands off' : held.join(', then ')}: ${outcomes}${asks}`
}

function outcomeWords(model: BodyModel, { does, by, area, full }: FocusOutcome): string {
  const { addresses, byMeaning } = lookup(model)
  const domain = byMeaning.get('focus.area')?.domain
  const where = area !== null && domain ? `, ${showValue(domain, area)}` : ''
  const key = by === null ? '' : ` by ${addresses.get(by)?.control.name ?? by}`
  const press = {
    picture: 'full press takes the picture',
    'picture-when-sharp': 'full press waits for focus',
    records: 'full press records',
    nothing: 'full press does nothing',
  }[full]
  const runs = {
    once: 'finds once',
    follows: 'follows',
    no: 'no focus',
    rests: 'rests',
    keeps: 'keeps the distance',
  }
  return `${runs[does]}${key}${does === 'once' || does === 'follows' ? where : ''}; ${press}`
}

/** `plan compare PLAN PLAN`: two plans or revisions, row by row. */
export const comparePlans: Command = {
  name: 'plan compare',
  usage: 'plan compare PLAN PLAN [--models FOLDER]',
  summary: 'two plans, or two revisions of one, row by row',
  options: { models: 'one' },
  operands: 2,
  async run([leftPath = '', rightPath = ''], options) {
    const left = await planOnDisk(leftPath, modelsFolder(options))
    if (!left.ok) return refused(left.refusal)
    const right = await planOnDisk(rightPath, modelsFolder(options))
    if (!right.ok) return refused(right.refusal)
    const [one, two] = [left.value, right.value]
    if (one.model !== two.model && one.model.id !== two.model.id)
      return refused({
        code: 'other-model',
        message: `One plan is for ${one.model.id}, the other for ${two.model.id}; plan fit carries one over.`,
        where: rightPath,
      })
    const found = compareSources(
      one.model,
      { kind: 'plan', plan: one.plan },
      { kind: 'plan', plan: two.plan },
    )
    return done(comparisonWords(found), found)
  },
}
