import { defined, type Curve } from '../form'
import { plainAmount } from '../quantities'
import type { Span } from '../span'
import { inputs } from './inputs'

/** How long a burst goes on, and what ends it. */
export const burstNumbers = [
  defined({
    id: 'burst',
    name: 'Burst',
    group: 'burst',
    asks: 'How long does a burst go on, and how long until the buffer is empty again?',
    also: 'buffer depth fill clear continuous shooting stalls frames per second',
    formula:
      'written/s = the slower of card and slot / file; full after = buffer / (rate − written/s); empty after = buffer / (written/s)',
    source: 'what comes in less what goes out',
    limits:
      'The card writes at an even pace from the first picture. Frames in the buffer are as the model tells them: a range.',
    inputs: {
      rate: inputs.burstRate,
      file: inputs.file,
      buffer: { name: 'Buffer', quantity: 'count', from: 'burst.buffer', aboveZero: true },
      card: inputs.write,
      slot: inputs.slot,
    },
    results: {
      full: { name: 'Full after', quantity: 'seconds', endless: 'never' },
      frames: { name: 'Pictures until then', quantity: 'count', endless: 'no end but the card' },
      sustained: { name: 'Goes on at', quantity: 'perSecond' },
      clear: { name: 'Empty again after', quantity: 'seconds' },
      needed: { name: 'A card for no end', quantity: 'megabytesPerSecond' },
    },
    filled: [
      '{card} (slot {slot}) / {file} = {sustained}',
      '{buffer} / ({rate} − {sustained}) = {full}',
      '{rate} · {full} = {frames}',
      '{buffer} / {sustained} = {clear}',
      '{rate} · {file} = {needed}',
    ],
    work({ rate, file, buffer, card, slot }) {
      const sustained = Math.min(card, slot || Infinity) / file
      const full = sustained >= rate ? Infinity : buffer / (rate - sustained)
      return {
        full,
        frames: Number.isFinite(full) ? Math.floor(rate * full + 1e-6) : Infinity,
        sustained: Math.min(rate, sustained),
        clear: buffer / sustained,
        needed: rate * file,
      }
    },
    verdict({ full: [least], needed }, { card, slot, rate }) {
      if (!Number.isFinite(least))
        return { words: ['The card takes all of it: the rate is the limit.'], fits: true }
      const slotLimits = slot[1] > 0 && slot[1] < needed[0]
      const by =
        slotLimits && slot[1] <= card[1]
          ? `The slot is the limit: no card makes it go on at ${plainAmount(rate[1])} a second. A lower rate or smaller files come first.`
          : card[1] < (slot[0] || Infinity) && card[1] < needed[1]
            ? 'The card is the limit: a faster one comes first, then smaller files, then a lower rate.'
            : 'Buffer and card together are the limit.'
      return { words: [by, `Full in ${plainAmount(least)} s at the soonest.`], fits: null }
    },
    curve({ rate, file, buffer, card, slot }) {
      const line = (name: string, end: 0 | 1) => ({
        name,
        points: filling(
          rate[end],
          file[end],
          buffer[(1 - end) as 0 | 1],
          Math.min(card[(1 - end) as 0 | 1], slot[(1 - end) as 0 | 1] || Infinity),
        ),
      })
      const one = line('full soonest', 1)
      const isSure = [rate, file, buffer, card, slot].every(([least, most]: Span) => least === most)
      return {
        name: 'Pictures in the buffer, held until it is full, then let go',
        x: { name: 'seconds', quantity: 'seconds' },
        y: { name: 'pictures in the buffer', quantity: 'count' },
        lines: isSure ? [{ ...one, name: 'in the buffer' }] : [one, line('full latest', 0)],
      }
    },
  }),
  defined({
    id: 'burst-length',
    name: 'Pictures of a moment',
    group: 'burst',
    asks: 'How far apart are the pictures of a burst, and how many does a moment give?',
    also: 'interval gap between frames action',
    formula: 'pictures = rate · seconds; apart = 1 / rate; moved between two = speed / rate',
    source: 'division',
    limits: 'The rate as the shutter and the files allow it: see the body’s table.',
    inputs: {
      rate: inputs.burstRate,
      moment: { name: 'The moment lasts', quantity: 'seconds', aboveZero: true },
      speed: { name: 'It moves at', quantity: 'speed' },
    },
    results: {
      pictures: { name: 'Pictures', quantity: 'count' },
      apart: { name: 'Apart', quantity: 'seconds' },
      moved: { name: 'Moved between two', quantity: 'metres' },
    },
    filled: ['{rate} · {moment} = {pictures}', '1 / {rate} = {apart}', '{speed} / {rate} = {moved}'],
    work: ({ rate, moment, speed }) => ({
      pictures: Math.floor(rate * moment + 1e-6),
      apart: 1 / rate,
      moved: speed / rate,
    }),
  }),
]

/** What is in the buffer while the button is held until it is full, then let go: in a thousand points at most. */
function filling(rate: number, file: number, buffer: number, card: number): Curve['lines'][number]['points'] {
  const sustained = card / file
  const full = sustained >= rate ? null : buffer / (rate - sustained)
  if (full === null)
    return [
      [0, 0],
      [10, 0],
    ]
  const clear = buffer / sustained
  return [
    [0, 0],
    [full, buffer],
    [full + clear, 0],
  ]
}
