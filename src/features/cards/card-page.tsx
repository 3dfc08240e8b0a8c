'use client'

import Link from 'next/link'
import { useState } from 'react'
import type { CardEntry, CardSeen } from '@/core/cards/card'
import type { Refusal } from '@/core/result'
import { RefusalNote } from '@/ui/refusal-note'
import { NamedSelect } from '@/ui/select'
import { CardContents } from './card-contents'
import { CardWays } from './card-ways'
import { PrepareCard, type CardBody, type CardFileChoice } from './prepare-card'
import { sendAsItIs } from './send'
import { lookAtCard, useCard, type OpenCard } from './use-card'

/** Cards: what lies on one, its files taken in, and one prepared for a body. Nothing on a card is deleted. */
export function CardPage({
  bodies,
  files,
}: {
  bodies: readonly CardBody[]
  files: readonly CardFileChoice[]
}) {
  const card = useCard()
  const [seen, setSeen] = useState<CardSeen | null>(null)
  const [tag, setTag] = useState('')
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [taken, setTaken] = useState<readonly string[]>([])
  const look = async (opened: OpenCard) => {
    setSeen(null)
    setTaken([])
    const looked = await lookAtCard(opened)
    setRefusal(looked.ok ? null : looked.refusal)
    setSeen(looked.ok ? looked.value.card : null)
  }
  const take = async ({ path }: CardEntry) => {
    if (!card.card) return
    const read = await card.card.folder.read(path)
    const sent = read.ok ? await sendAsItIs(path, read.value, tag) : read
    setRefusal(sent.ok ? null : sent.refusal)
    if (sent.ok)
      setTaken((all) => [
        ...all,
        `${path}${sent.value.known ? ' was on the shelf already' : ' is on the shelf'}`,
      ])
  }
  return (
    <main className="mx-auto grid max-w-[1240px] gap-x-8 gap-y-5 px-5 py-6 lg:grid-cols-[minmax(0,1fr)_340px]">
      <div className="grid min-w-0 content-start gap-4">
        <header>
          <h1 className="font-head text-title font-semibold">Cards</h1>
          <p className="mt-1 max-w-2xl text-silt">
            What lies on a card, and what of it goes to the{' '}
            <Link href="/files" className="text-brine underline underline-offset-3">
              shelf
            </Link>
            . Nothing on it is changed or deleted; a file of the shelf is written to it only where you say so.
          </p>
        </header>
        <CardWays
          card={card}
          mode="readwrite"
          many
          label="Choose files of a card"
          onOpen={(opened) => void look(opened)}
        />
        {seen && (
          <>
            <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
              <p className="text-lead">
                <b>{card.card?.folder.name}</b>: {seen.count === 1 ? '1 file' : `${seen.count} files`}
              </p>
              <NamedSelect
                label="Saved by"
                value={tag}
                options={[['', 'not said'], ...bodies.map((one) => [one.tag, one.name] as const)]}
                onPick={setTag}
              />
            </div>
            <CardContents seen={seen} onTake={(entry) => void take(entry)} />
          </>
        )}
        {refusal && <RefusalNote refusal={refusal} />}
        {taken.length > 0 && (
          <ul role="status" className="grid gap-0.5">
            {taken.map((one) => (
              <li key={one}>
                <span className="text-samphire">✓</span> {one}
              </li>
            ))}
          </ul>
        )}
      </div>
      <PrepareCard bodies={bodies} files={files} />
    </main>
  )
}
