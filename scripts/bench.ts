import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { chipped, heron } from '@tests/fixtures/heron'
import { contextsBench } from './bench/contexts'
import type { Figure } from './bench/measure'
import { rulesBench } from './bench/rules'

/** `npm run bench`: measures what was promised, as ratios in one run, and writes docs/performance.md. */
const figures: Figure[] = [rulesBench(heron), ...contextsBench(heron, chipped)]

const rows = figures.map(
  (one) => `| ${one.name} | ${one.wanted} | ${one.measured} | ${one.holds ? 'holds' : '**does not hold**'} |`,
)
writeFileSync(
  'docs/performance.md',
  `# Performance

Written by \`npm run bench\`: ratios taken in one run, each side the least of many rounds, so that they mean the same on other machines.
Last run with Node.js ${process.versions.node} on ${cpus().length} cores.

| what | wanted | measured | |
| --- | --- | --- | --- |
${rows.join('\n')}
`,
)
for (const one of figures)
  console.log(`${one.holds ? 'holds' : 'FAILS'}  ${one.name}: ${one.measured} (wanted: ${one.wanted})`)
if (figures.some((one) => !one.holds)) process.exitCode = 1
