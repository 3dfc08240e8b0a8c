import { keptByObject } from '../memoize'
import { keyRow, noteRow, rowValue } from '../plan/rows'
import { anyLens } from '../model/any-lens'
import { canBeEmpty, isOnFitting, keyName } from '../model/controls'
import { lookup } from '../model/lookup'
import type { Address } from '../model/addresses'
import { addressesWith, turnedBy } from '../plan/assign'
import { neededOn } from '../reach/needs'
import { resolve } from '../resolve/resolve'
import type { NamedContext } from '../resolve/context'
import { decisive, type Remark, type Resolution, type Verdict } from '../resolve/resolved'
import type { Check, CheckInput, CheckResult, ResolvedContext } from './finding'
import { quickFix } from './finding'
import { keysIn, plannedKeysIn } from './meaning'

/** What is wrong with the keys themselves. */
export const keyChecks: readonly Check[] = [
  {
    id: 'dead-key',
    title: 'A key that is dead somewhere',
    severity: 'problem',
    joins: true,
    needs: ['J12', 'J14', 'J50', '§7'],
    reasonSilences: false,
    run: (input) => keysWithVerdict(input, 'dead', 'is dead'),
  },
  {
    id: 'inert-key',
    title: 'A key that does nothing somewhere',
    severity: 'problem',
    joins: true,
    needs: ['J14', 'J19', 'J25', '§7'],
    reasonSilences: false,
    run: (input) => keysWithVerdict(input, 'inert', 'does nothing'),
  },
  {
    id: 'test-key',
    title: 'A key nobody can say of whether it works',
    severity: 'tidies',
    many: 'keys have to be tried on the body',
    needs: ['J10', 'J37'],
    reasonSilences: false,
    run: (input) =>
      keysWithVerdict(input, 'test', 'may not work').map((said) => ({
        ...said,
        everywhere: 'tidies',
        asks: true,
      })),
  },
  {
    id: 'key-hazard',
    title: 'A key that works, at a price',
    severity: 'tidies',
    many: 'keys have a downside',
    needs: ['J14', '§7'],
    reasonSilences: true,
    run: ({ model, states: situated }) =>
      situated.flatMap((one) =>
        plannedKeysIn(model, one.resolution).flatMap(({ resolved, ...key }) =>
          resolved.remarks
            .filter((said) => said.kind === 'hazard' && resolved.verdict !== 'dead')
            .map((said) => ({
              title: `${keyName(key)}: ${key.fn.name} has a downside`,
              reason: said.because,
              row: keyRow(key.address),
              rule: said.rule,
              asks: said.truth === 'unknown',
              seenIn: one,
            })),
        ),
      ),
  },
  {
    id: 'dead-while-recording',
    title: 'A key that goes dead when recording starts',
    severity: 'tidies',
    needs: ['J15', 'J50'],
    reasonSilences: false,
    run: deadWhileRecording,
  },
  {
    id: 'displaced',
    title: 'A function that has no key any more',
    severity: 'problem',
    many: 'functions have no key any more',
    needs: ['J12'],
    reasonSilences: true,
    run: displaced,
  },
  {
    id: 'doubled',
    title: 'One function on two keys',
    severity: 'tidies',
    many: 'functions are on two keys',
    needs: ['J2', 'J13'],
    reasonSilences: true,
    run: doubled,
  },
  {
    id: 'empty-key',
    title: 'A key that is empty and nobody says why',
    severity: 'tidies',
    many: 'keys are empty, and nobody says why',
    needs: ['J13'],
    reasonSilences: true,
    run: ({ model, plan, side }) =>
      sideAddresses({ model, side }).flatMap((address) => {
        const fn = lookup(model).functions.get(String(rowValue(plan.rows, keyRow(address))))
        if (fn?.manner !== 'none') return []
        return {
          title: `${keyName({ address })} is empty`,
          reason: 'Say why it is empty on purpose, or give it a function.',
          row: keyRow(address),
          mends: [quickFix(plan, 'Leave it as delivered', 'empty-key', { [keyRow(address)]: null })],
        }
      }),
  },
  {
    id: 'tilt-beside-turn',
    title: 'A wheel that is turned and tilted',
    severity: 'tidies',
    needs: ['J4', 'J9'],
    reasonSilences: true,
    run: tiltBesideTurn,
  },
  {
    id: 'other-hand',
    title: 'One function under different fingers in stills and motion',
    severity: 'tidies',
    many: 'functions are under another finger in motion',
    once: true,
    needs: ['J5'],
    reasonSilences: true,
    run: otherHand,
  },
]

