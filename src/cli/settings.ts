import { Analysis } from '@/core/analysis/analysis'
import { showValue } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { situationsOf } from '@/core/plan/situations'
import { ok, refuse, type Result } from '@/core/result'
import type { EnablingItem } from '@/core/settings/enabling'
import {
  countedStates,
  filteredLines,
  lineOnly,
  type LineFacts,
  type LineFilter,
  searchText,
} from '@/core/settings/filter'
import { settingLines, type SettingLine } from '@/core/settings/lines'
import { lineStates, standingsOf, stateWords } from '@/core/settings/standing'
import { cellWords, elsewhereWords } from '@/core/settings/words'
import { subjects } from '@/core/vocabulary/subjects'
import { searchWords } from '@/core/vocabulary/synonyms'
import { done, refused, type Command, type Options } from './command'
import { onPlan } from './disk'
import { oneOf } from './options'

/** `settings PLAN`: the whole menu in the camera's own order, what is planned on each line, and what nobody has looked at. */
export const settingsOfPlan: Command = {
  name: 'settings',
  usage:
    'settings PLAN [--state changed|left|not-mine|open] [--subject ID] [--only unsure|first-four|first-seven|enabling|problem|idle|act] [--need SITUATION] [--find WORDS] [--inventory FILE] [--models FOLDER]',
  summary: 'every line of the menu in its own order, what is planned on it, and what nobody has looked at',
  options: {
    state: 'one',
    subject: 'one',
    only: 'one',
    need: 'one',
    find: 'one',
    inventory: 'one',
    models: 'one',
  },
  operands: 1,
  run: onPlan(({ model, plan, own, definitions }, options) => {
    const filter = filterFrom(options, own)
    if (!filter.ok) return refused(filter.refusal)
    const analysis = new Analysis(model, definitions.lenses, plan)
    const enabling = analysis.ask<'enabling'>({ kind: 'enabling' })
    const lines = filteredLines(model, own, filter.value, factsFrom(analysis, enabling))
    const counts = countedStates(model, own)
    const all = settingLines(model).length
    const first = filter.value.only === 'enabling' ? enablingWords(model, enabling) : []
    const words = [
      `${all} lines: ${lineStates.map((state) => `${counts[state]} ${stateWords[state]}`).join(', ')}`,
      ...first,
      ...(lines.length === 0 ? ['No line is like that.'] : linesWords(model, own, lines)),
    ]
    return done(words.join('\n'), {
      counts,
      lines: lines.map((line) => lineData(model, own, line)),
      ...(first.length === 0 ? {} : { enabling }),
    })
  }),
}

function filterFrom(options: Options, plan: Plan): Result<LineFilter> {
  const known = {
    state: lineStates,
    subject: subjects.map(({ id }) => id),
    only: Object.keys(lineOnly),
    need: situationsOf(plan),
  }
  const filter: Record<string, string> = {}
  for (const [name, words] of Object.entries(known)) {
    if (words.length === 0 && options[name] !== undefined)
      return refuse('option', 'This plan has no situations.', `--${name}`)
    const one = oneOf(options, name, words)
    if (!one.ok) return one
    if (one.value !== undefined) filter[name] = one.value
  }
  const words = options.find?.at(-1)
  return ok(words === undefined ? filter : { ...filter, words })
}

function factsFrom(analysis: Analysis, enabling: readonly EnablingItem[]): LineFacts {
  const findings = analysis.ask<'findings'>({ kind: 'findings' })
  return {
    wordsOf: (line) => searchText(line, searchWords('setting', line.means)),
    problems: new Set(
      findings.filter(({ severity }) => severity !== 'tidies').flatMap(({ about }) => about ?? []),
    ),
    idle: new Set(analysis.ask<'idle'>({ kind: 'idle' }).keys()),
    enabling: new Set(enabling.map(({ setting }) => setting)),
  }
}

function linesWords(model: BodyModel, plan: Plan, lines: readonly SettingLine[]): string[] {
  let page = ''
  return lines.flatMap((line) => {
    const head = line.page === page ? [] : [line.page]
    page = line.page
    const { cells, elsewhere, state, notes, setUp } = lineData(model, plan, line)
    const values = cells.map(({ where, shown, value }) =>
      `${where} ${shown}${value === null ? ' (as delivered)' : ''}`.trim(),
    )
    const more = [
      ...values,
      ...(elsewhere === '' ? [] : [`also in ${elsewhere}`]),
      ...(setUp > 0 ? [`${setUp} ${setUp === 1 ? 'row' : 'rows'} planned`] : []),
      ...(line.isByHand ? ['set by hand on the body'] : []),
      ...(line.warning === null ? [] : [line.warning]),
    ]
    const why = notes.why === undefined ? '' : `: ${notes.why}`
    return [...head, `  ${line.label}: ${more.join('; ') || line.kind} [${stateWords[state]}${why}]`]
  })
}

function lineData(model: BodyModel, plan: Plan, line: SettingLine) {
  const setting = lookup(model).settings.get(line.id)
  const standing = standingsOf(model, plan).get(line.id)
  if (!standing) throw new Error(`every line stands somewhere, but ${line.id}`)
  const { state, notes, setUp } = standing
  const cells = setting ? cellWords(model, setting, standing.cells) : []
  const elsewhere = elsewhereWords(model, plan, standing.elsewhere)
  return { id: line.id, label: line.label, address: line.address, state, cells, elsewhere, setUp, notes }
}

function enablingWords(model: BodyModel, items: readonly EnablingItem[]): string[] {
  const { settings, addresses } = lookup(model)
  return items.map(({ setting: id, sides, from, to, isPlanned, enables }) => {
    const setting = settings.get(id)
    if (!setting) return id
    const named = enables.map(
      (one) => settings.get(one.id)?.label ?? addresses.get(one.id)?.control.name ?? one.id,
    )
    const words = `${setting.label}, ${sides.join(' and ')}: ${showValue(setting.domain, to)} instead of ${showValue(setting.domain, from)}`
    return `${isPlanned ? 'First' : 'Not planned yet'}: ${words}, for ${[...new Set(named)].join(', ')}. ${enables[0]?.because ?? ''}`
  })
}
