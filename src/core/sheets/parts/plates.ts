import { addressesOfControl } from '../../model/controls'
import type { Face, Side } from '../../model/types'
import { keyRow, rowValue } from '../../plan/rows'
import { isThere, type Fitted } from '../../resolve/presence'
import { contextsOf } from '../../resolve/context'
import { plannedLenses } from '../../plan/plan'
import { anyLens } from '../../model/any-lens'
import { sideWords, type Given } from '../given'
import type { Block, PrintedLabel } from '../types'
import { keysIn, nameOfFunction } from './keys'

/**
 * The faces that have keys, drawn with what is on them. `isBrief` leaves out the faces, and on a face the controls, of which
 * everything is as delivered: they are said in a line below.
 */
export function platesPart(given: Given, side: Side, isBrief: boolean): Block[] {
  const { model } = given
  const fitted = fittedIn(given)
  const blocks = model.faces.flatMap((face): Block[] => {
    const labels = labelsOn(given, face, side, fitted)
    const own = labels.filter(({ lines }) => lines.some(({ isQuiet }) => !isQuiet))
    const shown = isBrief ? own : labels
    return shown.length === 0 ? [] : [{ part: 'plates', kind: 'plate', face, side, labels: shown }]
  })
  return [
    { part: 'plates', kind: 'heading', text: `Keys in ${sideWords[side].toLowerCase()}` },
    ...blocks,
    ...(isBrief ? asDelivered(given, side, fitted) : []),
  ]
}

/** The lens that is planned with the most on it, and a grip or an adapter where keys on it are planned. */
function fittedIn({ model, plan, lenses }: Given): Fitted {
  const planned = new Set(plannedLenses(plan))
  const mine = lenses.filter(({ id }) => planned.has(id))
  const most = mine.toSorted((one, two) => partsOf(two) - partsOf(one))[0]
  const isUsed = (presence: 'grip' | 'adapter') =>
    model.controls
      .filter((control) => control.presence === presence)
      .some(({ id }) =>
        model.sides.some((side) =>
          addressesOfControl(model, side, id).some(
            (address) => rowValue(plan.rows, keyRow(address)) !== null,
          ),
        ),
      )
  return { lens: most ?? anyLens, attached: (['grip', 'adapter'] as const).filter(isUsed) }
}

function partsOf({ keys, ring }: { readonly keys: readonly unknown[]; readonly ring: unknown }): number {
  return keys.length + (ring === null ? 0 : 1)
}

function labelsOn(given: Given, face: Face, side: Side, fitted: Fitted): PrintedLabel[] {
  const { model, plan, lenses } = given
  const states = contextsOf(model, plan, lenses, side)
  return model.controls
    .filter((control) => control.face === face.id && isThere(control, fitted))
    .flatMap((control): PrintedLabel[] => {
      const addresses = addressesOfControl(model, side, control.id)
      const lines = addresses.flatMap((address) => {
        const seen = keysIn(given, address, states)
        const first = seen[0]?.is
        if (first && !first.active && addresses.length > 2) return []
        const name = nameOfFunction(model, first?.functionId ?? null)
        const isOwn = rowValue(plan.rows, keyRow(address)) !== null
        if (name === null && !isOwn) return []
        return [{ gesture: address.name, text: name ?? 'empty on purpose', isQuiet: !isOwn }]
      })
      return lines.length === 0 ? [] : [{ control, lines }]
    })
}

/** What is left as delivered, in a line. */
function asDelivered(given: Given, side: Side, fitted: Fitted): Block[] {
  const names = given.model.faces.flatMap((face) =>
    labelsOn(given, face, side, fitted)
      .filter(({ lines }) => lines.every(({ isQuiet }) => isQuiet))
      .map(({ control, lines }) => `${control.name}: ${said(lines)}`),
  )
  return names.length === 0
    ? []
    : [{ part: 'delivered', kind: 'words', isQuiet: true, lines: [`As delivered: ${names.join(' · ')}`] }]
}

function said(lines: PrintedLabel['lines']): string {
  const [only] = lines
  return lines.length === 1 && only
    ? only.text
    : lines.map(({ gesture, text }) => `${gesture} ${text}`).join(', ')
}
