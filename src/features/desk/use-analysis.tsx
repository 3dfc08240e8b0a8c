'use client'

import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react'
import {
  nameOf,
  type Answers,
  type Question,
  type QuestionKind,
  type QuestionOf,
  type RowChange,
} from '@/core/analysis/questions'
import type { Finding } from '@/core/checks/finding'
import type { ReachReport } from '@/core/reach/report'
import { AnalysisClient } from './analysis-client'
import { whenIdle } from '@/ui/when-idle'
import { startAnalysisThread } from './analysis-thread'
import { useDesk, useDeskPart } from './desk-context'

/** The names under which the browser's own measures keep how long answers take: from the change of the plan, and in the thread. */
export const answerMeasure = (kind: QuestionKind) => `answer ${kind}`
export const threadMeasure = (kind: QuestionKind) => `thread ${kind}`

export const AnalysisContext = createContext<AnalysisClient | null>(null)

/** Keeps the analysis of the plan on the desk for everything below it; begins anew with another edition of the model. */
export function AnalysisProvider({ children }: { children: ReactNode }) {
  const desk = useDesk()
  const [client] = useState(() => {
    const failed = (words: string) => desk.fail(words, () => made.restart())
    const { model, lenses, found } = desk.start
    const made: AnalysisClient = new AnalysisClient(
      model,
      lenses,
      desk.getView().plan,
      () => startAnalysisThread(failed),
      failed,
      measure,
      whenIdle,
    )
    if (found) made.seed({ kind: 'findings' }, found)
    return made
  })
  useEffect(() => {
    client.update(desk.getView().plan)
    const end = desk.subscribe(() => client.update(desk.getView().plan))
    return () => {
      end()
      client.end()
    }
  }, [desk, client])
  return <AnalysisContext value={client}>{children}</AnalysisContext>
}

function measure(kind: QuestionKind, milliseconds: number, inThread: number): void {
  const end = performance.now()
  performance.measure(answerMeasure(kind), { start: end - milliseconds, end })
  performance.measure(threadMeasure(kind), { start: end - inThread, end })
}

/**
 * The answer to a question about the plan; null until the first comes, or where nothing is asked. It is about the plan
 * as it was a moment ago until the answer about the plan as it stands comes.
 */
export function useAnswer<K extends QuestionKind>(question: QuestionOf<K> | null): Answers[K] | null {
  const client = useContext(AnalysisContext)
  if (!client) throw new Error('there is no analysis here')
  const name = question && nameOf(question)
  const [store, setStore] = useState(() => storeOf(client, name))
  if (store.name !== name) setStore(storeOf(client, name))
  return useSyncExternalStore(store.subscribe, store.read, store.readAtFirst) as Answers[K] | null
}

function storeOf(client: AnalysisClient, name: string | null) {
  const question = name === null ? null : (JSON.parse(name) as Question)
  return {
    name,
    subscribe: (listener: () => void) => (question ? client.subscribe(question, listener) : () => undefined),
    read: () => (question ? client.answer(question) : null),
    /** What the page was made with on the server, for as long as it takes this one to wake up. */
    readAtFirst: () => (question ? client.answerAtFirst(question) : null),
  }
}

/** Reads what reach was reckoned last, at the moment of an act; null where it is not known. */
export function useReachNow(): () => ReachReport | null {
  const client = useContext(AnalysisContext)
  const desk = useDesk()
  return () => client?.answer({ kind: 'reach', posture: desk.getView().posture }) ?? null
}

/** Everything the checks find in the plan, what a reason settles left out; null until it is known. */
export function useFindings(): readonly Finding[] | null {
  return useAnswer<'findings'>({ kind: 'findings' })
}

/** What the needs cost in the posture chosen; null until it is known. */
export function useReach(): ReachReport | null {
  const posture = useDeskPart('posture')
  return useAnswer<'reach'>({ kind: 'reach', posture })
}

/** What findings and reach would be with some rows changed: for a change that is still in the hand. */
export function useTrial(rows: readonly RowChange[] | null): Answers['trial'] | null {
  const posture = useDeskPart('posture')
  return useAnswer<'trial'>(rows && { kind: 'trial', rows, posture })
}
