import type { Value } from '../vocabulary/values'
import type { Need, RunState, Side } from './basics'

/** A page of the camera's menu, in its own order. */
export interface MenuPage {
  readonly id: string
  readonly name: string
  readonly lines: readonly MenuLine[]
}

/** A setting, an act, a line that opens further lines behind one more press, or one that opens a set-up page. */
export type MenuLine = string | { readonly name: string; readonly behind: readonly string[] } | SetUpLine

/** What is set up on a page of its own: what is on the keys, in the function menus, in the own menu, in the hold sets. */
export const setUpPages = ['keys', 'grids', 'ownMenu', 'holdSets'] as const

/** One of `setUpPages`. */
export type SetUpPage = (typeof setUpPages)[number]

/** A line of the menu that opens a set-up page. */
export interface SetUpLine {
  readonly id: string
  readonly name: string
  readonly opens: SetUpPage
}

/** What kind of thing an act does, besides the values it sets. */
export const actKinds = [
  ...(['format', 'register', 'recall', 'save', 'load', 'reset', 'pair'] as const),
  ...(['interval', 'series', 'mount', 'measure', 'clean', 'update', 'run'] as const),
]

/** One of `actKinds`. */
export type ActKind = (typeof actKinds)[number]

/** Something done that is not a setting. */
export interface Act {
  readonly id: string
  readonly name: string
  readonly does: ActKind
  /** How it is done outside the menu; an act without it stands on a menu line. */
  readonly by?: string
  /** What must hold before it can be done. */
  readonly needs: readonly Need[]
  /** Values it leaves behind. */
  readonly sets: Readonly<Record<string, Value>>
  /** The run state it leads to. */
  readonly leadsTo?: RunState
  /** What it costs, in plain words. */
  readonly warning?: string
}

/** A function menu: cells with settings in them. */
export interface Grid {
  readonly id: string
  readonly name: string
  readonly side: Side
  readonly rows: number
  readonly columns: number
  /** The function that opens it. */
  readonly openedBy: string
  readonly inFinder: boolean
  readonly permitted: readonly string[]
  /** Setting ids as delivered, row by row. */
  readonly factory: readonly string[]
}

/** The menu an owner puts together. */
export interface OwnMenu {
  readonly pages: number
  readonly lines: number
  readonly nameLength: number
  /** A toggle that lets it open before the full menu. */
  readonly opensFirst?: string
  /** Setting and act ids that may stand in it. */
  readonly permitted: readonly string[]
}
