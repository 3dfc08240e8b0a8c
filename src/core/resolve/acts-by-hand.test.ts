import { describe, expect, it } from 'vitest'
import { lenses, modelCalled } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { live } from '../camera/live/live'
import { liveAt } from '../camera/live/stand-at'
import { lookup } from '../model/lookup'
import { parsePlan } from '../plan/plan'
import { keyRow, type Rows } from '../plan/rows'
import { must } from '../result'
import { contextIn } from './context'
import { resolve } from './resolve'
import { decisive } from './resolved'

describe('a function that does an act of the menu', () => {
  const duet = modelCalled('varn-duet')
  const onKey = keyRow([...lookup(duet).answering.stills.list].find(({ control }) => control.kind === 'key')!)
  const at = (rows: Rows) => {
    const plan = must(parsePlan(duet, { ...rows, [onKey]: 'begin-series' }))
    const context = contextIn(
      duet,
      'stills',
      null,
      lenses.find(({ id }) => id === 'varn-60'),
    )
    const key = [...resolve(duet, plan, context).addresses.values()].find(
      ({ functionId, active }) => functionId === 'begin-series' && active,
    )!
    const body = liveAt(duet, plan, context)
    const { control, gesture } = key.address
    const { log } = must(live(duet, body, { kind: 'press', control: control.id, gesture: gesture.id }))
    return { key, log: log.map(({ kind, words }) => `${kind}: ${words}`) }
  }

  it('is dead where the act cannot be done, for the same reason, and the body refuses it', () => {
    const { key, log } = at({ [rowNamed('base/focus.mode@stills')]: 'manual' })
    expect([key.verdict, decisive(key)?.because]).toEqual(['dead', 'A focus series needs autofocus.'])
    expect(log.join()).toMatch(/^refused: .*A focus series needs autofocus/)
  })

  it('works where it can', () => {
    const { key, log } = at({ [rowNamed('base/focus.mode@stills')]: 'once' })
    expect(key.verdict).toBe('works')
    expect(log.join()).toMatch(/^did: /)
  })
})
