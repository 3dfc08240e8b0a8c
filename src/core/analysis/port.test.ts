import { heron } from '@tests/fixtures/heron'
import { lenses } from '@tests/fixtures/models'
import { started, theatre } from '@tests/fixtures/started'
import { describe, expect, it } from 'vitest'
import { adviceOn } from '../checks/checks'
import { withDelta } from '../delta'
import { keyRow } from '../plan/rows'
import { reachOf } from '../reach/reach'
import { usesOf } from '../reach/report'
import { analysisPort } from './port'
import { rehearsals } from './rehearsal'

const plan = started(heron, theatre)
/** The key that is the quickest way to most. */
const [used] = [...usesOf(reachOf(heron, plan, lenses))].sort(([, a], [, b]) => b - a)
const key = keyRow({ key: used?.[0] ?? '' })
const findings = { kind: 'findings' } as const
const reach = { kind: 'reach', posture: 'finder' } as const

function begun() {
  const port = analysisPort()
  port.begin(heron, lenses, plan)
  return port
}

describe('an analysis behind its port', () => {
  it('answers several questions about one plan, whole at first', () => {
    const [one, two] = begun().ask([], [findings, reach])
    expect(one?.delta && withDelta(null, one.delta)).toEqual(adviceOn(heron, plan, lenses))
    expect(two?.delta && withDelta(null, two.delta)).toEqual(reachOf(heron, plan, lenses))
  })

  it('sends nothing of an answer that did not change, and then only what changed', () => {
    const port = begun()
    const [first] = port.ask([], [reach])
    const before = first?.delta && withDelta(null, first.delta)
    expect(port.ask([], [reach])[0]?.delta).toBeNull()
    const [next] = port.ask([[key, 'nothing']], [reach])
    const after = { ...plan, rows: { ...plan.rows, [key]: 'nothing' } }
    expect(next?.delta && withDelta(before, structuredClone(next.delta))).toEqual(
      reachOf(heron, after, lenses),
    )
    expect(JSON.stringify(next?.delta).length).toBeLessThan(JSON.stringify(first?.delta).length)
  })

  it('sends whole again what was forgotten', () => {
    const port = begun()
    port.ask([], [findings])
    port.forget(findings)
    const [again] = port.ask([], [findings])
    expect(again?.delta && withDelta(null, again.delta)).toEqual(adviceOn(heron, plan, lenses))
  })

  it('takes steps in thought, of which nothing stays: what is asked next is answered as if there had been none', () => {
    const port = begun()
    const asked = [
      findings,
      reach,
      { kind: 'functions', address: used?.[0] ?? '', posture: 'finder' },
    ] as const
    const shown = port.ask([], asked).map(({ delta }) => delta && withDelta(null, delta))
    let steps = 0
    while (port.rehearse(asked)) steps += 1
    expect(steps).toBe(rehearsals(heron, plan).length)
    expect(port.ask([], asked).map(({ delta }) => delta)).toEqual([null, null, null])
    const next = port.ask([[key, 'nothing']], asked)
    const plain = begun().ask([[key, 'nothing']], asked)
    const after = next.map(({ delta }, i) => delta && withDelta(shown[i], structuredClone(delta)))
    expect(after).toEqual(plain.map(({ delta }) => delta && withDelta(null, delta)))
  })

  it('is begun before it is asked', () => {
    expect(() => analysisPort().ask([], [findings])).toThrow('begin comes first')
    expect(analysisPort().rehearse([findings])).toBe(false)
  })
})
