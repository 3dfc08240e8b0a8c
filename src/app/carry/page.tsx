import type { Metadata } from 'next'
import { bodyLine, transferLine } from '@/app/lines'
import { ok } from '@/core/result'
import { CarryWork } from '@/features/carry'
import { listBodies } from '@/server/bodies'
import { bodyChoices, fileChoices } from '@/server/carry-choices'
import { openSource, readSource } from '@/server/carry-sources'
import { endAbandoned } from '@/server/leases'
import { withDatabase } from '@/server/requests'
import { listTransfers } from '@/server/transfer-log'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'Carry' }
export const dynamic = 'force-dynamic'

/** Carrying a file of the shelf, or what one body holds, to other bodies: `?source=file:…&to=…`. */
export default async function CarryFilesPage({
  searchParams,
}: {
  searchParams: Promise<{ source?: string; to?: string }>
}) {
  const asked = await searchParams
  const read = await withDatabase(async () => {
    await endAbandoned()
    const [{ bodies }, files, past] = await Promise.all([listBodies(), fileChoices(null), listTransfers({})])
    const known = [...files, ...bodyChoices(bodies)]
    const first = asked.source === undefined ? null : await namedFirst(asked.source)
    if (first && !first.ok) return first
    const sources = first ? [first.value, ...known.filter(({ id }) => id !== first.value.id)] : known
    return ok({ bodies, sources, past })
  })
  if (!read.ok) return <Trouble title="It cannot be carried" refusal={read.refusal} address="/carry" />
  const { bodies, sources, past } = read.value
  return (
    <>
      <TopBar>
        <p className="text-silt">Carry</p>
      </TopBar>
      <CarryWork
        given={{
          ...{ sources, bodies: bodies.map(bodyLine), isSaved: true, mark: '' },
          to: asked.to,
        }}
        past={past.map(transferLine)}
        none={
          sources.length === 0
            ? 'No configuration file is on the shelf yet: carry a plan, or bring a file in.'
            : 'No body of its model is on the shelf.'
        }
      />
    </>
  )
}

/** A source by its address, as it is chosen from the list. */
async function namedFirst(text: string) {
  const source = readSource(text)
  const opened = source.ok ? await openSource(source.value, null) : source
  return opened.ok ? ok({ id: text, words: opened.value.words, modelId: opened.value.model.id }) : opened
}
