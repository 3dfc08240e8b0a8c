import type { AnalysisPort } from '@/core/analysis/port'
import {
  nameOf,
  type Answers,
  type Question,
  type QuestionKind,
  type RowChange,
} from '@/core/analysis/questions'
import { sharing, withDelta } from '@/core/delta'
import type { BodyModel, LensModel } from '@/core/model/types'
import type { Plan } from '@/core/plan/plan'
import { entriesOf, idsOf } from '@/core/plan/rows'

/** A port whose answers come in their own time. */
export type AsyncPort = {
  readonly [M in keyof AnalysisPort]: (
    ...given: Parameters<AnalysisPort[M]>
  ) => Promise<ReturnType<AnalysisPort[M]>>
}

/** What answers questions about the plan on the desk: a thread to be ended, and the port to it. */
export interface AnalysisThread {
  readonly port: AsyncPort
  end(): void
}

/**
 * What the page knows of the plan's analysis. Whoever shows something subscribes to a question and reads its last
 * answer; when the plan changes, what is subscribed to is asked again, and only who reads an answer that changed is told.
 * One round of questions is under way at a time: a plan that changes meanwhile is sent when the round is over, so that
 * a fast hand never makes a queue.
 */
export class AnalysisClient {
  private readonly asked = new Map<string, Asked>()
  private thread: AnalysisThread | null = null
  private sent: Plan | null = null
  private running = false
  private scheduled = false
  private rehearsing = false
  /** The thread that has rehearsed all there is. */
  private inStride: AnalysisThread | null = null

  constructor(
    private readonly model: BodyModel,
    private readonly lenses: readonly LensModel[],
    private plan: Plan,
    private readonly begin: () => AnalysisThread,
    /** Told of what failed. */
    private readonly fail: (words: string) => void,
    /** Told how long each answer was under way, from the change of the plan, in milliseconds. */
    private readonly measure: (kind: QuestionKind, milliseconds: number, inThread: number) => void = () =>
      undefined,
    /** Calls back when the page has nothing else to do. */
    private readonly atLeisure: (work: () => void) => void = () => undefined,
  ) {}

  /** The plan as it stands now. */
  update(plan: Plan): void {
    if (plan.rows === this.plan.rows) return
    this.plan = plan
    const now = performance.now()
    for (const one of this.asked.values()) if (!one.stale) Object.assign(one, { stale: true, since: now })
    // At once, so that the thread reckons while the page draws what it knows itself.
    void this.run()
  }

  /** Asks a question for as long as somebody listens; the listener is told of every answer that differs from the last. */
  subscribe(question: Question, listener: () => void): () => void {
    const name = nameOf(question)
    const asked = this.asked.get(name) ?? this.add(name, question)
    asked.listeners.add(listener)
    if (asked.stale) this.schedule()
    return () => {
      asked.listeners.delete(listener)
    }
  }

  /** The last answer to a question; null where none has come yet. It may be one about the plan as it was a moment ago. */
  answer<K extends QuestionKind>(question: Question & { kind: K }): Answers[K] | null {
    return (this.asked.get(nameOf(question))?.answer ?? null) as Answers[K] | null
  }

  /** Takes an answer about the plan as it stands from elsewhere, before anybody listens; it is shown until the thread has answered. */
  seed<K extends QuestionKind>(question: Question & { kind: K }, answer: Answers[K]): void {
    const name = nameOf(question)
    const asked = this.asked.get(name) ?? this.add(name, question)
    if (asked.answer !== null) return
    asked.answer = asked.first = answer
    this.measure(question.kind, performance.now() - asked.since, 0)
  }

  /** What a question was seeded with; null where it was not. */
  answerAtFirst<K extends QuestionKind>(question: Question & { kind: K }): Answers[K] | null {
    return (this.asked.get(nameOf(question))?.first ?? null) as Answers[K] | null
  }

  /** Begins anew after a failure. */
  restart(): void {
    this.end()
    this.schedule()
  }

  /** Ends the thread; the next question begins another. */
  end(): void {
    for (const one of this.asked.values()) one.stale = true
    this.thread?.end()
    this.thread = null
    this.sent = null
    this.running = false
  }

  private add(name: string, question: Question): Asked {
    const asked: Asked = {
      question,
      listeners: new Set(),
      answer: null,
      first: null,
      stale: true,
      since: performance.now(),
    }
    this.asked.set(name, asked)
    return asked
  }

  private schedule(): void {
    if (this.scheduled) return
    this.scheduled = true
    queueMicrotask(() => {
      this.scheduled = false
      void this.run()
    })
  }

