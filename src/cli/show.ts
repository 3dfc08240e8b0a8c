import { showValue, valuesOf } from '@/core/model/domain'
import { factoryValue, lookup } from '@/core/model/lookup'
import type { BodyModel, Setting } from '@/core/model/types'
import { nearestOf } from '@/core/plan/nearest'
import { baseCellRow, baseCells, keyRow } from '@/core/plan/rows'
import { searchWords } from '@/core/vocabulary/synonyms'
import { termOf } from '@/core/vocabulary/terms'
import { done, refused, type Command, type Outcome } from './command'
import { definitionsIn } from './disk'
import { modelsFolder } from './options'

/** One thing of a model: what it is known by, and what is said of it. */
interface Line {
  readonly kind: 'setting' | 'function' | 'control' | 'position' | 'bank'
  readonly id: string
  readonly words: string
  /** The rows of a plan that are about it. */
  readonly rows: readonly string[]
  /** What else it is looked for by. */
  readonly also: string
}

/** `model show ID`: the ids of a model's settings, functions, controls, positions and banks, listed and found. */
export const showModel: Command = {
  name: 'model show',
  usage:
    'model show ID [--settings] [--functions] [--controls] [--banks] [--values SETTING] [--find WORDS] [--models FOLDER]',
  summary: 'the ids of a model: its settings, functions, keys, positions and banks, and what a setting takes',
  options: {
    settings: 'flag',
    functions: 'flag',
    controls: 'flag',
    banks: 'flag',
    values: 'one',
    find: 'one',
    models: 'one',
  },
  operands: 1,
  async run([id = ''], options) {
    const found = await definitionsIn(modelsFolder(options))
    if (!found.ok) return refused(found.refusal)
    const { models } = found.value
    const model = models.find((one) => one.id === id)
    if (!model) return refused(unknown('model', id, models))
    const asked = options.values?.at(-1)
    if (asked !== undefined) return valuesShown(model, asked)
    const wanted = kinds
      .filter(({ option }) => options[option] !== undefined)
      .map(({ kind }) => kind)
      .flat()
    const lines = linesOf(model).filter(({ kind }) => wanted.length === 0 || wanted.includes(kind))
    const words = (options.find?.at(-1) ?? '').toLowerCase().split(/\s+/).filter(Boolean)
    if (wanted.length === 0 && words.length === 0) return overview(model)
    const shown = lines.filter(({ id: of, words: said, also }) =>
      words.every((word) => `${of} ${said} ${also}`.toLowerCase().includes(word)),
    )
    if (shown.length === 0) {
      const message = `Nothing of the ${model.name} is called “${words.join(' ')}”.`
      return refused({ code: 'not-found', message, where: '--find' })
    }
    return done(
      shown.map(({ kind, id: of, words: said }) => `${kind.padEnd(8)}  ${of}  ${said}`).join('\n'),
      shown.map(({ kind, id: of, words: said, rows }) => ({ kind, id: of, words: said, rows })),
    )
  },
}

const kinds = [
  { option: 'settings', kind: ['setting'] },
  { option: 'functions', kind: ['function'] },
  { option: 'controls', kind: ['control'] },
  { option: 'banks', kind: ['position', 'bank'] },
] as const

function overview(model: BodyModel): Outcome {
  const { id, version, maker, name, settings, functions, sides } = model
  const keys = lookup(model).addresses.size
  const words = [
    `${maker} ${name}: id ${id}, edition ${version}, ${sides.join(' and ')}, firmware ${model.firmware.map((one) => one.version).join(', ')}`,
    `--settings   ${settings.length} settings, with the rows of a plan that set them`,
    `--functions  ${functions.length} functions`,
    `--controls   ${keys} keys, dials and their gestures, with what is on them as delivered`,
    `--banks      positions of the mode dial and banks`,
    '--values ID  what a setting takes',
    '--find WORD  any of them, by any word a photographer has for it',
  ]
  const data = { id, version, sides, settings: settings.length, functions: functions.length, addresses: keys }
  return done(words.join('\n'), data)
}

function linesOf(model: BodyModel): Line[] {
  const { addresses, functions, menuAddress } = lookup(model)
  const nameOf = (id: string) => functions.get(id)?.name ?? id
  return [
    ...model.settings.map((setting): Line => ({
      kind: 'setting',
      id: setting.id,
      words: `${setting.label}${menuAddress.has(setting.id) ? `, ${menuAddress.get(setting.id)}` : ''}; rows ${rowsOf(model, setting).join(' ') || 'none, it is set by hand'}`,
      rows: rowsOf(model, setting),
      also: searchWords('setting', setting.means),
    })),
    ...model.functions.map((fn): Line => ({
      kind: 'function',
      id: fn.id,
      words: `${fn.name}, ${fn.manner}${fn.means !== null && termOf(fn.means) !== fn.name ? ` (${termOf(fn.means)})` : ''}`,
      rows: [],
      also: searchWords('function', fn.means),
    })),
    ...[...addresses.values()].map((address): Line => ({
      kind: 'control',
      id: keyRow(address),
      words: `${address.control.name}, ${address.name}, ${address.side}: ${nameOf(address.factory ?? 'nothing')} as delivered`,
      rows: [keyRow(address)],
      also: '',
    })),
    ...model.positions.map((position): Line => ({
      kind: 'position',
      id: position.id,
      words: `${position.name}, ${position.side ?? 'either side'}`,
      rows: [],
      also: 'mode dial',
    })),
    ...model.families.flatMap((family) =>
      family.slots.map((slot): Line => ({
        kind: 'bank',
        id: `${family.id}/${slot.id}`,
        words: `${family.name}: ${slot.name}; rows bank/${family.id}/${slot.id}/<setting>`,
        rows: [],
        also: 'bank slot memory',
      })),
    ),
  ]
}

function rowsOf(model: BodyModel, setting: Setting): string[] {
  if (setting.place === 'physical') return []
  const cells = baseCells(model, setting)
  return cells ? cells.map((cell) => baseCellRow(setting.id, cell)) : [baseCellRow(setting.id, null)]
}

function valuesShown(model: BodyModel, id: string): Outcome {
  const setting = lookup(model).settings.get(id)
  if (!setting) return refused(unknown('setting', id, model.settings))
  const { domain, label } = setting
  const factory = factoryValue(model, id)
  const values = valuesOf(domain)
  const delivered = showValue(domain, factory)
  const said = values
    ? values.map((value) => `  ${JSON.stringify(value)}  ${showValue(domain, value)}`)
    : [`  a ${domain.kind}, such as ${JSON.stringify(factory)}`]
  return done([`${label} (${id}), ${delivered} as delivered:`, ...said].join('\n'), {
    id,
    label,
    factory,
    values: values?.map((value) => ({ value, words: showValue(domain, value) })) ?? null,
    domain,
  })
}

function unknown(what: string, id: string, known: readonly { readonly id: string }[]) {
  const near = nearestOf(
    known.map((one) => one.id),
    id,
  )
  const message = `There is no ${what} ${id}.${near === null ? '' : ` Nearest: ${near}.`}`
  return { code: `unknown-${what}`, message, where: id }
}
