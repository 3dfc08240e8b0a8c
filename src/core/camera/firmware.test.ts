import { describe, expect, it } from 'vitest'
import { modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { parsePlan } from '../plan/plan'
import { lackingFor } from '../plan/lacking'
import type { Rows } from '../plan/rows'
import { must } from '../result'
import { newBody, operate, type BodyState } from './body'
import { runStage, startCarry } from './carry'
import { carryStages } from './stages'
import { orderOfPlan } from './carry-order'
import { carriedRows, memoryOf } from './memory'
import { writeCardFile } from '../files/card-file'

const heron = modelCalled('tarrow-heron')
const rows: Rows = {
  [rowNamed('base/focus.detectionSubject@stills')]: 'vehicles',
  [rowNamed('key/stills/ridge-key/press')]: 'brightened-view',
}
const plan = must(parsePlan(heron, rows))
const order = orderOfPlan(heron, plan, 'heron-a', { stem: 'REV1', atSeconds: 1 })

/** Every stage in turn, to the first refusal. */
function carried(body: BodyState) {
  let state = startCarry(body)
  for (const stage of carryStages) {
    const done = runStage(stage, order, state)
    if (!done.ok) return { stage, refusal: done.refusal, state }
    state = done.value.state
  }
  return { stage: null, refusal: null, state }
}

describe('a plan with what an older firmware has not', () => {
  it('is refused before anything is written, with the rows by name', () => {
    const { stage, refusal, state } = carried(newBody(heron, 'A', '1.2'))
    expect(stage).toBe('preflight')
    expect(refusal?.code).toBe('firmware-lacks')
    expect(refusal?.message).toContain('Vehicles')
    expect(refusal?.message).toContain('needs firmware 2.0')
    expect(refusal?.message).not.toContain('Bright finder')
    expect(state.files).toEqual([])
  })

  it('names functions too where they came later', () => {
    expect(lackingFor(heron, plan, 'heron-a', '1.0').map(({ row }) => row)).toEqual([
      'base/focus.detectionSubject@stills',
      'key/stills/ridge-key/press',
    ])
    expect(lackingFor(heron, plan, 'heron-a', '2.0')).toEqual([])
  })

  it('reaches a body that has them, and is the same there', () => {
    expect(carried(newBody(heron, 'A', '2.0')).stage).toBeNull()
  })

  it('asks of a body what is its own, and not what another differs in', () => {
    const other = must(
      parsePlan(heron, { [rowNamed('body/heron-b/base/focus.detectionSubject@stills')]: 'vehicles' }),
    )
    expect(lackingFor(heron, other, 'heron-a', '1.0')).toEqual([])
    expect(lackingFor(heron, other, 'heron-b', '1.0')).toHaveLength(1)
  })
})

describe('a file with what the firmware has not, loaded all the same', () => {
  it('is not taken there: the body keeps its own and says which row', () => {
    const header = {
      model: plan.model,
      formatNumber: heron.cardFile.formatNumber,
      firmware: '1.2',
      serial: 'X',
      savedAtSeconds: 1,
    }
    const bytes = writeCardFile(heron, { header, rows: carriedRows(heron, memoryOf(heron, plan)) })
    const old = newBody(heron, 'A', '1.2')
    const onCard = must(operate(heron, old, { kind: 'copyToCard', file: 'F', bytes })).body
    const loaded = must(operate(heron, onCard, { kind: 'load', file: 'F' }))
    expect(loaded.log).toContain('Not taken: ')
    const after = must(operate(heron, loaded.body, { kind: 'restart' })).body
    const row = rowNamed('base/focus.detectionSubject@stills')
    expect(after.memory[row]).toBe(old.memory[row])
    expect(after.memory[rowNamed('key/stills/ridge-key/press')]).toBe('brightened-view')
  })
})
