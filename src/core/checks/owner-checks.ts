import { ladderSteps, showValue } from '../model/domain'
import { canBeEmpty, keyName } from '../model/controls'
import type { Control, Setting } from '../model/types'
import type { Plan } from '../plan/plan'
import { accidentNames, keyRow, ownerRow, rowValue } from '../plan/rows'
import { valueMeaning } from '../resolve/meaning'
import { stepOf } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { quickFix, type Check, type CheckInput, type CheckResult } from './finding'
import { keysIn, rowOf } from './meaning'

/** The plan held against its owner: eye, what has gone wrong by accident, own limits. */
export const ownerChecks: readonly Check[] = [
  {
    id: 'nose-on-pad',
    title: 'The nose is where the screen moves the AF point',
    severity: 'problem',
    cost: 300,
    once: true,
    needs: ['J4'],
    reasonSilences: true,
    run: noseOnPad,
  },
  {
    id: 'accident-again',
    title: 'Something that has gone wrong before, and can again',
    severity: 'problem',
    cost: 300,
    needs: ['J4'],
    reasonSilences: true,
    run: accidents,
  },
  {
    id: 'iso-never-wanted',
    title: 'Automatic ISO goes where you never want it',
    severity: 'problem',
    cost: 300,
    needs: ['§8'],
    reasonSilences: true,
    run: isoNever,
  },
  {
    id: 'corners-with-glasses',
    title: 'The corners of the finder are out of sight with glasses',
    severity: 'tidies',
    once: true,
    needs: ['J49'],
    reasonSilences: true,
    run: cornersWithGlasses,
  },
]

function said(plan: Plan, fact: 'eye' | 'glasses' | 'isoNever'): Value | null {
  return rowValue(plan.rows, ownerRow(fact))
}

/** A setting in the first state of a side, where it does something; the state it is in. */
function working({ model, states }: CheckInput, means: string) {
  const [one] = states
  const resolved = one && valueMeaning(model, one.resolution, means)
  if (!one || !resolved) return null
  const isIdle = resolved.remarks.some(({ kind, truth }) => kind === 'ineffective' && truth === 'yes')
  return isIdle ? null : { resolved, one }
}

/** Whether a zone of the touch pad leaves out the half of the screen where the nose lies: the left for the right eye, and the other way about. */
function clearOfNose({ domain }: Setting, value: Value, eye: Value): boolean {
  if (domain.kind === 'choice') return eye === 'right' ? value !== 'whole' : value === 'corner'
  if (domain.kind !== 'region' || typeof value !== 'string') return false
  const [left = 1, , right = domain.columns] = value.split(',').map(Number)
  const middle = domain.columns / 2
  return eye === 'right' ? left > middle : right <= middle
}

/** A zone that leaves out the half where the nose lies; null where there is none. */
function clearZone({ domain }: Setting, eye: Value): Value | null {
  if (domain.kind === 'choice')
    return domain.values.find(({ id }) => (eye === 'right' ? id === 'right' : id === 'corner'))?.id ?? null
  if (domain.kind !== 'region') return null
  const middle = Math.floor(domain.columns / 2)
  return eye === 'right'
    ? [middle + 1, 1, domain.columns, domain.rows].join()
    : [1, 1, middle, domain.rows].join()
}

/** At the finder the nose lies left of the right eye, and right of the left one: what moves the point there, it moves. */
function noseOnPad(input: CheckInput): CheckResult[] {
  const { model, plan, side } = input
  const eye = said(plan, 'eye')
  const pad = working(input, 'focus.touchPad')
  if (eye === null || pad?.resolved.value !== true) return []
  const zone = valueMeaning(model, pad.one.resolution, 'focus.touchPadZone')
  if (zone && clearOfNose(zone.setting, zone.value, eye)) return []
  const half = eye === 'right' ? 'left' : 'right'
  const clear = zone && clearZone(zone.setting, eye)
  const row = rowOf(model, plan, side, zone ?? pad.resolved)
  const off = rowOf(model, plan, side, pad.resolved)
  return [
    {
      title: `The nose moves the AF point: ${(zone ?? pad.resolved).setting.label} is ${showValue((zone ?? pad.resolved).setting.domain, (zone ?? pad.resolved).value)}`,
      reason: `With your ${String(eye)} eye at the finder the nose lies on the ${half} half of the screen.`,
      row,
      mends: [
        ...(zone && clear !== undefined && clear !== null
          ? [quickFix(plan, `Leave the ${half} half out`, 'nose-on-pad', { [row]: clear })]
          : []),
        quickFix(plan, 'Switch the touch pad off', 'nose-on-pad', { [off]: false }),
      ],
      seenIn: pad.one,
    },
  ]
}

