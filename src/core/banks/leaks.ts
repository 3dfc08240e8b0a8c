import { baseRow, isShared, defaultWhereabouts } from '../plan/cells'
import { type RowId, rowValue, shareRow } from '../plan/rows'
import { showValue } from '../model/domain'
import type { BodyModel, Setting } from '../model/types'
import type { Plan } from '../plan/plan'

/** A setting of the share list as a plan has it. */
export interface Share {
  readonly setting: Setting
  readonly shared: boolean
  readonly row: RowId
  /** Its value on each side, in words; one where it is shared. */
  readonly values: readonly string[]
  /** What goes from one side to the other with it and should not; null where nothing does, or it is apart. */
  readonly leak: string | null
}

/** What a shared cell brings over, by common setting: true of every body that lets sides share it. */
const leaks: Readonly<Record<string, string>> = {
  'exposure.shutter': 'the time that film asks for is in force in stills: hands and people are blurred',
  'exposure.mode': 'film by hand makes stills by hand: nothing meters any more',
  'exposure.aperture': 'what film is exposed with is in force in stills',
  'exposure.iso': 'what film is exposed with is in force in stills',
  'exposure.compensation': 'a correction made for a picture darkens or brightens the film',
  'focus.mode': 'by hand in one is by hand in the other',
  'focus.area': 'the area of one is the area of the other',
  'focus.detection': 'what is looked for in one is looked for in the other',
  'colour.balanceMode': 'a fixed white of the film colours the pictures',
  'colour.kelvin': 'a fixed white of the film colours the pictures',
  'colour.look': 'a look made flat for film is the look of the pictures',
  'stabiliser.mode': 'what steadies film crops or slows stills',
}

/** The share list: what stills and motion have together, and what leaks by it where both sides are decided. */
export function sharesOf(model: BodyModel, plan: Plan): Share[] {
  const sides = model.sides
  return model.settings
    .filter((setting) => setting.shared !== undefined)
    .map((setting) => {
      const shared = isShared(plan.rows, setting)
      const rows = sides.map((side) => baseRow(plan.rows, setting, defaultWhereabouts(model, side)))
      const values = [...new Set(rows)].map((row) =>
        showValue(setting.domain, rowValue(plan.rows, row) ?? setting.factory),
      )
      const decided = rows.some((row) => rowValue(plan.rows, row) !== null)
      const leak = shared && decided ? (leaks[setting.means ?? ''] ?? null) : null
      return { setting, shared, row: shareRow(setting), values, leak }
    })
}
