import { checkValue, showValue } from '../model/domain'
import { baseValue, baseRow, plainly } from '../plan/cells'
import { rowValue } from '../plan/step'
import { disputeCalled } from '../vocabulary/schools'
import { sameValue, type Value } from '../vocabulary/values'
import { mendBy, type Check, type CheckInput, type Said } from './finding'
import { settingMeaning } from './meaning'

/** What the chosen schools ask of the base. */
export const schoolChecks: readonly Check[] = [
  {
    id: 'against-school',
    title: 'A base value that is not what your school does',
    severity: 'tidies',
    needs: ['J7', '§10'],
    reasonSilences: true,
    run: (input) => asks.flatMap((one) => against(input, one)),
  },
]

interface Asks {
  readonly dispute: string
  readonly school: string
  readonly means: string
  readonly value: Value
}

/** What a school does, in the values that models share. */
const asks: readonly Asks[] = [
  ...asking('focus-start', 'focus.halfPress', { thumb: false, 'half-press': true, both: true }),
  ...asking('focus-hold', 'focus.mode', { tap: 'once', hold: 'follow' }),
  ...asking('focus-box', 'focus.area', { small: 'point', large: 'zone', frame: 'frame' }),
  ...asking('detection-always', 'focus.detection', { always: true, held: false }),
  ...asking('exposure-way', 'exposure.mode', { manual: 'manual', 'manual-auto-iso': 'manual' }),
  ...asking('exposure-way', 'exposure.isoAuto', { manual: false, 'manual-auto-iso': true, priority: true }),
  ...asking('balance-way', 'colour.balanceMode', { kelvin: 'kelvin', auto: 'auto' }),
  ...asking('file-kind', 'image.kind', { raw: 'raw', 'raw-and-small': 'both', processed: 'finished' }),
  ...asking('raw-packing', 'image.rawKind', { lossless: 'exact', lossy: 'lossy', none: 'open' }),
  ...asking('film-tone', 'movie.profile', { log: 'log', flat: 'flat', standard: 'normal' }),
  ...asking('zebra-level', 'assist.zebraLevel', { ninety: 90, 'ninety-five': 95, hundred: 100 }),
  ...asking('zebra-level', 'assist.zebra', { ninety: true, 'ninety-five': true, hundred: true, none: false }),
  ...asking('shutter-type', 'shutter.kind', {
    electronic: 'silent',
    'first-curtain': 'first',
    mechanical: 'curtain',
  }),
  ...asking('second-card', 'cards.second', { overflow: 'overflow', mirror: 'mirror', split: 'split' }),
  ...asking('touch-use', 'controls.touch', { on: 'all', off: 'off', zoned: 'point' }),
  ...asking('shield', 'shutter.closeAtPowerOff', { open: false, closed: true }),
  ...asking('heat', 'movie.heatLimit', { standard: 'normal', raised: 'high' }),
  ...asking('finder-switch', 'display.finderSwitch', { automatic: 'by-eye', manual: 'finder' }),
]

function asking(dispute: string, means: string, values: Readonly<Record<string, Value>>): Asks[] {
  return Object.entries(values).map(([school, value]) => ({ dispute, school, means, value }))
}

function against({ model, plan, side, first }: CheckInput, { dispute, school, means, value }: Asks): Said[] {
  const setting = settingMeaning(model, means)
  if (!setting || rowValue(plan.rows, `school/${dispute}`) !== school) return []
  if (setting.place !== 'side' && !first) return []
  const row = baseRow(plan.rows, setting, plainly(model, side))
  const now = baseValue(model, plan.rows, setting, side)
  const chosen = disputeCalled(dispute)?.schools.find((one) => one.id === school)
  if (!chosen || sameValue(now, value) || setting.place === 'physical') return []
  const there = checkValue(setting.domain, value, row).ok
  const words = there ? showValue(setting.domain, value) : 'nothing like it'
  return [
    {
      title: `${setting.label} is ${showValue(setting.domain, now)}; your school says ${chosen.name.toLowerCase()}`,
      reason: there
        ? `${chosen.reason} That is ${words} here.`
        : `${chosen.reason} This body has no such value of ${setting.label}.`,
      row,
      mends: there ? [mendBy(plan, `Set ${words}`, 'against-school', { [row]: value })] : [],
    },
  ]
}
