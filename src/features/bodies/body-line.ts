/** A body as screens show it. */
export interface BodyLine {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly model: string
  readonly serial: string
  readonly firmware: string
  readonly card: 'ready' | 'locked' | 'full' | 'none'
  /** How its last transfer ended, or null when nothing was carried to it yet. */
  readonly last: { readonly outcome: string; readonly revision: number; readonly endedAt: string } | null
}
