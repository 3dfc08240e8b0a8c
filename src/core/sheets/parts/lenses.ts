import { addressesOfControl } from '../../model/controls'
import { anyLens } from '../../model/any-lens'
import type { LensModel } from '../../model/types'
import { resultOf } from '../../numbers/ask'
import { typedAmount } from '../../numbers/quantities'
import { plannedLenses } from '../../plan/plan'
import { ownerRow, rowValue } from '../../plan/rows'
import { contextsOf } from '../../resolve/context'
import { decisive } from '../../resolve/resolved'
import { tableUnder } from '../blocks'
import type { Given } from '../given'
import type { Block, Cell, Line } from '../types'
import { nameOfFunction } from './keys'

/** A column for each lens of the plan: what is on it, what to type, the shutter speed to hold it by, what is dead with it. */
export function lensesPart(given: Given): Block[] {
  const { plan, lenses } = given
  const mine = lenses.filter(({ id }) => plannedLenses(plan).includes(id))
  if (mine.length === 0)
    return [
      {
        part: 'lenses',
        kind: 'words',
        lines: ['The plan names no lenses: say at Foundation which you use.'],
      },
    ]
  const line = (name: string, cell: (lens: LensModel) => Cell): Line => ({
    cells: [{ text: name }, ...mine.map(cell)],
  })
  return tableUnder(
    'lenses',
    'Lens by lens',
    ['', ...mine.map(({ name }) => name)],
    [
      line('Contacts', ({ contacts }) => ({
        text: contacts ? 'yes' : 'none: the body knows neither aperture nor focal length',
        ...(contacts ? {} : { mark: 'problem' }),
      })),
      line('Focal length to type', ({ contacts, focalMm: [from, to] }) => ({
        text: contacts
          ? 'none, the body knows it'
          : from === to
            ? `${from} mm`
            : `${from} to ${to} mm: as zoomed`,
        isStrong: !contacts,
      })),
      line('Slowest shutter speed by hand', (lens) => ({ text: handHeld(given, lens), isStrong: true })),
      line('Aperture', ({ widest, widestLong }) => ({
        text: widestLong === undefined ? widest : `${widest} to ${widestLong}`,
      })),
      line('Keys on it', (lens) => ({ text: keysOn(given, lens) })),
      line('Ring', ({ ring }) => ({
        text:
          ring === null
            ? 'none besides focus'
            : ring.readable
              ? 'can be given a job'
              : 'the body does not read it',
      })),
      line('Switch between AF and MF', ({ focusSwitch }) => ({
        text:
          focusSwitch === undefined
            ? 'not said'
            : focusSwitch
              ? 'on the lens: it overrules the body'
              : 'none',
      })),
      line('Stabiliser', ({ stabiliser }) => ({
        text: stabiliser === undefined ? 'not said' : stabiliser ? 'yes' : 'none',
      })),
      line('Does nothing with it', (lens) => deadWith(given, lens)),
    ],
  )
}

/** 1 / focal length at the long end, with the stops its owner holds still. */
function handHeld({ plan }: Given, { focalMm, stabiliser }: LensModel): string {
  const stops = rowValue(plan.rows, ownerRow('handheldStops'))
  const held = stabiliser === true && typeof stops === 'number' ? stops : 0
  const result = resultOf(
    'hand-held',
    'shutter',
    {},
    {
      focal: { typed: typedAmount('millimetres', [focalMm[1], focalMm[1]]), from: 'the lens' },
      ...(held > 0 ? { stabiliser: { typed: `${held}`, from: 'you' } } : {}),
    },
  )
  return result?.words ?? '–'
}

function keysOn(given: Given, lens: LensModel): string {
  const { model, plan, lenses } = given
  if (lens.keys.length === 0) return 'none'
  const said = model.sides.flatMap((side) => {
    const state = contextsOf(model, plan, lenses, side).find(({ context }) => context.lens.id === lens.id)
    return model.controls
      .filter(({ presence }) => presence === 'lens-key')
      .flatMap(({ id }) => addressesOfControl(model, side, id))
      .map((address) => {
        const is = state && given.stateIn(state.context).addresses.get(address.key)
        return `${side}: ${nameOfFunction(model, is?.functionId ?? null) ?? 'nothing'}`
      })
  })
  return said.length === 0 ? `${lens.keys.length}, which this body gives no function` : said.join('; ')
}

/** Keys that work with a lens that talks to the body, and not with this one. */
function deadWith(given: Given, lens: LensModel): Cell {
  const { model, plan, lenses } = given
  const dead = model.sides.flatMap((side) => {
    const [state] = contextsOf(model, plan, lenses, side).filter(({ context }) => context.lens.id === lens.id)
    if (!state) return []
    const usual = given.stateIn({ ...state.context, lens: anyLens }).addresses
    return [...given.stateIn(state.context).addresses.values()].flatMap((is) => {
      const isDead = is.verdict === 'dead' || is.verdict === 'inert'
      if (!isDead || usual.get(is.address.key)?.verdict !== 'works') return []
      const name = nameOfFunction(model, is.functionId) ?? 'nothing'
      return [`${is.address.control.name}, ${side}: ${name}. ${decisive(is)?.because ?? ''}`]
    })
  })
  return dead.length === 0
    ? { text: 'nothing more than with others' }
    : { text: dead.join(' '), mark: 'problem' }
}
