import type { Advice } from '../advise/advise'
import type { FilmFormats } from '../advise/formats'
import type { Column } from '../banks/columns'
import type { Figure } from '../banks/figures'
import type { MatrixRow } from '../banks/matrix-rows'
import type { PairGrid } from '../banks/pairs'
import type { Offered } from '../banks/sizes'
import type { Finding } from '../checks/finding'
import type { FinderPicture } from '../focus/finder'
import type { BankFocus } from '../focus/sheet'
import type { Known } from '../numbers/given'
import type { Memory } from '../camera/memory'
import type { ProcedureId } from '../procedures/catalogue'
import type { StartingPoint } from '../procedures/order'
import type { PlayedAct } from '../procedures/play'
import type { Procedure } from '../procedures/types'
import type { Posture, Setting, Side } from '../model/types'
import type { RowId } from '../plan/rows'
import type { ReachReport, Worst } from '../reach/report'
import type { FunctionRating } from '../reach/rate-functions'
import type { Context } from '../resolve/context'
import type { dialRows } from '../resolve/dials'
import type { PressResult } from '../resolve/filming'
import type { settingsWithoutEffect } from '../resolve/without-effect'
import type { LightBetween } from '../resolve/marks'
import type { Link } from '../resolve/resolved'
import type { EnablingItem } from '../settings/enabling'
import type { InForce, Way } from '../settings/in-force'
import type { Change } from '../suggest/change'
import type { Explained } from '../suggest/explain'
import type { Value } from '../vocabulary/values'

/** What can be asked of a plan. A question is plain data: it is sent to the worker, and its JSON is its name. */
export type Question =
  /** What the checks find, what a reason settles left out; worst first. */
  | { readonly kind: 'findings' }
  /** What the needs cost, held in a posture. */
  | { readonly kind: 'reach'; readonly posture: Posture }
  /** The needs that cost most, each with the one step that saves most. */
  | { readonly kind: 'worst'; readonly posture: Posture }
  /** Every function that a key takes, as it would stand there, with what it would save. */
  | { readonly kind: 'functions'; readonly address: string; readonly posture: Posture }
  /** Findings and reach as they would be with some rows changed. */
  | { readonly kind: 'trial'; readonly rows: readonly RowChange[]; readonly posture: Posture }
  /** The needs that each change of a suggestion helps. */
  | { readonly kind: 'explained'; readonly changes: readonly Change[]; readonly posture: Posture }
  /** What every dial, wheel and ring of a side does. */
  | { readonly kind: 'dials'; readonly side: Side }
  /** The settings that do nothing as the camera stands. */
  | { readonly kind: 'idle' }
  /** What has to be set first, before others of the plan do anything. */
  | { readonly kind: 'enabling' }
  /** What a setting comes to on every side, and which of its values cannot be chosen. */
  | { readonly kind: 'inForce'; readonly setting: string }
  /** How a value is reached that cannot be chosen as the camera stands. */
  | { readonly kind: 'way'; readonly setting: string; readonly value: Value; readonly side: Side }
  /** Base and every bank side by side, with their figures, and what the record key films with. */
  | { readonly kind: 'banks' }
  /** Where the value of a setting in a column of the banks comes from. */
  | { readonly kind: 'cell'; readonly column: string; readonly setting: string }
  /** Two families of banks combined. */
  | { readonly kind: 'pairs'; readonly side: Side; readonly lens: string }
  /** A hold set before and while its key is held. */
  | { readonly kind: 'hold'; readonly set: string }
  /** What film can be chosen in each column of the banks. */
  | { readonly kind: 'film' }
  /** The trigger tables of every bank of a side. */
  | {
      readonly kind: 'focus'
      readonly side: Side
      readonly lens: string | null
      readonly posture: Posture
    }
  /** A procedure composed for a body, and, where it is asked for, played on a simulated one. */
  | {
      readonly kind: 'procedure'
      readonly id: ProcedureId
      readonly tag: string | null
      readonly start: StartingPoint
      /** What the body is believed to hold, where that is the start. */
      readonly held: Memory | null
      /** Where focus fails, for the rescue; empty for the first side. */
      readonly place: string
      readonly isPlayed: boolean
    }
  /** What is known of a place of the plan for figures: a situation, base or a bank, by name; the first where none is named. */
  | { readonly kind: 'known'; readonly place: string | null }
  /** What an adviser says in a place, with some facts supposed. */
  | {
      readonly kind: 'advice'
      readonly adviser: string
      readonly place: string | null
      readonly supposed: Readonly<Record<string, string>>
    }
  /** Where a need is best met: keys, cells, lines, banks, hold sets. */
  | { readonly kind: 'wish'; readonly situation: string; readonly what: string; readonly posture: Posture }
  /** Every film format in a place, with what it writes, what it excludes and what has to be changed first. */
  | { readonly kind: 'formats'; readonly place: string | null }
  /** What the finder shows, and every value, in a state with some keys held. */
  | { readonly kind: 'state'; readonly context: Context; readonly held: readonly string[] }

