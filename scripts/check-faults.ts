import { appendFileSync } from 'node:fs'
import { carriesUnderKills, carriesWithSecondHand } from './faults/carries'
import { frozenDatabase, fullDisk } from './faults/database'
import { desksWithLostAnswers, savesUnderKills } from './faults/desks'
import { damagedFiles, strangeRequests } from './faults/files'
import type { Outcome } from './faults/outcome'
import { openPlace, type Place } from './faults/place'
import { starts } from './faults/starts'

/**
 * `npm run check:faults [-- --long] [--seed N] [--only WORD]`: every attack, with tries and failures. Long is what
 * docs/reliability.md reports; without it each attack is tried a few times. The same seed makes the same attack.
 */
const value = (name: string) => {
  const at = process.argv.indexOf(name)
  return at < 0 ? undefined : process.argv[at + 1]
}
const isLong = process.argv.includes('--long')
const seed = Number(value('--seed') ?? 1)
const only = value('--only') ?? ''

const attacks: readonly (readonly [
  string,
  number,
  number,
  (place: Place, tries: number) => Promise<Outcome>,
])[] = [
  ['saving-server', 60, 4, (place, tries) => savesUnderKills(place, 'server', tries, seed)],
  ['saving-database', 20, 3, (place, tries) => savesUnderKills(place, 'database', tries, seed)],
  ['desks', 1000, 60, (place, tries) => desksWithLostAnswers(place, tries, seed)],
  ['carries', 500, 40, (place, tries) => carriesWithSecondHand(place, tries, seed)],
  ['carrying-server', 40, 4, (place, tries) => carriesUnderKills(place, 'server', tries, seed)],
  ['carrying-database', 20, 3, (place, tries) => carriesUnderKills(place, 'database', tries, seed)],
  ['frozen', 5, 1, (place, tries) => frozenDatabase(place, tries, seed)],
  ['full', 3, 1, (_place, tries) => fullDisk(tries)],
  ['files', 3000, 300, (place, tries) => damagedFiles(place, tries, seed)],
  ['requests', 3000, 300, (place, tries) => strangeRequests(place, tries, seed)],
  ['starts', 75, 14, (_place, tries) => starts(tries, seed)],
]

const outcomes: Outcome[] = []
const place = await openPlace()
try {
  for (const [word, long, quick, attack] of attacks.filter(([one]) => one.includes(only))) {
    const begun = Date.now()
    const outcome = await attack(place, isLong ? long : quick)
    outcomes.push(outcome)
    const seconds = Math.round((Date.now() - begun) / 1000)
    console.log(
      `${outcome.failures.length === 0 ? 'holds' : 'FAILS'}  ${word}: ${outcome.name}: ${outcome.tries} tries, ${outcome.failures.length} failures (${outcome.seen}) in ${seconds} s`,
    )
    for (const failure of outcome.failures.slice(0, 10)) console.log(`         ${failure}`)
  }
} finally {
  await place.close()
}
const report = value('--report')
if (report)
  appendFileSync(
    report,
    outcomes.map((one) => `| ${one.name} | ${one.tries} | ${one.failures.length} | ${one.seen} |\n`).join(''),
  )
if (outcomes.some((one) => one.failures.length > 0)) process.exitCode = 1
