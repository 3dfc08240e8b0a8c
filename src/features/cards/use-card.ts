'use client'

import { useState } from 'react'
import type { CardEntry, CardSeen } from '@/core/cards/card'
import type { Refusal } from '@/core/result'
import { post } from '@/ui/ask'
import {
  chooseFolder,
  chosenFiles,
  droppedFiles,
  givenFiles,
  type CardFolder,
  type GivenFile,
} from './card-folder'

/** A card that was opened, with everything that lies on it. */
export interface OpenCard {
  readonly folder: CardFolder
  readonly entries: readonly CardEntry[]
}

/** What opening cards knows and does: the card that is open, how far listing it is, what went wrong. */
export function useCard() {
  const [card, setCard] = useState<OpenCard | null>(null)
  const [count, setCount] = useState<number | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const open = async (folder: CardFolder): Promise<OpenCard | null> => {
    setRefusal(null)
    setCard(null)
    setCount(0)
    const listed = await folder.list(setCount)
    setCount(null)
    if (!listed.ok) {
      setRefusal(listed.refusal)
      return null
    }
    const opened = { folder, entries: listed.value }
    setCard(opened)
    return opened
  }
  const given = async (files: readonly GivenFile[]) => (files.length === 0 ? null : open(givenFiles(files)))
  return {
    ...{ card, count, refusal, setRefusal },
    close: () => {
      setCard(null)
      setRefusal(null)
    },
    /** Asks for the folder of a card. */
    async choose(mode: 'read' | 'readwrite'): Promise<OpenCard | null> {
      const chosen = await chooseFolder(mode)
      if (!chosen.ok) {
        setRefusal(chosen.refusal)
        return null
      }
      return chosen.value ? open(chosen.value) : null
    },
    take: (files: readonly File[]) => given(chosenFiles(files)),
    drop: async (dropped: DataTransfer) => given(await droppedFiles(dropped)),
    /** Lists the card anew, after something was written to it. */
    again: async () => (card ? open(card.folder) : null),
  }
}

/** What the server sees of a card. */
export function lookAtCard(card: OpenCard) {
  return askOfCard<{ card: CardSeen }>('/api/cards', card, {})
}

/** Asks the server something of a card: what lies on it, whether it can be written to, and what else is asked. */
export async function askOfCard<T>(address: string, { folder, entries }: OpenCard, asked: object) {
  const rest = JSON.stringify({ ...asked, isWritable: folder.isWritable, free: null })
  // A card may have very many files: they are written down in turns, so that the page goes on meanwhile.
  const parts: string[] = [`${rest.slice(0, -1)},"entries":[`]
  for (let at = 0; at < entries.length; at += inTurn) {
    const some = JSON.stringify(entries.slice(at, at + inTurn)).slice(1, -1)
    parts.push(at === 0 ? some : `,${some}`)
    await new Promise((resolve) => setTimeout(resolve))
  }
  // Sent by the browser from where it lies: one long text would be copied here.
  return post<T>(address, new Blob([...parts, ']}']), { 'content-type': 'application/json' })
}

/** So many files of a card are written down in one turn. */
const inTurn = 500
