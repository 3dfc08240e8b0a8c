import { valuesOf, showValue } from '../model/domain'
import type { PluggedIn } from '../model/basics'
import { cardRow, gearRow, rowValue } from '../plan/rows'
import { valueMeaning } from '../resolve/meaning'
import { sameValue, type Value } from '../vocabulary/values'
import { formatsHere } from './card-checks'
import { quickFix, type Check, type CheckInput, type CheckResult, type ResolvedContext } from './finding'
import { decidedBy, rowOf } from './meaning'

/** The plan against what its owner has: cards, and what is plugged in. */
export const kitChecks: readonly Check[] = [
  {
    id: 'card-too-slow',
    title: 'A film that the card does not keep up with',
    severity: 'problem',
    cost: 600,
    needs: ['§8'],
    reasonSilences: true,
    run: (input) => (input.side === 'motion' ? input.states.flatMap((one) => tooSlow(input, one)) : []),
  },
  {
    id: 'without-gear',
    title: 'A setting for something that the owner does not have, or has and does not use',
    severity: 'problem',
    needs: ['§1', '§7'],
    reasonSilences: true,
    run: (input) => input.states.flatMap((one) => gearResults(input, one)),
  },
]

/** Bit rate of the format in force, in megabytes a second (÷ 8), against what the cards of each slot keep up. */
function tooSlow({ model, plan }: CheckInput, one: ResolvedContext): CheckResult[] {
  const [size, rate] = ['movie.size', 'movie.frameRate'].map((means) =>
    valueMeaning(model, one.resolution, means),
  )
  const format = formatsHere(model, one).find(
    (each) => each.size === size?.value && each.rates.includes(String(rate?.value)),
  )
  if (!size || !rate || !format) return []
  const need = format.rateMbps / 8
  return model.cards.slots.flatMap((slot, i): CheckResult[] => {
    const row = cardRow(slot.id, 'rate')
    const keeps = rowValue(plan.rows, row)
    if (typeof keeps !== 'number' || keeps >= need) return []
    const words = `${showValue(size.setting.domain, size.value)} at ${String(rate.value)}`
    return [
      {
        title: `${words} is too much for the card in ${slot.name}`,
        reason: `It is written with ${format.rateMbps} Mbit/s ÷ 8 = ${need} MB/s; the slowest card used there keeps up ${keeps} MB/s, and recording ends by itself.${i === 0 ? '' : ' It matters where film goes to this slot.'}`,
        row,
        asks: i > 0,
        seenIn: one,
      },
    ]
  })
}

/** Settings whose value needs something that is plugged in; `unused` is what is wrong where it is always there. */
const gearTable: readonly {
  readonly means: string
  readonly gear: PluggedIn
  readonly needs: (value: Value) => boolean
  readonly off: Value
  readonly unused?: { readonly value: Value; readonly better: Value; readonly words: string }
}[] = [
  {
    means: 'audio.source',
    gear: 'microphone',
    needs: (value) => value === 'socket',
    off: 'inside',
    unused: {
      value: 'inside',
      better: 'socket',
      words: 'a microphone is always on the camera, and the one inside is recorded',
    },
  },
  { means: 'movie.outputTrigger', gear: 'recorder', needs: (value) => value === true, off: false },
  { means: 'network.remote', gear: 'remote', needs: (value) => value === true, off: false },
  { means: 'network.infrared', gear: 'remote', needs: (value) => value === true, off: false },
  { means: 'flash.mode', gear: 'flash', needs: (value) => value !== 'off', off: 'off' },
]

function gearResults(input: CheckInput, one: ResolvedContext): CheckResult[] {
  const { model, plan, side } = input
  return gearTable.flatMap(({ means, gear, needs, off, unused }): CheckResult[] => {
    const resolved = valueMeaning(model, one.resolution, means)
    const use = rowValue(plan.rows, gearRow(gear))
    if (!resolved || use === null) return []
    const row = rowOf(model, plan, side, resolved)
    const words = showValue(resolved.setting.domain, resolved.value)
    const mend = (value: Value) =>
      (valuesOf(resolved.setting.domain) ?? [true, false]).some((each) => sameValue(each, value))
        ? [
            quickFix(
              plan,
              `${resolved.setting.label}: ${showValue(resolved.setting.domain, value)}`,
              'without-gear',
              { [row]: value },
            ),
          ]
        : []
    if (use === 'none' && needs(resolved.value) && decidedBy(resolved) !== null)
      return [
        {
          title: `${resolved.setting.label}: ${words}, and there is no ${gear}`,
          reason: 'It is said that you have none.',
          row,
          mends: mend(off),
          seenIn: one,
        },
      ]
    if (use === 'always' && unused && side === 'motion' && sameValue(resolved.value, unused.value))
      return [
        {
          title: `${resolved.setting.label}: ${words}, although a ${gear} is on the camera`,
          reason: `It is said that ${unused.words}.`,
          row,
          mends: mend(unused.better),
          seenIn: one,
        },
      ]
    return []
  })
}
