import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { workedExamples } from '@tests/fixtures/worked-numbers'
import { must } from '../result'
import { ladders } from '../vocabulary/ladders'
import { numberGroups, type NumberForm } from './form'
import { quantities, readAmount, showAmount, showSpan, typedAmount, type QuantityId } from './quantities'
import type { Said } from './given'
import { reckon, type Answer } from './reckon'
import { corners, isRange, type Span } from './span'
import { numberForm, numberTable } from './table'

/** `ev=5 shutter="1 s"` as what is said. */
function saidIn(typed: string): Record<string, Said> {
  const pairs = [...typed.matchAll(/(\w+)=(?:"([^"]*)"|(\S+))/g)]
  return Object.fromEntries(
    pairs.map(([, name = '', quoted, bare]) => [name, { typed: quoted ?? bare ?? '', from: 'typed' }]),
  )
}

function form(id: string): NumberForm {
  const found = numberForm(id)
  if (!found) throw new Error(`there is no figure ${id}`)
  return found
}

function answer(id: string, typed: string): Answer {
  return must(reckon(form(id), saidIn(typed)))
}

function refusal(id: string, typed: string): string {
  const found = reckon(form(id), saidIn(typed))
  return found.ok
    ? 'taken'
    : [found.refusal, ...(found.refusal.also ?? [])].map((one) => one.message).join(' ')
}

function result(id: string, typed: string, name: string) {
  return answer(id, typed).results.find((one) => one.id === name)
}

describe('a figure', () => {
  it.each(workedExamples)('%s of %s: %s is %s, from %s', (id, typed, name, amount) => {
    const found = result(id, typed, name)
    expect(found?.least).toBe(found?.most)
    // As exactly as it was worked: to five figures.
    expect(Math.abs((found?.least ?? NaN) - amount)).toBeLessThanOrEqual(Math.abs(amount) * 2e-5 + 1e-9)
  })

  it('is worked by hand at least once, each but the levels of the zebra, which are a table', () => {
    const worked = new Set(workedExamples.map(([id]) => id))
    expect(numberTable.map(({ id }) => id).filter((id) => !worked.has(id))).toEqual([
      'zebra-level',
      'zebra-shows',
    ])
  })

  it('has a group, a question, a source, limits, and says where each of its amounts stands', () => {
    for (const one of numberTable) {
      expect(Object.keys(numberGroups)).toContain(one.group)
      expect([one.asks.endsWith('?'), one.source === '', one.limits.endsWith('.')]).toEqual([
        true,
        false,
        true,
      ])
      const named = [...one.filled.join(' ').matchAll(/\{(\w+)\}/g)].map(([, id = '']) => id)
      expect(named.filter((id) => !(id in one.inputs) && !(id in one.results))).toEqual([])
      for (const { quantity, usual } of Object.values(one.inputs))
        if (usual) expect([one.id, readAmount(quantity, usual[0]).ok]).toEqual([one.id, true])
    }
    expect(new Set(numberTable.map(({ id }) => id)).size).toBe(numberTable.length)
  })

  it('says what nobody says, and answers nothing then', () => {
    const found = answer('burst', 'rate=10/s file=40MB')
    expect(found.unknown).toEqual(['Buffer', 'Card keeps up'])
    expect([found.results, found.words]).toEqual([[], ['Not known: buffer, card keeps up.']])
  })

  it('tells what it takes as usual', () => {
    const found = answer('film-shutter', 'rate=25p')
    expect(found.inputs).toContainEqual({ id: 'angle', name: 'Angle', words: '180°', from: 'the convention' })
    expect(found.filled).toEqual(['180° / (360° · 25p) = 1/50'])
  })

  it('carries ranges through: 1000 uncompressed are 1250 to 1666 where 20 to 40 % are saved', () => {
    expect(result('card-frames', 'card=53GB file=53MB saved="20-40 %"', 'frames')).toMatchObject({
      least: 1250,
      most: 1666,
      words: '1250–1666',
    })
    expect(result('burst', 'rate=8/s file=24-38MB buffer=60-95 card="250 MB/s"', 'full')).toMatchObject({
      least: 60 / (8 - 250 / 38),
      most: null,
      words: expect.stringMatching(/ s or more, or never$/) as string,
    })
  })

  it('names the nearest step a body has, and how far off it is', () => {
    expect(result('film-shutter', 'rate=24p', 'shutter')?.step).toEqual({
      mark: '1/50',
      words: '1/50, 0.059 stops shorter',
    })
    expect(result('needed-iso', 'ev=5 aperture=f/2 shutter=1/200', 'iso')?.step?.words).toBe('ISO 2500')
    expect(result('needed-iso', 'ev=-4 aperture=f/8 shutter=1/500', 'iso')?.step?.words).toMatch(
      /^no nearer than ISO 409600: 6\.97 stops off$/,
    )
  })

  it('names the step below where two lie far apart, and says only beyond the ends that there is none', () => {
    // Between 1/6 and 1/8 lie 0.415 stops.
    expect(result('hand-held', 'focal=6.1', 'shutter')?.step?.words).toMatch(/^1\/8, 0\.39 stops shorter$/)
    expect(result('freeze', 'speed=500m/s distance=1m focal=500', 'shutter')?.step?.words).toMatch(
      /^no nearer than 1\/32000/,
    )
  })

  it('never names a step slower than what can be held or freezes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 800 }), (focal) => {
        const found = result('hand-held', `focal=${focal}`, 'shutter')
        const mark = ladders.shutter.find((step) => step.mark === found?.step?.mark)
        expect(mark?.amount).toBeLessThanOrEqual((1 / focal) * 1.001)
      }),
    )
  })
})

