/** A file as the shelf shows it. */
export interface ShelfFile {
  readonly id: string
  readonly kind: string
  readonly name: string
  readonly size: number
  readonly digest: string
  readonly firmware: string | null
  readonly bodyName: string | null
  readonly bodyTag: string | null
  readonly cardPath: string | null
  readonly savedAt: string | null
  readonly revision: number | null
  readonly plan: { readonly id: string; readonly title: string } | null
  readonly loadedOn: readonly string[]
  readonly tags: readonly string[]
  readonly note: string
  readonly addedAt: string
  readonly deletedAt: string | null
}
