import type { CarryNews, Holds } from '@/core/camera/carry'
import type { CarryStage } from '@/core/camera/stages'
import type { HandWork } from '@/core/camera/preflight'
import type { Refusal } from '@/core/result'

/** How far a transfer has come, as the screen shows it. */
export interface Progress {
  /** The transfer, and what it carries in words; null before anything has begun. */
  readonly begun: { readonly transfer: string; readonly from: string } | null
  readonly done: Readonly<Partial<Record<CarryStage, string>>>
  readonly current: CarryStage | null
  readonly refused: {
    readonly stage: CarryStage | null
    readonly refusal: Refusal
    readonly holds: Holds | null
  } | null
  readonly stopped: { readonly holds: Holds | null } | null
  /** The stage before which it waits. */
  readonly paused: CarryStage | null
  readonly finished: {
    readonly compared: number
    readonly handWork: readonly HandWork[]
    readonly record: string
  } | null
}

/** Before anything has begun. */
export const idle: Progress = {
  begun: null,
  done: {},
  current: null,
  refused: null,
  stopped: null,
  paused: null,
  finished: null,
}

/** The progress after a piece of news. */
export function after(before: Progress, news: CarryNews): Progress {
  switch (news.kind) {
    case 'begun':
      return { ...before, begun: news }
    case 'stage':
      return { ...before, current: news.stage }
    case 'done':
      return { ...before, current: null, done: { ...before.done, [news.stage]: news.message } }
    case 'refused':
      return { ...before, current: null, refused: news }
    case 'stopped':
      return { ...before, current: null, stopped: news }
    case 'paused':
      return { ...before, current: null, paused: news.stage }
    case 'finished':
      return { ...before, current: null, finished: news }
  }
}

/** What is told where the news end without saying how the transfer did: stopped here, or nobody answers any more. */
export function brokenOff(before: Progress, wasStopped: boolean, body: string): Progress {
  if (wasStopped) return { ...before, current: null, stopped: { holds: null } }
  const refusal = { code: 'unreachable', message: 'The server stopped answering.', where: body }
  return { ...before, current: null, refused: { stage: before.current, refusal, holds: null } }
}
