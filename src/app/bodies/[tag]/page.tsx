import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { cardConditionOf } from '@/server/bodies'
import { bodyCalled } from '@/server/body-known'
import { allHistory, listHistory } from '@/server/history'
import {
  listRealBodies,
  openCarries,
  realBodyTagged,
  realFiles,
  type RealBody as RealKnown,
} from '@/server/real-bodies'
import { withDatabase } from '@/server/requests'
import { plansOfModel } from '@/server/summaries'
import { ok } from '@/core/result'
import { BodyPage, RealBodyPage } from '@/features/bodies'
import { HistoryList } from '@/features/history'
import { happenedLine, openCarryLine, realLine } from '@/app/lines'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'Body' }
export const dynamic = 'force-dynamic'

/** How much of a body’s history stands on its page. */
const shownOfHistory = 20

/** One body: `?against=` is the tag of the twin it is held against. */
export default async function OneBodyPage({
  params,
  searchParams,
}: {
  params: Promise<{ tag: string }>
  searchParams: Promise<{ against?: string }>
}) {
  const { tag } = await params
  const { against } = await searchParams
  const real = await withDatabase(async () => {
    const found = await realBodyTagged(tag)
    return ok(found && { real: found, ...(await besides(found)) })
  })
  if (real.ok && real.value) return <RealBody known={real.value} />
  const read = await withDatabase(async () => {
    const known = await bodyCalled(tag, against ?? null)
    if (!known.ok) return known
    return ok({ ...known.value, history: await listHistory({ ...allHistory, body: tag }, 1, shownOfHistory) })
  })
  if (!read.ok) {
    if (read.refusal.code === 'unknown-body') notFound()
    return <Trouble title="The body cannot be shown" refusal={read.refusal} address={`/bodies/${tag}`} />
  }
  const { body, history, ...known } = read.value
  return (
    <>
      <TopBar>
        <p className="text-silt">{body.name}</p>
      </TopBar>
      <BodyPage
        body={{
          ...{ id: body.id, tag: body.tag, name: body.name, place: body.place, serial: body.state.serial },
          ...{ model: `${body.model.maker} ${body.model.name}`, firmware: body.state.firmware },
          firmwares: body.model.firmware.map(({ version }) => version),
          ...{ battery: body.state.batteryPercent, card: cardConditionOf(body.state), mishaps: body.mishaps },
          lens: body.lens,
          cardFiles: Object.entries(body.state.card?.files ?? {}).map(([name, bytes]) => ({
            name,
            bytes: bytes.length,
          })),
          isPending: body.state.pending !== null,
          planId: known.belief?.planId ?? null,
          ...known,
        }}
        history={<HistoryList lines={history.lines.map(happenedLine)} without="body" />}
      />
    </>
  )
}

/** What stands on the page of a real camera besides what it is believed to hold. */
async function besides({ record: { tag }, model }: RealKnown) {
  const [files, plans, history, carries, bodies] = await Promise.all([
    realFiles(tag),
    plansOfModel(model.id),
    listHistory({ ...allHistory, body: tag }, 1, shownOfHistory),
    openCarries(),
    listRealBodies(),
  ])
  const mine = carries.filter(({ from, to }) => from === tag || to.split('+').includes(tag))
  return { files, plans, history, carries: mine.map((one) => openCarryLine(one, bodies)) }
}

function RealBody({
  known: { real, files, plans, history, carries },
}: {
  known: { real: RealKnown } & Awaited<ReturnType<typeof besides>>
}) {
  const { record, model } = real
  return (
    <>
      <TopBar>
        <p className="text-silt">{record.name}</p>
      </TopBar>
      <RealBodyPage
        body={{
          ...realLine(real),
          ...{ folder: record.folder ?? model.cardFile.folder, file: record.file, plans, carries },
          files: files.map(({ at, ...file }) => ({ ...file, at: at.toISOString() })),
        }}
        history={<HistoryList lines={history.lines.map(happenedLine)} without="body" />}
      />
    </>
  )
}
