import type { Refusal } from '../../result'
import type { BodyModel } from '../types'
import { controlFaults, functionFaults } from './controls'
import { fault } from './fault'
import { versionFaults } from './firmware'
import { doubtFaults, gearFaults } from './gear'
import { placeFaults } from './places'
import { ruleFaults } from './rules'
import { menuFaults, settingFaults } from './settings'

/**
 * Every contradiction inside a well-formed model: dangling ids, duplicate ids, values outside their domain, menu
 * lines that cannot be reached, controls off their face, rules that chase each other. Empty when sound.
 */
export function faultsOf(model: BodyModel): Refusal[] {
  return [
    ...duplicateFaults(model),
    ...versionFaults(model),
    ...settingFaults(model),
    ...menuFaults(model),
    ...controlFaults(model),
    ...functionFaults(model),
    ...placeFaults(model),
    ...gearFaults(model),
    ...doubtFaults(model),
    ...ruleFaults(model),
  ]
}

function duplicateFaults(model: BodyModel): Refusal[] {
  const lists: Readonly<Record<string, readonly { readonly id: string }[]>> = {
    settings: model.settings,
    functions: model.functions,
    controls: model.controls,
    faces: model.faces,
    families: model.families,
    holdSets: model.holdSets,
    positions: model.positions,
    acts: model.acts,
    grids: model.grids,
    rules: model.rules,
    menu: model.menu,
    doubts: model.doubts.map((doubt) => ({ id: doubt.about })),
    ...Object.fromEntries(model.families.map((family, i) => [`families[${i}].slots`, family.slots])),
    ...Object.fromEntries(model.controls.map((control, i) => [`controls[${i}].gestures`, control.gestures])),
  }
  return Object.entries(lists).flatMap(([kind, items]) => {
    const seen = new Set<string>()
    return items.flatMap((item, i) => {
      if (!seen.has(item.id)) {
        seen.add(item.id)
        return []
      }
      return [fault('duplicate', `${kind}[${i}].id`, `The id ${item.id} stands twice in ${kind}.`)]
    })
  })
}
