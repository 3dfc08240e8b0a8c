'use client'

import { useState } from 'react'
import type { Seen } from '@/core/cards/taking'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { SeenList } from '@/ui/seen-list'
import { NamedSelect } from '@/ui/select'
import { TextLink } from '@/ui/text-link'
import { CardWays } from './card-ways'
import { askOfCard, useCard, type OpenCard } from './use-card'
import { writeToCard, type Writing } from './write-file'

/** A body as this page names it. */
export interface CardBody {
  readonly tag: string
  readonly name: string
  readonly modelId: string
  /** A real camera: cards are prepared for these. */
  readonly isReal: boolean
}

/** A file of the shelf that can be put onto a card. */
export interface CardFileChoice {
  readonly id: string
  readonly name: string
  readonly modelId: string | null
}

/** Where a file would go on a card, and what was seen of the card. */
interface Prepared extends Omit<Writing, 'body'> {
  readonly seen: readonly Seen[]
}

/** A card prepared for a body: its folder made, the file copied under the right name, and read back. */
export function PrepareCard({
  bodies: all,
  files,
}: {
  bodies: readonly CardBody[]
  files: readonly CardFileChoice[]
}) {
  const card = useCard()
  const bodies = all.filter(({ isReal }) => isReal)
  const hasFile = ({ modelId }: CardBody) => files.some((one) => one.modelId === modelId)
  const [tag, setTag] = useState((bodies.find(hasFile) ?? bodies[0])?.tag ?? '')
  const body = bodies.find((one) => one.tag === tag)
  const fit = files.filter(({ modelId }) => modelId === null || modelId === body?.modelId)
  const [picked, pick] = useState('')
  const file = fit.find(({ id }) => id === picked) ?? fit[0]
  const [prepared, setPrepared] = useState<{ opened: OpenCard; where: Prepared } | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [done, setDone] = useState<string | null>(null)
  const forget = () => {
    setPrepared(null)
    setDone(null)
    setRefusal(null)
  }
  const look = async (opened: OpenCard) => {
    forget()
    const looked = await askOfCard<Prepared>('/api/cards', opened, { body: tag, file: file?.id })
    if (looked.ok) setPrepared({ opened, where: looked.value })
    else setRefusal(looked.refusal)
  }
  const write = async () => {
    if (!prepared) return
    const { opened, where } = prepared
    const written = await writeToCard(opened.folder, { ...where, body: tag })
    setRefusal(written.ok ? null : written.refusal)
    if (!written.ok) return
    setDone(`${where.path} is on the card, read back and equal.`)
    setPrepared(null)
  }
  return (
    <section aria-labelledby="prepare" className="grid content-start gap-3 self-start border bg-sheet p-4">
      <h2 id="prepare" className="font-head text-lead font-semibold">
        Prepare a card
      </h2>
      {bodies.length === 0 ? (
        <p className="text-silt">
          Cards are prepared for real cameras: say under <TextLink href="/bodies">Bodies</TextLink> which of
          yours are.
        </p>
      ) : (
        <NamedSelect
          label="For"
          value={tag}
          options={bodies.map((one) => [one.tag, one.name] as const)}
          onPick={(next) => {
            setTag(next)
            forget()
          }}
        />
      )}
      {body && !file && <p className="text-silt">There is no file of its model on the shelf yet.</p>}
      {file && (
        <>
          <NamedSelect
            label="File"
            value={file.id}
            options={fit.map((one) => [one.id, one.name] as const)}
            onPick={(next) => {
              pick(next)
              forget()
            }}
          />
          <CardWays
            card={card}
            mode="readwrite"
            label="Show the files of a card"
            onOpen={(opened) => void look(opened)}
          />
          {prepared && <BeforeWriting {...prepared.where} onWrite={() => void write()} />}
        </>
      )}
      {done !== null && (
        <p role="status" className="font-semibold text-samphire">
          ✓ {done}
        </p>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
      {file && (
        <p className="text-small text-silt">
          Without a browser that opens folders:{' '}
          <TextLink href={`/api/files/${file.id}`}>save the file</TextLink>, and copy it there yourself.
        </p>
      )}
    </section>
  )
}

/** Where a file goes, what was seen of the card, and the button that writes it. */
export function BeforeWriting({
  path,
  seen,
  isBusy = false,
  onWrite,
}: {
  path: string
  seen: readonly Seen[]
  isBusy?: boolean
  onWrite: () => void
}) {
  return (
    <>
      <p>
        It goes to <b className="font-mono">{path}</b>.
      </p>
      <SeenList label="Before it is written" seen={seen} />
      <Button
        main
        className="min-h-11 justify-self-start"
        disabled={isBusy || seen.some(({ verdict }) => verdict === 'stop')}
        onClick={onWrite}
      >
        Write it to the card
      </Button>
    </>
  )
}
