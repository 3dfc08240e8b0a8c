/** Something that speaks for an option, or against it. */
export interface Weighed {
  /** Above zero for it, below against it; zero for what is to be known. */
  readonly points: number
  readonly words: string
  /** What it goes by: facts of the work, the body, the owner’s school; empty where it always holds. */
  readonly by: string
}
