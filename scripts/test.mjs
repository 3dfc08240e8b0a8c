import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { randomBytes } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { spawnSync } from 'node:child_process'
import { dropDatabase, ensureDatabase, startThrowAwayCluster } from './lib/postgres.mjs'
import { main, say } from './lib/say.mjs'
import { ensureBuild, ensureNpm } from './lib/build.mjs'
import { ensureDebian, root, runTypeScript } from './lib/system.mjs'

/** What is run together, against a database of its own. */
const projects = { unit: ['core', 'unit'], browser: ['browser'] }

/** `npm test`: every test, unit and browser, against a database that is thrown away; ends with the count. */
await main(async () => {
  await ensureDebian([...(process.env.DATABASE_URL ? [] : ['postgresql']), 'chromium', 'libnss3-tools'])
  await ensureNpm()
  const build = await ensureBuild()
  const cluster = process.env.DATABASE_URL ? null : await startThrowAwayCluster()
  const serverUrl = process.env.DATABASE_URL ?? cluster.url
  const mark = randomBytes(4).toString('hex')
  const reports = mkdtempSync(join(tmpdir(), 'salt-shelf-reports-'))
  const names = Object.keys(projects).map((project) => ({
    project,
    database: `salt_shelf_${project}_${mark}`,
  }))
  try {
    const counts = []
    for (const { project, database } of names) {
      const databaseUrl = await ensureDatabase(serverUrl, database)
      await runTypeScript('scripts/prepare-database.ts', ['--demo'], { DATABASE_URL: databaseUrl })
      say(`Running the ${project} tests`)
      counts.push(runProject(project, { databaseUrl, serverUrl, build }, join(reports, `${project}.json`)))
    }
    tell(counts)
  } finally {
    if (!cluster) for (const { database } of names) await dropDatabase(serverUrl, database)
    cluster?.stop()
    rmSync(reports, { recursive: true, force: true })
  }
})

function runProject(project, { databaseUrl, serverUrl, build }, report) {
  const vitest = join(root, 'node_modules/vitest/vitest.mjs')
  const chosen = process.argv.slice(2)
  const args = [
    'run',
    ...projects[project].flatMap((name) => ['--project', name]),
    '--passWithNoTests',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    SALT_SHELF_DATABASE_SERVER: serverUrl,
    SALT_SHELF_BUILD: build,
    NODE_ENV: 'test',
  }
  const ran = spawnSync(process.execPath, [vitest, ...args, ...chosen], { cwd: root, env, stdio: 'inherit' })
  return { project, status: ran.status, ...countsIn(report) }
}

function countsIn(report) {
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
      readFileSync(report, 'utf8'),
    )
    const failed = Math.max(numFailedTests, numFailedTestSuites > 0 ? 1 : 0)
    return { passed: numPassedTests, failed, failures: testResults.flatMap(failuresIn) }
  } catch {
    return { passed: 0, failed: 1, failures: [] }
  }
}

/** A line for each test of a file that failed, or for the file when it could not be run. */
function failuresIn({ name, status, message, assertionResults }) {
  const file = relative(root, name)
  // Enough for the seed and the case of a property.
  const first = (words) => (words ?? '').replaceAll(/\s*\n\s*/g, ' | ').slice(0, 500)
  const lines = assertionResults
    .filter((test) => test.status === 'failed')
    .map((test) => `failed: ${file}: ${test.fullName}: ${first(test.failureMessages[0])}`)
  return lines.length > 0 || status === 'passed' ? lines : [`failed: ${file}: ${first(message)}`]
}

function tell(counts) {
  const sum = (key) => counts.reduce((total, one) => total + one[key], 0)
  const broken = counts.filter((one) => one.status !== 0 && one.failed === 0).length
  const [passed, failed] = [sum('passed'), sum('failed') + broken]
  if (passed === 0 || failed > 0) process.exitCode = 1
  for (const line of counts.flatMap((one) => one.failures)) console.log(line)
  console.log(`${passed} passed, ${failed} failed`)
}
