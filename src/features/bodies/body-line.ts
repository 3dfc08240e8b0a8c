import type { CardCondition } from '@/core/camera/card-condition'
import type { Holds } from '@/core/camera/carry'

/** A body as screens show it. */
export interface BodyLine {
  readonly id: string
  readonly tag: string
  readonly name: string
  readonly place: string
  readonly modelId: string
  /** Maker and model. */
  readonly model: string
  readonly serial: string
  readonly firmware: string
  readonly card: CardCondition
  /** How its last transfer ended, or null when nothing was carried to it yet. */
  readonly last: (Ended & { readonly source: string; readonly endedAt: string }) | null
}

/** How a transfer ended, and what the body held then. */
export interface Ended {
  readonly outcome: string
  readonly holds: Holds | null
}

/** The end of a transfer in words: what is true of the body, not only what became of the transfer. */
export function endedWords({ outcome, holds }: Ended): string {
  if (outcome === 'identical' || outcome === 'running') return outcome
  if (outcome === 'paused') return 'waits for you to go on'
  return holds === null ? outcome : `${outcome}, ${heldWords[holds]}`
}

const heldWords: Record<Holds, string> = {
  before: 'as it was before',
  loaded: 'takes effect at its next restart',
  plan: 'holds the plan, not confirmed to the end',
  other: 'holds something else: take its backup back',
}

/** The same as a sentence about a body, for the end of a transfer on the screen. */
export function heldSentence(name: string, holds: Holds | null): string {
  switch (holds) {
    case 'before':
      return `${name} is as it was before.`
    case 'loaded':
      return `${name} has read the file; it takes effect at its next restart.`
    case 'plan':
      return `${name} holds the plan, but this was not confirmed to the end. Carry again to confirm it.`
    case 'other':
      return `${name} holds something else than before and than the plan. Its backup is on the shelf; carry again, or take the backup back.`
    case null:
      return `What ${name} holds is said under its name as soon as the server answers.`
  }
}
