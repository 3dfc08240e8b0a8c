import { filmSettings } from '../banks/sizes'
import { knownAt, type Place } from '../known/known'
import { excerptOf } from '../model/excerpt'
import { showValue, valuesOf } from '../model/domain'
import { lookup } from '../model/lookup'
import type { MovieFormat } from '../model/gear-types'
import type { BodyModel, Setting } from '../model/types'
import { resultOf } from '../numbers/ask'
import type { Known } from '../numbers/given'
import { readAmount } from '../numbers/quantities'
import type { Plan } from '../plan/plan'
import type { RowId } from '../plan/rows'
import type { Context } from '../resolve/context'
import type { Resolution, StateIn } from '../resolve/resolved'
import { effectiveState, refusing, type State } from '../resolve/state'
import { route } from '../route/route'
import { sameValue, type Value } from '../vocabulary/values'
import { rowsSetting } from './rows-setting'

/** One size at one frame rate, with what it writes and what it costs here. */
export interface FilmFormat {
  readonly id: string
  readonly size: string
  readonly rate: string
  readonly codec: string
  /** In Mbit/s, as the body has it. */
  readonly bitrate: number
  /** "126 GB" an hour. */
  readonly hourly: string
  /** Minutes on the first card, in words, and whether it keeps up; null where nobody describes the card. */
  readonly onCard: { readonly words: string; readonly keepsUp: boolean | null } | null
  /** "4 ×" slower than it is played; null where it is played as shot, or nobody says at what rate. */
  readonly slower: string | null
  /** Pixels across, and whether they are enough for what is delivered; null where nobody says what is. */
  readonly width: number | null
  readonly isWideEnough: boolean | null
  readonly isNow: boolean
  /** The rules in the way as the camera stands; empty where it can be chosen. */
  readonly because: readonly string[]
  /** What to change first, in the camera's order, each with its menu line; empty where nothing has to be. */
  readonly first: readonly string[]
  /** Why no changes lead to it; null where they do. */
  readonly cannot: string | null
  /** What cannot be chosen besides it: "Movie compression: All-intra". */
  readonly excludes: readonly { readonly setting: string; readonly value: Value; readonly words: string }[]
  /** What it brings that is not there now: heat, no sound. */
  readonly costs: readonly string[]
  /** What is set by taking it, what has to be changed first included. */
  readonly rows: Readonly<Record<RowId, Value>>
}

/** The film formats of a place, and what goes with none of them as the camera stands. */
export interface FilmFormats {
  readonly formats: readonly FilmFormat[]
  readonly withNone: readonly string[]
}

/**
 * Every film format of a body in a place of a plan: the sizes as the body lists them, each at its rates; a rate of both
 * mains regions once. None in a place of stills, and on a body that does not film.
 */
export function filmFormats(model: BodyModel, plan: Plan, place: Place, stateIn: StateIn): FilmFormats {
  const formats = everyFormat(model, plan, place, stateIn)
  const reached = formats.filter(({ cannot }) => cannot === null)
  const everywhere = (words: string) =>
    reached.length > 1 && reached.every(({ excludes }) => excludes.some((one) => one.words === words))
  const [first] = reached
  return {
    withNone: (first?.excludes ?? []).flatMap(({ words }) => (everywhere(words) ? [words] : [])),
    formats: formats.map((one) => ({
      ...one,
      excludes: one.excludes.filter(({ words }) => !everywhere(words)),
    })),
  }
}

function everyFormat(model: BodyModel, plan: Plan, place: Place, stateIn: StateIn): FilmFormat[] {
  if (place.column.side !== 'motion') return []
  const at = (means: string) => lookup(model).byMeaning.get(means)
  const [size, rate] = [at('movie.size'), at('movie.frameRate')]
  if (!size || !rate) return []
  const others = filmSettings(model).filter((one) => one !== size && one !== rate)
  const here: Here = {
    ...{ model, plan, place, stateIn, size, rate, others },
    region: at('movie.region') ?? null,
    part: excerptOf(model, { settings: filmSettings(model).map(({ id }) => id) }),
    known: knownAt(model, plan, place, stateIn),
    now: stateIn(place.column.context),
  }
  const sizes = (valuesOf(size.domain) ?? []).map(String)
  const marks = (valuesOf(rate.domain) ?? []).map(String)
  const regionNow = here.region && here.now.settings.get(here.region.id)?.value
  const isHere = ({ regionHz }: MovieFormat) => regionHz === undefined || `r${regionHz}` === regionNow
  const offered = model.cards.movieFormats.flatMap((format) => format.rates.map((mark) => ({ format, mark })))
  const twice = ({ format, mark }: (typeof offered)[number]) =>
    !isHere(format) &&
    offered.some((one) => one.mark === mark && one.format.size === format.size && isHere(one.format))
  const orderOf = ({ format, mark }: (typeof offered)[number]) =>
    sizes.indexOf(format.size) * marks.length + marks.indexOf(mark)
  return offered
    .filter((one) => !twice(one))
    .sort((one, two) => orderOf(one) - orderOf(two))
    .map(({ format, mark }) => formatOf(here, format, mark))
}

interface Here {
  readonly model: BodyModel
  readonly plan: Plan
  readonly place: Place
  readonly stateIn: StateIn
  readonly size: Setting
  readonly rate: Setting
  readonly region: Setting | null
  readonly others: readonly Setting[]
  /** The part of the model that film hangs on. */
  readonly part: BodyModel
  readonly known: Known
  readonly now: Resolution
}

