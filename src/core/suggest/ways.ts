import { lookup } from '../model/lookup'
import { added, meetingAt, movesFor, movesToMenu, opening, secondsOf, type Moves } from '../reach/moves'
import type { Need } from '../reach/needs'
import {
  doing,
  fullOpeners,
  idleBecause,
  isShutByFilm,
  ownOpeners,
  sideSwitchMoves,
  stopping,
} from '../reach/paths'
import { gridCountsIn, recorded } from '../reach/reach'
import type { Choice, Way } from './types'
import type { KeyPlace } from './key-places'
import type { MenuPlace } from './menus'
import type { Basis } from './basis'

/**
 * Every way to a need that an arrangement may open, priced as reach prices paths. What has to be opened on the way is
 * put into `openers`.
 */
export function waysTo(
  basis: Basis,
  keys: readonly KeyPlace[],
  menus: readonly MenuPlace[],
  need: Need,
  openers: Map<string, { choice: Choice; seconds: number }[]>,
): Way[] {
  const here = { basis, keys, menus, need, openers, after: {} }
  if (!recorded(need)) return waysIn({ ...here, recording: false })
  return [...waysIn({ ...here, recording: true }), ...waysIn({ ...here, recording: false, after: stopping })]
}

interface Here {
  readonly basis: Basis
  readonly keys: readonly KeyPlace[]
  readonly menus: readonly MenuPlace[]
  readonly need: Need
  readonly openers: Map<string, { choice: Choice; seconds: number }[]>
  readonly recording: boolean
  /** Moves that come on top. */
  readonly after: Moves
}

function waysIn(here: Here): Way[] {
  const { basis, keys, menus, need, after } = here
  const { model, times, posture } = basis
  const { resolution } = basis.stateOf(need.side, here.recording)
  const does = doing(model, resolution, need.side, need.what)
  const direct = keys.flatMap((key, place): Way[] =>
    valuesDoing(here, key).flatMap(({ fn, value }) => {
      const met = meetingAt(key.address, posture, basis.fingers)
      if (!met || !does(fn)) return []
      const moves = added(movesFor(fn.manner)[1], met.moves, awayFrom(need, met.atFinder), after)
      return [{ seconds: secondsOf(moves, times), takes: { place, value }, opens: null }]
    }),
  )
  const bySwitch = here.recording ? null : sideSwitchMoves(model, need.what)
  if (bySwitch) {
    const moves = added(bySwitch, awayFrom(need, false), after)
    direct.push({ seconds: secondsOf(moves, times), takes: null, opens: null })
  }
  const target = lookup(model).byMeaning.get(need.what)?.id
  if (target === undefined || idleBecause(resolution, target) !== null) return direct
  if (isShutByFilm(resolution, need.what)) return direct
  const inMenus = menus.flatMap(({ index, place, grid, moves }): Way[] => {
    const value = place.values.indexOf(target)
    if (value < 0 || (grid && grid.side !== need.side)) return []
    const opens = grid
      ? opened(here, grid.id, [{ fn: grid.openedBy, more: 0 }], grid.inFinder && gridCountsIn(basis.plan))
      : opened(here, 'own', ownOpeners(model, resolution), false)
    return [{ seconds: secondsOf(added(moves, after), times), takes: { place: index, value }, opens }]
  })
  const line = lookup(model).menuPlaces.get(target)
  if (!line) return [...direct, ...inMenus]
  const full: Way = {
    seconds: secondsOf(added(movesToMenu(line), after), times),
    takes: null,
    opens: opened(here, 'full', fullOpeners(model), false),
  }
  return [...direct, ...inMenus, full]
}

/** What the values of a key do in the state, by their number. */
function valuesDoing({ need, recording }: Here, { address, ...key }: KeyPlace) {
  if (address.side !== need.side) return []
  return (recording ? key.recording : key.standby).flatMap((fn, value) => (fn ? [{ fn, value }] : []))
}

function awayFrom({ flags }: Need, atFinder: boolean): Moves {
  return flags.includes('finder') && !atFinder ? { away: 1 } : {}
}

/** The name under which the keys that open a menu are found, for needs of this kind; made on first use. */
function opened(
  here: Here,
  menu: string,
  functions: readonly { fn: string; more: number }[],
  inFinder: boolean,
): string {
  const { basis, keys, need, openers, recording } = here
  const eye = need.flags.includes('finder')
  const name = [menu, need.side, recording ? 'recording' : 'standby', eye ? 'finder' : ''].join(' ')
  if (!openers.has(name)) {
    const options = keys.flatMap((key, place) =>
      valuesDoing(here, key).flatMap(({ fn, value }) => {
        const opener = functions.find((one) => one.fn === fn.id)
        const met = meetingAt(key.address, basis.posture, basis.fingers)
        if (!opener || !met) return []
        const away = awayFrom(need, inFinder && met.atFinder)
        const moves = added(opening, { press: opener.more }, met.moves, away)
        return [{ choice: { place, value }, seconds: secondsOf(moves, basis.times) }]
      }),
    )
    openers.set(name, options)
  }
  return name
}
