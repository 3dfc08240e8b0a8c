import type { Value } from './values'

/**
 * Where the toggles among the common functions go when their setting has more values than two: to the value that the
 * function is about. The next press comes back to what was set before.
 */
export const toggleValues: ReadonlyMap<string, Value> = new Map<string, Value>([
  ['focus.flipMode', 'manual'],
  ['focus.flipContinuous', 'follow'],
  ['focus.toggleTracking', 'off'],
  ['image.toggleRaw', 'both'],
  ['drive.timer', 'timer'],
  ['drive.preCapture', 'off'],
  ['shutter.toggleSilent', 'silent'],
  ['stabiliser.toggle', 'off'],
  ['flash.toggle', 'off'],
  ['assist.toggleWaveform', 'off'],
  ['controls.toggleTouch', 'off'],
  ['controls.swapDials', 'two'],
])
