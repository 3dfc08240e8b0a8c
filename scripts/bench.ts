import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { chipped } from '@tests/fixtures/heron'
import { lenses, models } from '@tests/fixtures/models'
import type { BodyModel } from '@/core/model/types'
import { bareBench } from './bench/bare'
import { cardBench } from './bench/card'
import { checksBench } from './bench/checks'
import { contextsBench } from './bench/contexts'
import { focusBench } from './bench/focus'
import { filesBench } from './bench/files'
import { handBench } from './bench/hand'
import type { Figure } from './bench/measure'
import { numbersBench } from './bench/numbers'
import { offlineBench } from './bench/offline'
import { pageBench } from './bench/page'
import { proceduresBench } from './bench/procedures'
import { sheetsBench } from './bench/sheets'
import { settingsBench } from './bench/settings'
import { shelfBench } from './bench/shelf'
import { speedBench } from './bench/speed'
import { rulesBench } from './bench/rules'
import { suggestBench } from './bench/suggest'

/** Measures what was promised, as ratios in one run where it can, and writes docs/performance.md. */
const address = process.argv[2]
if (!address) throw new Error('give the address of a running Salt Shelf')
const [largest] = [...models].sort((a, b) => b.settings.length - a.settings.length)
if (!largest) throw new Error('there are no models')
const only = process.argv[3]
const alone = {
  page: pageBench,
  stations: (at: string, model: BodyModel) => speedBench(at, model, lenses),
  bare: async (at: string) => [await bareBench(at)],
  shelf: shelfBench,
  files: filesBench,
  hand: handBench,
  settings: settingsBench,
  procedures: proceduresBench,
  offline: offlineBench,
  numbers: numbersBench,
  sheets: sheetsBench,
} as const
if (only !== undefined && !Object.hasOwn(alone, only))
  throw new Error(`only ${Object.keys(alone).join(', ')} can be measured alone`)
const figures: Figure[] =
  only === undefined
    ? await allFigures(address, largest)
    : await alone[only as keyof typeof alone](address, largest)

async function allFigures(at: string, model: BodyModel): Promise<Figure[]> {
  return [
    rulesBench(models),
    ...contextsBench(model, chipped),
    checksBench(model, lenses),
    ...cardBench(model, lenses),
    ...focusBench(model, chipped),
    ...suggestBench(models, lenses),
    ...(await pageBench(at, model)),
    ...(await speedBench(at, model, lenses)),
    ...(await settingsBench(at, model)),
    ...(await proceduresBench(at, model)),
    ...(await numbersBench(at, model)),
    ...(await sheetsBench(at, model)),
    ...(await offlineBench(at, model)),
    await bareBench(at),
    ...(await handBench(at)),
    ...(await filesBench(at, model)),
    ...(await shelfBench(at)),
  ]
}

const rows = figures.map(
  (one) => `| ${one.name} | ${one.wanted} | ${one.measured} | ${one.holds ? 'holds' : '**does not hold**'} |`,
)
const document = `# Performance

Written by \`npm run bench\`: ratios taken in one run, each side the least of many rounds, so that they mean the same on other machines; what is asked in
seconds, milliseconds or bytes is given as measured on this one.
Last run with Node.js ${process.versions.node} on ${cpus().length} cores.

| what | wanted | measured | |
| --- | --- | --- | --- |
${rows.join('\n')}
`
if (only === undefined) writeFileSync('docs/performance.md', document)
for (const one of figures)
  console.log(`${one.holds ? 'holds' : 'FAILS'}  ${one.name}: ${one.measured} (wanted: ${one.wanted})`)
if (figures.some((one) => !one.holds)) process.exitCode = 1
