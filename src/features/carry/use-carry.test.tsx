// @vitest-environment jsdom
import { onTheDesk, settled } from '@tests/fixtures/on-the-desk'
import { rowNamed } from '@tests/fixtures/rows'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { BodyLine } from '@/features/bodies'
import { useCarry } from './use-carry'

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

/** A server that tells these news line by line, and then ends or breaks off. */
function server(lines: readonly object[], end: 'ends' | 'breaks' | 'hangs' = 'ends') {
  const text = lines.map((line) => `${JSON.stringify(line)}\n`).join('')
  const ask = vi.fn((_address: string, asked: { signal: AbortSignal }) => {
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

function station(of = bodies) {
  const on = onTheDesk()
  const { result } = on.hook(() => useCarry(of))
  return { ...on, now: () => result.current }
}

const begun = { kind: 'begun', revision: 3 }
const done = { kind: 'done', stage: 'preflight', message: 'It fits.' }

describe('carrying', () => {
  it('is to bodies of the plan’s model alone, and to none where there is none', () => {
    const { now } = station()
    expect(now().own.map(({ name }) => name)).toEqual(['Heron A', 'Heron B'])
    expect(now().others.map(({ name }) => name)).toEqual(['Duet'])
    expect(station(bodies.slice(0, 1)).now()).toMatchObject({
      body: undefined,
      own: [],
      model: 'Tarrow Heron',
    })
  })

  it('goes to the first body of its model unless another is chosen, and takes up each piece of news', async () => {
    const ask = server([begun, done, { kind: 'finished', compared: 425, handWork: [], record: 'r' }])
    const { now } = station()
    expect(now().body?.name).toBe('Heron A')
    await settled(() => now().choose('Heron B'))
    await settled(() => now().carry())
    await vi.waitFor(() => expect(now().running).toBe(false))
    expect(ask.mock.calls[0]?.[1]).toMatchObject({ body: JSON.stringify({ body: 'Heron B' }) })
    expect(now().progress).toMatchObject({
      revision: 3,
      done: { preflight: 'It fits.' },
      finished: { compared: 425 },
    })
    expect(refresh).toHaveBeenCalled()
  })

  it('that is stopped says so, and claims nothing of what the body holds', async () => {
    server([begun, done], 'hangs')
    const { now } = station()
    let carried: Promise<void> = Promise.resolve()
    await settled(() => {
      carried = now().carry()
    })
    expect(now()).toMatchObject({ running: true, ready: false })
    await settled(async () => {
      now().stop()
      await carried
    })
    expect(now().progress).toMatchObject({ stopped: { holds: null }, refused: null })
  })

  it('that breaks off says that nobody answers any more, and at which stage', async () => {
    server([begun, { kind: 'stage', stage: 'write' }], 'breaks')
    const { now } = station()
    await settled(() => now().carry())
    expect(now().progress.refused).toMatchObject({ refusal: { code: 'unreachable', where: 'Heron A' } })
    expect(now().progress.stopped).toBeNull()
  })

  it('waits for what is not saved yet, and for a card that is being changed', async () => {
    const { desk, now } = station()
    expect(now().ready).toBe(true)
    await settled(() => now().changeCard(true))
    expect(now().ready).toBe(false)
    await settled(() => now().changeCard(false))
    expect(refresh).toHaveBeenCalledTimes(1)
    desk.set({ [rowNamed('title')]: 'Not saved yet' })
    expect(desk.getView().saving).not.toBe('saved')
    await settled()
    expect(now().ready).toBe(true)
  })

  it('forgets how the last one went when another body is chosen', async () => {
    server([begun, done], 'breaks')
    const { now } = station()
    await settled(() => now().carry())
    expect(now().progress.revision).not.toBeNull()
    await settled(() => now().choose('Heron A'))
    expect(now().progress).toMatchObject({ revision: null, refused: null })
  })
})
