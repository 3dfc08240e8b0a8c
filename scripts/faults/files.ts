import { randomUUID } from 'node:crypto'
import { writePlanFile } from '@/core/files/plan-file'
import { must } from '@/core/result'
import { query } from '@/server/db'
import { loadPlan } from '@/server/plans'
import { chanceFrom, type Chance, type Outcome } from './outcome'
import type { Place } from './place'

const demoPlan = 'de000000-0000-4000-8000-000000000001'

/** Plan and card files with bytes changed, cut, doubled or put in: each is refused with its place, and nothing is kept. */
export async function damagedFiles(place: Place, tries: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  const { plan } = must(await loadPlan(demoPlan))
  const [card] = await query<{ bytes: Buffer }>("select bytes from files where kind = 'card' limit 1")
  const whole = [Buffer.from(writePlanFile({ plan, revision: null })), ...(card ? [card.bytes] : [])]
  const shelf = async () => (await query<{ count: number }>('select count(*)::int from files'))[0]?.count
  const plans = async () => (await query<{ count: number }>('select count(*)::int from plans'))[0]?.count
  const before = [await shelf(), await plans()]
  for (let i = 0; i < tries; i++) {
    const file = chance.pick(whole)
    let damaged = harmed(file, chance)
    // A space more between two rows of a plan file harms nothing, and is taken.
    while (saysTheSame(damaged, file)) damaged = harmed(file, chance)
    const response = await fetch(`${place.address}/api/files?name=${encodeURIComponent(`damaged ${i}`)}`, {
      method: 'POST',
      headers: { origin: place.address },
      body: new Uint8Array(damaged),
    })
    const said = (await response.json().catch(() => null)) as { refusal?: { message?: string } } | null
    if (response.status !== 422 || !said?.refusal?.message)
      failures.push(`try ${i}: answered ${response.status} ${JSON.stringify(said)?.slice(0, 120)}`)
  }
  const after = [await shelf(), await plans()]
  if (String(after) !== String(before))
    failures.push(`files and plans were ${before.join(', ')}, are ${after.join(', ')}`)
  return {
    name: 'damaged files brought in',
    tries,
    failures,
    seen: 'all refused with their place, nothing kept',
  }
}

/** Requests no page would send: each is refused in words, none is answered with a fault. */
export async function strangeRequests(place: Place, tries: number, seed: number): Promise<Outcome> {
  const chance = chanceFrom(seed)
  const failures: string[] = []
  const { epoch, version, head } = must(await loadPlan(demoPlan))
  const strange: readonly unknown[] = [
    { toString: 1 },
    { valueOf: null, toString: null },
    ['a', 1],
    [],
    null,
    NaN,
    1e400,
    -0,
    'a\u0000b',
    '\ud800',
    '\u202e',
    'x'.repeat(100_000),
    Array.from({ length: 5000 }, () => 'm'),
    true,
    2 ** 53,
  ]
  const oddRows = [
    'title',
    'model',
    '__proto__',
    'constructor',
    'base/focus.lamp',
    'why/\u0000',
    'toString',
    'x'.repeat(400),
    '',
  ]
  for (let i = 0; i < tries; i++) {
    const step = {
      id: chance.often(0.9) ? randomUUID() : chance.pick(strange),
      changes: [{ row: chance.pick(oddRows), from: chance.pick(strange), to: chance.pick(strange) }],
    }
    const save = {
      epoch: chance.often(0.9) ? epoch : chance.pick(strange),
      basedOn: chance.often(0.8) ? version : chance.pick([-1, 2 ** 31, 2 ** 53, 0.5, ...strange]),
      head: chance.often(0.9) ? head : chance.pick(strange),
      steps: [step],
      ask: chance.often(0.9) ? [] : chance.pick(strange),
    }
    const [path, body] = chance.pick([
      [`/api/plans/${demoPlan}/steps`, JSON.stringify(save)],
      [`/api/plans/${chance.pick(['%00', 'x', randomUUID(), '..%2f..'])}/steps`, JSON.stringify(save)],
      ['/api/plans', JSON.stringify({ model: chance.pick(strange) })],
      ['/api/carry', JSON.stringify({ source: `plan:${demoPlan}`, body: chance.pick(strange) })],
      ['/api/carry', JSON.stringify({ source: chance.pick(strange), body: randomUUID() })],
      [`/api/transfers/${chance.pick(['x', randomUUID()])}`, JSON.stringify({ ask: chance.pick(strange) })],
      [`/api/plans/${demoPlan}/agreement`, JSON.stringify({ with: chance.pick(strange) })],
      [
        `/api/bodies/${chance.pick(['x', '%00', randomUUID()])}/bench`,
        JSON.stringify({ act: 'card', condition: chance.pick(strange) }),
      ],
      [`/api/files?name=${chance.pick(['%00', '%ed%a0%80', 'a'.repeat(300), ''])}`, 'not a file'],
      [chance.pick(['/%ff', '//api/shelf', '/plans/%00/controls', '/api/models/x/999999999999']), ''],
    ] as const)
    const response = await fetch(place.address + path, {
      method: 'POST',
      headers: { origin: place.address, 'content-type': 'application/json' },
      body,
    })
    const text = await response.text()
    if (response.status >= 500)
      failures.push(`try ${i}: ${path} ${body.slice(0, 200)} answered ${response.status}`)
    if (response.headers.get('x-content-type-options') !== 'nosniff')
      failures.push(`try ${i}: ${path} lacks nosniff`)
    if (/\n\s+at \S+ \(/.test(text)) failures.push(`try ${i}: ${path} shows a stack`)
  }
  const now = must(await loadPlan(demoPlan))
  if (now.version !== version) {
    const steps = await query<{ step: unknown }>(
      'select step from steps where plan_id = $1 and number > $2',
      [demoPlan, version],
    )
    failures.push(
      `the demo plan took ${steps.map((one) => JSON.stringify(one.step).slice(0, 200)).join(' ')}`,
    )
  }
  return { name: 'requests no page would send', tries, failures, seen: 'all refused in words' }
}

function saysTheSame(one: Buffer, other: Buffer): boolean {
  if (one.equals(other)) return true
  try {
    return JSON.stringify(JSON.parse(one.toString())) === JSON.stringify(JSON.parse(other.toString()))
  } catch {
    return false
  }
}

function harmed(whole: Buffer, chance: Chance): Buffer {
  const at = chance.below(whole.length)
  switch (chance.below(5)) {
    case 0: {
      const changed = Buffer.from(whole)
      changed[at] = ((changed[at] ?? 0) + 1 + chance.below(255)) & 255
      return changed
    }
    case 1:
      return whole.subarray(0, at)
    case 2:
      return Buffer.concat([whole.subarray(0, at), whole.subarray(Math.max(0, at - 1 - chance.below(40)))])
    case 3:
      return Buffer.concat([whole.subarray(0, at), Buffer.from([chance.below(256)]), whole.subarray(at)])
    default:
      return Buffer.concat([
        whole.subarray(0, at),
        whole.subarray(Math.min(whole.length, at + 1 + chance.below(40))),
      ])
  }
}
