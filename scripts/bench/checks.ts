import { type RowId, bankRow, baseCellRow, keyRow, parseRow, titleRow } from '@/core/plan/rows'
import { checkPlan, checkAfter } from '@/core/checks/checks'
import { valuesOf } from '@/core/model/domain'
import { lookup } from '@/core/model/lookup'
import { acceptedFunctions } from '@/core/model/controls'
import type { BodyModel, LensModel } from '@/core/model/types'
import { applyStep, setRows } from '@/core/plan/step'
import { must } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { fullPlan } from './contexts'
import { timesAsLong, type Figure } from './measure'

/** All checks after one step against all checks anew, on a full plan: for one step of each kind, the slowest counts. */
export function checksBench(model: BodyModel, lenses: readonly LensModel[]): Figure {
  const plan = fullPlan(model, lenses)
  const before = checkPlan(model, plan, lenses)
  const shares = Object.entries(steps(model)).map(([kind, row]) => {
    const step = setRows(plan, kind, { [row]: other(model, plan.rows[row], row) })
    const after = must(applyStep(model, plan, step))
    const share = timesAsLong(
      () => void checkAfter(before, after),
      () => void checkPlan(model, after, lenses),
      10,
    )
    return { kind, share }
  })
  const worst = shares.reduce((one, two) => (two.share > one.share ? two : one))
  const all = shares.map(({ kind, share }) => `${kind} ${share.toFixed(2)}`).join(', ')
  return {
    name: `All checks of ${model.name} after one step, ${before.states.size} states: share of the time they take anew`,
    wanted: 'at most 0.20',
    measured: `${worst.share.toFixed(2)} at worst (${all})`,
    holds: worst.share <= 0.2,
  }
}

/** A row of each kind whose change reaches as far as that kind can. */
function steps(model: BodyModel): Record<string, RowId> {
  const places = (place: string, stored: boolean) =>
    model.settings.find(
      (one) => one.place === place && (one.storedBy !== null) === stored && many(one.domain),
    )
  const [side = 'stills'] = model.sides
  const key = [...lookup(model).addresses.values()].find(
    (one) => one.side === side && acceptedFunctions(model, one).length > 5,
  )
  const family = model.families[0]
  const stored = model.settings.find((one) => one.storedBy === family?.id && many(one.domain))
  return {
    title: titleRow,
    key: keyRow({ key: key?.key ?? '' }),
    'body cell': baseCellRow(places('body', false)?.id ?? '', null),
    'side cell': baseCellRow(places('side', true)?.id ?? '', side),
    'focus mode': baseCellRow(lookup(model).byMeaning.get('focus.mode')?.id ?? '', side),
    'exposure mode': baseCellRow(lookup(model).byMeaning.get('exposure.mode')?.id ?? '', side),
    'frame rate': baseCellRow(lookup(model).byMeaning.get('movie.frameRate')?.id ?? '', null),
    bank: bankRow(family?.id ?? '', family?.slots[0]?.id ?? '', stored?.id ?? ''),
  }
}

function many(domain: BodyModel['settings'][number]['domain']): boolean {
  return (valuesOf(domain)?.length ?? 0) > 2
}

function other(model: BodyModel, now: Value | undefined, row: RowId): Value {
  const parsed = must(parseRow(model, row))
  if (parsed.kind === 'title') return 'Another'
  if (parsed.kind === 'key') {
    const found = acceptedFunctions(model, parsed.address).find((fn) => fn.id !== now && fn.manner === 'hold')
    return found?.id ?? 'nothing'
  }
  const domain = 'setting' in parsed ? parsed.setting.domain : null
  const value = (domain ? (valuesOf(domain) ?? []) : []).find((one) => one !== now)
  if (value === undefined) throw new Error(`no other value for ${row}`)
  return value
}
