import type { CDPSession } from 'playwright-core'

/** The longest piece of work of a page’s main thread, in milliseconds: on the clock, and of the processor’s time. */
export interface LongestTask {
  readonly wall: number
  readonly processor: number
}

interface TraceEvent {
  readonly name: string
  readonly ph: string
  readonly pid: number
  readonly tid: number
  readonly dur?: number
  readonly tdur?: number
  readonly args?: { readonly name?: string }
}

/**
 * The longest task of a page while something is done in it. The clock also counts what other processes took of a processor
 * meanwhile (browser, database, worker share two here); the processor’s time is what the page itself did.
 */
export async function longestTask(cdp: CDPSession, work: () => Promise<unknown>): Promise<LongestTask> {
  const events: TraceEvent[] = []
  const take = ({ value }: { value: unknown[] }) => void events.push(...(value as TraceEvent[]))
  cdp.on('Tracing.dataCollected', take)
  await cdp.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['toplevel', '__metadata'] },
  })
  await work()
  const complete = new Promise<void>((resolve) => cdp.once('Tracing.tracingComplete', () => resolve()))
  await cdp.send('Tracing.end')
  await complete
  cdp.off('Tracing.dataCollected', take)
  const threadOf = ({ pid, tid }: TraceEvent) => `${pid} ${tid}`
  const mains = new Set(
    events
      .filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain')
      .map(threadOf),
  )
  let [wall, processor] = [0, 0]
  for (const event of events) {
    if (event.ph !== 'X' || !event.name.endsWith('RunTask') || !mains.has(threadOf(event))) continue
    wall = Math.max(wall, (event.dur ?? 0) / 1000)
    processor = Math.max(processor, (event.tdur ?? 0) / 1000)
  }
  if (processor === 0) throw new Error('no task of the page was seen')
  return { wall, processor }
}
