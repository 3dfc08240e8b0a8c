import type { Metadata } from 'next'
import { happenedLine, pageNumber } from '@/app/lines'
import { ok } from '@/core/result'
import { HistoryList } from '@/features/history'
import { isUuid } from '@/server/db'
import { historyKinds, listHistory, type HistoryKind } from '@/server/history'
import { withDatabase } from '@/server/requests'
import { NarrowLink, PageLinks } from '@/ui/narrow-link'
import { SearchForm } from '@/ui/search-form'
import { TextLink } from '@/ui/text-link'
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
  const page = pageNumber(asked.page)
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
  const narrowed = { ...asked, page: undefined }
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
          <NarrowLink pathname="/history" query={{ ...narrowed, kind: undefined }} isHere={kind === null}>
            Everything
          </NarrowLink>
          {Object.entries(historyKinds).map(([id, name]) => (
            <NarrowLink key={id} pathname="/history" query={{ ...narrowed, kind: id }} isHere={kind === id}>
              {name}
            </NarrowLink>
          ))}
        </nav>
        {only !== null && (
          <p className="mt-2">
            Of one{' '}
            {filters.body !== null ? `body (${filters.body})` : filters.plan !== null ? 'plan' : 'file'}{' '}
            alone. <TextLink href="/history">Of all</TextLink>
          </p>
        )}
        <SearchForm
          action="/history"
          label="Find in history"
          find={find}
          placeholder="A few letters of what happened, a body or a plan"
        />
        <HistoryList lines={lines.map(happenedLine)} />
        <PageLinks pathname="/history" query={{ ...asked }} page={page} hasNewer={page > 1} hasOlder={more} />
      </main>
    </>
  )
}
