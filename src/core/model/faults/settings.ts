import type { Refusal } from '../../result'
import { commonSettings } from '../../vocabulary/catalogue'
import { ladderBetween } from '../../vocabulary/ladders'
import { checkValue } from '../domain'
import { menuPlaces, setUpLines } from '../menu'
import type { BodyModel, Setting } from '../types'
import { dangling, fault } from './fault'
import { firmwareFaults } from './firmware'

/** Settings whose values, places or menu lines do not hold together. */
export function settingFaults(model: BodyModel): Refusal[] {
  const inMenu = linesById(model)
  return model.settings.flatMap((setting, i) => oneSetting(model, setting, `settings[${i}]`, inMenu))
}

/** Menu lines, cells and own-menu lines that lead nowhere; acts that no menu line and no hand reaches. */
export function menuFaults(model: BodyModel): Refusal[] {
  const lines = [...model.settings, ...model.acts, ...setUpLines(model)]
  const inMenu = linesById(model)
  const own = model.ownMenu
  return [
    ...dangling(
      'menu',
      [...inMenu.keys()],
      lines,
      (id) => `The menu lists ${id}, which is no setting and no act.`,
    ),
    ...model.acts.flatMap((act, i) => {
      const count = inMenu.get(act.id) ?? 0
      if (count === 1 || (count === 0 && act.by !== undefined)) return []
      return [
        fault('menu', `acts[${i}].id`, `${act.id} stands on ${count} menu lines, and nothing else does it.`),
      ]
    }),
    ...model.grids.flatMap((grid, i) => {
      const path = `grids[${i}]`
      const room = grid.rows * grid.columns
      const over =
        grid.factory.length > room
          ? [fault('room', `${path}.factory`, `${grid.name} has ${room} cells.`)]
          : []
      const odd = grid.factory.filter((id) => !grid.permitted.includes(id))
      return [
        ...over,
        ...dangling(
          `${path}.openedBy`,
          [grid.openedBy],
          model.functions,
          (id) => `No function is called ${id}.`,
        ),
        ...dangling(
          `${path}.permitted`,
          grid.permitted,
          model.settings,
          (id) => `No setting is called ${id}.`,
        ),
        ...odd.map((id) => fault('not-accepted', `${path}.factory`, `${grid.name} does not take ${id}.`)),
      ]
    }),
    ...(own
      ? [
          ...dangling('ownMenu.permitted', own.permitted, lines, (id) => `${id} is no setting and no act.`),
          ...dangling(
            'ownMenu.opensFirst',
            [own.opensFirst],
            model.settings,
            (id) => `No setting is called ${id}.`,
          ),
        ]
      : []),
  ]
}

function linesById(model: BodyModel): ReadonlyMap<string, number> {
  const inMenu = new Map<string, number>()
  for (const { id } of menuPlaces(model)) inMenu.set(id, (inMenu.get(id) ?? 0) + 1)
  return inMenu
}

function doubledChoices({ domain }: Setting, path: string): Refusal[] {
  const values = domain.kind === 'choice' || domain.kind === 'subset' ? domain.values : []
  const fields = domain.kind === 'record' ? domain.fields : []
  const seen = new Set<string>()
  return [...values, ...fields].flatMap(({ id }) => {
    if (!seen.has(id)) {
      seen.add(id)
      return []
    }
    return [fault('duplicate', `${path}.domain`, `The id ${id} stands twice.`)]
  })
}

function oneSetting(
  model: BodyModel,
  setting: Setting,
  path: string,
  inMenu: ReadonlyMap<string, number>,
): Refusal[] {
  const faults: Refusal[] = []
  if (setting.domain.kind === 'ladder') {
    const span = ladderBetween(setting.domain.ladder, setting.domain.from, setting.domain.to)
    if (!span.ok) return [fault('domain', `${path}.domain`, span.refusal.message)]
  }
  const factory = checkValue(setting.domain, setting.factory, `${path}.factory`)
  if (!factory.ok) faults.push(factory.refusal)
  if (setting.means !== null && !commonSettings.has(setting.means)) {
    faults.push(fault('dangling', `${path}.means`, `${setting.means} is not in the common vocabulary.`))
  }
  if (setting.storedBy !== null && !model.families.some((family) => family.id === setting.storedBy)) {
    faults.push(fault('dangling', `${path}.storedBy`, `No bank family is called ${setting.storedBy}.`))
  }
  if (setting.storedBy !== null && (setting.place === 'local' || setting.place === 'physical')) {
    faults.push(fault('place', `${path}.storedBy`, `A ${setting.place} setting cannot be kept by a bank.`))
  }
  if (setting.shared !== undefined && setting.place !== 'side') {
    faults.push(fault('place', `${path}.shared`, 'Only a setting with a cell for each side can be shared.'))
  }
  faults.push(...firmwareFaults(model, setting, path))
  if (setting.domain.kind === 'choice') {
    setting.domain.values.forEach((choice, v) =>
      faults.push(...firmwareFaults(model, choice, `${path}.domain.values[${v}]`)),
    )
  }
  faults.push(...doubledChoices(setting, path))
  if (setting.means === 'exposure.mode' && setting.place === 'exposureMode')
    faults.push(
      fault('place', `${path}.place`, 'The exposure mode cannot have a cell for each exposure mode.'),
    )
  faults.push(...widthFaults(model, setting, path))
  const lines = inMenu.get(setting.id) ?? 0
  if (lines !== 1 && setting.place !== 'physical') {
    faults.push(
      fault('menu', `${path}.id`, `${setting.id} stands on ${lines} menu lines; it needs exactly one.`),
    )
  }
  return faults
}

/** A setting that is stored only at some width of its bank family, where the family has no such width. */
function widthFaults(model: BodyModel, { storedBy, storedWhen }: Setting, path: string): Refusal[] {
  if (storedWhen === undefined) return []
  const at = `${path}.storedWhen`
  const widener = model.families.find((family) => family.id === storedBy)?.widenedBy
  const domain = model.settings.find(({ id }) => id === widener)?.domain
  if (!domain) return [fault('place', at, 'Its bank family cannot be widened.')]
  if (storedWhen === 'widened')
    return domain.kind === 'toggle'
      ? []
      : [fault('place', at, `Say at which values of ${widener} it is stored.`)]
  const values = domain.kind === 'choice' ? domain.values.map(({ id }) => id) : []
  const unknown = storedWhen.find((value) => !values.includes(value))
  return unknown === undefined ? [] : [fault('place', at, `${widener} has no value ${unknown}.`)]
}
