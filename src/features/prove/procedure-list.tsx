import { catalogue, type ProcedureGroup } from '@/core/procedures/catalogue'
import { Select } from '@/ui/select'
import type { ProveStationKnown } from './use-prove-station'

/** The groups that are walked from here; what is carried has a station of its own. */
type Group = Exclude<ProcedureGroup, 'carry'>

const groups: Readonly<Record<Group, string>> = {
  begin: 'To begin',
  set: 'To set the camera',
  prove: 'To prove it',
  day: 'Every day of work',
  need: 'When it is needed',
}

/** The procedures to choose from where there is no room for their list beside what is chosen. */
export function ProcedureChoice({ station: { id, choose } }: { station: ProveStationKnown }) {
  return (
    <Select
      label="Procedure"
      value={id}
      options={catalogue.filter(({ group }) => group !== 'carry').map((one) => [one.id, one.name] as const)}
      onPick={choose}
      className="mt-2 min-h-11 w-full rounded-md border bg-sheet px-2 lg:hidden"
    />
  )
}

/** The procedures, by when they are gone through. */
export function ProcedureList({ station: { id, choose, standing } }: { station: ProveStationKnown }) {
  return (Object.keys(groups) as Group[]).map((group) => (
    <div key={group} role="group" aria-label={groups[group]} className="mt-3 max-lg:hidden">
      <h2 className="text-small font-semibold text-silt">{groups[group]}</h2>
      <ul className="border-t">
        {catalogue
          .filter((one) => one.group === group)
          .map((one) => {
            const stands = standing(one.id)
            return (
              <li key={one.id}>
                <button
                  type="button"
                  aria-pressed={one.id === id}
                  onClick={() => choose(one.id)}
                  className="flex min-h-9 w-full items-center gap-2 border-b px-2 py-1 text-left hover:text-brine aria-pressed:bg-sheet aria-pressed:font-semibold aria-pressed:shadow-[inset_3px_0_0_var(--brine)] pointer-coarse:min-h-11"
                >
                  <span>{one.name}</span>
                  {stands !== null && (
                    <span className="ml-auto text-small font-normal text-silt">{stands}</span>
                  )}
                </button>
              </li>
            )
          })}
      </ul>
    </div>
  ))
}
