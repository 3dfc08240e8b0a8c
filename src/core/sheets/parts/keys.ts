import { anyLens } from '../../model/any-lens'
import { atFinder, addressesOfControl } from '../../model/controls'
import type { Address } from '../../model/addresses'
import { lookup } from '../../model/lookup'
import type { AssignSide, BodyModel, Control } from '../../model/types'
import { functionAt } from '../../plan/assign'
import { keyRow, noteRow, rowValue } from '../../plan/rows'
import { contextsOf, type NamedContext } from '../../resolve/context'
import { decisive, type ResolvedAddress } from '../../resolve/resolved'
import { sideWords, type Given, type OtherPlan } from '../given'
import { tableUnder } from '../blocks'
import type { Block, Cell, Line } from '../types'
import { noted } from './notes'

/** What a key does in a state: its function as the camera has it there, and how that stands. */
interface KeyIn {
  readonly state: NamedContext
  readonly is: ResolvedAddress
}

/** Every key of a side with all it can mean: by bank, lens, lever and exposure mode, and where it does nothing. */
export function keysPart(given: Given): Block[] {
  const { model, plan, lenses } = given
  const columns = ['Control', 'How', 'Function', 'Where not, or otherwise', 'Why, and how sure']
  return [...model.sides, 'playback' as const].flatMap((side) => {
    const states = contextsOf(model, plan, lenses, side)
    const lines = addressesOn(model, side).map((address) => keyLine(given, address, states))
    return tableUnder('keys', `Keys, ${sideWords[side].toLowerCase()}`, columns, lines)
  })
}

function addressesOn(model: BodyModel, side: AssignSide): Address[] {
  return model.controls.flatMap(({ id }) => addressesOfControl(model, side, id))
}

function keyLine(given: Given, address: Address, states: readonly NamedContext[]): Line {
  const { model, plan } = given
  const row = keyRow(address)
  const planned = rowValue(plan.rows, row)
  const seen = keysIn(given, address, states)
  const usual = seen[0]?.is
  const says = nameOfFunction(model, usual?.functionId ?? null)
  const isOnPurpose = says === null && rowValue(plan.rows, noteRow('why', row)) !== null
  return {
    isQuiet: planned === null,
    cells: [
      { text: address.control.name },
      { text: how(model, address) },
      {
        text: says ?? (isOnPurpose ? 'empty on purpose' : 'nothing'),
        row,
        ...(planned === null ? {} : { value: planned, isStrong: true }),
      },
      elsewhere(model, seen),
      noted(plan, row),
    ],
  }
}

/** What a key is in each of the states, as far as another assignment of the control does not answer there. */
export function keysIn(given: Given, address: Address, states: readonly NamedContext[]): KeyIn[] {
  const all = states.flatMap((state) => {
    const is = given.stateIn(state.context).addresses.get(address.key)
    return is ? [{ state, is }] : []
  })
  const active = all.filter(({ is }) => is.active)
  return active.length > 0 ? active : all
}

/** The gesture and the manner, with the lever or the exposure mode it answers in. */
function how(model: BodyModel, address: Address): string {
  const setting = address.when && lookup(model).settings.get(address.when.setting)
  return setting ? `${address.name} (${setting.label})` : address.name
}

/** The name of a function; null where nothing is assigned. */
export function nameOfFunction(model: BodyModel, id: string | null): string | null {
  const fn = id === null ? undefined : lookup(model).functions.get(id)
  return !fn || fn.manner === 'none' ? null : fn.name
}

/** In which banks and with which lenses it is something else, does nothing, or has to be tested. */
function elsewhere(model: BodyModel, seen: readonly KeyIn[]): Cell {
  const first = seen[0]?.is
  const ways = new Map<string, string[]>()
  for (const { state, is } of seen) {
    const words = wordsOf(model, is, first)
    if (words === '') continue
    ways.set(words, [...(ways.get(words) ?? []), stateWords(state)])
  }
  const text = [...ways]
    .map(([words, where]) => (where.length === seen.length ? words : `${short(where)}: ${words}`))
    .join(' ')
  const isBad = seen.some(({ is }) => is.verdict === 'dead' || is.verdict === 'inert')
  const asks = seen.some(({ is }) => is.verdict === 'test')
  return { text, ...(isBad ? { mark: 'problem' as const } : asks ? { mark: 'unsure' as const } : {}) }
}

function wordsOf(model: BodyModel, is: ResolvedAddress, first: ResolvedAddress | undefined): string {
  const because = decisive(is)?.because ?? ''
  if (is.verdict === 'dead' || is.verdict === 'inert') return `does nothing. ${because}`
  if (is.verdict === 'test') return `test on body. ${because}`
  const effective = nameOfFunction(model, is.effectiveFunctionId)
  const asked = nameOfFunction(model, first?.functionId ?? null)
  return effective === asked ? '' : `${effective ?? 'nothing'}.`
}

function stateWords({ bank, lens }: NamedContext): string {
  return lens === anyLens.name ? bank : `${bank} with ${lens}`
}

function short(names: readonly string[]): string {
  return names.length > 4 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ')
}

