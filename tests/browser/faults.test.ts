import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { query } from '@/server/db'
import { carriesUnderKills, carriesWithSecondHand } from '../../scripts/faults/carries'
import { frozenDatabase, fullDisk } from '../../scripts/faults/database'
import { desksWithLostAnswers, savesUnderKills } from '../../scripts/faults/desks'
import { damagedFiles, strangeRequests } from '../../scripts/faults/files'
import type { Outcome } from '../../scripts/faults/outcome'
import { openPlace, type Place } from '../../scripts/faults/place'
import { starts } from '../../scripts/faults/starts'
import { postgresPrograms } from '../../scripts/lib/system.mjs'

/**
 * Every attack of `npm run check:faults`, a few times each, from another seed at every run. A failure names its seed: with
 * it the attack can be made again.
 */
const seed = Math.floor(Math.random() * 1_000_000)

const attacks: readonly (readonly [string, () => Promise<Outcome>])[] = [
  ['saves while the server is killed', () => savesUnderKills(place, 'server', 3, seed)],
  ['saves while the database is killed', () => savesUnderKills(place, 'database', 2, seed)],
  ['saves of two desks whose answers are lost', () => desksWithLostAnswers(place, 50, seed)],
  ['carries with a second hand at the body', () => carriesWithSecondHand(place, 25, seed)],
  ['carries while the server is killed', () => carriesUnderKills(place, 'server', 8, seed)],
  ['carries while the database is killed', () => carriesUnderKills(place, 'database', 8, seed)],
  ['a frozen database', () => frozenDatabase(place, 1, seed)],
  ['a full disk', () => fullDisk(1)],
  ['damaged files', () => damagedFiles(place, 150, seed)],
  ['requests no page would send', () => strangeRequests(place, 200, seed)],
  ['starts in every order', () => starts(14, seed)],
]

/** A database to be killed must be one of our own. */
const isHere = postgresPrograms() !== null

let place: Place
describe.skipIf(!isHere)('nothing is lost, doubled, wedged or said falsely', () => {
  beforeAll(async () => {
    place = await openPlace()
  })
  afterAll(async () => {
    await place.close()
  })

  it('is built on a database that finds damage in its own pages', async () => {
    expect(await query('show data_checksums')).toEqual([{ data_checksums: 'on' }])
  })

  it.each(attacks)(
    'by %s',
    async (_name, attack) => {
      const { failures, tries, seen } = await attack()
      expect({ seed, failures }).toEqual({ seed, failures: [] })
      // A disk can be filled by root only.
      expect(tries > 0 || seen.startsWith('not tried')).toBe(true)
    },
    // Each wait inside has a limit of its own, which says what it waited for; this one only ends what hangs.
    600_000,
  )
})
