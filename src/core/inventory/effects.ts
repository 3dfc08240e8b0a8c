import type { BodyModel, LensModel } from '../model/types'
import { firmwareOfBodies } from '../plan/bodies'
import { cardFacts, cardRow, gearRow, lensRow, rowValue } from '../plan/rows'
import { pluggedIn } from '../model/basics'
import { equipmentFor } from './equip'
import { bodyInHand } from './hand'
import { recordName } from './records'
import type { Inventory, Library } from './rows'
import { capital } from '../text'

/** What plans of one model are held against, in sentences. */
export interface Effects {
  readonly model: BodyModel
  readonly sentences: readonly string[]
}

/** For every model of which there is a body, what its plans reckon with. */
export function effectsOf(library: Library, inventory: Inventory): Effects[] {
  return library.models.flatMap((model) => {
    const { bodies, lenses, rows, facts } = equipmentFor(model, library, inventory)
    if (bodies.length === 0) return []
    const firmware = firmwareOfBodies({ rows: facts })
    const [oldest] = firmware
    const isMixed = firmware.some((one) => one.firmware !== oldest?.firmware)
    const nameOf = (tag: string) => recordName(inventory, 'body', tag)
    const hand = bodyInHand(inventory, model.id)
    const mine = lenses.filter(({ id, fits }) => fits === model.maker && rows[lensRow(id)] === true)
    const cards = model.cards.slots.flatMap((slot) => {
      const rate = rowValue(rows, cardRow(slot.id, 'rate'))
      return rate === null ? [] : [`${slot.name} ${String(rate)} ${cardFacts.rate[2]}`]
    })
    const plugged = pluggedIn.flatMap((what) => {
      const use = rowValue(rows, gearRow(what))
      return use === 'always' ? [`a ${what} on it`] : use === 'none' ? [`no ${what}`] : []
    })
    return [
      {
        model,
        sentences: [
          oldest
            ? `Firmware ${oldest.firmware}${isMixed ? `, the oldest: ${nameOf(oldest.tag)}` : ''}.`
            : 'The newest firmware, for none is said.',
          ...(library.lenses.some(({ fits }) => fits === model.maker) ? [lensSentence(mine)] : []),
          ...(cards.length > 0 ? [`Cards: ${cards.join(', ')}.`] : []),
          ...(plugged.length > 0 ? [`${capital(plugged.join(', '))}.`] : []),
          ...(hand?.firmware ? [`What you set is stamped ${hand.firmware}, ${hand.name}.`] : []),
        ],
      },
    ]
  })
}

function lensSentence(lenses: readonly LensModel[]): string {
  if (lenses.length === 0) return 'Any lens that talks to the body.'
  const silent = lenses.filter(({ contacts }) => !contacts).map(({ name }) => name)
  const names = lenses.map(({ name }) => name).join(', ')
  return silent.length === 0 ? `${names}.` : `${names}; without contacts: ${silent.join(', ')}.`
}