function formatOf(here: Here, format: MovieFormat, mark: string): FilmFormat {
  const { model, plan, place, size, rate, region, now } = here
  const { context } = place.column
  const ofRegion = format.regionHz === undefined || !region ? {} : { [region.id]: `r${format.regionHz}` }
  const wanted: Readonly<Record<string, Value>> = { [size.id]: format.size, [rate.id]: mark, ...ofRegion }
  const isNow = Object.entries(wanted).every(([id, value]) => sameValue(now.settings.get(id)?.value, value))
  const tried = effectiveState(here.part, plan, editedTo(context, wanted))
  const because = isNow
    ? []
    : [...new Set(Object.entries(wanted).flatMap(([id, value]) => refusing(tried, id, value)))]
  const whole = isNow ? wanted : { ...giveWay(here, tried), ...wanted }
  const found = isNow ? null : route(here.part, plan, context, { values: whole })
  const moved = found?.ok ? settled(found.value.steps.map(({ move }) => move)) : {}
  const then = editedTo(context, { ...moved, ...whole })
  const reached = found === null || found.ok
  return {
    ...{ id: `${format.size}-${mark}`, isNow, because },
    size: showValue(size.domain, format.size),
    ...{ rate: mark, codec: format.codec, bitrate: format.rateMbps },
    ...numbersOf(here, format, mark),
    first: found?.ok
      ? found.value.steps
          .filter(
            ({ move }) => move.kind === 'setting' && move.setting !== size.id && move.setting !== rate.id,
          )
          .map(({ words, where }) => `${words} (${where})`)
      : [],
    cannot: found && !found.ok ? found.refusal.message : null,
    excludes: reached ? excluded(here, then) : [],
    costs: reached ? costsOf(here, then) : [],
    rows: isNow || !reached ? {} : rowsSetting(model, plan, place, settingsOf(model, { ...moved, ...whole })),
  }
}

/** The other choices that a format leaves no room for as they stand, each at the first of its values that it does. */
function giveWay({ others, now }: Here, tried: State): Record<string, Value> {
  return Object.fromEntries(
    others.flatMap((setting) => {
      const value = now.settings.get(setting.id)?.value
      if (value === undefined || refusing(tried, setting.id, value).length === 0) return []
      const free = valuesOf(setting.domain)?.find((one) => refusing(tried, setting.id, one).length === 0)
      return free === undefined ? [] : [[setting.id, free] as const]
    }),
  )
}

function settingsOf(model: BodyModel, values: Readonly<Record<string, Value>>) {
  return Object.entries(values).flatMap(([id, value]) => {
    const setting = lookup(model).settings.get(id)
    return setting ? [{ setting, value }] : []
  })
}

function editedTo(context: Context, values: Readonly<Record<string, Value>>): Context {
  return { ...context, edits: { ...context.edits, ...values } }
}

/** Where settings end up after moves. */
function settled(
  moves: readonly { readonly kind: string; readonly setting?: string; readonly to?: unknown }[],
): Record<string, Value> {
  return Object.fromEntries(
    moves.flatMap(({ kind, setting, to }) =>
      kind === 'setting' && setting !== undefined ? [[setting, to as Value] as const] : [],
    ),
  )
}

/** What it writes, against the card, what is delivered, and how it is played. */
function numbersOf({ model, known }: Here, format: MovieFormat, mark: string) {
  const bitrate = { typed: `${format.rateMbps} Mbit/s`, from: format.codec }
  const minutes = resultOf('film-minutes', 'minutes', known, { bitrate })
  const spare = resultOf('film-card', 'spare', known, { bitrate })
  const factor = resultOf('slow-motion', 'factor', known, { captured: { typed: mark, from: 'the format' } })
  const width = model.sensor.filmWidths[format.size] ?? null
  const delivery = known['work.delivery']
  const delivered = delivery ? readAmount('pixels', delivery.typed) : null
  return {
    hourly: resultOf('data-rate', 'hourly', {}, { bitrate })?.words ?? '',
    onCard: minutes && {
      words: minutes.words,
      keepsUp: spare === null || spare.least === null ? null : spare.least >= 1,
    },
    slower: factor?.least != null && factor.least > 1.01 ? factor.words : null,
    width,
    isWideEnough: width === null || !delivered?.ok ? null : width >= delivered.value[1],
  }
}

/** The values of what else film is written with that cannot be chosen then. */
function excluded({ part, plan, others }: Here, then: Context): FilmFormat['excludes'] {
  const state = effectiveState(part, plan, then)
  return others.flatMap((setting) =>
    (valuesOf(setting.domain) ?? [])
      .filter((value) => refusing(state, setting.id, value).length > 0)
      .map((value) => ({
        ...{ setting: setting.id, value },
        words: `${setting.label}: ${showValue(setting.domain, value)}`,
      })),
  )
}

/** What the body says of the format that it does not say as it stands: hazards, and what it forces. */
function costsOf({ now, stateIn }: Here, then: Context): string[] {
  const said = (state: Resolution) =>
    new Set(
      [...state.settings.values()].flatMap(({ setting: { label, domain }, value, remarks, chain }) => [
        ...remarks.filter(({ kind }) => kind === 'hazard').map(({ because }) => `${label}: ${because}`),
        ...chain.flatMap(({ layer, because }) =>
          layer === 'rule' && because !== null
            ? [`${label} becomes ${showValue(domain, value)}: ${because}`]
            : [],
        ),
      ]),
    )
  const before = said(now)
  return [...said(stateIn(then))].filter((words) => !before.has(words))
}
