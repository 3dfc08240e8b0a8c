'use client'

import { useState } from 'react'
import type { CardEntry, CardSeen } from '@/core/cards/card'
import type { Seen } from '@/core/cards/taking'
import type { Refusal } from '@/core/result'
import { CardContents, CardWays, lookAtCard, useCard, type OpenCard } from '@/features/cards'
import { post } from '@/ui/ask'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { SeenList } from '@/ui/seen-list'
import { NamedSelect } from '@/ui/select'
import { useFetched } from '@/ui/use-fetched'
import type { WalkAct } from './start'

/** What the server says of a file that was offered. */
interface Offering {
  readonly digest: string | null
  readonly seen: readonly Seen[]
}

/** A file that was offered, and can be offered once more by somebody who has looked. */
interface Offered {
  readonly name: string
  readonly again: () => Promise<void>
}

/** An act at which a file is taken in: dropped, chosen, or found on the card; looked at before it is kept. */
export function TakeTask({
  walkId,
  modelId,
  act,
  kept,
  onTaken,
}: {
  walkId: string
  modelId: string
  act: WalkAct
  /** Digest of the file that was taken in here; null where none was. */
  kept: string | null
  onTaken: (digest: string) => void
}) {
  const card = useCard()
  const [contents, setContents] = useState<CardSeen | null>(null)
  const [offered, setOffered] = useState<(Offered & Offering) | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [isBusy, setBusy] = useState(false)
  const offer = async (name: string, asked: Record<string, string>, body: Blob | null, isSure = false) => {
    setBusy(true)
    const said = await offering(walkId, { ...asked, act: act.id, ...(isSure ? { sure: '1' } : {}) }, body)
    setBusy(false)
    setRefusal(said.ok ? null : said.refusal)
    setOffered(said.ok ? { name, ...said.value, again: () => offer(name, asked, body, true) } : null)
    if (said.ok && said.value.digest !== null) onTaken(said.value.digest)
  }
  const take = async (opened: OpenCard, { path }: CardEntry) => {
    const read = await opened.folder.read(path)
    if (!read.ok) return setRefusal(read.refusal)
    await offer(path, { path, savedAt: String(read.value.savedAt) }, new Blob([read.value.bytes]))
  }
  const look = async (opened: OpenCard) => {
    setContents(null)
    setOffered(null)
    const [only] = opened.entries
    // One file that was chosen or dropped is what is meant; what lies on a card is shown first.
    if (!opened.folder.isOpened && opened.entries.length === 1 && only) return take(opened, only)
    const looked = await lookAtCard(opened)
    setRefusal(looked.ok ? null : looked.refusal)
    setContents(looked.ok ? looked.value.card : null)
  }
  const opened = card.card
  return (
    <section aria-label="The file" className="grid gap-3 border bg-sheet p-4">
      {kept !== null && (
        <p role="status" className="font-semibold text-samphire">
          ✓ On the shelf, digest {kept.slice(0, 8)}.
        </p>
      )}
      <CardWays
        card={card}
        mode="read"
        label={kept === null ? 'Choose the file' : 'Choose another file'}
        onOpen={(one) => void look(one)}
      />
      {act.task?.tag === null && (
        <FromShelf modelId={modelId} onPick={(id, name) => void offer(name, { file: id }, null)} />
      )}
      {contents && opened && <CardContents seen={contents} onTake={(entry) => void take(opened, entry)} />}
      {offered && <Offer offered={offered} isBusy={isBusy} />}
      {refusal && <RefusalNote refusal={refusal} />}
    </section>
  )
}

function Offer({ offered, isBusy }: { offered: Offered & Offering; isBusy: boolean }) {
  const { seen, digest, name } = offered
  const isStopped = seen.some(({ verdict }) => verdict === 'stop')
  return (
    <div className="grid gap-2 border-t pt-3">
      <p className="font-semibold">
        {digest !== null
          ? `${name} was taken in.`
          : isStopped
            ? `${name} is not what is meant. It was not taken.`
            : `Look at ${name} before it is taken.`}
      </p>
      <SeenList label={`What was seen of ${name}`} seen={seen} />
      {digest === null && !isStopped && (
        <Button main className="min-h-11" disabled={isBusy} onClick={() => void offered.again()}>
          It is the right one: take it
        </Button>
      )}
    </div>
  )
}

/** A file of the shelf instead of one that is brought. */
function FromShelf({ modelId, onPick }: { modelId: string; onPick: (id: string, name: string) => void }) {
  const there = useFetched<{
    readonly files: readonly {
      readonly id: string
      readonly name: string
      readonly bodyName: string | null
    }[]
  }>(`/api/files?model=${encodeURIComponent(modelId)}`)
  const files = there.value?.files ?? []
  if (files.length === 0) return null
  return (
    <NamedSelect
      label="Or from the shelf"
      value=""
      options={[
        ['', 'choose a file'],
        ...files.map(
          (one) => [one.id, one.bodyName === null ? one.name : `${one.name}, ${one.bodyName}`] as const,
        ),
      ]}
      onPick={(id) => onPick(id, files.find((one) => one.id === id)?.name ?? '')}
    />
  )
}

function offering(walkId: string, asked: Record<string, string>, body: Blob | null) {
  const silence = 'The server did not answer: taking a file in needs it. Try again when it is there.'
  return post<Offering>(
    `/api/walks/${walkId}/file?${new URLSearchParams(asked).toString()}`,
    body,
    {},
    silence,
  )
}
