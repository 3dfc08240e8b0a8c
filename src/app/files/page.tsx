import type { Metadata } from 'next'
import { ok } from '@/core/result'
import { FileTable } from '@/features/shelf'
import { bodiesIn } from '@/core/inventory/records'
import { inventoryNow } from '@/server/inventory'
import { fileTags, listFiles } from '@/server/files'
import { withDatabase } from '@/server/requests'
import { NarrowLink, PageLinks } from '@/ui/narrow-link'
import { SearchForm } from '@/ui/search-form'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'
import { fileLine, pageNumber } from '../lines'

export const metadata: Metadata = { title: 'Files' }

const onPage = 25
const kinds = ['plan', 'card', 'opaque'] as const

interface Asked {
  readonly page?: string
  readonly find?: string
  readonly kind?: string
  readonly tag?: string
  readonly bin?: string
}

/** Every file ever kept, page by page, newest first: by kind, by tag, by word, and those in the bin. */
export default async function FilesPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const given = await searchParams
  const { page: wanted, find = '', tag = null } = given
  const kind = kinds.find((one) => one === given.kind) ?? null
  const bin = given.bin === '1'
  const page = pageNumber(wanted)
  const isNarrowed = kind !== null || tag !== null || find !== '' || bin
  const read = await withDatabase(async () => {
    const [found, tags, { inventory }] = await Promise.all([
      listFiles(page, onPage, { words: find, kind, tag, bin }),
      fileTags(),
      inventoryNow(),
    ])
    return ok({ ...found, tags, bodies: bodiesIn(inventory).map(({ tag, name }) => ({ tag, name })) })
  })
  if (!read.ok) return <Trouble title="The files cannot be read" refusal={read.refusal} address="/files" />
  const { files, count, tags, bodies } = read.value
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
            ? count === 0
              ? isNarrowed
                ? 'No file is like that.'
                : 'No file yet: what is saved, carried or brought in is kept here, byte for byte.'
              : `There is nothing on page ${page} of ${pages}.`
            : `${first} to ${first + files.length - 1} of ${count}, newest first. Each is kept byte for byte.`}
        </p>
        <nav aria-label="Which files" className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
          <NarrowLink pathname="/files" query={{}} isHere={kind === null && tag === null && !bin}>
            All
          </NarrowLink>
          <NarrowLink pathname="/files" query={{ kind: 'card' }} isHere={kind === 'card'}>
            Of cameras
          </NarrowLink>
          <NarrowLink pathname="/files" query={{ kind: 'opaque' }} isHere={kind === 'opaque'}>
            Not read here
          </NarrowLink>
          <NarrowLink pathname="/files" query={{ kind: 'plan' }} isHere={kind === 'plan'}>
            Plans
          </NarrowLink>
          {tags.map((one) => (
            <NarrowLink key={one} pathname="/files" query={{ tag: one }} isHere={tag === one}>
              {one}
            </NarrowLink>
          ))}
          <NarrowLink pathname="/files" query={{ bin: '1' }} isHere={bin}>
            In the bin
          </NarrowLink>
        </nav>
        <SearchForm
          action="/files"
          label="Find a file"
          find={find}
          placeholder="A few letters of its name, body or note"
        />
        {files.length > 0 && <FileTable isWhole files={files.map(fileLine)} bodies={bodies} />}
        <PageLinks
          pathname="/files"
          query={{ ...given }}
          page={Math.min(page, pages + 1)}
          hasNewer={page > 1}
          hasOlder={page < pages}
        />
      </main>
    </>
  )
}
