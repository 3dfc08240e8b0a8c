import { parseArgs, type ParseArgsConfig } from 'node:util'
import type { Refusal } from '@/core/result'
import { adviseOnPlan } from './advise'
import { banksOfPlan, dialsOfPlan } from './banks'
import { checkExport, filesOf, preflightCommand } from './carry'
import { compareBytesCommand, listCard, nearestFile, putOnCard } from './cards'
import type { Command, Options, Outcome } from './command'
import { checkPlan, focusPlan } from './checks'
import { endDevice, letDeviceIn, listDevices } from './devices'
import { compareFiles, comparePlans, readFileCommand, runCamera, writeFileCommand } from './files'
import { checkModel, listModels } from './models'
import { followPlan, newPlan, resolvePlan, stepPlan } from './plans'
import { reachPlan, startPlan } from './reach'
import { fitPlan, routePlan } from './routes'
import { showInventory } from './inventory'
import { numbers } from './numbers'
import { procedures } from './procedures'
import { sheets, takeSheet } from './sheets'
import { settingsOfPlan } from './settings'
import { showModel } from './show'
import { suggestPlan } from './suggest'
import { matchLabels } from './words'

/** Every command, in the order help lists them. */
export const commands: readonly Command[] = [
  ...[listModels, showModel, checkModel, newPlan, stepPlan, followPlan, resolvePlan],
  ...[
    settingsOfPlan,
    showInventory,
    startPlan,
    reachPlan,
    suggestPlan,
    checkPlan,
    focusPlan,
    banksOfPlan,
    dialsOfPlan,
    numbers,
    adviseOnPlan,
    procedures,
    takeSheet,
    sheets,
    routePlan,
    fitPlan,
    comparePlans,
  ],
  ...[
    writeFileCommand,
    readFileCommand,
    compareFiles,
    compareBytesCommand,
    nearestFile,
    listCard,
    putOnCard,
    filesOf,
    preflightCommand,
    checkExport,
    runCamera,
    matchLabels,
  ],
  ...[listDevices, letDeviceIn, endDevice],
]

/** What the tool leaves behind: text, and 0 done, 1 refused, 2 called wrongly. */
export interface Ended {
  readonly code: 0 | 1 | 2
  readonly output: string
  readonly error: string
}

/** Runs the tool with its arguments. */
export async function run(args: readonly string[]): Promise<Ended> {
  if (args.length === 0 || args.includes('--help')) return { code: 0, output: help(), error: '' }
  const command = commands.find((one) => one.name.split(' ').every((word, i) => args[i] === word))
  if (!command) return wrong(`There is no command “${args.slice(0, 2).join(' ')}”.`)
  const given = argumentsOf(command, args.slice(command.name.split(' ').length))
  if (typeof given === 'string') return wrong(`${given}\nusage: ${command.usage}`)
  const json = given.options.json !== undefined
  const notes: string[] = []
  const ended = told(await command.run(given.operands, given.options, notes), json, command)
  const said = notes.map((note) => `Note: ${note}`)
  return { ...ended, error: [...said, ...(ended.error === '' ? [] : [ended.error])].join('\n') }
}

/** An option as Node.js reads it. */
type OptionForm = NonNullable<ParseArgsConfig['options']>[string]

function argumentsOf(
  command: Command,
  args: readonly string[],
): { operands: string[]; options: Options } | string {
  const options = Object.fromEntries(
    Object.entries(command.options).map(([name, kind]): [string, OptionForm] => [
      name,
      kind === 'flag' ? { type: 'boolean' } : { type: 'string', multiple: true },
    ]),
  )
  try {
    const parsed = parseArgs({
      args: [...args],
      options: { ...options, json: { type: 'boolean' } },
      allowPositionals: true,
    })
    const values = Object.entries(parsed.values).map(
      ([name, value]) => [name, Array.isArray(value) ? value.map(String) : ['']] as const,
    )
    const twice = values.find(([name, list]) => command.options[name] === 'one' && list.length > 1)
    if (twice) return `--${twice[0]} stands twice`
    const counts: readonly (number | string)[] = [command.operands].flat()
    if (!counts.includes('any') && !counts.includes(parsed.positionals.length))
      return `${command.name} takes ${counts.join(' or ')} ${counts.length > 1 ? 'names' : 'file names'}, not ${parsed.positionals.length}`
    return { operands: parsed.positionals, options: Object.fromEntries(values) }
  } catch (error) {
    return (error as Error).message
  }
}

function told(outcome: Outcome, json: boolean, command: Command): Ended {
  if (outcome.kind === 'usage') return wrong(`${outcome.problem}\nusage: ${command.usage}`)
  if (outcome.kind === 'done')
    return { code: 0, output: json ? JSON.stringify(outcome.data, null, 2) : outcome.words, error: '' }
  if (json) {
    const data = { refusals: outcome.refusals, ...outcome.data }
    return { code: 1, output: JSON.stringify(data, null, 2), error: '' }
  }
  return { code: 1, output: outcome.words ?? '', error: outcome.refusals.map(refusalLine).join('\n') }
}

function refusalLine(refusal: Refusal): string {
  return refusal.where === undefined ? refusal.message : `${refusal.where}: ${refusal.message}`
}

function wrong(problem: string): Ended {
  return { code: 2, output: '', error: `${problem}\nnpm run -s cli -- --help lists the commands.` }
}

function help(): string {
  const width = Math.max(...commands.map((command) => command.name.length))
  const lines = commands.map(
    (command) =>
      `  ${command.name.padEnd(width)}  ${command.summary}\n  ${''.padEnd(width)}  ${command.usage}`,
  )
  return [
    'Salt Shelf, headless. Each command takes --json.',
    '',
    ...lines,
    '',
    'Ends with 0 when done, 1 when something was refused, 2 when called wrongly.',
  ].join('\n')
}
