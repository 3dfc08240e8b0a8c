import { TextLink } from '@/ui/text-link'

/** A carry by hand that is under way, as screens show it. */
export interface OpenCarryLine {
  readonly walkId: string
  readonly words: string
}

/** The carries by hand that are under way: each is gone on with from here. */
export function OpenCarries({ carries }: { carries: readonly OpenCarryLine[] }) {
  if (carries.length === 0) return null
  return (
    <ul aria-label="Under way" className="grid gap-1">
      {carries.map(({ walkId, words }) => (
        <li key={walkId}>
          <TextLink href={`/walks/${walkId}`}>Go on: {words}</TextLink>
        </li>
      ))}
    </ul>
  )
}