function sideAddresses({ model, side }: Pick<CheckInput, 'model' | 'side'>): Address[] {
  return [...lookup(model).addresses.values()].filter((address) => address.side === side)
}

/** Keys that nobody may count on, planned or delivered; a delivered one is no problem where nothing of it is needed. */
function keysWithVerdict(
  { states: situated, model, plan, side }: CheckInput,
  verdict: Verdict,
  verb: string,
): CheckResult[] {
  const needed = neededOn(model, plan, side)
  return situated.flatMap((one) =>
    keysIn(model, one.resolution)
      .filter(({ resolved }) => resolved.verdict === verdict && !isOnFitting(resolved.address))
      .filter(({ resolved }) => resolved.source !== 'factory' || !isOfNoLens(one, decisive(resolved)))
      .map(({ resolved, ...key }): CheckResult => {
        const remark = decisive(resolved)
        const times = needed(key.fn)
        const isCounted = resolved.source !== 'factory' || times > 0
        return {
          severity: 'tidies',
          ...(isCounted ? { everywhere: 'problem' as const, cost: secondsMissed * Math.max(times, 6) } : {}),
          title: `${keyName(key)}: ${key.fn.name} ${verb}`,
          reason: remark?.because ?? 'The model gives no reason.',
          row: keyRow(key.address),
          rule: remark?.rule ?? 'none',
          seenIn: one,
        }
      }),
  )
}

function deadWhileRecording({ model, plan, side, states: situated }: CheckInput): CheckResult[] {
  const [one] = situated
  if (side !== 'motion' || !one) return []
  const recording = whileRecording(one, () => resolve(model, plan, { ...one.context, run: 'recording' }))
  return plannedKeysIn(model, recording).flatMap(({ address, fn, resolved }): CheckResult[] => {
    const before = one.resolution.addresses.get(address.key)?.verdict
    const remark = decisive(resolved)
    if (before !== 'works' || (resolved.verdict !== 'dead' && resolved.verdict !== 'test')) return []
    return [
      {
        title: `${keyName({ address })}: ${fn.name} ${resolved.verdict === 'dead' ? 'is dead' : 'may be dead'} while recording`,
        reason: remark?.because ?? 'The model gives no reason.',
        row: keyRow(address),
        asks: resolved.verdict === 'test',
      },
    ]
  })
}

/** The same state while a film is recorded: kept for as long as nothing in it changes. */
function whileRecording({ resolution }: ResolvedContext, make: () => Resolution): Resolution {
  let there = recordings.get(resolution)
  if (!there) recordings.set(resolution, (there = make()))
  return there
}

const recordings = keptByObject<Resolution, Resolution>()

function displaced({ model, plan, side }: CheckInput): CheckResult[] {
  const needed = neededOn(model, plan, side)
  return sideAddresses({ model, side }).flatMap((address): CheckResult[] => {
    const { factory } = address
    const row = keyRow(address)
    const planned = rowValue(plan.rows, row)
    if (factory === null || planned === null || planned === factory) return []
    const fn = lookup(model).functions.get(factory)
    const times = fn ? needed(fn) : 0
    if (!fn || fn.manner === 'none' || addressesWith(model, plan, side, factory).length > 0) return []
    const other = turnedBy(model, plan, side, fn)
    const menu = fn.changes.map((id) => lookup(model).menuAddress.get(id)).find((line) => line !== undefined)
    const inMenu = menu === undefined ? 'It has no menu line either.' : `It is left in the menu at ${menu}.`
    const left = other ? `${keyName({ address: other })} still sets it.` : inMenu
    return [
      {
        ...(other || times < timesMissed ? { severity: 'tidies' as const } : { cost: secondsMissed * times }),
        title: `${fn.name} has no key any more`,
        reason: `It was on ${keyName({ address })} as delivered, where your hand may look for it.${times > 0 ? ` You need it ${times} times an outing.` : ''} ${left}`,
        row,
        mends: [quickFix(plan, `Leave ${keyName({ address })} as delivered`, 'displaced', { [row]: null })],
      },
    ]
  })
}

