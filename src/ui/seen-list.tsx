import { Check, Eye, OctagonX } from 'lucide-react'

/** Things that were looked at, each with what came of it: in order, to be looked at, or what stops it. */
export function SeenList({
  seen,
  label,
}: {
  seen: readonly {
    readonly about: string
    readonly verdict: 'fine' | 'look' | 'stop'
    readonly words: string
  }[]
  label: string
}) {
  return (
    <ul aria-label={label} className="grid gap-1">
      {seen.map((one) => (
        <li
          key={`${one.about} ${one.words}`}
          className="grid grid-cols-[22px_7rem_1fr] items-start max-sm:grid-cols-[22px_1fr]"
        >
          <span className="pt-0.5">
            {one.verdict === 'fine' ? (
              <Check size={16} className="text-samphire" aria-label="in order" />
            ) : one.verdict === 'look' ? (
              <Eye size={16} className="text-lichen" aria-label="look" />
            ) : (
              <OctagonX size={16} className="text-rust" aria-label="stops it" />
            )}
          </span>
          <span className="font-semibold">{one.about}</span>
          <span className={`max-sm:col-start-2 ${one.verdict === 'fine' ? 'text-silt' : ''}`}>
            {one.words}
          </span>
        </li>
      ))}
    </ul>
  )
}
