'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useLayoutEffect, useState } from 'react'
import {
  gatesOf,
  goingPast,
  isOver,
  progressOf,
  sayingOf,
  standingOf,
  walkKind,
  type Mark,
  type Walk,
} from '@/core/procedures/progress'
import { fileRow, parseWalkRow } from '@/core/procedures/walk-rows'
import type { Change, RowId, Step } from '@/core/sync/step'
import { ok, type Refusal, type Result } from '@/core/result'
import type { Value } from '@/core/vocabulary/values'
import { DocumentDesk, inThisBrowser, stepsServer, usePartOf, useUnderWork } from '@/features/documents'
import { useLookAgain } from '@/ui/server-there'
import { useStable } from '@/ui/use-stable'
import type { WalkAct, WalkStart } from './start'

/** Everything the walk knows and does. */
export function useWalk(start: WalkStart, isCopy: boolean) {
  const [desk] = useState(
    () =>
      new DocumentDesk<Walk>(
        walkKind,
        {
          epoch: start.epoch,
          document: start.walk,
          version: start.version,
          head: start.head,
          tail: start.log,
        },
        {},
        {
          server: stepsServer(`/api/walks/${start.id}/steps`),
          ...inThisBrowser(`walk ${start.id}`, isCopy),
          // A phone ends a page when it likes: what was ticked on it goes on.
          takesUp: true,
        },
      ),
  )
  const { epoch, version } = start
  const page = `/walks/${start.id}`
  const name = `${start.name}, ${start.body ?? start.model}`
  const isWhole = useUnderWork(
    desk,
    `walk ${start.id}`,
    isCopy ? null : { page, name, given: start, epoch, version },
  )
  const walk = usePartOf(desk, 'document')
  useAgreement(desk)
  useNews(desk, start)
  const progress = progressOf(walk, start)
  const [chosen, choose] = useState<string | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const at = start.acts.findIndex(({ id }) => id === (chosen ?? progress.next?.id))
  const act = start.acts[at] ?? null
  const take = (changes: Result<readonly Change[]>): boolean => {
    setRefusal(changes.ok ? null : changes.refusal)
    if (!changes.ok || changes.value.length === 0) return changes.ok
    return desk.applyStep({ id: desk.newId(), changes: changes.value })
  }
  const goTo = (id: string | null) => {
    setRefusal(null)
    choose(id)
  }
  /** The next act after one that is not over, or the first before it. */
  const goOn = (from: number, now: Walk) => {
    const open = (one: WalkAct) => !isOver(standingOf(now, one))
    const next = start.acts.slice(from + 1).find(open) ?? start.acts.find(open)
    goTo(next?.id ?? null)
  }
  return {
    desk,
    isWhole,
    walk,
    progress,
    act,
    at,
    refusal,
    gates: act ? gatesOf(walk, start, act) : [],
    goTo,
    back: () => goTo(start.acts[Math.max(0, at - 1)]?.id ?? null),
    on: () => goTo(start.acts[at + 1]?.id ?? null),
    /** Says something of an act; with nothing said it is open again. */
    say: (id: string, mark: Mark | null, words = '') => {
      const who = whoIsThere()
      const said = sayingOf(desk.getView().document, start, id, {
        mark,
        words,
        who,
        at: new Date().toISOString(),
      })
      const taken = take(said)
      if (taken && mark !== null)
        goOn(
          start.acts.findIndex((one) => one.id === id),
          desk.getView().document,
        )
      return taken
    },
    /** Keeps which file came of an act, or what a comparison came to. */
    keepFile: (id: string, text: string) => {
      const row = fileRow(id)
      return take(ok([{ row, from: desk.getView().document.rows[row] ?? null, to: text }]))
    },
    goPast: (id: string, reason: string) => take(goingPast(desk.getView().document, id, reason)),
  }
}

/**
 * What happened elsewhere while nobody looked at this page: the acts are composed anew as the plan now has them, and what
 * another device ticked is there. What is not saved here yet comes first.
 */
function useNews(desk: DocumentDesk<Walk>, start: WalkStart) {
  const router = useRouter()
  useLookAgain(useStable(() => router.refresh()))
  useEffect(() => {
    const { saving, version } = desk.getView()
    if (saving === 'saved' && start.version > version) location.reload()
  }, [desk, start.version])
}

/** What two devices say alike of one act needs no answer: whose tick it is does not matter. */
function useAgreement(desk: DocumentDesk<Walk>) {
  const aside = usePartOf(desk, 'aside')
  // Before anything is painted: what needs no answer is not asked for a moment either.
  useLayoutEffect(() => {
    for (const about of aside) {
      const there = walkKind.value(desk.getView().document, about.row)
      if (isAlike(about.mine, there)) desk.settleConflict(about, 'theirs')
    }
  }, [aside, desk])
}

function isAlike(mine: Value | null, theirs: Value | null): boolean {
  if (!Array.isArray(mine) || !Array.isArray(theirs)) return mine === theirs
  const [a, b] = [mine as readonly string[], theirs as readonly string[]]
  return a[0] === b[0] && a[1] === b[1] && a[2] === b[2]
}

const whoKey = 'salt-shelf who'

/** Who ticks on this device, as it was said here. */
export function whoIsThere(): string {
  try {
    return localStorage.getItem(whoKey) ?? ''
  } catch {
    return ''
  }
}

/** Says who ticks on this device. */
export function sayWho(name: string): void {
  try {
    localStorage.setItem(whoKey, name.trim().slice(0, 60))
  } catch {
    // A browser that keeps nothing asks again next time.
  }
}

/** Keeps the screen awake while the walk is on it, where the platform allows. */
export function useAwake(isOn: boolean) {
  useEffect(() => {
    if (!isOn || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | null = null
    const ask = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (given) => (lock = given),
        () => undefined,
      )
    }
    ask()
    document.addEventListener('visibilitychange', ask)
    return () => {
      document.removeEventListener('visibilitychange', ask)
      void lock?.release()
    }
  }, [isOn])
}

/** What is said of a walk where something is told of its rows. */
export function walkWords(acts: readonly WalkAct[]) {
  const words = new Map(acts.map((one) => [one.id, one.words]))
  const describeRow = (row: RowId) => {
    const parsed = parseWalkRow(row)
    return parsed.ok ? (words.get(parsed.value.act) ?? parsed.value.act) : row
  }
  const showRow = (_row: RowId, value: Value | null) => {
    if (value === null) return 'not ticked'
    if (typeof value === 'string' && /^[0-9a-f]{64}$/.test(value)) return `file ${value.slice(0, 8)}`
    if (!Array.isArray(value)) return String(value)
    const [mark = '', , said = ''] = value as readonly string[]
    return said === '' ? mark : `${mark}: ${said}`
  }
  return {
    name: 'walk',
    value: (walk: Walk, row: RowId) => walkKind.value(walk, row),
    describeRow,
    showRow,
    describeStep: (step: Step) =>
      step.changes
        .slice(0, 2)
        .map(({ row, to }) => `${describeRow(row)}: ${showRow(row, to)}`)
        .join('; '),
  }
}
