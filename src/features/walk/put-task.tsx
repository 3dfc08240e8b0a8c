'use client'

import { useState } from 'react'
import type { CardSeen } from '@/core/cards/card'
import type { Seen } from '@/core/cards/taking'
import { refuse, type Refusal } from '@/core/result'
import {
  askOfCard,
  BeforeWriting,
  CardContents,
  CardWays,
  digestOf,
  useCard,
  writeToCard,
  type OpenCard,
  type Writing,
} from '@/features/cards'
import { Fold } from '@/ui/fold'
import { RefusalNote } from '@/ui/refusal-note'
import { TextLink } from '@/ui/text-link'
import type { WalkAct } from './start'

/** Where the file goes, and what was seen of the card. */
interface Looked extends Omit<Writing, 'body'> {
  readonly seen: readonly Seen[]
  readonly card: CardSeen
}

/**
 * An act at which a file is written to a card: the card looked at, the file written, read back and compared. Where the browser
 * opens no folders it is copied by hand, and shown here afterwards.
 */
export function PutTask({
  walkId,
  act,
  kept,
  onPut,
}: {
  walkId: string
  act: WalkAct
  kept: string | null
  onPut: (digest: string) => void
}) {
  const card = useCard()
  const [looked, setLooked] = useState<{ opened: OpenCard; at: Looked } | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [isBusy, setBusy] = useState(false)
  const body = act.task?.tag ?? ''
  const look = async (opened: OpenCard) => {
    setLooked(null)
    const said = await askOfCard<Looked>(`/api/walks/${walkId}/card`, opened, { act: act.id })
    setRefusal(said.ok ? null : said.refusal)
    if (!said.ok) return
    setLooked({ opened, at: said.value })
    if (!opened.folder.isOpened) await proveCopied(opened, said.value)
  }
  /** A file that was copied by hand and is shown here: it is what was to be written, or not. */
  const proveCopied = async (opened: OpenCard, { path, digest }: Looked) => {
    const name = path.split('/').at(-1)?.toLowerCase()
    const entry = opened.entries.find((one) => one.path.split('/').at(-1)?.toLowerCase() === name)
    const read = entry
      ? await opened.folder.read(entry.path)
      : refuse('gone', `There is no ${path.split('/').at(-1) ?? ''} among them.`, path)
    const isEqual = read.ok && (await digestOf(read.value.bytes)) === digest
    setRefusal(
      isEqual
        ? null
        : read.ok
          ? { code: 'not-written', message: 'This is not the file that was to be copied.', where: path }
          : read.refusal,
    )
    if (isEqual) onPut(digest)
  }
  const write = async () => {
    if (!looked) return
    setBusy(true)
    const written = await writeToCard(looked.opened.folder, { ...looked.at, body })
    setBusy(false)
    setRefusal(written.ok ? null : written.refusal)
    if (!written.ok) return
    onPut(looked.at.digest)
    setLooked(null)
    await card.again()
  }
  const at = looked?.at
  const isReadOnly = looked?.opened.folder.isOpened === false
  return (
    <section aria-label="The card" className="grid gap-3 border bg-sheet p-4">
      {kept !== null && (
        <p role="status" className="font-semibold text-samphire">
          ✓ On the card, read back and equal: digest {kept.slice(0, 8)}.
        </p>
      )}
      <CardWays card={card} mode="readwrite" label="Show what you copied" onOpen={(one) => void look(one)} />
      {at && !isReadOnly && (
        <>
          <BeforeWriting path={at.path} seen={at.seen} isBusy={isBusy} onWrite={() => void write()} />
          <Fold title={`What lies on the card: ${at.card.count} files`}>
            <CardContents seen={at.card} onTake={null} />
          </Fold>
        </>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
      <ByHand walkId={walkId} act={act} />
    </section>
  )
}

/** Copying the file without a browser that opens folders. */
function ByHand({ walkId, act }: { walkId: string; act: WalkAct }) {
  return (
    <p className="text-small text-silt">
      Where this browser opens no folders:{' '}
      <TextLink href={`/api/walks/${walkId}/file?act=${encodeURIComponent(act.id)}`}>save the file</TextLink>,
      copy it to {act.where} on the card, and show it here.
    </p>
  )
}
