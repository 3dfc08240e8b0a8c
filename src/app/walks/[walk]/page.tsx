import type { Metadata } from 'next'
import { startWords } from '@/core/procedures/order'
import { Walk, type WalkStart } from '@/features/walk'
import { withDatabase } from '@/server/requests'
import { loadWalk, type OpenWalk } from '@/server/walks'
import { TopBar } from '@/ui/top-bar'
import { Trouble } from '@/ui/trouble'

export const metadata: Metadata = { title: 'Walk' }
export const dynamic = 'force-dynamic'

/** A procedure gone through beside the camera. */
export default async function WalkPage({ params }: { params: Promise<{ walk: string }> }) {
  const { walk } = await params
  const read = await withDatabase(() => loadWalk(walk))
  if (!read.ok)
    return <Trouble title="This walk cannot be shown" refusal={read.refusal} address={`/walks/${walk}`} />
  return (
    <>
      <TopBar />
      <Walk start={startOf(read.value)} />
    </>
  )
}

/** What the page is given: the acts without what only a simulated body needs, and the faces they are on. */
function startOf({ composed, model, ...open }: OpenWalk): WalkStart {
  const pressed = new Set(composed.acts.flatMap(({ control }) => control ?? []))
  const faces = model.faces.filter((face) =>
    model.controls.some((one) => one.face === face.id && pressed.has(one.id)),
  )
  return {
    ...open,
    model: `${model.maker} ${model.name}`,
    modelId: model.id,
    name: composed.name,
    purpose: composed.purpose,
    body: open.bodyName,
    begins: startWords[open.start],
    endedAt: open.endedAt?.toISOString() ?? null,
    acts: composed.acts.map(({ events: _played, ...act }) => act),
    undone: composed.undone,
    leaves: composed.leaves,
    faces,
    controls: model.controls
      .filter((one) => faces.some(({ id }) => id === one.face))
      .map(({ id, kind, face, at, size, shape }) => ({ id, kind, face, at, size, shape })),
  }
}
