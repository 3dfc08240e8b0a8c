import { showValue } from '../../model/domain'
import type { BodyModel } from '../../model/types'
import { plannedSlots } from '../../plan/plan'
import { valueMeaning } from '../../resolve/meaning'
import { resolutionNow } from './key-presses'
import { memoryPlan, type LiveState } from './state'

/** One thing a display shows: what it is called, its value, and why it is not to be trusted, where it is not. */
export interface Shown {
  readonly label: string
  readonly value: string
  readonly because: string | null
}

/** What the displays of a body show. */
export interface Display {
  /** Dark while the camera is off. */
  readonly on: boolean
  /** Stop or bank, and the side. */
  readonly place: string
  readonly recording: boolean
  /** The line under the picture: exposure as photographers write it. */
  readonly line: readonly Shown[]
  /** More, on the rear screen. */
  readonly more: readonly Shown[]
  /** The list a key has opened; the next turn chooses from it. */
  readonly list: { readonly label: string; readonly at: string } | null
}

const underPicture = [
  'exposure.mode',
  'exposure.shutter',
  'exposure.aperture',
  'exposure.iso',
  'exposure.compensation',
]

const behind = {
  stills: ['focus.mode', 'focus.area', 'drive.mode', 'image.kind', 'colour.balanceMode', 'shutter.kind'],
  motion: [
    'movie.frameRate',
    'movie.size',
    'movie.profile',
    'focus.mode',
    'focus.area',
    'colour.balanceMode',
  ],
} as const

/** What finder and rear screen show now. */
export function displayOf(model: BodyModel, state: LiveState): Display {
  const resolution = resolutionNow(model, state)
  const shown = (means: string): Shown[] => {
    const resolved = valueMeaning(model, resolution, means)
    if (!resolved) return []
    const remark = resolved.remarks.find(({ truth }) => truth === 'yes')
    const value = showValue(resolved.setting.domain, resolved.value)
    return [{ label: resolved.setting.label, value, because: remark?.because ?? null }]
  }
  const listed = state.list === null ? undefined : resolution.settings.get(state.list)
  return {
    on: state.on,
    place: placeWords(model, state),
    recording: state.run === 'recording',
    line: underPicture.flatMap(shown),
    more: behind[state.side].flatMap(shown),
    list: listed ? { label: listed.setting.label, at: showValue(listed.setting.domain, listed.value) } : null,
  }
}

/** The bank in force by the owner's name, else the stop of the dial. */
function placeWords(model: BodyModel, state: LiveState): string {
  const names = plannedSlots(model, memoryPlan(state))
    .filter(({ family, slot }) => state.banks[family] === slot)
    .map(({ name }) => name)
  const stop = model.positions.find((one) => one.id === state.position)
  return names.length > 0 ? names.join(' · ') : (stop?.name ?? state.side)
}
