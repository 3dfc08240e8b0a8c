import { baseRows } from '@/core/plan/cells'
import { type RowId, bankFactRow, bankRow, holdRow, lensRow, mayTick } from '@/core/plan/rows'
import type { Value } from '@/core/vocabulary/values'
import { valuesOf } from '@/core/model/domain'
import type { BodyModel, LensModel, Setting } from '@/core/model/types'
import { parsePlan, type Plan } from '@/core/plan/plan'
import { contextIn, type Context } from '@/core/resolve/context'
import { resolve } from '@/core/resolve/resolve'
import { must } from '@/core/result'
import { timesAsLong, type Figure } from './measure'

/**
 * Every context of a model with a full plan (side × slot of each family × hold set × lens): cost against four times
 * the settings, and four times the contexts.
 */
export function contextsBench(model: BodyModel, lens: LensModel): Figure[] {
  const lenses = Array.from({ length: 4 }, (_, i) => ({ ...lens, id: `lens-${i}`, contacts: i % 2 === 0 }))
  const all = (of: BodyModel, used: readonly LensModel[]) => {
    const plan = fullPlan(of, used)
    const contexts = everyContext(of, used)
    return { count: contexts.length, work: () => resolveAll(of, plan, contexts) }
  }
  const [one, moreContexts, moreSettings] = [
    all(model, lenses.slice(0, 1)),
    all(model, lenses),
    all(fourfold(model), lenses.slice(0, 1)),
  ]
  return [
    grown(
      `All contexts of ${model.name}: ${moreContexts.count} instead of ${one.count}`,
      timesAsLong(moreContexts.work, one.work),
    ),
    grown(
      `All contexts of ${model.name}: ${model.settings.length * 4} settings instead of ${model.settings.length}`,
      timesAsLong(moreSettings.work, one.work),
    ),
  ]
}

/** Every side, with every slot or none of each family, every hold set or none, and every lens. */
function everyContext(model: BodyModel, lenses: readonly LensModel[]): Context[] {
  const banks = model.families.reduce<Record<string, string | null>[]>(
    (rows, family) =>
      rows.flatMap((row) =>
        [null, ...family.slots.map((slot) => slot.id)].map((slot) => ({ ...row, [family.id]: slot })),
      ),
    [{}],
  )
  const holds = [[], ...model.functions.filter((fn) => fn.holdSet !== undefined).map((fn) => [fn.id])]
  return model.sides.flatMap((side) =>
    banks.flatMap((slots) =>
      holds.flatMap((held) =>
        lenses.map((lens) => ({ ...contextIn(model, side, null, lens), banks: slots, held })),
      ),
    ),
  )
}

function grown(name: string, ratio: number): Figure {
  return {
    name,
    wanted: 'at most 5 times the time for 4 times the size',
    measured: `${ratio.toFixed(1)} times`,
    holds: ratio <= 5,
  }
}

function resolveAll(model: BodyModel, plan: Plan, contexts: readonly Context[]): void {
  for (const context of contexts) resolve(model, plan, context)
}

/** A plan that decides every base cell and every row of every slot. */
export function fullPlan(model: BodyModel, lenses: readonly LensModel[]): Plan {
  const rows: Record<RowId, Value> = {}
  const decided = (setting: Setting) => valuesOf(setting.domain)?.at(-1) ?? setting.factory
  for (const setting of model.settings) {
    if (setting.place !== 'physical')
      for (const row of baseRows(model, {}, setting)) rows[row] = decided(setting)
    for (const family of model.families.filter((one) => one.id === setting.storedBy)) {
      for (const slot of family.slots) rows[bankRow(family.id, slot.id, setting.id)] = setting.factory
    }
  }
  for (const family of model.families) {
    family.slots.forEach(
      (slot, i) =>
        (rows[bankFactRow(family.id, slot.id, 'side')] =
          slot.side ?? model.sides[i % model.sides.length] ?? 'stills'),
    )
  }
  for (const lens of lenses) rows[lensRow(lens.id)] = true
  for (const set of model.holdSets) {
    for (const setting of model.settings.filter((one) => mayTick(set, one)))
      rows[holdRow(set.id, setting.id)] = decided(setting)
  }
  return must(parsePlan(model, rows))
}

/** The model with every setting and every rule on settings four times over, under other ids. */
export function fourfold(model: BodyModel): BodyModel {
  const copies = [1, 2, 3]
  const renamed = <T>(value: T, copy: number): T => {
    const text = JSON.stringify(value).replace(/"((?:setting\/)?[a-z]+\.[A-Za-z]+)"/g, `"$1Copy${copy}"`)
    return JSON.parse(text) as T
  }
  return {
    ...model,
    settings: [
      ...model.settings,
      ...copies.flatMap((copy) => model.settings.map((one) => ({ ...renamed(one, copy), means: one.means }))),
    ],
    rules: [
      ...model.rules,
      ...copies.flatMap((copy) =>
        model.rules.map((rule) => ({ ...renamed(rule, copy), id: `${rule.id}-${copy}` })),
      ),
    ],
    menu: [
      ...model.menu,
      ...copies.flatMap((copy) =>
        model.menu.map((page) => ({ ...renamed(page, copy), id: `${page.id}-${copy}` })),
      ),
    ],
  }
}