/** Glasses keep the eye away from the finder: a picture as large as it goes has its corners out of sight. */
function cornersWithGlasses(input: CheckInput): CheckResult[] {
  const { model, plan, side } = input
  const size = working(input, 'display.finderSize')
  if (said(plan, 'glasses') !== true || size?.resolved.value !== 'full') return []
  const row = rowOf(model, plan, side, size.resolved)
  const { setting } = size.resolved
  const smaller =
    setting.domain.kind === 'choice' ? setting.domain.values.find(({ id }) => id === 'small') : undefined
  return [
    {
      title: `${setting.label} is ${showValue(setting.domain, size.resolved.value)}`,
      reason:
        'Glasses keep the eye further from the finder, and the corners of a large picture are then out of sight.',
      row,
      mends: smaller
        ? [
            quickFix(plan, `Set ${setting.label} to ${smaller.name}`, 'corners-with-glasses', {
              [row]: smaller.id,
            }),
          ]
        : [],
      seenIn: size.one,
    },
  ]
}

/** What makes an accident happen again: a setting at a value, or functions on controls of a kind. */
const causes: readonly {
  readonly accident: keyof typeof accidentNames
  readonly setting?: {
    readonly means: string
    readonly unless: (value: Value) => boolean
    readonly safe: Value
  }
  /** Gestures of controls that are worked by mistake. */
  readonly gestures?: (control: Control, gesture: string) => boolean
}[] = [
  {
    accident: 'nose-moved',
    setting: { means: 'focus.touchPad', unless: (value) => value === false, safe: false },
  },
  {
    accident: 'screen-touched',
    setting: { means: 'controls.touch', unless: (value) => value === 'off', safe: 'off' },
  },
  {
    accident: 'stick-brushed',
    setting: { means: 'focus.pointLock', unless: (value) => value === true, safe: true },
  },
  {
    accident: 'stick-brushed',
    setting: { means: 'controls.stickLock', unless: (value) => value === true, safe: true },
  },
  {
    accident: 'wheel-tilted',
    gestures: ({ kind }, gesture) => kind === 'wheel' && gesture.startsWith('tilt'),
  },
  {
    accident: 'dial-turned',
    gestures: ({ kind, bump }, gesture) =>
      (kind === 'ring' || kind === 'strip' || bump === 'high') && gesture.startsWith('turn'),
  },
  {
    accident: 'key-pressed',
    gestures: ({ kind, bump }, gesture) => kind === 'key' && bump === 'high' && gesture === 'press',
  },
]

function accidents(input: CheckInput): CheckResult[] {
  const { model, plan, side, first, states } = input
  const listed = rowValue(plan.rows, ownerRow('accidents'))
  const happened = Array.isArray(listed) ? (listed as readonly string[]) : []
  const [one] = states
  if (!one) return []
  return causes
    .filter(({ accident }) => happened.includes(accident))
    .flatMap(({ accident, setting, gestures }): CheckResult[] => {
      const before = `It has happened: ${accidentNames[accident].charAt(0).toLowerCase()}${accidentNames[accident].slice(1)}.`
      if (setting) {
        const found = working(input, setting.means)
        if (!first || !found || setting.unless(found.resolved.value)) return []
        const row = rowOf(model, plan, side, found.resolved)
        const words = showValue(found.resolved.setting.domain, setting.safe)
        return [
          {
            title: `${found.resolved.setting.label} is ${showValue(found.resolved.setting.domain, found.resolved.value)}`,
            reason: `${before} ${found.resolved.setting.label}: ${words} keeps it from happening again.`,
            row,
            rule: accident,
            mends: [
              quickFix(plan, `Set ${found.resolved.setting.label} to ${words}`, 'accident-again', {
                [row]: setting.safe,
              }),
            ],
            seenIn: one,
          },
        ]
      }
      // What a body does not let be empty is nothing that anybody could mend here.
      return keysIn(model, one.resolution)
        .filter(
          ({ address }) => gestures?.(address.control, address.gesture.id) && canBeEmpty(model, address),
        )
        .map((key): CheckResult => ({
          title: `${keyName(key)} has ${key.fn.name}`,
          reason: `${before} Left empty, it does nothing when it happens again.`,
          row: keyRow(key.address),
          rule: accident,
          mends: [
            quickFix(plan, `Empty ${keyName(key)}`, 'accident-again', {
              [keyRow(key.address)]: 'nothing',
            }),
          ],
          seenIn: one,
        }))
    })
}

/** The ceiling of automatic ISO against the ISO from which the owner wants none. */
function isoNever(input: CheckInput): CheckResult[] {
  const { model, plan, side } = input
  const never = said(plan, 'isoNever')
  const found = working(input, 'exposure.isoAutoCeiling')
  const step = found && stepOf('iso', found.resolved.value)
  if (typeof never !== 'number' || !found || !step || step.amount < never) return []
  const { setting } = found.resolved
  const lower =
    setting.domain.kind === 'ladder'
      ? ladderSteps(setting.domain).findLast(({ amount }) => amount < never)
      : undefined
  const row = rowOf(model, plan, side, found.resolved)
  return [
    {
      title: `${setting.label} is ${step.mark}`,
      reason: `You never want ISO ${never} or more, and automatic ISO may go there.`,
      row,
      mends: lower
        ? [quickFix(plan, `Set ${setting.label} to ${lower.mark}`, 'iso-never-wanted', { [row]: lower.mark })]
        : [],
      seenIn: found.one,
    },
  ]
}
