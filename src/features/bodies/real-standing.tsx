import { capital } from '@/core/text'
import { When } from '@/ui/when'

/** A real camera as screens show it. */
export interface RealLine {
  readonly tag: string
  readonly name: string
  readonly place: string
  readonly modelId: string
  readonly model: string
  readonly serial: string | null
  readonly firmware: string | null
  readonly belief: { readonly words: string; readonly since: string; readonly planId: string | null } | null
  /** How that is proven, the newest last. */
  readonly proofs: readonly { readonly words: string; readonly at: string }[]
  readonly doubts: readonly string[]
}

/** What a real camera is believed to hold, since when, how that is proven, and what made it doubtful. */
export function RealStanding({ body: { belief, proofs, doubts, name } }: { body: RealLine }) {
  return (
    <div className="grid gap-0.5">
      {belief === null ? (
        <p className="text-silt">Nothing is known of what {name} holds.</p>
      ) : (
        <p>
          <b>{capital(belief.words)}</b>{' '}
          <span className="text-silt">
            since <When at={belief.since} />
          </span>
        </p>
      )}
      {proofs.map((one) => (
        <p key={`${one.at} ${one.words}`} className={doubts.length === 0 ? 'text-samphire' : 'text-silt'}>
          {doubts.length === 0 && '✓ '}
          {capital(one.words)}
        </p>
      ))}
      {doubts.map((doubt) => (
        <p key={doubt}>
          <b className="text-lichen">▲ In doubt.</b> {capital(doubt)}
        </p>
      ))}
    </div>
  )
}
