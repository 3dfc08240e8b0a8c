import type { Metadata } from 'next'
import { bodiesIn } from '@/core/inventory/records'
import { ok } from '@/core/result'
import { CardPage } from '@/features/cards'
import { listFiles } from '@/server/files'
import { inventoryNow } from '@/server/inventory'
import { withDatabase } from '@/server/requests'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'Cards' }
export const dynamic = 'force-dynamic'

/** Cards in a reader: what lies on one, and one prepared for a body. */
export default async function CardsPage() {
  const read = await withDatabase(async () => {
    const [{ inventory }, found] = await Promise.all([inventoryNow(), listFiles(1, 100)])
    return ok({ bodies: bodiesIn(inventory), files: found.files })
  })
  if (!read.ok) return <Trouble title="Cards cannot be shown" refusal={read.refusal} address="/cards" />
  const { bodies, files } = read.value
  return (
    <>
      <TopBar>
        <p className="text-silt">Cards</p>
      </TopBar>
      <CardPage
        bodies={bodies.flatMap(({ tag, name, model, isReal }) =>
          model === null ? [] : [{ tag, name, modelId: model, isReal }],
        )}
        files={files
          .filter(({ kind }) => kind !== 'plan')
          .map(({ id, name, modelId }) => ({ id, name, modelId }))}
      />
    </>
  )
}
