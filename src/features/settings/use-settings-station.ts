'use client'

import { useMemo, useState } from 'react'
import type { Finding } from '@/core/checks/finding'
import type { BodyModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { lineOf, parseRow, settingOf, type LineStanding } from '@/core/plan/rows'
import { situationName, situationsOf } from '@/core/plan/situations'
import type { EnablingItem } from '@/core/settings/enabling'
import {
  countedStates,
  filteredLines,
  searchText,
  type LineFilter,
  type LineOnly,
} from '@/core/settings/filter'
import { settingLines, type SettingLine } from '@/core/settings/lines'
import { saidOfLines } from '@/core/settings/mark'
import { standingsOf, type LineState } from '@/core/settings/standing'
import { useAnswer, useDesk, useDeskPart, useFindings, usePlaceInPage } from '@/features/desk'
import { useShared } from '@/ui/use-shared'
import { useStable } from '@/ui/use-stable'
import { useSynonyms } from '@/ui/use-synonyms'

/** What narrows the list, as it is chosen on the screen; empty texts narrow nothing. */
export interface Narrowing {
  readonly state: LineState | ''
  readonly subject: string
  readonly only: LineOnly | ''
  /** Id of a situation. */
  readonly need: string
  readonly words: string
}

/** Nothing is narrowed. */
export const everything: Narrowing = { state: '', subject: '', only: '', need: '', words: '' }

/** What the Settings station knows and does: every line of the menu, which are wanted, and the one in hand. */
export function useSettingsStation() {
  const desk = useDesk()
  // What the inventory brings is not planned here: nobody has looked at its lines for that.
  const plan = useDeskPart('document')
  const { model, planId } = desk.start
  const [narrowing, setNarrowing] = useState(everything)
  const [inHand, setInHand] = useState<string | null>(null)
  // A line whose standing did not change keeps the same object, so that it is not drawn anew.
  const shared = useShared(useMemo(() => Object.fromEntries(standingsOf(model, plan)), [model, plan]))
  const standings = useMemo(() => new Map(Object.entries(shared)), [shared])
  const findings = useFindings()
  const about = useMemo(() => findingsAbout(model, findings ?? []), [model, findings])
  const idle = useAnswer<'idle'>({ kind: 'idle' })
  const enabling = useAnswer<'enabling'>(
    narrowing.only === 'enabling' || inHand !== null ? { kind: 'enabling' } : null,
  )
  const { wordsOf, comeToSearch } = useLineWords(model, narrowing.words !== '')
  const facts = useMemo(
    () => ({
      problems: new Set([...about].filter(([, all]) => all.some(isProblem)).map(([id]) => id)),
      idle: new Set(idle?.keys() ?? []),
      enabling: new Set((enabling ?? []).map(({ setting }) => setting)),
      wordsOf,
    }),
    [about, idle, enabling, wordsOf],
  )
  const lines = useMemo(
    () => filteredLines(model, plan, filterOf(narrowing), facts),
    [model, plan, narrowing, facts],
  )
  const counts = useMemo(() => countedStates(model, plan), [model, plan])
  const situations = useMemo(() => namedSituations(plan), [plan])
  const narrow = useStable((change: Partial<Narrowing>) => {
    setNarrowing((now) => ({ ...now, ...change }))
    // What a subject asks stands where the line in hand would.
    if (change.subject !== undefined) setInHand(null)
  })
  const say = useStable((ids: readonly string[], said: LineStanding | null) => {
    const rows = saidOfLines(model, desk.getView().document, ids, said)
    if (Object.keys(rows).length > 0) desk.set(rows)
  })
  /** Takes the line in hand that stands so many further on in the list. */
  const move = useStable((by: number) => {
    const order = settingLines(model).map(({ id }) => id)
    const here = inHand === null ? -1 : order.indexOf(inHand)
    // One that is no longer in the list stands between its neighbours of the menu.
    const before = lines.filter(({ id }) => order.indexOf(id) < here).length
    const isListed = lines[before]?.id === inHand && inHand !== null
    const to = isListed || by < 0 ? before + by : before + by - 1
    const next = lines[Math.max(0, Math.min(lines.length - 1, to))]
    if (next) setInHand(next.id)
  })
  const show = useStable((id: string) => {
    setNarrowing((now) => (lines.some((line) => line.id === id) ? now : everything))
    setInHand(id)
  })
  /** Takes the next line in hand that nobody has looked at, on from the one in hand, round the end. */
  const goToOpen = useStable(() => {
    const every = settingLines(model)
    const at = every.findIndex(({ id }) => id === inHand) + 1
    const next = [...every.slice(at), ...every.slice(0, at)].find(
      ({ id }) => standings.get(id)?.state === 'open',
    )
    if (next) show(next.id)
  })
  /** Says something of the line in hand and goes on to the next of the list. */
  const sayAndGoOn = useStable((said: LineStanding) => {
    if (inHand === null) return
    move(1)
    say([inHand], said)
  })
  usePlaceInPage((place) => {
    const id = lineAt(model, place)
    if (id !== null) show(id)
  })
  const line = useMemo(() => settingLines(model).find(({ id }) => id === inHand) ?? null, [model, inHand])
  return {
    model,
    planId,
    narrowing,
    narrow,
    comeToSearch,
    lines,
    counts,
    all: settingLines(model).length,
    standings,
    about,
    idle,
    enabling: enabling ?? noItems,
    situations,
    inHand,
    line,
    take: setInHand,
    move,
    goToOpen,
    say,
    sayAndGoOn,
  }
}

export type SettingsKnown = ReturnType<typeof useSettingsStation>

const noItems: readonly EnablingItem[] = []

/** The situations of a plan, by name. */
function namedSituations(plan: Plan) {
  return situationsOf(plan).map((id) => ({ id, name: situationName(plan, id) }))
}

/**
 * What each line is searched by: its label, its address, and what else is meant by it, once for all letters typed. What else
 * things are called is fetched when the cursor comes to the search, before a letter is typed.
 */
function useLineWords(model: BodyModel, isSearching: boolean) {
  const [isNear, setNear] = useState(false)
  const synonyms = useSynonyms(isNear || isSearching)
  const wordsOf = useMemo(() => {
    const known = new Map(
      settingLines(model).map((line) => [line, searchText(line, synonyms?.('setting', line.means) ?? '')]),
    )
    return (line: SettingLine) => known.get(line) ?? ''
  }, [model, synonyms])
  return { wordsOf, comeToSearch: () => setNear(true) }
}

function filterOf({ state, only, ...texts }: Narrowing): LineFilter {
  const said = Object.entries(texts).filter(([, text]) => text.trim() !== '')
  return { ...(state === '' ? {} : { state }), ...(only === '' ? {} : { only }), ...Object.fromEntries(said) }
}

/** Whether a finding is more than something to tidy up. */
export function isProblem({ severity }: Finding): boolean {
  return severity !== 'tidies'
}

/** The findings by the lines that their places are about. */
function findingsAbout(
  model: BodyModel,
  findings: readonly Finding[],
): ReadonlyMap<string, readonly Finding[]> {
  const about = new Map<string, Finding[]>()
  for (const finding of findings)
    for (const id of new Set(finding.places.flatMap(({ row }) => lineAbout(model, row) ?? []))) {
      const list = about.get(id)
      if (list) list.push(finding)
      else about.set(id, [finding])
    }
  return about
}

/** The line that a row is about: the one of its setting, or the one it speaks of; null for other rows. */
function lineAbout(model: BodyModel, row: string): string | null {
  const parsed = parseRow(model, row)
  return parsed.ok ? (settingOf(parsed.value)?.id ?? lineOf(row)) : null
}

/** The line that a place behind `#` names: by its own id, or by a row that is about it. */
function lineAt(model: BodyModel, place: string): string | null {
  const id = lineAbout(model, place) ?? place
  return settingLines(model).some((line) => line.id === id) ? id : null
}

/** A line of the list with its number there, or a heading wherever the page of the menu changes. */
export type Drawn =
  | { readonly kind: 'page'; readonly page: string }
  | { readonly kind: 'line'; readonly line: SettingLine; readonly number: number }

/** The lines with a heading before each page. */
export function withPages(lines: readonly SettingLine[]): Drawn[] {
  const drawn: Drawn[] = []
  let page: string | null = null
  for (const [number, line] of lines.entries()) {
    if (line.page !== page) drawn.push({ kind: 'page', page: line.page })
    page = line.page
    drawn.push({ kind: 'line', line, number })
  }
  return drawn
}
