import type { CarryNews, CarryStage, HandWork, Holds } from '@/core/camera/carry'
import type { Refusal } from '@/core/result'

/** How far a transfer has come, as the screen shows it. */
export interface Progress {
  readonly revision: number | null
  readonly done: Readonly<Partial<Record<CarryStage, string>>>
  readonly current: CarryStage | null
  readonly refused: {
    readonly stage: CarryStage | null
    readonly refusal: Refusal
    readonly holds: Holds | null
  } | null
  readonly stopped: { readonly holds: Holds | null } | null
  readonly finished: {
    readonly compared: number
    readonly handWork: readonly HandWork[]
    readonly record: string
  } | null
}

/** Before anything has begun. */
export const idle: Progress = {
  revision: null,
  done: {},
  current: null,
  refused: null,
  stopped: null,
  finished: null,
}

/** The progress after a piece of news. */
export function after(before: Progress, news: CarryNews): Progress {
  switch (news.kind) {
    case 'begun':
      return { ...before, revision: news.revision }
    case 'stage':
      return { ...before, current: news.stage }
    case 'done':
      return { ...before, current: null, done: { ...before.done, [news.stage]: news.message } }
    case 'refused':
      return { ...before, current: null, refused: news }
    case 'stopped':
      return { ...before, current: null, stopped: news }
    case 'finished':
      return { ...before, current: null, finished: news }
  }
}
