import type { BodyModel } from '../../model/types'
import { valueMeaning } from '../../resolve/meaning'
import { pressRecord } from '../../resolve/filming'
import { did, refusedIt, type Lived } from './events'
import { exposedNow } from './expose'
import { focusNow, resolutionNow } from './key-presses'
import { contextOf, memoryPlan, type LiveState } from './state'

const megabyte = 1_000_000

/** What the full press does: a picture, film, or nothing. */
export function takePicture(model: BodyModel, state: LiveState): Lived {
  const { full, does } = focusNow(model, state)
  if (full === 'records') return record(model, state)
  if (full === 'nothing') return { state, log: [did('The full press does nothing here.')] }
  const { card } = state.body
  const value = valueOf(model, state)
  if (card === null && value('shutter.withoutCard') !== true)
    return { state, log: [refusedIt('No picture: there is no card.')] }
  if (card?.locked) return { state, log: [refusedIt('No picture: the card is locked.')] }
  const bytes = pictureBytes(model, value)
  if (card && card.freeBytes < bytes) return { state, log: [refusedIt('No picture: the card is full.')] }
  const body = card ? { ...state.body, card: { ...card, freeBytes: card.freeBytes - bytes } } : state.body
  const sharp = full === 'picture-when-sharp' && does === 'no' ? ' after focusing' : ''
  const number = state.pictures + 1
  return {
    state: { ...state, body, pictures: number },
    log: [did(`Picture ${number}${sharp}, of ${state.scene.subject}.${exposureWords(model, state)}`)],
  }
}

/** What it was exposed with, and how far that is from what was metered. */
function exposureWords(model: BodyModel, state: LiveState): string {
  const found = exposedNow(model, state)
  if (!found) return ''
  const { shutter, aperture, iso, off } = found
  const stops = Math.round(Math.abs(off) * 10) / 10
  const light =
    Math.abs(off) < 0.35
      ? ''
      : `: ${stops} ${stops === 1 ? 'stop' : 'stops'} too ${off > 0 ? 'bright' : 'dark'}`
  return ` ${shutter.mark}, ${aperture.mark}, ${iso.mark}${light}.`
}

/** Recording begins, or ends; from stills it goes where the model says, and comes back. */
export function record(model: BodyModel, state: LiveState): Lived {
  if (state.run === 'recording') {
    const back = state.resume ?? {}
    const next: LiveState = { ...state, ...back, run: 'standby', resume: null, films: state.films + 1 }
    return { state: next, log: [did(`Film ${next.films} ends.`)] }
  }
  if (state.body.card === null) return { state, log: [refusedIt('No film: there is no card.')] }
  if (state.body.card.locked) return { state, log: [refusedIt('No film: the card is locked.')] }
  const led = pressRecord(model, memoryPlan(state), contextOf(state))
  const [to] = led.to
  if (!to) return { state, log: [refusedIt(led.because)] }
  const from =
    state.side === 'stills' ? { side: state.side, banks: state.banks, position: state.position } : null
  const test = led.to.length > 1 ? [{ kind: 'test' as const, words: led.because }] : []
  const next: LiveState = {
    ...state,
    side: to.side,
    banks: to.banks,
    position: to.position ?? null,
    run: 'recording',
    resume: from,
  }
  return { state: next, log: [...test, did(`Film ${state.films + 1} begins. ${led.because}`)] }
}

/** The card after so many seconds of film; the film ends when it is full. */
export function filmed(model: BodyModel, state: LiveState, seconds: number): Lived {
  const { card } = state.body
  if (state.run !== 'recording' || !card) return { state, log: [] }
  const value = valueOf(model, state)
  const [size, rate] = [value('movie.size'), value('movie.frameRate')]
  const formats = model.cards.movieFormats
  const format =
    formats.find((one) => one.size === size && one.rates.includes(String(rate))) ??
    formats.find((one) => one.size === size) ??
    formats[0]
  const bytes = Math.round(((format?.rateMbps ?? 0) / 8) * megabyte * seconds)
  const freeBytes = Math.max(0, card.freeBytes - bytes)
  const next = { ...state, body: { ...state.body, card: { ...card, freeBytes } } }
  if (card.freeBytes > bytes) return { state: next, log: [] }
  const ended = record(model, next)
  return { state: ended.state, log: [refusedIt('The card is full.'), ...ended.log] }
}

/** A raw file in the middle of its range; a finished one reckoned as a third of that; both together where both are written. */
function pictureBytes(model: BodyModel, value: (means: string) => unknown): number {
  const ranges = model.cards.rawMegabytes
  const [least, most] = ranges[String(value('image.rawKind'))] ?? Object.values(ranges)[0] ?? [30, 30]
  const raw = ((least + most) / 2) * megabyte
  const kind = value('image.kind')
  return Math.round(kind === 'raw' ? raw : kind === 'both' ? raw * (4 / 3) : raw / 3)
}

function valueOf(model: BodyModel, state: LiveState): (means: string) => unknown {
  const resolution = resolutionNow(model, state)
  return (means) => valueMeaning(model, resolution, means)?.value
}
