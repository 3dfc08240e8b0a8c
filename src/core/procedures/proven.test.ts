import { describe, expect, it } from 'vitest'
import { rowNamed } from '@tests/fixtures/rows'
import { heron } from '@tests/fixtures/heron'
import { emptyPlan } from '../plan/plan'
import { noteRow } from '../plan/rows'
import { provenRows } from './proven'

describe('what a walk proves', () => {
  const lamp = rowNamed('base/focus.lamp')
  const key = rowNamed('key/stills/thumb-key/press')
  const plan = { ...emptyPlan(heron), rows: { [lamp]: false, [key]: 'start-focus' } }
  const on = { tag: 'heron-a', firmware: '1.2' }

  it('tests a key that was pressed, and stamps what was set', () => {
    const acts = [
      { kind: 'press', row: key },
      { kind: 'set', row: lamp },
    ] as const
    expect(provenRows(plan, acts, on)).toEqual({
      [noteRow('sure', key)]: 'tested',
      [noteRow('decidedOn', key)]: '1.2 heron-a',
      [noteRow('decidedOn', lamp)]: '1.2 heron-a',
    })
    const noted = { ...plan, rows: { ...plan.rows, ...provenRows(plan, acts, on) } }
    expect(provenRows(noted, acts, on)).toEqual({})
  })

  it('says nothing of rows that the plan does not have, and names no body where none was meant', () => {
    expect(provenRows(plan, [{ kind: 'look', row: rowNamed('base/exposure.iso@stills') }], on)).toEqual({})
    expect(provenRows(plan, [{ kind: 'set', row: lamp }], { ...on, tag: null })).toEqual({
      [noteRow('decidedOn', lamp)]: '1.2',
    })
  })
})
