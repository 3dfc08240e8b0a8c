import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/**
 * `npm run check:deep [-- MINUTES]`: plays on the simulated bodies what the core says, with random plans in random states, on
 * every model, for as many minutes as given (30 where nobody says), and tells how many cases of each property were tried.
 */
const minutes = Number(process.argv[2] ?? 30)
if (!(minutes > 0 && minutes <= 600)) {
  console.error(`“${process.argv[2] ?? ''}” is no number of minutes from 0 to 600.`)
  process.exit(2)
}
const models = 6
const files = [...readFileSync('tests/deep/properties.ts', 'utf8').matchAll(/Properties } from '\.\/(\w+)'/g)]
const properties = files
  .map(([, name]) => readFileSync(`tests/deep/${name}.ts`, 'utf8').match(/^ {2}property\(/gm)?.length ?? 0)
  .reduce((sum, count) => sum + count, 0)
const folder = mkdtempSync(join(tmpdir(), 'salt-shelf-deep-'))
const tally = join(folder, 'tally.jsonl')
const { status } = spawnSync('npx', ['vitest', 'run', '--project', 'core', 'tests/deep/deep.test.ts'], {
  stdio: 'inherit',
  env: { ...process.env, DEEP_SECONDS: String((minutes * 60) / (models * properties)), DEEP_TALLY: tally },
})
const lines = existsSync(tally)
  ? readFileSync(tally, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
  : []
rmSync(folder, { recursive: true })
for (const name of new Set(lines.map((line) => line.name))) {
  const mine = lines.filter((line) => line.name === name)
  const cases = mine.reduce((sum, line) => sum + line.cases, 0)
  const failed = mine.filter((line) => line.failed).map((line) => line.model)
  console.log(`${cases} cases: ${name}${failed.length > 0 ? `; FAILS on ${failed.join(', ')}` : ''}`)
}
console.log(`${lines.reduce((sum, line) => sum + line.cases, 0)} cases in all.`)
process.exit(status ?? 1)