describe('what cannot be', () => {
  it.each([
    ['film-shutter', 'rate=0', 'Frame rate: “0”: a frame rate is at least 0.1p.'],
    ['film-shutter', 'rate=-25', 'at least 0.1p'],
    ['needed-iso', 'ev=-10 aperture=f/2 shutter=1/50', 'EV −6 is starlight'],
    ['needed-iso', 'ev=25 aperture=f/2 shutter=1/50', 'EV 18 is sun on snow'],
    ['needed-iso', 'ev=5 aperture=f/2 shutter=200', '1/200 or 200 seconds'],
    ['needed-iso', 'ev=5 aperture=f/2 shutter=1/0', 'is not a shutter speed'],
    ['needed-iso', 'ev=5 aperture=50mm shutter=1/50', '“50mm” is not an f-number; write f/2.8.'],
    ['crop', 'factor=0.8 focal=50 sensor=6000', 'a crop cannot be below 1'],
    ['film-minutes', 'card=64GB bitrate=280', 'Write Mbit/s or MB/s'],
    ['film-minutes', 'card=64GB bitrate="280 mb/s"', 'Write Mbit/s or MB/s'],
    ['film-minutes', 'card=64mm bitrate="280 Mbit/s"', 'is not a card’s size'],
    ['shutter-angle', 'shutter=1/25 rate=50p', '1/25 is longer and cannot be set'],
    [
      'metered-exposure',
      'ev=5 aperture=f/2 shutter=1/50 floor=6400 cap=100',
      'The minimum, ISO 6400, is above the maximum',
    ],
    ['focus-series', 'focal=50 aperture=f/8 near=2m far=1m', 'the first distance must be the shorter one'],
    ['battery-day', 'capacity=16Wh on=8h film=2h day=8h', 'take longer than the day has'],
    ['day-cards', 'frames=1,200 file=30MB card=64GB', 'may be a thousand or a decimal comma'],
    ['day-cards', 'frames=12.5 file=30MB card=64GB', 'is no whole number'],
    ['iso-sets', 'floor=100-200 cap=800 floor2=100 cap2=400', 'one amount is needed here'],
    ['two-cards', 'role=copy a=64GB b=64GB', 'Role of the second slot is one of overflow, mirror, split.'],
    [
      'burst',
      'rate=10/s flie=40MB',
      'Burst does not ask for flie; it asks for rate, file, buffer, card, slot.',
    ],
    ['burst', 'rate= file=', 'is not a rate in pictures a second; write 10/s.'],
  ])('%s of %s is refused: %s', (id, typed, words) => {
    expect(refusal(id, typed.replace(/=(?= |$)/g, '=""'))).toContain(words)
  })

  it('is told all at once', () => {
    const said = refusal('needed-iso', 'ev=30 aperture=x shutter=1/50 iso=100')
    expect(said).toContain('does not ask for iso')
    expect(said).toContain('Light: “30”')
    expect(said).toContain('Aperture: “x”')
  })
})

