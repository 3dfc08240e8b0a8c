import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { chipped } from '@tests/fixtures/heron'
import { lenses, models } from '@tests/fixtures/models'
import { bareBench } from './bench/bare'
import { cardBench } from './bench/card'
import { checksBench } from './bench/checks'
import { contextsBench } from './bench/contexts'
import { focusBench } from './bench/focus'
import type { Figure } from './bench/measure'
import { pageBench } from './bench/page'
import { shelfBench } from './bench/shelf'
import { speedBench } from './bench/speed'
import { rulesBench } from './bench/rules'
import { suggestBench } from './bench/suggest'

/** Measures what was promised, as ratios in one run where it can, and writes docs/performance.md. */
const address = process.argv[2]
if (!address) throw new Error('give the address of a running Salt Shelf')
const [largest] = [...models].sort((a, b) => b.settings.length - a.settings.length)
if (!largest) throw new Error('there are no models')
const figures: Figure[] = [
  rulesBench(models),
  ...contextsBench(largest, chipped),
  checksBench(largest, lenses),
  ...cardBench(largest, lenses),
  ...focusBench(largest, chipped),
  ...suggestBench(models, lenses),
  ...(await pageBench(address, largest)),
  ...(await speedBench(address, largest, lenses)),
  await bareBench(address),
  ...(await shelfBench(address)),
]

const rows = figures.map(
  (one) => `| ${one.name} | ${one.wanted} | ${one.measured} | ${one.holds ? 'holds' : '**does not hold**'} |`,
)
writeFileSync(
  'docs/performance.md',
  `# Performance

Written by \`npm run bench\`: ratios taken in one run, each side the least of many rounds, so that they mean the same on other machines; what is asked in
seconds, milliseconds or bytes is given as measured on this one.
Last run with Node.js ${process.versions.node} on ${cpus().length} cores.

| what | wanted | measured | |
| --- | --- | --- | --- |
${rows.join('\n')}
`,
)
for (const one of figures)
  console.log(`${one.holds ? 'holds' : 'FAILS'}  ${one.name}: ${one.measured} (wanted: ${one.wanted})`)
if (figures.some((one) => !one.holds)) process.exitCode = 1
