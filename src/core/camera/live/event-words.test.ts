import { describe, expect, it } from 'vitest'
import { lenses, models } from '@tests/fixtures/models'
import { heron } from '@tests/fixtures/heron'
import { lookup } from '../../model/lookup'
import { eventWords } from './event-words'
import type { LiveEvent } from './events'

describe('what happened to a body, in words', () => {
  it('names keys, dials and their gestures as the plate does', () => {
    const say = (event: LiveEvent) => eventWords(heron, event)
    expect(say({ kind: 'press', control: 'thumb-key', gesture: 'press' })).toBe('Thumb focus key pressed')
    expect(say({ kind: 'release', control: 'thumb-wheel', gesture: 'press' })).toBe(
      'Thumb wheel, press let go',
    )
    expect(say({ kind: 'turn', control: 'thumb-wheel', gesture: 'turn', clicks: -1 })).toBe(
      'Thumb wheel turned 1 click back',
    )
    expect(say({ kind: 'menu', setting: 'focus.confirmBeep', value: false })).toMatch(
      /^[A-Z].* in the menu: off$/,
    )
  })

  it('calls a bank as its owner does, with the camera’s word beside it', () => {
    const [family] = heron.families
    const [slot] = family?.slots ?? []
    const event = { kind: 'recall', family: family?.id ?? '', slot: slot?.id ?? null } as const
    const slots = [{ family: family?.id ?? '', slot: slot?.id ?? '', name: 'Rehearsal' }]
    expect(eventWords(heron, event, slots)).toBe(`Dial banks: Rehearsal (${slot?.name})`)
    expect(eventWords(heron, event)).toBe(`Dial banks: ${slot?.name}`)
  })

  it('never shows an id of a key, a setting, a position, a bank or a lens, on any model', () => {
    for (const model of models) {
      const ids = (words: string) => /\b[a-z]+\.[a-z]+[A-Z]|\b[a-z]+-[a-z]+\//.exec(words)
      const events: LiveEvent[] = [
        ...[...lookup(model).addresses.values()].map(({ control, gesture }) => ({
          ...{ kind: 'press' as const, control: control.id, gesture: gesture.id },
        })),
        ...model.settings.map(({ id, factory }) => ({ kind: 'menu' as const, setting: id, value: factory })),
        ...model.positions.map(({ id }) => ({ kind: 'position' as const, position: id })),
        ...model.families.flatMap(({ id, slots }) =>
          slots.map((slot) => ({ kind: 'recall' as const, family: id, slot: slot.id })),
        ),
        ...model.acts.map(({ id }) => ({ kind: 'act' as const, act: id })),
        ...lenses.map((lens) => ({ kind: 'lens' as const, lens })),
      ]
      for (const event of events) {
        const words = eventWords(model, event)
        expect(ids(words), words).toBeNull()
        expect(words).toMatch(/^\S/)
      }
    }
  })
})
