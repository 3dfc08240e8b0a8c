// @vitest-environment jsdom
import { renderHook } from '@testing-library/react'
import { settled } from '@tests/fixtures/on-the-desk'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { BodyLine } from '@/features/bodies'
import { useCarry, type CarryGiven } from './use-carry'

const refresh = vi.fn()
vi.mock('next/navigation', () => ({ useRouter: () => ({ refresh }) }))

const bodies = ['Duet', 'Heron A', 'Heron B'].map((name): BodyLine => ({
  id: name,
  tag: name.toLowerCase().replace(' ', '-'),
  name,
  place: 'in the wings',
  modelId: name === 'Duet' ? 'varn-duet' : 'tarrow-heron',
  model: name === 'Duet' ? 'Varn Duet' : 'Tarrow Heron',
  serial: 'X',
  firmware: '1.2',
  card: 'ready',
  last: null,
}))

const sources = [
  { id: 'plan:p', words: 'This plan', modelId: 'tarrow-heron' },
  { id: 'body:Heron B', words: 'What Heron B holds', modelId: 'tarrow-heron' },
  { id: 'file:f', words: 'A file of a Duet', modelId: 'varn-duet' },
]

/** What the preflight says: every body is clear but those named. */
const seen = (address: string, stopped: readonly string[]) => ({
  words: 'This plan',
  problems: [],
  bodies: new URL(address, 'http://x').searchParams.getAll('body').map((id) => ({
    id,
    name: id,
    refusal: null,
    preflight: { lines: [], overwritten: [], handWork: [], isClear: !stopped.includes(id) },
  })),
})

/** A server that sees nothing against it, tells these news line by line, and then ends or breaks off. */
function server(
  lines: readonly object[],
  end: 'ends' | 'breaks' | 'hangs' = 'ends',
  stopped: readonly string[] = [],
) {
  const text = lines.map((line) => `${JSON.stringify(line)}\n`).join('')
  const ask = vi.fn((address: string, asked?: { signal: AbortSignal; body?: string }) => {
    if (!asked) return Promise.resolve(Response.json(seen(address, stopped)))
    const body = new ReadableStream<Uint8Array>(
      {
        start: (controller) => controller.enqueue(new TextEncoder().encode(text)),
        pull(controller) {
          if (end === 'ends') controller.close()
          else if (end === 'breaks') controller.error(new Error('gone'))
          else
            return new Promise((ended) =>
              asked.signal.addEventListener('abort', () => {
                controller.error(new Error('aborted'))
                ended()
              }),
            )
        },
      },
      { highWaterMark: 0 },
    )
    return Promise.resolve(new Response(body))
  })
  vi.stubGlobal('fetch', ask)
  return ask
}

afterEach(() => {
  vi.unstubAllGlobals()
  refresh.mockClear()
})

async function station(more: Partial<CarryGiven> = {}) {
  const given = { sources, bodies, isSaved: true, mark: '', ...more }
  const { result, rerender } = renderHook((props: CarryGiven) => useCarry(props), { initialProps: given })
  await settled()
  return {
    now: () => result.current,
    given: (changed: Partial<CarryGiven>) => rerender({ ...given, ...changed }),
  }
}

const begun = { kind: 'begun', transfer: 't', from: 'revision 3 of Night rehearsals' }
const done = { kind: 'done', stage: 'preflight', message: 'It fits.' }
const finished = { kind: 'finished', compared: 425, handWork: [], record: 'r' }
/** What was posted, in order. */
const orders = (ask: ReturnType<typeof server>) =>
  ask.mock.calls.flatMap(([address, asked]) =>
    asked ? [[address, JSON.parse(asked.body ?? '{}') as object] as const] : [],
  )

/** Each order is a request of its own: the same is not carried out twice. */
const request = expect.any(String) as string

