import { describe, expect, it } from 'vitest'
import { namedModels } from '@tests/fixtures/models'
import { lookup } from '@/core/model/lookup'
import { emptyPlan } from '@/core/plan/plan'
import { findables } from './findable'

const shelf = {
  plans: [
    { id: 'this', title: 'This', model: 'Heron' },
    { id: 'other', title: 'Matinee', model: 'Duet' },
  ],
  bodies: [{ id: 'b', tag: 'heron-a', name: 'Heron A', place: 'front of house' }],
}

describe.each(namedModels)('what can be found on the %s', (_name, model) => {
  const all = findables(model, emptyPlan(model), 'this', shelf)

  it('is every key of both sides, every setting, bank, other plan and body, each once', () => {
    const count = (kind: string) => all.filter((one) => one.kind === kind).length
    const keys = [...lookup(model).addresses.values()].filter(({ side }) => side !== 'playback')
    expect(count('key')).toBe(keys.length)
    expect(count('setting')).toBe(model.settings.length)
    expect(count('bank')).toBe(model.families.reduce((sum, { slots }) => sum + slots.length, 0))
    expect([count('plan'), count('body')]).toEqual([1, 1])
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
  })

  it('leads to a key that has the function, or one that takes it', () => {
    for (const { kind, href } of all)
      if (kind === 'key' || kind === 'function') {
        const address = href.split('#key/')[1] ?? ''
        expect(lookup(model).addresses.has(address), href).toBe(true)
      }
  })
})
