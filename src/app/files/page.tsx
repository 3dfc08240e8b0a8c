import type { Metadata } from 'next'
import Link from 'next/link'
import { ok } from '@/core/result'
import { FileTable } from '@/features/shelf'
import { listFiles } from '@/server/files'
import { withDatabase } from '@/server/requests'
import { SearchForm } from '@/ui/search-form'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'
import { fileLine } from '../lines'

export const metadata: Metadata = { title: 'Files' }

const onPage = 50

/** Every file ever kept, page by page, newest first. */
export default async function FilesPage({
  searchParams,
}: {
  searchParams: Promise<{ page?: string; find?: string }>
}) {
  const { page: wanted, find = '' } = await searchParams
  const asked = Number(wanted ?? 1)
  const page = Number.isInteger(asked) && asked >= 1 && asked <= 1_000_000 ? asked : 1
  const read = await withDatabase(async () => ok(await listFiles(page, onPage, find)))
  if (!read.ok) return <Trouble title="The files cannot be read" refusal={read.refusal} address="/files" />
  const { files, count } = read.value
  const pages = Math.max(1, Math.ceil(count / onPage))
  const first = (page - 1) * onPage + 1
  return (
    <>
      <TopBar>
        <p className="text-silt">Files</p>
      </TopBar>
      <main className="mx-auto max-w-[1240px] px-5 py-6">
        <h1 className="font-head text-title font-semibold">Files</h1>
        <p className="mt-1 text-silt">
          {files.length === 0
            ? `There is nothing on page ${page} of ${pages}.`
            : `${first} to ${first + files.length - 1} of ${count}, newest first. Each is kept byte for byte.`}
        </p>
        <SearchForm
          action="/files"
          label="Find a file"
          find={find}
          placeholder="A few letters of its name, body or note"
        />
        {files.length > 0 && <FileTable files={files.map(fileLine)} />}
        <nav aria-label="Pages" className="mt-4 flex gap-6">
          {page > 1 && (
            <PageLink page={Math.min(page - 1, pages)} find={find}>
              Newer
            </PageLink>
          )}
          {page < pages && (
            <PageLink page={page + 1} find={find}>
              Older
            </PageLink>
          )}
        </nav>
      </main>
    </>
  )
}

function PageLink({ page, find, children }: { page: number; find: string; children: string }) {
  const query = { ...(find === '' ? {} : { find }), page: String(page) }
  return (
    <Link
      href={{ pathname: '/files', query }}
      className="font-semibold text-brine underline underline-offset-3"
    >
      {children}
    </Link>
  )
}
