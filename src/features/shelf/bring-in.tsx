'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { planFileBytes } from '@/core/plan/limits'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'

type Answer =
  { kind: 'refused'; refusal: Refusal } | { kind: 'imported'; known: boolean; planId: string | null }

/** Brings a plan file or card file in; a refused file changes nothing and says what is wrong where. */
export function BringIn() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [done, setDone] = useState<{ words: string; planId: string | null } | null>(null)
  const bring = async (file: File) => {
    setRefusal(null)
    setDone(null)
    const answer = await sendFile(file)
    if (answer.kind === 'refused') return setRefusal(answer.refusal)
    const place = answer.known
      ? 'was on the shelf already'
      : answer.planId
        ? 'is open as a plan'
        : 'is on the shelf'
    setDone({ words: `${file.name} ${place}.`, planId: answer.planId })
    router.refresh()
  }
  return (
    <div className="grid max-w-md gap-2">
      <input
        ref={input}
        type="file"
        aria-label="File to bring in"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) void bring(file)
          event.target.value = ''
        }}
      />
      <Button className="justify-self-end" onClick={() => input.current?.click()}>
        Bring a file in
      </Button>
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

async function sendFile(file: File): Promise<Answer> {
  if (file.size > planFileBytes) {
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
    const response = await fetch(`/api/files?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      body: file,
    })
    return (await response.json()) as Answer
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
