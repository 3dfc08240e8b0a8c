import Link from 'next/link'
import { catalogue } from '@/core/procedures/catalogue'
import { capital } from '@/core/text'
import { When } from '@/ui/when'

/** Something that happened, as screens show it. */
export interface HappenedLine {
  readonly id: string
  readonly kind: string
  readonly at: string
  readonly words: string
  readonly bodyTag: string | null
  readonly bodyName: string | null
  readonly planId: string | null
  readonly planTitle: string | null
  readonly fileId: string | null
  readonly walkId: string | null
}

/** What happened, the newest first; each line opens what it names. */
export function HistoryList({
  lines,
  without,
}: {
  lines: readonly HappenedLine[]
  without?: 'body' | 'plan'
}) {
  if (lines.length === 0) return <p className="mt-2 text-silt">Nothing yet.</p>
  return (
    <ol className="mt-2 divide-y border bg-sheet px-4">
      {lines.map((line) => (
        <li key={`${line.kind} ${line.id}`} className="flex flex-wrap items-baseline gap-x-3 py-1.5">
          <span className="w-40 shrink-0 text-small text-silt">
            <When at={line.at} />
          </span>
          <span className="min-w-0 flex-1 basis-60">{wordsOf(line)}</span>
          <span className="flex flex-wrap gap-x-3 text-small">
            {line.bodyTag !== null && line.bodyName !== null && without !== 'body' && (
              <To href={`/bodies/${line.bodyTag}`}>{line.bodyName}</To>
            )}
            {line.planId !== null && line.planTitle !== null && without !== 'plan' && (
              <To href={`/plans/${line.planId}`}>{line.planTitle}</To>
            )}
            {line.kind === 'edit' && line.planId === null && <To href="/bodies">The inventory</To>}
            {line.walkId !== null && <To href={`/walks/${line.walkId}`}>The walk</To>}
            {line.fileId !== null && (
              <a
                href={`/api/files/${line.fileId}`}
                className="text-brine underline decoration-rule underline-offset-3 hover:decoration-brine"
              >
                {line.kind === 'transfer' ? 'Backup' : 'The file'}
              </a>
            )}
          </span>
        </li>
      ))}
    </ol>
  )
}

function wordsOf({ kind, words }: HappenedLine): string {
  if (kind !== 'walk') return capital(words)
  const [id = '', how = ''] = words.split(' ')
  return `${catalogue.find((one) => one.id === id)?.name ?? id}: walk ${how}`
}

function To({ href, children }: { href: string; children: string }) {
  return (
    <Link
      href={href}
      className="text-brine underline decoration-rule underline-offset-3 hover:decoration-brine"
    >
      {children}
    </Link>
  )
}