describe('carrying', () => {
  it('is to bodies of the model of what is carried alone, and never of a body to itself', async () => {
    server([])
    const { now } = await station()
    expect(now().own.map(({ name }) => name)).toEqual(['Heron A', 'Heron B'])
    expect(now().others.map(({ name }) => name)).toEqual(['Duet'])
    await settled(() => now().pickSource('body:Heron B'))
    expect(now().own.map(({ name }) => name)).toEqual(['Heron A'])
    await settled(() => now().pickSource('file:f'))
    expect(now().own.map(({ name }) => name)).toEqual(['Duet'])
    expect((await station({ bodies: bodies.slice(0, 1) })).now()).toMatchObject({ targets: [], ready: false })
  })

  it('looks at every body first, and begins only with those that nothing speaks against', async () => {
    const ask = server([begun, done, finished], 'ends', ['Heron A'])
    const { now } = await station()
    expect(now()).toMatchObject({ ready: false, clear: [] })
    await settled(() => now().toggle('Heron B'))
    expect(now().targets.map(({ name }) => name)).toEqual(['Heron A', 'Heron B'])
    expect(now().clear.map(({ name }) => name)).toEqual(['Heron B'])
    await settled(() => now().carry())
    await vi.waitFor(() => expect(now().running).toBeNull())
    expect(orders(ask)).toEqual([['/api/carry', { source: 'plan:p', body: 'Heron B', request }]])
  })

  it('goes to one body after the other, and takes up each piece of news', async () => {
    const ask = server([begun, done, finished])
    const { now } = await station({ to: 'Heron B' })
    expect(now().targets.map(({ name }) => name)).toEqual(['Heron B'])
    await settled(() => now().toggle('Heron A'))
    await settled(() => now().setPauseBefore('load'))
    await settled(() => now().carry())
    await vi.waitFor(() => expect(now().running).toBeNull())
    expect(orders(ask).map(([, order]) => order)).toEqual([
      { source: 'plan:p', body: 'Heron A', pauseBefore: 'load', request },
      { source: 'plan:p', body: 'Heron B', pauseBefore: 'load', request },
    ])
    const [one, other] = orders(ask).map(([, order]) => (order as { request: string }).request)
    expect(one).not.toBe(other)
    for (const id of ['Heron A', 'Heron B'])
      expect(now().progress[id]).toMatchObject({
        begun: { from: 'revision 3 of Night rehearsals' },
        done: { preflight: 'It fits.' },
        finished: { compared: 425 },
      })
    expect(refresh).toHaveBeenCalled()
  })

  it('that is stopped says so, claims nothing of what the body holds, and begins with no other', async () => {
    const ask = server([begun, done], 'hangs')
    const { now } = await station()
    await settled(() => now().toggle('Heron B'))
    let carried: Promise<void> = Promise.resolve()
    await settled(() => {
      carried = now().carry()
    })
    expect(now()).toMatchObject({ running: 'Heron A', ready: false })
    await settled(async () => {
      now().stop()
      await carried
    })
    expect(now().progress['Heron A']).toMatchObject({ stopped: { holds: null }, refused: null })
    expect(orders(ask)).toHaveLength(1)
  })

  it('that breaks off says that nobody answers any more', async () => {
    server([begun, { kind: 'stage', stage: 'write' }], 'breaks')
    const { now } = await station()
    await settled(() => now().carry())
    const progress = now().progress['Heron A']
    expect(progress?.refused).toMatchObject({ refusal: { code: 'unreachable', where: 'Heron A' } })
    expect(progress?.stopped).toBeNull()
  })

  it('that waits says before which stage, and goes on when it is told', async () => {
    const ask = server([begun, { kind: 'paused', stage: 'load' }])
    const { now } = await station()
    await settled(() => now().carry())
    expect(now().progress['Heron A']).toMatchObject({ paused: 'load', finished: null })
    await settled(() => now().goOn('t', 'Heron A'))
    expect(orders(ask).at(-1)?.[0]).toBe('/api/transfers/t/go-on')
  })

  it('waits for what is not saved yet', async () => {
    server([])
    const { now, given } = await station({ isSaved: false })
    expect(now()).toMatchObject({ ready: false })
    given({ isSaved: true })
    await settled()
    expect(now().ready).toBe(true)
  })

  it('forgets how the last one went when other bodies are chosen', async () => {
    server([begun, done], 'breaks')
    const { now } = await station()
    await settled(() => now().carry())
    expect(now().progress['Heron A']?.begun).not.toBeNull()
    await settled(() => now().toggle('Heron B'))
    expect(now().progress).toEqual({})
  })
})
