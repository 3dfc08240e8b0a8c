import type { Value } from '../vocabulary/values'

/** What the sensor can focus with, and what the hand does to it. */
export interface FocusGeometry {
  /** Focus points across and down. */
  readonly columns: number
  readonly rows: number
  /** Each value of the area setting. */
  readonly areas: readonly FocusArea[]
  /** A toggle that lets the point run round the edge. */
  readonly wrapBy?: string
  /** Where detection and tracking look: left, top, width, height in parts of the frame. */
  readonly detectionZone: Zone
  readonly trackingZone: Zone
  /** What the confirmation mark says, by value of the focus mode setting. */
  readonly confirms: Readonly<Record<string, 'once-found' | 'all-the-time' | 'never'>>
  /** Which of two focus functions held together is obeyed. */
  readonly heldWins: 'first' | 'last' | 'listed'
  /** Function ids, the strongest first; with `listed`. */
  readonly strongest?: readonly string[]
}

/** Left, top, width, height in parts of the frame, 0..1. */
export type Zone = readonly [number, number, number, number]

/** One focus area: its size in parts of the frame, how many places it can take, and how far one move goes. */
export interface FocusArea {
  readonly value: string
  readonly size: readonly [number, number]
  readonly columns: number
  readonly rows: number
  readonly skip: number
}

/** The sensor, as far as pictures and films are cut out of it. */
export interface Sensor {
  /** Pixels across and down of a whole picture. */
  readonly pixels: readonly [number, number]
  /** Values of settings that cut, and by how much: the longer side divided by this factor. */
  readonly crops: readonly { readonly setting: string; readonly value: Value; readonly factor: number }[]
  /** Pixels across of each film size. */
  readonly filmWidths: Readonly<Record<string, number>>
}

/** Cards, buffer, files and rates. Sizes and depths are ranges, because they hang on what is photographed. */
export interface Cards {
  readonly slots: readonly {
    readonly id: string
    readonly name: string
    readonly kind: string
    /** What the slot can take at most, megabytes a second; a card may be slower. */
    readonly ceilingMBps: number
  }[]
  readonly bufferFrames: { readonly raw: Range; readonly processed: Range }
  /** Megabytes of one picture, by value of the raw compression setting. */
  readonly rawMegabytes: Readonly<Record<string, Range>>
  readonly movieFormats: readonly MovieFormat[]
  readonly bursts: readonly {
    readonly shutter: string
    readonly files: 'raw' | 'processed'
    readonly framesPerSecond: number
  }[]
  readonly files: { readonly perFolder: number; readonly folder: string; readonly nameRule: string }
}

/** From least to most. */
export type Range = readonly [number, number]

/** One way to film: a size, the rates it has, and what it writes. */
export interface MovieFormat {
  readonly size: string
  readonly rates: readonly string[]
  readonly codec: string
  readonly rateMbps: number
  /** Mains frequency of the region that offers it; both where it is absent. */
  readonly regionHz?: 50 | 60
}

/** A lens as data. */
export interface LensModel {
  readonly format: 'salt-shelf/lens-model'
  readonly formatVersion: 1
  readonly id: string
  readonly name: string
  /** Maker whose bodies it fits. */
  readonly fits: string
  /** Whether body and lens can talk. */
  readonly contacts: boolean
  /** Focal length in millimetres, shortest and longest. */
  readonly focalMm: Range
  /** Widest aperture as marked. */
  readonly widest: string
  /** Where a zoom is slower at its long end; the smallest apertures likewise. Left out where it is the same, or nobody knows. */
  readonly widestLong?: string
  readonly narrowest?: string
  readonly narrowestLong?: string
  readonly keys: readonly { readonly id: string; readonly name: string }[]
  /** A ring for anything but focus, and whether the body can read it; null where there is none. */
  readonly ring: { readonly readable: boolean; readonly clicks?: boolean } | null
  /** A switch between autofocus and manual focus; this and the stabiliser are left out where nobody says. */
  readonly focusSwitch?: boolean
  readonly stabiliser?: boolean
  /** The adapter it needs, in words. */
  readonly adapter?: string
  /** By how much a teleconverter on it lengthens it; focal length and apertures are those with it. */
  readonly converter?: number
}
