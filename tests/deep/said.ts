import fc from 'fast-check'
import { planOf } from '@tests/fixtures/arbitrary'
import { lenses } from '@tests/fixtures/models'
import { columnsOf, type Column } from '@/core/banks/columns'
import { figuresOf } from '@/core/banks/figures'
import { matrixOf } from '@/core/banks/matrix'
import { live } from '@/core/camera/live/live'
import { resolutionNow } from '@/core/camera/live/key-presses'
import { liveAt } from '@/core/camera/live/stand-at'
import { newBody, operate } from '@/core/camera/body'
import { runStage, startCarry, type CarryState } from '@/core/camera/carry'
import { carryStages } from '@/core/camera/stages'
import { orderOfPlan } from '@/core/camera/carry-order'
import { carriedRows, memoryOf } from '@/core/camera/memory'
import { checkPlan, stillOpen } from '@/core/checks/checks'
import type { Finding } from '@/core/checks/finding'
import { readCardFile } from '@/core/files/card-file'
import type { BodyModel } from '@/core/model/types'
import { entriesOf } from '@/core/plan/rows'
import type { Plan } from '@/core/plan/plan'
import { lackingFor } from '@/core/plan/lacking'
import { applyStep } from '@/core/plan/step'
import { must } from '@/core/result'
import { resolve } from '@/core/resolve/resolve'
import { agree, property } from './property'

const few = lenses.slice(0, 2)

/** A plan on a body of any firmware. */
function onFirmware(model: BodyModel): fc.Arbitrary<readonly [Plan, string]> {
  return fc.tuple(planOf(model), fc.constantFrom(...model.firmware.map(({ version }) => version)))
}

/** What findings, banks and files say is so. */
export const saidProperties = [
  property(
    'a mend that is applied removes its finding, and none that blocks comes in its place',
    5,
    planOf,
    (model, plan) => {
      const before = stillOpen(checkPlan(model, plan, few).findings)
      for (const finding of before.slice(0, 12))
        for (const { label, step } of finding.mends) {
          const mended = must(applyStep(model, plan, step))
          const after = stillOpen(checkPlan(model, mended, few).findings)
          const said = `${finding.check} at ${finding.row}, ${label}`
          agree(
            `${said}: still found`,
            after.some((one) => isSame(one, finding)),
            false,
          )
          const blocking = (all: readonly Finding[]) => all.filter(({ severity }) => severity === 'blocks')
          const fresh = blocking(after).filter((one) => !blocking(before).some((other) => isSame(one, other)))
          agree(
            `${said}: blocks now`,
            fresh.map(({ check, row }) => `${check} ${row}`),
            [],
          )
        }
    },
  ),
  property('what the banks show as in force is what the body has there', 6, planOf, (model, plan) => {
    const { columns, rows } = matrixOf(model, plan, columnsOf(model, plan, few, true))
    for (const [i, column] of columns.entries()) {
      if (column.kind === 'hold') continue
      const body = liveAt(model, plan, {
        ...column.context,
        posture: 'finder',
        orientation: 'level',
        eye: true,
      })
      const has = resolutionNow(model, body).settings
      for (const { setting, cells } of rows)
        if (setting.place !== 'lens' && setting.place !== 'local' && setting.place !== 'orientation')
          agree(`${column.id}, ${setting.id}`, cells[i]?.value, has.get(setting.id)?.value)
    }
  }),
  property(
    'every figure of the banks is what it is on the body that stands there',
    4,
    planOf,
    (model, plan) => {
      const columns = columnsOf(model, plan, few, true)
      const onBody = ({ context }: Column) =>
        resolutionNow(
          model,
          liveAt(model, plan, { ...context, posture: 'finder', orientation: 'level', eye: true }),
        )
      for (const column of columns) {
        const base = columns.find(({ kind, side }) => kind === 'base' && side === column.side)
        if (column.kind === 'hold' || !base) continue
        const planned = ({ context }: Column) => resolve(model, plan, context)
        const figures = figuresOf(model, plan, column, planned(column), planned(base))
        const there = figuresOf(model, plan, column, onBody(column), onBody(base))
        for (const [i, { id, value, inputs }] of figures.entries())
          agree(`${column.id}, ${id}`, [there[i]?.id, there[i]?.value, there[i]?.inputs], [id, value, inputs])
        agree(`${column.id}, figures`, there.length, figures.length)
      }
    },
  ),
  property(
    'plan, card file and body agree on every value after each has travelled',
    6,
    onFirmware,
    (model, [plan, firmware]) => {
      const lacking = lackingFor(model, plan, 'a', firmware)
      const order = orderOfPlan(model, plan, 'a', { stem: 'REV1', atSeconds: 1 })
      let state: CarryState = startCarry(newBody(model, 'A', firmware))
      for (const stage of carryStages) {
        const done = runStage(stage, order, state)
        if (!done.ok) {
          agree(
            `${stage} on ${firmware}: ${done.refusal.message}`,
            [stage, lacking.length > 0],
            ['preflight', true],
          )
          return
        }
        state = done.value.state
      }
      agree(
        `carried to ${firmware}, which lacks something`,
        lacking.map(({ words }) => words),
        [],
      )
      const wanted = carriedRows(model, memoryOf(model, plan))
      const held = carriedRows(model, state.body.memory)
      for (const [row, value] of entriesOf(wanted)) agree(`body, ${row}`, held[row], value)
      const saved = must(operate(model, state.body, { kind: 'save', file: 'B', atSeconds: 2 })).body.card
        ?.files.B
      const read = must(readCardFile(model, saved ?? new Uint8Array(), 'B')).rows
      for (const [row, value] of entriesOf(wanted)) agree(`file, ${row}`, read[row], value)
    },
  ),
  property(
    'nothing that was carried is refused by the menu of the body that has it',
    5,
    onFirmware,
    (model, [plan, firmware]) => {
      if (lackingFor(model, plan, 'a', firmware).length > 0) return
      const side = model.sides[0] ?? 'stills'
      const [column] = columnsOf(model, plan, few, true).filter(
        (one) => one.kind === 'base' && one.side === side,
      )
      if (!column) return
      const body = liveAt(model, plan, {
        ...column.context,
        firmware,
        posture: 'finder',
        orientation: 'level',
        eye: true,
      })
      for (const { setting, value, chain } of resolutionNow(model, body).settings.values()) {
        if (chain.at(-1)?.layer !== 'base' || setting.place === 'local' || setting.place === 'lens') continue
        const again = live(model, { ...body, run: 'menu' }, { kind: 'menu', setting: setting.id, value })
        const words = again.ok
          ? again.value.log.map(({ words: said }) => said).join(' ')
          : again.refusal.message
        if (/is there from firmware|up to firmware/.test(words))
          agree(`${setting.id}: ${words}`, 'refused', 'taken')
      }
    },
  ),
]

function isSame(one: Finding, other: Finding): boolean {
  return (
    one.check === other.check && one.row === other.row && one.rule === other.rule && one.side === other.side
  )
}
