import type { Choice, Instance } from './types'

/**
 * Places that are as good as each other: what they hold today is of no use, and everything they might hold costs the
 * same there and is as far away. By the number of each place, the numbers of all of its group; places alone are left
 * out. Linear in places × values + demands × ways.
 */
export function alike(instance: Instance): ReadonlyMap<number, readonly number[]> {
  const bound = new Set(
    [...instance.kept.flat(), ...instance.pairs.flatMap(inPair)].map(({ place }) => place),
  )
  const used = usesOf(instance)
  const groups = new Map<string, number[]>()
  for (const [i, { kind, values, current, costs }] of instance.places.entries()) {
    const uses = used.get(i) ?? new Map<number, string>()
    if (bound.has(i) || current !== 0 || values.length < 2 || uses.has(0)) continue
    const all = values.slice(1).map((value, k) => `${value} ${costs[k + 1] ?? 0} ${uses.get(k + 1) ?? ''}`)
    const name = [kind, ...all].join('\n')
    groups.set(name, [...(groups.get(name) ?? []), i])
  }
  const several = [...groups.values()].filter((group) => group.length > 1)
  return new Map(several.flatMap((group) => group.map((place) => [place, group] as const)))
}

function inPair({ classes }: Instance['pairs'][number]): Choice[] {
  return classes.flatMap(({ one, two }) => [...one, ...two])
}

/** What each value of each place is used for, as a text: which demand, at what price, through what. */
function usesOf({ demands, openers }: Instance): Map<number, Map<number, string>> {
  const used = new Map<number, Map<number, string>>()
  const note = ({ place, value }: Choice, use: string) => {
    const uses = used.get(place) ?? new Map<number, string>()
    used.set(place, uses.set(value, `${uses.get(value) ?? ''};${use}`))
  }
  for (const [i, { ways }] of demands.entries())
    for (const { seconds, takes, opens } of ways) if (takes) note(takes, `${i} ${seconds} ${opens ?? ''}`)
  for (const [name, options] of openers)
    for (const { choice, seconds } of options) note(choice, `${name} ${seconds}`)
  return used
}
