import type { paperIds } from '../../plan/rows'
import type { FaceName } from './fonts'

/** A page of paper, in points (1/72 inch), x to the right and y down. */
export interface Page {
  readonly width: number
  readonly height: number
  readonly items: readonly Item[]
}

/** What is printed on a page. */
export type Item = TextItem | LineItem | PathItem | EllipseItem | RectItem

/** Letters on a line; `y` is that of the line they stand on. */
export interface TextItem {
  readonly kind: 'text'
  readonly x: number
  readonly y: number
  readonly text: string
  readonly face: FaceName
  readonly size: number
  readonly tone: Tone
}

/** A straight line. */
export interface LineItem {
  readonly kind: 'line'
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
  readonly width: number
  readonly tone: Tone
}

/** How a shape is drawn: its line, and what fills it. */
interface Shape {
  readonly width: number
  readonly tone: Tone
  readonly fill: Tone | null
}

/** A drawn path, in the coordinates of the page. */
export interface PathItem extends Shape {
  readonly kind: 'path'
  readonly d: string
}

/** A round thing: its middle and its half sizes. */
export interface EllipseItem extends Shape {
  readonly kind: 'ellipse'
  readonly at: readonly [number, number]
  readonly half: readonly [number, number]
}

/** A box: its upper left corner and its size. */
export interface RectItem extends Shape {
  readonly kind: 'rect'
  readonly at: readonly [number, number]
  readonly size: readonly [number, number]
  readonly radius: number
}

/** What is printed in: told apart in black and white as well. */
export type Tone = keyof typeof tones

/** The tones as colours; paper is always printed by day. */
export const tones = {
  ink: '#1E2A2E',
  silt: '#5C6B70',
  rule: '#B9B2A4',
  glass: '#EFEAE2',
  paper: '#FFFFFF',
} as const

/** Something that stands on one page whole: its height, and what it prints with its upper left corner at a place. */
export interface Box {
  readonly height: number
  readonly at: (x: number, y: number) => Item[]
}

/** A size of paper, with how large text is set on it. */
export interface Paper {
  readonly id: PaperId
  readonly name: string
  readonly width: number
  readonly height: number
  readonly margin: number
  /** Size of the text, in points. */
  readonly text: number
  /** How wide a plate is laid out on it, in pixels: it decides how large the text of the plate is. */
  readonly plate: number
  /** Where several of it are printed on one sheet: what that measures, how many stand beside and below each other. */
  readonly on?: {
    readonly width: number
    readonly height: number
    readonly across: number
    readonly down: number
  }
}

/** The ids of the papers. */
export type PaperId = (typeof paperIds)[number]

const card = { width: 242.65, height: 153.07, margin: 8, text: 5.4, plate: 500 }

/**
 * The papers: two for a folder, two for the pocket, and one that is cut and folded for it: front and back of a card beside
 * each other, five cards on a sheet. A credit card is 85.6 × 54 mm; the sheet of it fits A4 and Letter unscaled.
 */
export const papers: Readonly<Record<PaperId, Paper>> = {
  a4: { id: 'a4', name: 'A4', width: 595.28, height: 841.89, margin: 36, text: 8.4, plate: 780 },
  letter: { id: 'letter', name: 'Letter', width: 612, height: 792, margin: 36, text: 8.4, plate: 780 },
  a6: {
    id: 'a6',
    name: 'A6, for the pocket',
    width: 419.53,
    height: 297.64,
    margin: 15,
    text: 6.8,
    plate: 640,
  },
  card: { id: 'card', name: 'Credit card', ...card },
  fold: {
    ...{ id: 'fold', name: 'Credit card, to cut and fold', ...card },
    on: { width: 595.28, height: 792, across: 2, down: 5 },
  },
}

/** Whether something names a paper. */
export function isPaper(id: string): id is PaperId {
  return Object.hasOwn(papers, id)
}
