import { bring } from './begin'
import { setBack } from './care'
import { Composer } from './composer'
import type { SetOrder } from './wanted'

const part = 'Set up'
const shoot = 'Shoot'

/** On a support, with nothing in the camera that moves the picture between two frames. */
function onSupport(composer: Composer): void {
  composer.doing('support', 'Put the camera on a tripod or a copy stand', { part })
  bring(composer, 'stabiliser.mode', 'off', { part, because: 'On a support it drifts from frame to frame.' })
}

/** Pictures darker and brighter than metered, without a hand on the camera. */
export function bracketJob(order: SetOrder): Composer {
  const composer = new Composer(order)
  onSupport(composer)
  bring(composer, 'exposure.bracketFrames', 5, { part })
  bring(composer, 'exposure.bracketStep', '+1 EV', { part })
  const isSet = bring(composer, 'exposure.bracketKind', 'exposure', {
    part,
    because: 'Numbers, Exposure bracket, has the shutter speeds that come of it.',
  })
  if (!isSet) return new Composer(order)
  bring(composer, 'drive.timer', 2, { part })
  bring(composer, 'drive.mode', 'timer', {
    part,
    because: 'The finger is off the camera when the first is taken.',
  })
  const taken = composer.doing('bracket', 'Take the bracket: press the shutter button once, and wait', {
    part: shoot,
    events: [{ kind: 'full' }],
    because: 'Where each picture needs a press of its own, press until all are taken: test on body.',
  })
  composer.doing('ends', 'Look at the darkest and at the brightest picture', {
    part: shoot,
    after: [taken],
    expect: 'the lights have drawing in the darkest, the darks in the brightest',
  })
  setBack(composer, order, 'As it was')
  return composer
}

/** What a series is begun with in the menu, and how it is looked at; everything is put back after it. No procedure where the body has no such act. */
function seriesJob(
  order: SetOrder,
  does: 'interval' | 'series',
  prepare: (composer: Composer) => void,
  { warning, look }: { warning: string; look: { words: string; expect: string; because?: string } },
): Composer {
  const composer = new Composer(order)
  onSupport(composer)
  bring(composer, 'drive.mode', 'single', { part })
  prepare(composer)
  const begun = composer.menuAct(does, { part: shoot, warning })
  if (begun === null) return new Composer(order)
  const { words, ...seen } = look
  composer.doing('look', words, { part: shoot, after: [begun], ...seen })
  setBack(composer, order, 'As it was')
  return composer
}

/** A picture every so many seconds, that differ in nothing but what moves. */
export function intervalJob(order: SetOrder): Composer {
  const prepare = (composer: Composer) => {
    composer.doing(
      'room',
      'See that battery and card last: Numbers, Interval series, says how many pictures',
      { part },
    )
    bring(composer, 'focus.mode', 'manual', { part, because: 'Focus that hunts once spoils the series.' })
    bring(composer, 'exposure.isoAuto', false, {
      part,
      because: 'The light flickers from frame to frame where the ISO is chosen anew.',
    })
    bring(composer, 'drive.interval', 5, {
      part,
      because: 'Longer than the shutter speed, with a second to spare.',
    })
    bring(composer, 'drive.intervalFrames', 300, { part })
    composer.doing('focus-by-hand', 'Focus by hand, and leave the ring alone', { part })
  }
  return seriesJob(order, 'interval', prepare, {
    warning: 'A touch on the camera shows in the series.',
    look: {
      words: 'Look at the first pictures, then leave it alone until it ends',
      expect: 'sharp, and exposed alike',
    },
  })
}

/** Pictures from near to far, to be stacked. */
export function focusSeriesJob(order: SetOrder): Composer {
  const prepare = (composer: Composer) => {
    bring(composer, 'focus.mode', 'once', {
      part,
      because: 'The camera moves the focus itself: it needs autofocus.',
    })
    bring(composer, 'focus.seriesStep', 3, { part })
    bring(composer, 'focus.seriesFrames', 30, {
      part,
      because: 'Numbers, Focus series, says how many it takes from near to far with your lens.',
    })
    composer.doing('nearest', 'Focus on what is nearest of what has to be sharp', { part })
  }
  return seriesJob(order, 'series', prepare, {
    warning: 'The screen is dark until it ends, and the shutter button does nothing.',
    look: {
      words: 'Look at the first and at the last picture',
      expect: 'the nearest is sharp in the first, the farthest in the last',
      because:
        'Where the last falls short: more pictures, or a larger step. Some bodies put them into a folder of their own: test on body.',
    },
  })
}
