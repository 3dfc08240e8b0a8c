import type { Metadata } from 'next'
import Link from 'next/link'
import { happenedLine } from '@/app/lines'
import { ok } from '@/core/result'
import { HistoryList } from '@/features/history'
import { isUuid } from '@/server/db'
import { historyKinds, listHistory, type HistoryKind } from '@/server/history'
import { withDatabase } from '@/server/requests'
import { SearchForm } from '@/ui/search-form'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'History' }
export const dynamic = 'force-dynamic'

interface Asked {
  readonly page?: string
  readonly find?: string
  readonly kind?: string
  readonly body?: string
  readonly plan?: string
  readonly file?: string
}

/** Everything that happened to bodies, files and plans, the newest first. */
export default async function HistoryPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const asked = await searchParams
  const { find = '' } = asked
  const number = Number(asked.page ?? 1)
  const page = Number.isInteger(number) && number >= 1 && number <= 10_000 ? number : 1
  const kind =
    asked.kind !== undefined && Object.hasOwn(historyKinds, asked.kind) ? (asked.kind as HistoryKind) : null
  const uuid = (text: string | undefined) => (text !== undefined && isUuid(text) ? text : null)
  const filters = {
    kind,
    body: asked.body ?? null,
    plan: uuid(asked.plan),
    file: uuid(asked.file),
    words: find,
  }
  const read = await withDatabase(async () => ok(await listHistory(filters, page)))
  if (!read.ok) return <Trouble title="History cannot be read" refusal={read.refusal} address="/history" />
  const { lines, more } = read.value
  const to = (changed: Readonly<Record<string, string | undefined>>) => ({
    pathname: '/history',
    query: Object.fromEntries(
      Object.entries({ ...asked, page: undefined, ...changed }).filter(([, value]) => value !== undefined),
    ),
  })
  const only = filters.body ?? filters.plan ?? filters.file
  return (
    <>
      <TopBar>
        <p className="text-silt">History</p>
      </TopBar>
      <main className="mx-auto max-w-[1240px] px-5 py-6">
        <h1 className="font-head text-title font-semibold">History</h1>
        <p className="mt-1 text-silt">What happened to bodies, files and plans, the newest first.</p>
        <nav aria-label="Kinds" className="mt-3 flex flex-wrap gap-x-5 gap-y-1">
          <KindLink href={to({ kind: undefined })} isHere={kind === null}>
            Everything
          </KindLink>
          {Object.entries(historyKinds).map(([id, name]) => (
            <KindLink key={id} href={to({ kind: id })} isHere={kind === id}>
              {name}
            </KindLink>
          ))}
        </nav>
        {only !== null && (
          <p className="mt-2">
            Of one{' '}
            {filters.body !== null ? `body (${filters.body})` : filters.plan !== null ? 'plan' : 'file'}{' '}
            alone.{' '}
            <Link href="/history" className="font-semibold text-brine underline underline-offset-3">
              Of all
            </Link>
          </p>
        )}
        <SearchForm
          action="/history"
          label="Find in history"
          find={find}
          placeholder="A few letters of what happened, a body or a plan"
        />
        <HistoryList lines={lines.map(happenedLine)} />
        <nav aria-label="Pages" className="mt-4 flex gap-6">
          {page > 1 && (
            <Link
              href={to({ page: String(page - 1) })}
              className="font-semibold text-brine underline underline-offset-3"
            >
              Newer
            </Link>
          )}
          {more && (
            <Link
              href={to({ page: String(page + 1) })}
              className="font-semibold text-brine underline underline-offset-3"
            >
              Older
            </Link>
          )}
        </nav>
      </main>
    </>
  )
}

function KindLink({
  href,
  isHere,
  children,
}: {
  href: { pathname: string; query: Record<string, string | undefined> }
  isHere: boolean
  children: string
}) {
  return (
    <Link
      href={href}
      aria-current={isHere ? 'page' : undefined}
      className="min-h-8 text-silt underline-offset-3 aria-[current=page]:font-semibold aria-[current=page]:text-brine aria-[current=page]:underline"
    >
      {children}
    </Link>
  )
}