/** A row and what it would hold; null where it would be absent. */
export type RowChange = readonly [row: RowId, value: Value | null]

/** What is answered, by the kind of the question; null where the plan has nothing of it. All of it is plain data. */
export interface Answers {
  readonly findings: readonly Finding[]
  readonly reach: ReachReport
  readonly worst: readonly Worst[]
  readonly functions: readonly FunctionRating[]
  readonly trial: { readonly reach: ReachReport; readonly findings: readonly Finding[] }
  readonly explained: readonly Explained[]
  readonly dials: ReturnType<typeof dialRows>
  readonly idle: ReturnType<typeof settingsWithoutEffect>
  readonly enabling: readonly EnablingItem[]
  readonly inForce: readonly InForce[]
  readonly way: Way | null
  readonly banks: Banks
  readonly cell: readonly Link[]
  readonly pairs: PairGrid | null
  readonly hold: Held | null
  readonly film: Readonly<Record<string, readonly Offered[]>>
  readonly focus: readonly BankFocus[]
  readonly procedure: Composed
  readonly known: KnownHere | null
  readonly advice: Advice | null
  readonly wish: Advice | null
  readonly formats: FormatsHere | null
  readonly state: StateValues
}

/** What figures are given in a place, and every place there is. */
export interface KnownHere {
  readonly places: readonly { readonly id: string; readonly name: string; readonly side: Side }[]
  readonly place: string
  readonly known: Known
}

/** The film formats of a place of motion. */
export interface FormatsHere extends FilmFormats {
  readonly place: string
  readonly placeName: string
}

/** A procedure, and what the simulated body said to it; null where it was not played. */
export interface Composed {
  readonly procedure: Procedure
  readonly played: {
    readonly acts: readonly PlayedAct[]
    readonly refused: readonly { readonly act: string; readonly words: string }[]
    /** Rows of the body that are not as the plan wants them, in words. */
    readonly differs: readonly string[]
    /** What the body held to begin with, for whoever plays it act by act. */
    readonly begins: { readonly memory: Memory; readonly firmware: string }
  } | null
}

/** One of the kinds of question. */
export type QuestionKind = Question['kind']

/** A question of one kind. */
export type QuestionOf<K extends QuestionKind> = Extract<Question, { kind: K }>

/** The banks side by side. */
export interface Banks {
  readonly columns: readonly Column[]
  readonly rows: readonly MatrixRow[]
  /** Of each column, in their order. */
  readonly figures: readonly (readonly Figure[])[]
  /** By column, what it does not hold and that shows in what it makes; nothing for base. */
  readonly outside: readonly (readonly Setting[])[]
  /** What the record key and the swap key do in stills; null where the body does not film. */
  readonly filming: { readonly record: PressResult; readonly swap: PressResult } | null
}

/** A hold set: what was in force, and what is while its key is held; by setting id. */
export interface Held {
  readonly before: Readonly<Record<string, Value>>
  readonly held: Readonly<Record<string, Value>>
  /** Why a ticked row is not taken, by setting id. */
  readonly skipped: Readonly<Record<string, string>>
  /** What the exposure does the moment the key goes down; null where a mark is missing. */
  readonly jump: LightBetween | null
}

/** A state: every value, what does nothing in it and why, and the picture in the finder, where the body has one. */
export interface StateValues {
  readonly values: Readonly<Record<string, Value>>
  readonly idle: Readonly<Record<string, string>>
  readonly picture: FinderPicture | null
}

/** A question's name: the same for the same question. */
export function nameOf(question: Question): string {
  return JSON.stringify(question)
}