describe('words of a figure', () => {
  it.each([
    [
      'lamp-pulses',
      'counted=mains frequency=50 shutter=1/50',
      true,
      /^1\/50 is a whole number of pulses: no bands\.$/,
    ],
    [
      'lamp-pulses',
      'counted=pulses frequency=214 shutter=1/50',
      false,
      /4\.3 pulses: it may band\. .*No step near it is safe; exactly 1\/53\.5/,
    ],
    [
      'lamp-pulses',
      'counted=mains frequency=50 shutter=1/50 rate=24p',
      true,
      /24p does not keep step with the lamps/,
    ],
    ['film-card', 'bitrate="400 Mbit/s" write="40 MB/s"', false, /the recording stops/],
    ['film-card', 'bitrate="400 Mbit/s" write="55 MB/s"', false, /Too near/],
    ['film-card', 'bitrate="400 Mbit/s" write="90 MB/s"', true, /keeps up/],
    ['burst', 'rate=5/s file=20MB buffer=60 card="250 MB/s"', true, /The card takes all of it/],
    ['burst', 'rate=10/s file=40MB buffer=90 card="300 MB/s" slot="90 MB/s"', null, /The slot is the limit/],
    [
      'burst',
      'rate=10/s file=40MB buffer=90 card="90 MB/s" slot="300 MB/s"',
      null,
      /The card is the limit: a faster one comes first/,
    ],
    ['zebra-level', 'curve=normal target=skin', null, /no more\. At 95 a face is long lost/],
    ['zebra-level', 'curve=log target=clip', null, /never shows/],
    ['zebra-shows', 'curve=normal level=70', null, /^It marks skin where light falls\.$/],
    ['zebra-shows', 'curve=normal level=100', null, /^It marks what clips\.$/],
    ['zebra-shows', 'curve=log level=100', false, /^It never shows/],
    ['zebra-shows', 'curve=log level=70', null, /brighter than a white card/],
    ['zebra-shows', 'curve=hdr level=75', null, /a white card/],
    ['crop', 'factor=2 focal=50 sensor=6000 delivered=3840', false, /Too few pixels/],
    [
      'flash-sync',
      'shutter=1/800 sync=1/200',
      false,
      /A strip stays dark. At 1\/200 it takes a filter of 2 stops/,
    ],
    ['sound-level', 'peaks=0', false, /It clips/],
    ['sound-level', 'peaks=-30', false, /Too low/],
    ['sound-level', 'peaks=-8', true, /as wanted/],
    ['file-numbers', 'last=9900 daily=250', false, /come again within the day/],
    [
      'metered-exposure',
      'mode=manual ev=5 aperture=f/2 shutter=1/200 floor=100 cap=1600',
      false,
      /short by 0\.64 stops at ISO 1600/,
    ],
    [
      'metered-exposure',
      'mode=aperture ev=5 aperture=f/2 shutter=1/200 floor=100 cap=1600',
      false,
      /the time grows to 1\/128/,
    ],
    ['iso-sets', 'floor=100 cap=400 floor2=1600 cap2=6400', false, /2 stops lie between them/],
  ])('%s of %s', (id, typed, fits, words) => {
    const found = answer(id, typed)
    expect(found.words.join(' ')).toMatch(words)
    expect(found.fits).toBe(fits)
  })
})

describe('an amount', () => {
  it.each<[QuantityId, string, string]>([
    ['time', '1/50-1/25', '1/50–1/25'],
    ['time', '2"', '2 s'],
    ['time', '0.5', '0.5 s'],
    ['megabytes', '24-38 MB', '24–38 MB'],
    ['megabytes', '24–38', '24–38 MB'],
    ['megabytes', '38 to 24', '24–38 MB'],
    ['megabytes', '1 GB', '1000 MB'],
    ['gigabytes', '1 TB', '1000 GB'],
    ['ev', 'EV 4 to 7', 'EV 4–7'],
    ['ev', '-2 to 5', 'EV −2 to 5'],
    ['ev', '−2', 'EV −2'],
    ['aperture', 'F4', 'f/4'],
    ['aperture', 'f/2-f/5.6', 'f/2–5.6'],
    ['iso', 'iso 12800', 'ISO 12\u202f800'],
    ['iso', '12 800', 'ISO 12\u202f800'],
    ['percent', '20-40 %', '20–40 %'],
    ['megabitsPerSecond', '35 MB/s', '280 Mbit/s'],
    ['megabytesPerSecond', '720 Mbit/s', '90 MB/s'],
    ['speed', '36 km/h', '10 m/s'],
    ['decibels', '-12--6 dB', '−12 to −6 dBFS'],
    ['hours', '30 min', '0.5 h'],
  ])('%s “%s” is %s', (quantity, typed, shown) => {
    expect(showSpan(quantity, must(readAmount(quantity, typed)))).toBe(shown)
  })

  it('written back is read as the same, whatever it counts', () => {
    const ids = Object.keys(quantities) as QuantityId[]
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.double({ min: 0.02, max: 0.98, noNaN: true }), (id, at) => {
        const amount = amountOf(id, at)
        const read = must(readAmount(id, typedAmount(id, [amount, amount])))
        expect([id, read[0]]).toEqual([id, expect.closeTo(amount, 3)])
      }),
      { numRuns: 500 },
    )
  })

  it('is never shown as no number', () => {
    for (const id of Object.keys(quantities) as QuantityId[])
      for (const amount of [quantities[id].least, quantities[id].most])
        expect(showAmount(id, amount)).not.toMatch(/NaN|Infinity|undefined/)
  })
})

