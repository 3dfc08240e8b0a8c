import { showValue } from '../model/domain'
import type { BodyModel } from '../model/types'
import { valueMeaning } from '../resolve/meaning'
import type { Resolution, ResolvedSetting } from '../resolve/resolved'

/** A burst as a state has it: what is asked, what shutter and files allow, and how long the buffer lasts. */
export interface Burst {
  readonly rate: ResolvedSetting
  /** Pictures a second asked for. */
  readonly asked: number
  /** Pictures a second that the shutter allows with these files; null where the model's table does not say. */
  readonly most: number | null
  readonly shutter: string
  readonly files: string
  /** Frames the buffer takes, least and most. */
  readonly frames: readonly [number, number]
  /** Seconds until it is full, from frames ÷ rate, the card taking nothing meanwhile. */
  readonly seconds: readonly [number, number]
}

/** The burst of a state; null where single pictures are taken, or the model has no rate to set. */
export function burstIn(model: BodyModel, state: Resolution): Burst | null {
  const [mode, rate, shutter, kind] = ['drive.mode', 'drive.rate', 'shutter.kind', 'image.kind'].map(
    (means) => valueMeaning(model, state, means),
  )
  if (mode?.value !== 'burst' || !rate || !shutter || !kind || typeof rate.value !== 'number') return null
  const files = kind.value === 'finished' ? ('processed' as const) : ('raw' as const)
  const rates = model.cards.bursts.filter((one) => one.shutter === shutter.value && one.files === files)
  // What is written faster as processed files is at least as fast as raw.
  const known =
    rates.length > 0
      ? rates
      : files === 'processed'
        ? model.cards.bursts.filter((one) => one.shutter === shutter.value)
        : []
  const most = known.length > 0 ? Math.max(...known.map(({ framesPerSecond }) => framesPerSecond)) : null
  const pace = Math.min(rate.value, most ?? rate.value)
  const [least, greatest] = model.cards.bufferFrames[files]
  return {
    rate,
    asked: rate.value,
    most,
    shutter: showValue(shutter.setting.domain, shutter.value),
    files: files === 'raw' ? 'raw files' : 'processed files',
    frames: [least, greatest],
    seconds: [least / pace, greatest / pace],
  }
}
