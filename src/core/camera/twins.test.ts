import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { heron } from '@tests/fixtures/heron'
import { namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { must } from '../result'
import { parsePlan } from '../plan/plan'
import { planFor } from '../plan/bodies'
import { baseCellOf, idsOf } from '../plan/rows'
import { factoryMemory, memoryOf, type Memory } from './memory'
import { compareTwins } from './twins'

const twin = (name: string, memory: Memory) => ({ name, tag: name.toLowerCase().replace(' ', '-'), memory })
const delivered = factoryMemory(heron)

describe('two bodies of a model held against each other', () => {
  it.each(namedModels)(
    'differ in nothing where they hold the same, but clash in what each has to have of its own: %s',
    (_id, model) => {
      const memory = factoryMemory(model)
      const { differences, clashes } = compareTwins(model, twin('Body A', memory), twin('Body B', memory), [])
      expect(differences).toEqual([])
      const hasPrefix = model.settings.some(({ means }) => means === 'files.prefix')
      expect(clashes.length).toBe(hasPrefix ? 1 : 0)
    },
  )

  it('name every row in which they differ, the same from either side', () => {
    fc.assert(
      fc.property(planOf(heron), planOf(heron), (one, other) => {
        const [a, b] = [twin('Heron A', memoryOf(heron, one)), twin('Heron B', memoryOf(heron, other))]
        const there = compareTwins(heron, a, b, [])
        const back = compareTwins(heron, b, a, [])
        expect(back.differences.map(({ row, left, right }) => [row, right, left])).toEqual(
          there.differences.map(({ row, left, right }) => [row, left, right]),
        )
        expect(back.clashes.length).toBe(there.clashes.length)
      }),
      { numRuns: 20 },
    )
  })

  it('differ on purpose where a plan wants it so for one of them, with its reason, and nowhere else', () => {
    const plan = must(
      parsePlan(heron, {
        [rowNamed('body/heron-b/base/focus.lamp')]: true,
        [rowNamed('why/body/heron-b/base/focus.lamp')]: 'It works in the wings.',
        'base/focus.lamp': false,
      }),
    )
    const a = twin('Heron A', memoryOf(heron, planFor(plan, 'heron-a')))
    const own = { 'base/files.prefix': 'LHB', 'base/movie.frameRate': '50p' }
    const b = twin('Heron B', { ...memoryOf(heron, planFor(plan, 'heron-b')), ...own })
    const found = compareTwins(heron, a, b, [plan.rows])
    expect(found.differences.map(({ row, kind, wanted }) => [row, kind, wanted])).toEqual([
      ['base/files.prefix', 'own', 'Each camera has its own.'],
      ['base/focus.lamp', 'carried', 'It works in the wings.'],
      ['base/movie.frameRate', 'carried', null],
    ])
    expect(found.clashes).toEqual([])
  })

  it('are told apart in colour, and in the clock', () => {
    const colour = heron.settings.find(
      ({ means, domain }) => means === 'colour.balanceMode' && domain.kind === 'choice',
    )
    const row = idsOf(delivered).find((one) => baseCellOf(one)?.setting === colour?.id) ?? rowNamed('')
    const clock = Object.keys(delivered).find((one) => one.includes('body.clock')) ?? ''
    const other = { ...delivered, [row]: 'kelvin', [clock]: 'another', 'base/files.prefix': 'LHB' }
    const { differences, clashes } = compareTwins(heron, twin('A', delivered), twin('B', other), [])
    expect(differences.filter(({ isColour }) => isColour).map((one) => one.row)).toEqual([row])
    expect(clashes).toEqual([expect.stringContaining('will not sort by time')])
  })
})