/** An amount of a quantity, the larger the larger `at`; whole where it counts, and of a size that is photographed with. */
function amountOf(id: QuantityId, at: number): number {
  const { least, most }: { least: number; most: number } = quantities[id]
  const [from, to] = usualSizes[id] ?? [Math.max(least, 1), Math.min(most, 1000)]
  const amount = from + (to - from) * at
  return 'whole' in quantities[id] ? Math.round(amount) : Number(amount.toPrecision(4))
}

const usualSizes: Partial<Record<QuantityId, readonly [number, number]>> = {
  ev: [-4, 16],
  stops: [0, 6],
  aperture: [1, 22],
  time: [0.0002, 0.02],
  iso: [50, 50_000],
  rate: [10, 50],
  degrees: [10, 350],
  percent: [0, 80],
  factor: [1, 3],
  decibels: [-40, -1],
  gain: [-20, 20],
  watts: [0.1, 5],
  hours: [0.1, 4],
  seconds: [1, 60],
  metres: [1, 50],
}

describe('ranges', () => {
  it('come through whole: no case within them lies outside the answer, in any figure', () => {
    const part = fc.integer({ min: 0, max: 1000 }).map((thousandths) => thousandths / 1000)
    for (const one of numberTable) {
      const ids = Object.keys(one.inputs)
      fc.assert(
        fc.property(
          fc.array(fc.tuple(part, part, part), { minLength: ids.length, maxLength: ids.length }),
          fc.nat(),
          (parts, pick) => {
            const spans: Record<string, Span> = {}
            const inside: Record<string, number> = {}
            ids.forEach((id, i) => {
              const input = one.inputs[id]
              const [a, b, c] = parts[i] ?? [0, 0, 0]
              if (!input) return
              const [low, high] = [
                amountOf(input.quantity, Math.min(a, b)),
                amountOf(input.quantity, Math.max(a, b)),
              ]
              spans[id] = input.single ? [low, low] : [low, high]
              const between = low + (high - low) * c
              inside[id] = input.single
                ? low
                : 'whole' in quantities[input.quantity]
                  ? Math.round(between)
                  : between
            })
            const choices = Object.fromEntries(
              Object.entries(one.choices).map(([id, { of }]) => {
                const keys = Object.keys(of)
                return [id, keys[pick % keys.length] ?? '']
              }),
            )
            const steps = { shutter: ladders.shutter, aperture: ladders.aperture, iso: ladders.iso }
            const all = corners(spans)
            fc.pre([...all, inside].every((each) => one.impossible(each, choices) === null))
            const said = Object.fromEntries([
              ...Object.entries(spans).map(
                ([id, span]) =>
                  [id, { typed: typedAmount(one.inputs[id]?.quantity ?? 'count', span), from: '' }] as const,
              ),
              ...Object.entries(choices).map(([id, typed]) => [id, { typed, from: '' }] as const),
            ])
            const answered = reckon(one, said)
            // Such as a step of no stops: refused, and told why elsewhere.
            fc.pre(answered.ok)
            const told = must(answered)
            const exact = one.work(inside, choices, steps)
            for (const { id, least, most } of told.results) {
              const found = exact[id]
              const [low, high] = typeof found === 'number' ? [found, found] : (found ?? [NaN, NaN])
              const slack = Math.abs(low) * 1e-3 + 1e-3
              expect([one.id, id, low >= (least ?? Infinity) - slack || low === Infinity]).toEqual([
                one.id,
                id,
                true,
              ])
              expect([one.id, id, high <= (most ?? Infinity) + slack]).toEqual([one.id, id, true])
            }
            expect(JSON.stringify(told)).not.toMatch(/NaN|Infinity/)
            expect(
              Object.values(spans).some(isRange) ||
                told.results.every(({ least, most }) => least === most || one.id.startsWith('zebra')),
            ).toBe(true)
          },
        ),
        { numRuns: 60, maxSkipsPerRun: 2000 },
      )
    }
  })
})