/** The keys by the finger that rests on them: what each has to find, nearest first. */
export function fingersPart(given: Given): Block[] {
  const { model, plan, lenses } = given
  const usual = model.sides.map((side) => {
    const [state] = contextsOf(model, plan, lenses, side)
    return { side, keys: state ? given.stateIn(state.context).addresses : null }
  })
  const grade = ({ reach }: Control) => reach.finder?.grade ?? 3
  const lines = fingers.flatMap((finger) =>
    model.controls
      .filter(({ reach }) => reach.finder?.digit === finger)
      .toSorted((one, two) => grade(one) - grade(two))
      .map((control): Line => ({
        cells: [
          { text: fingerWords[finger] },
          { text: control.name },
          { text: atFinder(control) ? 'yes' : 'no' },
          ...usual.map(({ side, keys }): Cell => {
            const addresses = addressesOfControl(model, side, control.id)
            const said = addresses.map((address) => {
              const name = nameOfFunction(model, keys?.get(address.key)?.functionId ?? null) ?? 'nothing'
              return addresses.length > 1 ? `${address.name}: ${name}` : name
            })
            return {
              text: said.join(' · '),
              isStrong: addresses.some((address) => rowValue(plan.rows, keyRow(address)) !== null),
            }
          }),
        ],
      })),
  )
  const columns = [
    'Finger',
    'Control',
    'Found without looking',
    ...model.sides.map((side) => sideWords[side]),
  ]
  return tableUnder('fingers', 'By finger, eye at the finder', columns, lines)
}

const fingers = ['thumb', 'index', 'middle', 'left', 'palm'] as const

const fingerWords = {
  thumb: 'Thumb',
  index: 'Index finger',
  middle: 'Middle finger',
  left: 'Left hand',
  palm: 'Palm',
}

/** The other body’s keys with the same function, and what is not there. */
export function continuityPart(given: Given): Block[] {
  const { model, others = [] } = given
  if (others.length === 0)
    return [
      {
        part: 'continuity',
        kind: 'words',
        lines: ['There is no plan for another body to hold this one against.'],
      },
    ]
  return others.flatMap((other) =>
    tableUnder(
      'continuity',
      `${model.name} and ${other.model.name}: ${other.name}`,
      ['Side', 'Function', `On ${model.name}`, `On ${other.model.name}`, 'Same place'],
      model.sides.flatMap((side) => continuityLines(given, other, side)),
    ),
  )
}

function continuityLines(given: Given, other: OtherPlan, side: AssignSide): Line[] {
  const there = functionsOn(other, side)
  return [...functionsOn(given, side)].map(([means, { name, places }]): Line => {
    const found = there.get(means)
    const digits = new Set(places.map(({ digit }) => digit))
    const isSame = found?.places.some(({ digit }) => digits.has(digit)) ?? false
    return {
      cells: [
        { text: sideWords[side] },
        { text: name, isStrong: true },
        { text: places.map(({ words }) => words).join('; ') },
        found
          ? { text: found.places.map(({ words }) => words).join('; ') }
          : {
              text: other.model.functions.some((fn) => fn.means === means)
                ? 'on no key'
                : `absent on ${other.model.name}`,
            },
        { text: found ? (isSame ? 'same finger' : 'another finger') : '' },
      ],
    }
  })
}

/** The functions on the keys of a side by what they mean, each with its places. */
function functionsOn(
  { model, plan }: Pick<OtherPlan, 'model' | 'plan'>,
  side: AssignSide,
): ReadonlyMap<string, { name: string; places: { words: string; digit: string }[] }> {
  const found = new Map<string, { name: string; places: { words: string; digit: string }[] }>()
  for (const address of addressesOn(model, side)) {
    const fn = lookup(model).functions.get(functionAt(plan, address) ?? '')
    if (!fn || fn.manner === 'none' || fn.means === null) continue
    const one = found.get(fn.means) ?? { name: fn.name, places: [] }
    one.places.push({
      words: address.name === 'press' ? address.control.name : `${address.control.name}, ${address.name}`,
      digit: address.control.reach.finder?.digit ?? 'left',
    })
    found.set(fn.means, one)
  }
  return found
}

/** The toggles that were put on keys, each with the setting by whose sign in finder or screen its state is seen. */
export function togglesPart(given: Given): Block[] {
  const { model, plan } = given
  const lines = model.sides.flatMap((side) =>
    addressesOn(model, side).flatMap((address): Line[] => {
      const isPlanned = rowValue(plan.rows, keyRow(address)) !== null
      const fn = lookup(model).functions.get(functionAt(plan, address) ?? '')
      if (!isPlanned || (fn?.manner !== 'toggle' && fn?.manner !== 'cycle')) return []
      const setting = lookup(model).settings.get(fn.changes[0] ?? '')
      return [
        {
          cells: [
            { text: `${address.control.name}, ${side}` },
            { text: fn.name, isStrong: true },
            { text: setting ? `shows as ${setting.label}` : 'its sign: look on your body' },
          ],
        },
      ]
    }),
  )
  return tableUnder('toggles', 'Toggles, and how you see where they are', ['Key', 'Function', 'Sign'], lines)
}
