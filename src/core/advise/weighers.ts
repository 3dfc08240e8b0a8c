import type { Place } from '../known/known'
import type { BodyModel } from '../model/types'
import { resultOf } from '../numbers/ask'
import type { Known } from '../numbers/given'
import { showAmount } from '../numbers/quantities'
import { plannedSlots, type Plan } from '../plan/plan'
import { situationName, situationSide, situationSlot, situationsOf, workOf } from '../plan/situations'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution } from '../resolve/resolved'
import type { Weighed } from './weighed'

/** Where an adviser weighs. */
interface Here {
  readonly model: BodyModel
  readonly plan: Plan
  readonly place: Place
  readonly state: Resolution
  readonly known: Known
}

/** What is reckoned for an option of a common setting, besides what the table says of it. */
export const weighers: Readonly<Record<string, (here: Here) => (option: string) => Weighed[]>> = {
  'movie.size': sizeWeighs,
  'cards.second': roleWeighs,
  'movie.recordUsesSlot': bankWeighs,
}

/** A film size against what is delivered, the rate in force, and the card. */
function sizeWeighs({ model, plan, place, state, known }: Here) {
  const delivery = place.situation === null ? undefined : workOf(plan, place.situation).delivery
  const rate = String(valueMeaning(model, state, 'movie.frameRate')?.value)
  return (size: string): Weighed[] => {
    const width = model.sensor.filmWidths[size]
    const formats = model.cards.movieFormats.filter((one) => one.size === size)
    const format = formats.find(({ rates }) => rates.includes(rate))
    return [
      ...(delivery === undefined || width === undefined ? [] : [widthWeighs(width, delivery)]),
      ...(formats.length > 0 && !format
        ? [{ points: -8, words: `It has no ${rate}.`, by: 'Frame rate' }]
        : []),
      ...(format ? cardWeighs(known, { typed: `${format.rateMbps} Mbit/s`, from: format.codec }) : []),
    ]
  }
}

function widthWeighs(width: number, delivery: number): Weighed {
  const by = 'What is delivered'
  if (width < delivery)
    return { points: -6, words: `${width} across is fewer than the ${delivery} delivered.`, by }
  return width >= delivery * 1.9
    ? {
        points: 1,
        words: `${showAmount('times', width / delivery)} as wide as delivered: room to cut.`,
        by,
      }
    : { points: 3, words: `Wide enough for the ${delivery} delivered.`, by }
}

function cardWeighs(known: Known, bitrate: { readonly typed: string; readonly from: string }): Weighed[] {
  const spare = resultOf('film-card', 'spare', known, { bitrate })
  const minutes = resultOf('film-minutes', 'minutes', known, { bitrate })
  return [
    ...(spare?.most != null && spare.most < 1
      ? [
          {
            points: -8,
            words: `The card does not keep up: it has ${spare.words} of ${bitrate.typed}.`,
            by: 'Card',
          },
        ]
      : []),
    ...(minutes?.least != null
      ? [
          {
            points: minutes.least < 30 ? -2 : 0,
            words: `${minutes.words} on your card at ${bitrate.typed}.`,
            by: 'Card',
          },
        ]
      : []),
  ]
}

/** What the two cards hold in a role, and how many pictures a second they keep up. */
function roleWeighs({ known }: Here) {
  return (role: string): Weighed[] => {
    const asked = { role: { typed: role, from: 'the option' } }
    const [frames, pace] = (['frames', 'pace'] as const).map((one) =>
      resultOf('two-cards', one, known, asked),
    )
    if (!frames) return []
    const also = pace ? `, ${pace.words} kept up` : ''
    return [{ points: 0, words: `${frames.words} pictures on your two cards${also}.`, by: 'Cards' }]
  }
}

/** A bank for the record key: what is filmed with it, and whether it is set up at all. */
function bankWeighs({ model, plan }: Here) {
  const family = model.filming?.family
  return (option: string): Weighed[] => {
    if (option === 'plain' || family === undefined) return []
    const slot = model.families.find(({ id }) => id === family)?.slots.find(({ id }) => id === option)
    const by = slot?.name ?? option
    if (!plannedSlots(model, plan).some((one) => one.family === family && one.slot === option))
      return [{ points: -6, words: 'It is not set up: it films as delivered.', by }]
    const shot = situationsOf(plan).filter((id) => {
      const bank = situationSlot(plan, id)
      return situationSide(model, plan, id) === 'motion' && bank?.family === family && bank.slot === option
    })
    return [
      { points: 1, words: 'Registered: it films the same each time, whatever was last used.', by },
      ...shot.map((id) => suddenness(plan, id)),
    ]
  }
}

/** Whoever presses the record key in stills has no time: what moves deserves it before what waits. */
function suddenness(plan: Plan, id: string): Weighed {
  const { movement } = workOf(plan, id)
  const by = situationName(plan, id)
  if (movement === 'running' || movement === 'fastest')
    return { points: 4, words: 'It does not wait until you have turned to film.', by }
  if (movement === 'walking') return { points: 3, words: 'It moves on while you turn to film.', by }
  return { points: 2, words: 'It is filmed with this bank.', by }
}
