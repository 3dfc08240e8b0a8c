import type { Act, ActKind, SetUpLine } from './menu-types'
import type { BodyModel, ModelFunction } from './types'

/** Where a line of the menu stands, counted from 0; `inner` for one behind a further press. */
export interface MenuPlace {
  readonly id: string
  /** "Focus 2 / line 4". */
  readonly address: string
  readonly page: number
  readonly line: number
  readonly inner: number | null
}

/** Every line of the menu, in its own order. */
export function menuPlaces(model: BodyModel): MenuPlace[] {
  return model.menu.flatMap(({ name, lines }, page) =>
    lines.flatMap((one, line): MenuPlace[] => {
      const address = `${name} / line ${line + 1}`
      if (typeof one === 'string') return [{ id: one, address, page, line, inner: null }]
      if ('opens' in one) return [{ id: one.id, address, page, line, inner: null }]
      return one.behind.map((id, inner) => ({
        id,
        address: `${address} / ${one.name} / line ${inner + 1}`,
        page,
        line,
        inner,
      }))
    }),
  )
}

/** The kind of act that a function does which means it, without the menu. */
const actsByHand: ReadonlyMap<string | null, ActKind> = new Map([
  ['cards.format', 'format'],
  ['drive.startInterval', 'interval'],
  ['drive.startSeries', 'series'],
])

/** The act of the menu that a function does, under the same conditions; undefined where it does none, or the menu has none. */
export function actDoneBy(model: BodyModel, { means }: ModelFunction): Act | undefined {
  const kind = actsByHand.get(means)
  return model.acts.find(({ does }) => does === kind)
}

/** The lines that open set-up pages, in menu order. */
export function setUpLines(model: BodyModel): SetUpLine[] {
  return model.menu.flatMap(({ lines }) =>
    lines.flatMap((one) => (typeof one !== 'string' && 'opens' in one ? [one] : [])),
  )
}

/**
 * Presses from one line of the open menu to another and into it: over to its page, down to its line, in; and down
 * and in once more for a line behind it. From null: the first line of the first page, where a menu opens.
 */
export function pressesTo(from: MenuPlace | null, to: MenuPlace): number {
  const start = from ?? { page: 0, line: 0 }
  const over = Math.abs(to.page - start.page)
  const down = Math.abs(to.line - (over === 0 ? start.line : 0))
  return over + down + 1 + (to.inner === null ? 0 : to.inner + 1)
}