  private async run(): Promise<void> {
    if (this.running || !this.next()) return
    this.running = true
    const thread = (this.thread ??= this.begin())
    try {
      for (let asked = this.next(); asked; asked = this.next()) {
        await Promise.all(this.send(thread))
        if (this.thread !== thread) return
      }
    } catch (error) {
      if (this.thread !== thread) return
      this.end()
      this.fail(error instanceof Error ? error.message : String(error))
    } finally {
      if (this.thread === thread) this.running = false
    }
    this.rehearse(thread)
  }

  /** Between what is asked the thread gets into its stride, a step at a time, until it is: the first step of the hand is as quick as the tenth. */
  private rehearse(thread: AnalysisThread): void {
    if (this.rehearsing || this.inStride === thread) return
    this.rehearsing = true
    this.atLeisure(() => {
      this.rehearsing = false
      if (this.thread !== thread || this.running) return
      const questions = [...this.asked.values()].flatMap((one) =>
        one.listeners.size > 0 ? [one.question] : [],
      )
      thread.port.rehearse(questions).then(
        (isMore) => {
          if (!isMore) this.inStride = thread
          this.rehearse(thread)
        },
        // What fails here fails when it is asked for, and is told then.
        () => (this.inStride = thread),
      )
    })
  }

  /** What is listened to and not answered for the plan as it stands; what nobody listens to any longer is dropped. */
  private waiting(): Asked[] {
    for (const [name, one] of this.asked) {
      if (one.listeners.size > 0) continue
      this.asked.delete(name)
      void this.thread?.port.forget(one.question)
    }
    return [...this.asked.values()].filter((one) => one.stale)
  }

  private next(): Asked | undefined {
    return [...this.asked.values()].find((one) => one.stale && one.listeners.size > 0)
  }

  /** Sends the plan as it stands with what is asked about it: what every station shows in one message, so that it is shown together; then the rest. */
  private send(thread: AnalysisThread): Promise<void>[] {
    const { plan, sent } = this
    this.sent = plan
    const round = this.waiting()
    // At first, when everything takes longest, what comes first is shown first.
    const isAlone = ({ question }: Asked) => sent === null || slow.has(question.kind)
    const isEverywhere = ({ question }: Asked) => shownEverywhere.has(question.kind)
    const quick = round.filter((one) => !isAlone(one))
    const everywhere = quick.filter(isEverywhere)
    const own = quick.filter((one) => !isEverywhere(one))
    const changes = sent === null || sent.rows === plan.rows ? [] : changesBetween(sent, plan)
    return [
      ...(sent === null ? [thread.port.begin(this.model, this.lenses, plan)] : []),
      ...(everywhere.length + changes.length > 0 ? [this.ask(thread, changes, everywhere)] : []),
      ...(own.length > 0 ? [this.ask(thread, [], own)] : []),
      ...round.filter(isAlone).map((one) => this.ask(thread, [], [one])),
    ]
  }

  private async ask(thread: AnalysisThread, changes: readonly RowChange[], asked: Asked[]): Promise<void> {
    for (const one of asked) one.stale = false
    const got = await thread.port.ask(
      changes,
      asked.map(({ question }) => question),
    )
    if (this.thread !== thread) return
    const told = new Set<() => void>()
    for (const [i, one] of asked.entries()) {
      const { delta, milliseconds } = got[i] ?? { delta: null, milliseconds: 0 }
      // An answer about a plan that changed meanwhile is shown all the same; the next one is on its way.
      this.measure(one.question.kind, performance.now() - one.since, milliseconds)
      if (delta === null) continue
      const answer = withDelta(one.answer, delta) as Answers[QuestionKind]
      // What was known from elsewhere, and is so, is not shown anew.
      const next = 'whole' in delta && one.answer !== null ? sharing(one.answer, answer) : answer
      if (next === one.answer) continue
      one.answer = next
      for (const listener of one.listeners) told.add(listener)
    }
    for (const listener of told) listener()
  }
}

/** What every station shows of a step: it does not wait for what one station shows besides. */
const shownEverywhere: ReadonlySet<QuestionKind> = new Set(['findings', 'reach'])

/** What takes longer than the rest: it does not keep the others waiting. */
const slow: ReadonlySet<QuestionKind> = new Set([
  ...(['functions', 'worst', 'explained', 'film', 'formats', 'trial', 'enabling', 'way'] as const),
])

interface Asked {
  readonly question: Question
  readonly listeners: Set<() => void>
  answer: Answers[QuestionKind] | null
  /** What was known from elsewhere. */
  first: Answers[QuestionKind] | null
  /** It has not been asked about the plan as it stands. */
  stale: boolean
  /** Since when, on the clock of the page. */
  since: number
}

/** The rows in which one plan differs from another. */
export function changesBetween(before: Plan, after: Plan): RowChange[] {
  const changed = entriesOf(after.rows).filter(([row, value]) => before.rows[row] !== value)
  const gone = idsOf(before.rows).filter((row) => after.rows[row] === undefined)
  return [...changed, ...gone.map((row) => [row, null] as const)]
}
