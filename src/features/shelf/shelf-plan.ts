/** A plan as the shelf shows it. */
export interface ShelfPlan {
  readonly id: string
  readonly title: string
  /** What it is for, in its owner's words. */
  readonly purpose: string | null
  /** What is shot with it. */
  readonly work: readonly string[]
  readonly modelId: string
  /** Maker and model. */
  readonly model: string
  readonly updated: string
  /** The body it was proven on last. */
  readonly proven: { readonly body: string; readonly at: string } | null
  /** What is wrong in it, worst first; null while that is being reckoned. */
  readonly counts: {
    readonly blocks: number
    readonly problems: number
    readonly worst: readonly {
      readonly severity: 'blocks' | 'problem'
      readonly title: string
      readonly station: string
    }[]
  } | null
}
