import { keepingOf } from '../../banks/keeping'
import { plannedSlots, type PlannedSlot } from '../../plan/plan'
import { columnsOf } from '../../banks/columns'
import { entriesOf, idsOf, isNoteRow, notedRow, describeRow, rowValue, sheetRow } from '../../plan/rows'
import { showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import type { BodyModel, Side, Zone } from '../../model/types'
import { fit } from '../../fit/fit'
import { valueMeaning } from '../../resolve/meaning'
import { usualContext } from '../../resolve/context'
import { tableUnder, wordsUnder } from '../blocks'
import { sideWords, type Given } from '../given'
import type { Block } from '../types'
import { fallbackOf } from './banks'

/** What each bank is for, what it varies, and what to do where it is the wrong one. */
export function bankPurposesPart({ model, plan }: Given): Block[] {
  const lines = plannedSlots(model, plan).map((slot) => ({
    cells: [
      { text: `${slot.name} (${sideWords[slot.side].toLowerCase()})`, isStrong: true },
      { text: slot.purpose ?? '' },
      { text: variedWords(model, slot.rows) },
      { text: fallbackOf(plan, slot) },
    ],
  }))
  return tableUnder('banks', 'Banks', ['Bank', 'For', 'Differs from base', 'If it is the wrong one'], lines)
}

function variedWords(model: BodyModel, rows: PlannedSlot['rows']): string {
  const said = model.settings.flatMap(({ id, label, domain }) => {
    const value = rows[id]
    if (value === undefined) return []
    const shown = showValue(domain, value)
    return [shown.startsWith(label) ? shown : `${label} ${shown}`]
  })
  return said.length === 0 ? 'Equal to base.' : said.join(' · ')
}

/** What is looked at first: how it exposes, focuses and writes; each on the sides it counts on. */
export const baseMeans: readonly (readonly [means: string, side?: Side])[] = [
  ...(['exposure.mode', 'exposure.shutter', 'exposure.aperture', 'exposure.iso'] as const).map(both),
  ...(['exposure.isoAuto', 'exposure.isoAutoCeiling', 'colour.balanceMode'] as const).map(both),
  ...(['focus.mode', 'focus.area'] as const).map(both),
  ['shutter.kind', 'stills'],
  ['image.kind', 'stills'],
  ['movie.size', 'motion'],
  ['movie.frameRate', 'motion'],
  ['movie.profile', 'motion'],
]

function both(means: string): readonly [string] {
  return [means]
}

/** The values of base that matter most, side by side. */
export function basePart({ model, plan, lenses, stateIn }: Given): Block[] {
  const sides = model.sides.flatMap((side) => {
    const usual = usualContext(model, plan, lenses, side)
    return usual ? [{ side, state: stateIn(usual.context) }] : []
  })
  const lines = baseMeans.flatMap(([means, only]) => {
    const setting = lookup(model).byMeaning.get(means)
    if (!setting) return []
    const cells = sides.map(({ side, state }) => {
      const found = only === undefined || only === side ? valueMeaning(model, state, means) : undefined
      return { text: found ? showValue(found.setting.domain, found.value) : '' }
    })
    return [{ cells: [{ text: setting.label }, ...cells] }]
  })
  return tableUnder('base', 'Base', ['', ...sides.map(({ side }) => sideWords[side])], lines)
}

/** Three things not to forget: the owner’s own first, then what nothing restores, what stays changed, risks, and the worst problem. */
export function rememberPart(given: Given): Block[] {
  const { model, plan, lenses } = given
  const remembered = columnsOf(model, plan, lenses).flatMap(({ kind, name }) =>
    kind === 'position' ? [`${name} is a remembered position: no bank brings it back.`] : [],
  )
  const live = keepingOf(model, plan).flatMap(({ family, now, slots }) =>
    now === 'live' && slots.length > 0
      ? [`What is changed in ${family.name} stays changed: set it back in the morning.`]
      : [],
  )
  const risks = idsOf(plan.rows).flatMap((row) => {
    const about = isNoteRow(row, 'risk') ? notedRow(row, 'risk') : null
    return about === null
      ? []
      : [`${describeRow(model, about)}: risk accepted ${String(rowValue(plan.rows, row))}.`]
  })
  const problems = given
    .findings()
    .filter(({ severity }) => severity !== 'tidies')
    .map(({ title }) => `${title}.`)
  const byHand = model.settings
    .filter(({ place }) => place === 'physical')
    .map(({ label }) => `${label} is set by hand: no file brings it.`)
  const own = rowValue(plan.rows, sheetRow('pocket', 'remember'))
  const mine = Array.isArray(own) ? own.map(String) : []
  const three = [...new Set([...mine, ...remembered, ...live, ...risks, ...problems, ...byHand])].slice(0, 3)
  return wordsUnder('remember', 'Not to forget', three)
}

/** Who decided, by how many rows each, and when the plan stood so. */
export function whoPart({ plan, stand }: Given): Block[] {
  const times = new Map<string, number>()
  for (const [row, value] of entriesOf(plan.rows))
    if (isNoteRow(row, 'who')) times.set(String(value), (times.get(String(value)) ?? 0) + 1)
  const said = [...times]
    .sort(([one, a], [two, b]) => b - a || one.localeCompare(two))
    .map(([who, rows]) => `${who} (${rows === 1 ? 'one row' : `${rows} rows`})`)
  return wordsUnder('who', 'Who decided', said.length === 0 ? [] : [`${said.join(', ')}. ${stand}.`])
}

/** What the AF point cannot do, so that the picture is framed anew after focusing. */
export function pointPart({ model: { focus } }: Given): Block[] {
  const within = (what: string, [, , width, height]: Zone) =>
    width > 0.99 && height > 0.99
      ? []
      : [`${what} within ${percent(width)} of the width and ${percent(height)} of the height of the frame.`]
  return wordsUnder('point', 'AF point', [
    `The AF point goes over ${focus.columns} × ${focus.rows} places; what lies outside is focused first and framed after.`,
    ...within('Subjects are found', focus.detectionZone),
    ...within('Tracking follows', focus.trackingZone),
  ])
}

function percent(part: number): string {
  return `${Math.round(part * 100)} %`
}

/** What whoever takes the camera over must leave alone, and what comes back by itself. */
export function handOverPart(given: Given): Block[] {
  const { model, plan } = given
  const alone = [
    ...model.settings
      .filter(({ place }) => place === 'physical')
      .map(({ label }) => `${label}: leave it where it stands.`),
    ...entriesOf(plan.rows).flatMap(([row, value]) => {
      const about = isNoteRow(row, 'lock') ? notedRow(row, 'lock') : null
      return about === null ? [] : [`${describeRow(model, about)}: ${String(value)}`]
    }),
  ]
  const back = keepingOf(model, plan).flatMap(({ family, now, slots }) => {
    if (slots.length === 0) return []
    const names = slots.map(({ slot }) => slot.name).join(', ')
    return now === 'snapshot'
      ? [`${family.name} (${names}): what you change is gone once the bank is left or the camera is off.`]
      : [`${family.name} (${names}): what you change stays. Write down what you change.`]
  })
  return [
    ...wordsUnder('leave', 'Leave alone', alone.length === 0 ? ['Nothing in particular.'] : alone),
    ...wordsUnder(
      'leave',
      'What comes back by itself',
      back.length === 0 ? ['No banks: everything stays as it is left.'] : back,
    ),
  ]
}

/** What is otherwise on models that are taken for this one. */
export function siblingsPart({ model, plan, siblings = [] }: Given): Block[] {
  return siblings.flatMap((sibling): Block[] => {
    const { lines } = fit(model, plan, sibling)
    const other = lines.filter(({ how }) => how !== 'carried')
    return wordsUnder(
      'siblings',
      `On ${sibling.name}`,
      other.length === 0
        ? ['All of it can be had there too.']
        : other.map(({ was, becomes, because }) => `${was}: ${becomes ?? 'not there'}. ${because}`),
    )
  })
}
