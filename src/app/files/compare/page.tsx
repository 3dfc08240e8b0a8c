import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { ok } from '@/core/result'
import { ComparePage, type ComparedFile } from '@/features/compare'
import { fileFacts, nearestTo } from '@/server/opaque'
import { regionsOf } from '@/server/regions'
import { withDatabase } from '@/server/requests'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'Compare files' }
export const dynamic = 'force-dynamic'

/** Two files of cameras, byte by byte: `?left=` and, once it is chosen, `?right=`. */
export default async function CompareFilesPage({
  searchParams,
}: {
  searchParams: Promise<{ left?: string; right?: string }>
}) {
  const { left = '', right } = await searchParams
  const read = await withDatabase(async () => {
    const one = await fileFacts(left)
    if (!one.ok) return one
    const other = right === undefined ? null : await fileFacts(right)
    if (other && !other.ok) return other
    const near = await nearestTo(left)
    const model = one.value.modelId ?? other?.value.modelId
    return ok({
      ...{ left: one.value, right: other?.value ?? null, near: near.ok ? near.value : [] },
      regions: model == null ? [] : await regionsOf(model),
    })
  })
  if (!read.ok) {
    if (read.refusal.code === 'unknown-file') notFound()
    return <Trouble title="They cannot be compared" refusal={read.refusal} address="/files" />
  }
  const { near, regions, ...files } = read.value
  const line = ({ id, name, size, modelId, bodyName, addedAt }: typeof files.left): ComparedFile => ({
    ...{ id, name, size, modelId, bodyName },
    addedAt: addedAt.toISOString(),
  })
  return (
    <>
      <TopBar>
        <p className="text-silt">Files</p>
      </TopBar>
      <ComparePage
        left={line(files.left)}
        right={files.right && line(files.right)}
        near={near.map(({ id, name, bodyName, differing }) => ({ id, name, bodyName, differing }))}
        regions={regions}
      />
    </>
  )
}
