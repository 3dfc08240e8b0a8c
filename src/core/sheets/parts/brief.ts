import { keepingOf } from '../../banks/keeping'
import { plannedSlots } from '../../plan/plan'
import { columnsOf } from '../../banks/columns'
import { entriesOf, idsOf, isNoteRow, notedRow, describeRow, rowValue, sheetRow } from '../../plan/rows'
import { showValue } from '../../model/domain'
import { lookup } from '../../model/lookup'
import { fit } from '../../fit/fit'
import { valueMeaning } from '../../resolve/meaning'
import { usualContext } from '../../resolve/context'
import { sideWords, type Given } from '../given'
import type { Block } from '../types'
import { fallbackOf } from './banks'

/** What each bank is for, what it varies, and the key that does where it is the wrong one. */
export function bankPurposesPart({ model, plan }: Given): Block[] {
  const slots = plannedSlots(model, plan)
  if (slots.length === 0) return []
  return [
    { part: 'banks', kind: 'heading', text: 'Banks' },
    {
      part: 'banks',
      kind: 'table',
      name: 'Banks',
      columns: ['Bank', 'For', 'Differs from base', 'If it fails'],
      lines: slots.map((slot) => ({
        cells: [
          { text: `${slot.name} (${sideWords(slot.side).toLowerCase()})`, isStrong: true },
          { text: slot.purpose ?? '' },
          { text: variedWords({ model }, slot.rows) },
          { text: fallbackOf(model, plan, slot) ?? '' },
        ],
      })),
    },
  ]
}

function variedWords({ model }: Pick<Given, 'model'>, rows: Readonly<Record<string, unknown>>): string {
  const said = model.settings.flatMap(({ id, label, domain }) => {
    const value = rows[id]
    if (value === undefined) return []
    const shown = showValue(domain, value as never)
    return [shown.startsWith(label) ? shown : `${label} ${shown}`]
  })
  return said.length === 0 ? 'Equal to base.' : said.join(' · ')
}

/** The values of base that matter most, side by side. */
export function basePart({ model, plan, lenses, stateIn }: Given): Block[] {
  const means = [
    ...['exposure.mode', 'exposure.shutter', 'exposure.aperture', 'exposure.iso', 'exposure.isoAuto'],
    ...['exposure.isoAutoCeiling', 'focus.mode', 'focus.area', 'image.kind', 'movie.frameRate', 'movie.size'],
    ...['movie.profile', 'colour.balance', 'shutter.kind'],
  ]
  const sides = model.sides.flatMap((side) => {
    const usual = usualContext(model, plan, lenses, side)
    return usual ? [{ side, state: stateIn(usual.context) }] : []
  })
  const lines = means.flatMap((one) => {
    const setting = lookup(model).byMeaning.get(one)
    if (!setting) return []
    return [
      {
        cells: [
          { text: setting.label },
          ...sides.map(({ side, state }) => {
            const isOther =
              (one.startsWith('movie.') && side === 'stills') ||
              (one.startsWith('image.') && side === 'motion')
            const found = isOther ? undefined : valueMeaning(model, state, one)
            return { text: found ? showValue(found.setting.domain, found.value) : '' }
          }),
        ],
      },
    ]
  })
  return [
    { part: 'base', kind: 'heading', text: 'Base' },
    {
      part: 'base',
      kind: 'table',
      name: 'Base',
      columns: ['', ...sides.map(({ side }) => sideWords(side))],
      lines,
    },
  ]
}

/** Three things not to forget: the owner’s own first, then what nothing restores, what stays changed, risks, and the worst problem. */
export function rememberPart(given: Given): Block[] {
  const { model, plan, lenses } = given
  const remembered = columnsOf(model, plan, lenses).flatMap(({ kind, name }) =>
    kind === 'position' ? [`${name} is a remembered position: no bank and no reset brings it back.`] : [],
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
  if (three.length === 0) return []
  return [
    { part: 'remember', kind: 'heading', text: 'Not to forget' },
    { part: 'remember', kind: 'words', lines: three },
  ]
}

/** What the AF point cannot do, so that the picture is framed anew after focusing. */
export function pointPart({ model }: Given): Block[] {
  const { focus } = model
  const zones = [
    ...(focus.detectionZone ? ['Subjects are found within the detection zone only.'] : []),
    ...(focus.trackingZone ? ['Tracking follows within its zone only.'] : []),
  ]
  const reach = `The AF point goes over ${focus.columns} × ${focus.rows} places; what lies outside is focused first and framed after.`
  return [
    { part: 'point', kind: 'heading', text: 'AF point' },
    { part: 'point', kind: 'words', lines: [reach, ...zones] },
  ]
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
      ? [`${family.name} (${names}): what you change is gone once the bank is left. You cannot break it.`]
      : [`${family.name} (${names}): what you change stays. Write down what you change.`]
  })
  return [
    { part: 'leave', kind: 'heading', text: 'Leave alone' },
    { part: 'leave', kind: 'words', lines: alone.length === 0 ? ['Nothing in particular.'] : alone },
    { part: 'restart', kind: 'heading', text: 'What comes back on a restart' },
    {
      part: 'restart',
      kind: 'words',
      lines: back.length === 0 ? ['No banks: everything stays as it is left.'] : back,
    },
  ]
}

/** What is otherwise on models that are taken for this one. */
export function siblingsPart({ model, plan, siblings = [] }: Given): Block[] {
  return siblings.flatMap((sibling): Block[] => {
    const { lines } = fit(model, plan, sibling)
    const other = lines.filter(({ how }) => how !== 'carried')
    return [
      { part: 'siblings', kind: 'heading', text: `On ${sibling.name}` },
      {
        part: 'siblings',
        kind: 'words',
        lines:
          other.length === 0
            ? ['All of it can be had there too.']
            : other.map(({ was, becomes, because }) => `${was}: ${becomes ?? 'not there'}. ${because}`),
      },
    ]
  })
}
