'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { planFileBytes } from '@/core/plan/limits'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'

type Answer =
  | { kind: 'refused'; refusal: Refusal }
  | { kind: 'imported'; known: boolean; planId: string | null }
  | { kind: 'all' }

/** Brings a plan file or card file in; a refused file changes nothing and says what is wrong where. */
export function BringIn() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [done, setDone] = useState<{ words: string; planId: string | null } | null>(null)
  /** One file after the other; the first that is refused is told, and the rest are not begun. */
  const bringAll = async (files: readonly File[]) => {
    setRefusal(null)
    setDone(null)
    for (const file of files) if (!(await bring(file))) return
  }
  const bring = async (file: File): Promise<boolean> => {
    const answer = await sendFile(file)
    if (answer.kind === 'refused') {
      setRefusal({ ...answer.refusal, where: answer.refusal.where ?? file.name })
      return false
    }
    if (answer.kind === 'all') {
      setDone({ words: `Everything in ${file.name} is here.`, planId: null })
      router.refresh()
      return true
    }
    const place = answer.known
      ? 'was on the shelf already'
      : answer.planId
        ? 'is open as a plan'
        : 'is on the shelf'
    setDone({ words: `${file.name} ${place}.`, planId: answer.planId })
    router.refresh()
    return true
  }
  return (
    <div
      className="grid max-w-md gap-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault()
        void bringAll([...event.dataTransfer.files])
      }}
    >
      <input
        ref={input}
        type="file"
        multiple
        aria-label="File to bring in"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])]
          event.target.value = ''
          void bringAll(files)
        }}
      />
      <Button className="justify-self-end" onClick={() => input.current?.click()}>
        Bring files in
      </Button>
      <p className="justify-self-end text-small text-silt">or drop them here</p>
      {refusal && <RefusalNote refusal={refusal} />}
      {done && (
        <p role="status">
          {done.words}{' '}
          {done.planId && (
            <Link
              href={`/plans/${done.planId}/controls`}
              className="font-semibold text-brine underline underline-offset-3"
            >
              Go to its plan
            </Link>
          )}
        </p>
      )}
    </div>
  )
}

/** An export of everything is known by its ending; it goes its own way, however large. */
async function sendFile(file: File): Promise<Answer> {
  const isAll = /\.zip$/i.test(file.name)
  if (!isAll && file.size > planFileBytes) {
    return {
      kind: 'refused',
      refusal: {
        code: 'too-large',
        message: `The file has ${file.size} bytes; at most ${planFileBytes / 1_000_000} million are taken.`,
        where: file.name,
      },
    }
  }
  try {
    const address = isAll ? '/api/import' : `/api/files?name=${encodeURIComponent(file.name)}`
    const response = await fetch(address, { method: 'POST', body: file })
    const answer = (await response.json()) as Answer
    return isAll && answer.kind === 'imported' ? { kind: 'all' } : answer
  } catch {
    return {
      kind: 'refused',
      refusal: {
        code: 'unreachable',
        message: 'The server did not answer. Bring the file in again: the same file is never kept twice.',
        where: file.name,
      },
    }
  }
}
