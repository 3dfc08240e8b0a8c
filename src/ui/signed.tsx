import type { LucideIcon } from 'lucide-react'

/** Something told by sign, word and colour; the word is spoken where it is not shown. */
export function Signed({
  Sign,
  word,
  colour,
  shown,
}: {
  Sign: LucideIcon
  word: string
  colour: string
  shown: boolean
}) {
  return (
    <span className={`inline-flex items-center gap-1 whitespace-nowrap ${colour}`}>
      <Sign size={15} aria-hidden="true" />
      <span className={shown ? '' : 'sr-only'}>{word}</span>
    </span>
  )
}
