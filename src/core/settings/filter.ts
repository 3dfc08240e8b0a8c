import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { needsOf } from '../reach/needs'
import { settingLines, type SettingLine } from './lines'
import { lineStates, standingsOf, type LineState, type Standing } from './standing'

/** What is known of lines besides the plan: which have a problem, do nothing as the camera stands, or enable others. */
export interface LineFacts {
  /** What a line is searched by, in small letters: see `searchText`. */
  readonly wordsOf: (line: SettingLine) => string
  readonly problems: ReadonlySet<string>
  readonly idle: ReadonlySet<string>
  readonly enabling: ReadonlySet<string>
}

/** Which lines of the menu are wanted; all that is said must hold. */
export interface LineFilter {
  readonly state?: LineState
  /** Id of a subject. */
  readonly subject?: string
  readonly only?: LineOnly
  /** Id of a situation: the lines its needs ask for. */
  readonly need?: string
  /** Every word has to stand in the line's label or address, or in another wording of what it means. */
  readonly words?: string
}

/** What lines can be narrowed to, with the words for it. */
export const lineOnly = {
  unsure: 'Not sure yet',
  'first-four': 'The first four',
  'first-seven': 'The first seven',
  enabling: 'Enabling items first',
  problem: 'With a problem',
  idle: 'Does nothing as the camera stands',
  act: 'Acts',
} as const

/** One of `lineOnly`. */
export type LineOnly = keyof typeof lineOnly

/** The lines of a model's menu that a filter lets through, in menu order. */
export function filteredLines(
  model: BodyModel,
  plan: Plan,
  filter: LineFilter,
  facts: LineFacts,
): SettingLine[] {
  const standings = standingsOf(model, plan)
  const needed = filter.need === undefined ? null : linesNeeded(model, plan, filter.need)
  const words = (filter.words ?? '').toLowerCase().split(/\s+/).filter(Boolean)
  return settingLines(model).filter((line) => {
    const standing = standings.get(line.id)
    return (
      standing !== undefined &&
      (filter.state === undefined || standing.state === filter.state) &&
      (filter.subject === undefined || line.subject === filter.subject) &&
      (filter.only === undefined || isOnly(filter.only, line, standing, facts)) &&
      (needed === null || needed.has(line.id)) &&
      (words.length === 0 || isCalled(line, words, facts))
    )
  })
}

/** How many lines stand in each state. */
export function countedStates(model: BodyModel, plan: Plan): Record<LineState, number> {
  const counts = Object.fromEntries(lineStates.map((state) => [state, 0])) as Record<LineState, number>
  for (const { state } of standingsOf(model, plan).values()) counts[state]++
  return counts
}

function isOnly(only: LineOnly, line: SettingLine, { notes }: Standing, facts: LineFacts): boolean {
  switch (only) {
    case 'unsure':
      return notes.sure !== undefined && notes.sure !== 'decided' && notes.sure !== 'tested'
    case 'first-four':
      return notes.priority === 'first-four'
    case 'first-seven':
      return notes.priority === 'first-four' || notes.priority === 'first-seven'
    case 'enabling':
      return facts.enabling.has(line.id)
    case 'problem':
      return facts.problems.has(line.id)
    case 'idle':
      return facts.idle.has(line.id)
    case 'act':
      return line.kind === 'act'
  }
}

/** The lines that the needs of a situation ask for: the setting itself, or what a function of that meaning changes. */
function linesNeeded(model: BodyModel, plan: Plan, situation: string): ReadonlySet<string> {
  const { byMeaning } = lookup(model)
  const needs = needsOf(model, plan).filter((need) => need.situation === situation)
  return new Set(
    needs.flatMap(({ what }) => {
      const setting = byMeaning.get(what)
      if (setting) return [setting.id]
      return model.functions.filter(({ means }) => means === what).flatMap(({ changes }) => changes)
    }),
  )
}

/** What a line is searched by: its label and address, and `others`, what else its meaning is called; in small letters. */
export function searchText({ label, address }: SettingLine, others: string): string {
  return `${label} ${address ?? ''} ${others}`.toLowerCase()
}

/** Whether every word stands in what the line is searched by. */
function isCalled(line: SettingLine, words: readonly string[], { wordsOf }: LineFacts): boolean {
  const text = wordsOf(line)
  return words.every((word) => text.includes(word))
}
