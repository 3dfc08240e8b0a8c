import { catalogue } from '@/core/procedures/catalogue'
import { describeRow, keyRow, showRow } from '@/core/plan/rows'
import { advisers } from '@/core/advise/table'
import { choicePlace } from '@/core/numbers/address'
import { numberTable } from '@/core/numbers/table'
import { sheetForms } from '@/core/sheets/catalogue'
import { lookup } from '@/core/model/lookup'
import { acceptedFunctions } from '@/core/model/controls'
import type { BodyModel } from '@/core/model/types'
import { functionAt } from '@/core/plan/assign'
import { placesOf } from '@/core/plan/menu-items'
import { plannedSlots, type Plan } from '@/core/plan/plan'
import { commonFunctions, commonSettings } from '@/core/vocabulary/catalogue'
import { stations } from './stations'
import type { ShelfNames } from './shelf-names'

/** Something the find box leads to. */
export interface Findable {
  readonly id: string
  readonly kind: 'place' | 'figure' | 'key' | 'function' | 'setting' | 'bank' | 'plan' | 'body'
  readonly name: string
  /** What is said beside it. */
  readonly more: string
  /** The field's own word for it, where the camera has another. */
  readonly term?: string | null
  /** Other words it is found by. */
  readonly also?: string
  /** What it means: it is found by other wordings of that, too. */
  readonly means?: { readonly kind: 'setting' | 'function'; readonly id: string | null }
  /** Address of the page, with the place on it behind `#`. */
  readonly href: string
}

/** Everything of a plan that can be looked for by name, and what else stands on the shelf. */
export function findables(model: BodyModel, plan: Plan, planId: string, shelf: ShelfNames): Findable[] {
  const at = (station: string, place = '') => `/plans/${planId}/${station}${place && `#${place}`}`
  const { addresses, menuAddress } = lookup(model)
  const places = placesOf(model, plan)
  const keys = [...addresses.values()].filter(({ side }) => side !== 'playback')
  return [
    ...stations.map(({ path, name }): Findable => ({
      id: path,
      kind: 'place',
      name,
      more: 'station',
      href: at(path),
    })),
    { id: 'numbers', kind: 'place', name: 'Numbers', more: 'every figure, worked out', href: at('numbers') },
    ...catalogue.map(({ id, name, purpose }): Findable => ({
      id: `procedure ${id}`,
      kind: 'place',
      name,
      more: purpose,
      href: at('prove', id),
    })),
    ...figures(at),
    ...sheets(at),
    ...keys.map((address): Findable => ({
      id: `key ${address.key}`,
      kind: 'key',
      name: describeRow(model, keyRow(address)),
      more: showRow(model, keyRow(address), functionAt(plan, address)).replace(' (as delivered)', ''),
      href: at('controls', keyRow(address)),
    })),
    ...model.functions
      .filter(({ manner }) => manner !== 'none')
      .flatMap((fn): Findable[] => {
        const holder = keys.find((address) => functionAt(plan, address) === fn.id)
        const taker = holder ?? keys.find((address) => acceptedFunctions(model, address).includes(fn))
        if (!taker) return []
        const where = holder ? `on ${holder.control.name}, ${holder.side}` : 'on no key'
        const href = at('controls', keyRow(taker))
        return [
          {
            id: `function ${fn.id}`,
            kind: 'function',
            name: fn.name,
            more: where,
            href,
            term: fn.means && (commonFunctions.get(fn.means)?.term ?? null),
            means: { kind: 'function', id: fn.means },
          },
        ]
      }),
    ...model.settings.map((setting): Findable => {
      const place = places.get(setting.id)?.[0]
      const more = [menuAddress.get(setting.id), place && describeRow(model, place)]
        .filter(Boolean)
        .join(' · ')
      return {
        id: `setting ${setting.id}`,
        kind: 'setting',
        name: setting.label,
        more,
        term: setting.means && (commonSettings.get(setting.means)?.term ?? null),
        means: { kind: 'setting', id: setting.means },
        href: at('settings', setting.id),
      }
    }),
    ...model.families.flatMap((family) =>
      family.slots.map((slot): Findable => {
        const used = plannedSlots(model, plan).find((one) => one.family === family.id && one.slot === slot.id)
        const more = used ? (used.purpose ?? used.side) : 'unused'
        const name = used && used.name !== slot.name ? `${used.name}, ${slot.name}` : slot.name
        return {
          id: `bank ${family.id} ${slot.id}`,
          kind: 'bank',
          name,
          more,
          href: at('banks', `${family.id}/${slot.id}`),
        }
      }),
    ),
    ...shelfFindables({ ...shelf, plans: shelf.plans.filter(({ id }) => id !== planId) }),
  ]
}

/** Every sheet of the plan. */
function sheets(at: (station: string, place?: string) => string): Findable[] {
  return sheetForms.map(({ id, name, purpose }) => ({
    id: `sheet ${id}`,
    kind: 'place',
    name,
    more: purpose,
    also: 'print paper pdf workbook spreadsheet export',
    href: at('sheets', id),
  }))
}

/** Every figure and every choice of the page of numbers. */
function figures(at: (station: string, place: string) => string): Findable[] {
  return [
    {
      id: 'choice wish',
      kind: 'figure',
      name: 'Where to put a need',
      more: 'Key, function menu, own menu, bank or hold set?',
      href: at('numbers', choicePlace('wish')),
    },
    {
      id: 'choice formats',
      kind: 'figure',
      name: 'Film formats side by side',
      more: 'what each writes, excludes and costs',
      href: at('numbers', choicePlace('formats')),
    },
    ...advisers.map(({ id, name, asks }): Findable => ({
      id: `choice ${id}`,
      kind: 'figure',
      name: `${name}: which?`,
      more: asks,
      also: 'advice choose',
      href: at('numbers', choicePlace(id)),
    })),
    ...numberTable.map(({ id, name, asks, also }): Findable => ({
      id: `number ${id}`,
      kind: 'figure',
      name,
      more: asks,
      also,
      href: at('numbers', id),
    })),
  ]
}

/** What stands on the shelf. */
export function shelfFindables({ plans, bodies }: ShelfNames): Findable[] {
  return [
    ...plans.map(({ id, title, model }): Findable => ({
      id: `plan ${id}`,
      kind: 'plan',
      name: title,
      more: model,
      href: `/plans/${id}/controls`,
    })),
    { id: 'bodies', kind: 'place', name: 'Bodies, lenses and cards', more: 'what you have', href: '/bodies' },
    ...bodies.map(({ id, name, place, tag }): Findable => ({
      id: `body ${id}`,
      kind: 'body',
      name,
      more: place,
      href: `/bodies#body/${tag}`,
    })),
  ]
}