function doubled({ model, plan, side }: CheckInput): CheckResult[] {
  return model.functions.flatMap((fn): CheckResult[] => {
    if (fn.manner === 'none') return []
    const on = together(addressesWith(model, plan, side, fn.id))
    const chosen = on.find((address) => rowValue(plan.rows, keyRow(address)) !== null)
    const explained = on.find((address) => rowValue(plan.rows, noteRow('why', keyRow(address))) !== null)
    if (on.length < 2 || !chosen) return []
    const isOurs = (address: Address) =>
      rowValue(plan.rows, keyRow(address)) === fn.id && address.factory !== fn.id
    const leave = (address: Address) =>
      quickFix(plan, `Leave ${keyName({ address })} as delivered`, 'doubled', { [keyRow(address)]: null })
    return [
      {
        title: `${fn.name} is on ${on.length} keys`,
        reason: `${on.map((address) => keyName({ address })).join(' and ')} do the same. Say why, or free one.`,
        row: keyRow(explained ?? chosen),
        mends: on.length === 2 ? on.filter(isOurs).map(leave) : [],
      },
    ]
  })
}

/** Whether a key is not there only because nobody has said which lens is used. */
function isOfNoLens({ context }: NamedContext, remark: Remark | undefined): boolean {
  return remark?.rule === 'presence' && context.lens.id === anyLens.id
}

/** Seconds that are lost each time something needed is not where the hand looks for it. */
const secondsMissed = 5

/** Needed less often than this, a menu line will do. */
const timesMissed = 10

/** The keys of some that answer at the same time as another of them: not on a grip, and not in another mode or position. */
function together(all: readonly Address[]): readonly Address[] {
  const there = all.filter((address) => !isOnFitting(address))
  const meet = (one: Address, two: Address) =>
    (one.control !== two.control || one.gesture !== two.gesture) &&
    (one.when === null || two.when === null || one.when.value === two.when.value)
  const met = there.filter((one) => there.some((two) => meet(one, two)))
  return met.filter(
    (one, i) => met.findIndex((two) => two.control === one.control && two.gesture === one.gesture) === i,
  )
}

/** A tilt of a control that is also turned is called by mistake while turning, unless a guard stands before it. */
function tiltBesideTurn({ model, plan, states: situated }: CheckInput): CheckResult[] {
  const [one] = situated
  const keys = one ? keysIn(model, one.resolution) : []
  const turned = new Set(
    keys.filter(({ fn }) => fn.manner === 'turn').map(({ address }) => address.control.id),
  )
  return keys.flatMap(({ address, fn, resolved }): CheckResult[] => {
    const { control } = address
    const risky = control.bump === 'high' && control.guard === undefined && turned.has(control.id)
    if (fn.manner === 'turn' || !risky || resolved.source === 'factory') return []
    const row = keyRow(address)
    return [
      {
        title: `${keyName({ address })}: ${fn.name} is triggered while turning`,
        reason: `${control.name} is turned, and easily pushed by mistake: ${address.name} then triggers ${fn.name}.`,
        row,
        mends: canBeEmpty(model, address)
          ? [
              quickFix(plan, 'Leave nothing on it', 'tilt-beside-turn', {
                [row]: 'nothing',
                [noteRow('why', row)]: 'Tilted by mistake while turning.',
              }),
            ]
          : [],
      },
    ]
  })
}

function otherHand({ model, plan }: CheckInput): CheckResult[] {
  const [here, there] = model.sides
  if (!here || !there) return []
  return model.functions.flatMap((fn): CheckResult[] => {
    if (fn.manner === 'none') return []
    const [one, other] = [here, there].map((each) => addressesWith(model, plan, each, fn.id))
    const shared = one?.some((address) =>
      other?.some((two) => two.control === address.control && two.gesture === address.gesture),
    )
    const chosen = [...(one ?? []), ...(other ?? [])].find(
      (address) => rowValue(plan.rows, keyRow(address)) !== null,
    )
    const [a, b] = [one?.[0], other?.[0]]
    if (shared || !chosen || !a || !b) return []
    return [
      {
        title: `${fn.name} is under another finger in ${there}`,
        reason: `In ${here} it is on ${keyName({ address: a })}, in ${there} on ${keyName({ address: b })}; you have to remember which side you are on.`,
        row: keyRow(chosen),
      },
    ]
  })
}
