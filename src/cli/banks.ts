import { keepingOf, type Kept } from '@/core/banks/keeping'
import { matters, type Cell, type MatrixRow } from '@/core/banks/matrix-rows'
import { Analysis } from '@/core/analysis/analysis'
import type { Banks } from '@/core/analysis/questions'
import { showValue } from '@/core/model/domain'
import type { Side } from '@/core/model/types'
import type { DialRow } from '@/core/resolve/dials'
import { done, refused, type Command, type Outcome } from './command'
import { onPlan } from './disk'
import { sideIn } from './options'

/** `plan banks PLAN`: base and every bank side by side, their figures with formulas, how each family keeps what is changed. */
export const banksOfPlan: Command = {
  name: 'plan banks',
  usage: 'plan banks PLAN [--side S] [--inventory FILE] [--models FOLDER]',
  summary: 'base and every bank side by side, the figures of each, and what each family keeps',
  options: { side: 'one', inventory: 'one', models: 'one' },
  operands: 1,
  run: onSides((analysis, sides) => {
    const banks = analysis.ask<'banks'>({ kind: 'banks' })
    const keeping = keepingOf(analysis.model, analysis.plan)
    const words = [
      ...sides.flatMap((one) => sideWords(banks, one)),
      ...(keeping.length === 0 ? [] : ['', 'Kept when a bank is left']),
      ...keeping.flatMap(({ family, now, test, slots }) => [
        `  ${family.name}: ${test === null ? now : `snapshot or live? Test on body: ${test}`}`,
        ...slots.flatMap(({ slot, onSite, restore }) => [
          ...keptWords(`${slot.name}, changed on site`, onSite),
          ...keptWords(`${slot.name}, to restore`, restore),
        ]),
      ]),
    ]
    return done(words.join('\n'), {
      columns: banks.columns.map(({ id, kind, side: of, name }, i) => ({
        ...{ id, kind, side: of, name },
        figures: banks.figures[i] ?? [],
      })),
      rows: banks.rows.map(({ setting, varies, cells }) => ({ setting: setting.id, varies, cells })),
      filming: banks.filming,
      keeping: keeping.map(({ family, now, test, slots }) => ({
        family: family.id,
        now,
        test,
        slots: slots.map(({ slot, onSite, restore }) => ({
          slot: slot.slot,
          onSite: onSite.map(({ setting }) => setting.id),
          restore: restore.map(({ setting }) => setting.id),
        })),
      })),
    })
  }),
}

/** Runs on what a plan amounts to, and on the sides asked for: every one, or that of `--side`. */
function onSides(work: (analysis: Analysis, sides: readonly Side[]) => Outcome): Command['run'] {
  return onPlan(({ model, plan, definitions }, options) => {
    const side = sideIn(options, model)
    if (!side.ok) return refused(side.refusal)
    const sides = side.value === undefined ? model.sides : [side.value]
    return work(new Analysis(model, definitions.lenses, plan), sides)
  })
}

/** The columns of a side: what varies in each, and its figures with their formulas. */
function sideWords({ columns, rows, figures }: Banks, side: Side): string[] {
  const here = columns.flatMap((column, i) => (column.side === side ? [{ column, i }] : []))
  const shown = rows.filter((row) =>
    matters(
      row,
      here.map(({ column }) => column),
    ),
  )
  return here.flatMap(({ column, i }) => [
    column.kind === 'base' ? `Base, ${side}` : `${column.name} (${column.word}), ${side}`,
    ...shown.flatMap((row) => cellWords(row, row.cells[i])),
    ...(figures[i] ?? []).map(
      ({ what, value, words, formula, fits }) =>
        `  ${fits ? '' : 'problem: '}${what}: ${value}. ${words}\n      ${formula}`,
    ),
  ])
}

function cellWords({ setting }: MatrixRow, cell: Cell | undefined): string[] {
  if (!cell || cell.value === null || cell.standing === 'outside' || cell.standing === 'inherits') return []
  const stands = cell.standing === 'base' ? '' : ` (${standings[cell.standing]})`
  const because = cell.because === null ? '' : `: ${cell.because}`
  return [`  ${setting.label}: ${showValue(setting.domain, cell.value)}${stands}${because}`]
}

const standings = {
  varied: 'varied here',
  residue: 'left over from the bank it was started from',
  drift: 'differs from base, not meant',
  kept: 'kept from an earlier base',
  forced: 'set by the camera',
  refused: 'not possible here',
} as const

function keptWords(what: string, rows: readonly Kept[]): string[] {
  if (rows.length === 0) return []
  return [
    `    ${what}: ${rows.map(({ setting, planned, where }) => `${setting.label} ${planned} (${where})`).join('; ')}`,
  ]
}

/** `plan dials PLAN`: what every dial, wheel and ring does, and in which exposure modes it does nothing. */
export const dialsOfPlan: Command = {
  name: 'plan dials',
  usage: 'plan dials PLAN [--side S] [--inventory FILE] [--models FOLDER]',
  summary: 'what every turn of every dial does, and in which exposure modes it does nothing',
  options: { side: 'one', inventory: 'one', models: 'one' },
  operands: 1,
  run: onSides((analysis, sides) => {
    const tables = sides.map((one) => ({
      side: one,
      dials: analysis.ask<'dials'>({ kind: 'dials', side: one }),
    }))
    const words = tables.flatMap(({ side: of, dials }) => [
      `Dials in ${of}`,
      ...dials.flatMap(({ control, rows }) => rows.map((row) => dialWords(control.name, row))),
    ])
    return done(
      words.join('\n'),
      tables.map(({ side: of, dials }) => ({
        side: of,
        dials: dials.flatMap(({ rows }) =>
          rows.map(({ address, fn, idle }) => ({ key: address.key, function: fn?.id ?? null, idle })),
        ),
      })),
    )
  }),
}

function dialWords(name: string, { address, fn, idle }: DialRow): string {
  const where = address.control.gestures.length === 1 && address.when === null ? '' : `, ${address.name}`
  const said = idle.map(
    ({ modes, everywhere, because }) =>
      `\n      does nothing${everywhere ? '' : ` in ${modes.join(', ')}`}: ${because}`,
  )
  return `  ${name}${where}: ${fn?.name ?? 'nothing'}${said.join('')}`
}
