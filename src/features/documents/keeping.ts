import type { Refusal } from '@/core/result'
import { leftBy, type Client, type Left } from '@/core/sync/client'
import type { Step } from '@/core/sync/step'
import type { LandedStore } from './copies'
import type { Queue } from './queue'

/**
 * What a browser keeps of a document under work: what waits to be saved, and for the copy of this device what landed. What
 * landed is kept there before the queue lets go of it, so that a step of this page is in one of them at any moment.
 */
export class Keeping<D> {
  /** What of mine landed and is not kept yet, and after which step it stands in the log. */
  private landing: { readonly after: number; readonly steps: readonly Step[] } | null = null
  private ended = false
  /** While what an earlier page left is being read, nothing is written over it. */
  private isHeld = false
  private soon: ReturnType<typeof setTimeout> | null = null

  constructor(
    private client: Client<D>,
    private readonly queue: Queue,
    private readonly landed: LandedStore | undefined,
    /** Told whether what waits could be kept, or why not. */
    private readonly tell: (trouble: Refusal | null) => void,
  ) {}

  /** Keeps what is another in a client after an event; what came from the copy itself is there already. */
  turn(after: Client<D>, isFromCopy: boolean): void {
    const before = this.client
    this.client = after
    if (this.ended) return
    const newer = after.saved.version - before.saved.version
    if (newer > 0 && !isFromCopy) this.keepLanded(before, newer)
    const isSame = after.pending === before.pending && after.returning === before.returning
    if (isSame && after.aside === before.aside) return
    if (after.aside === before.aside && isOnlyLess(before, after))
      this.soon ??= setTimeout(() => this.write(), unhurried)
    else this.write()
  }

  /** An earlier page may have left something: until it is read, nothing is written. */
  hold(): void {
    this.ended = false
    this.isHeld = true
  }

  /** It is read and taken up: what waits now is kept in its place. */
  begin(): void {
    this.isHeld = false
    this.write()
  }

  /** From here on nothing is written: another page may go on with what is kept. */
  end(): void {
    this.ended = true
  }

  private write(): void {
    if (this.soon !== null) clearTimeout(this.soon)
    this.soon = null
    if (this.ended || this.isHeld) return
    void this.queue.write(this.left()).then(this.tell)
  }

  private left(): Left | null {
    const { client, landing } = this
    const left = leftBy(client)
    if (!landing) return left
    const steps = [...landing.steps, ...(left?.steps ?? [])]
    return { epoch: client.epoch, basedOn: landing.after, steps, aside: left?.aside ?? [] }
  }

  private keepLanded(before: Client<D>, count: number): void {
    if (!this.landed) return
    const { epoch, saved } = this.client
    const entries = saved.tail.slice(-count)
    const mine = new Set(before.pending.map((step) => step.id))
    const landing = {
      after: this.landing?.after ?? before.saved.version,
      steps: [...(this.landing?.steps ?? []), ...entries.filter((step) => mine.has(step.id))],
    }
    this.landing = landing
    void this.landed.add({ epoch, after: before.saved.version, entries, head: saved.head }).then(() => {
      if (this.landing !== landing) return
      this.landing = null
      this.write()
    })
  }
}

/** How long a queue may hold steps that landed, in milliseconds: they are known by their ids, and writing it takes its time. */
const unhurried = 1000

/** Whether of a long queue some steps landed, others wait still, and none came to it. */
function isOnlyLess<D>(before: Client<D>, after: Client<D>): boolean {
  const { length } = after.pending
  return (
    length > 0 &&
    length < before.pending.length &&
    after.returning === before.returning &&
    after.pending.at(-1) === before.pending.at(-1)
  )
}
