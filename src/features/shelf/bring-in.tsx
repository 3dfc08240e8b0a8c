'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { inBytes, largestTaken } from '@/core/cards/taking'
import { planFileBytes } from '@/core/plan/limits'
import type { Refusal } from '@/core/result'
import { chosenFiles, droppedFiles, sendAsItIs, type GivenFile } from '@/features/cards'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'

type Answer =
  | { kind: 'refused'; refusal: Refusal }
  | { kind: 'imported'; known: boolean; planId: string | null }
  | { kind: 'all' }

/** So many files are brought in at once; a card has more. */
const mostAtOnce = 200

/** Refusals of files that are no plan and no configuration file of a known format: they can be kept as they are. */
const ofNoKnownFormat = new Set(['unknown-format', 'other-format', 'too-large-for-plan'])

/**
 * Brings files in, or a folder with all that is in it. A plan file or a file of a known camera is read whole first; what is of no
 * known format can be kept as it is; what is damaged is refused and says what is wrong where. Nothing is kept half.
 */
export function BringIn() {
  const input = useRef<HTMLInputElement>(null)
  const { refusal, done, unknown, bringAll, keepUnknown, leaveUnknown } = useBringIn()
  return (
    <div
      className="grid max-w-md gap-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault()
        void droppedFiles(event.dataTransfer).then(bringAll)
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
          const files = chosenFiles([...(event.target.files ?? [])])
          event.target.value = ''
          void bringAll(files)
        }}
      />
      <Button className="justify-self-end" onClick={() => input.current?.click()}>
        Bring files in
      </Button>
      <p className="justify-self-end text-small text-silt">or drop them here, a folder too</p>
      {refusal && <RefusalNote refusal={refusal} />}
      {unknown.length > 0 && (
        <Unknown files={unknown} onKeep={() => void keepUnknown()} onLeave={leaveUnknown} />
      )}
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

/** What bringing files in knows and does: what was refused, what is of no known format, what is there now. */
function useBringIn() {
  const router = useRouter()
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [done, setDone] = useState<{ words: string; planId: string | null } | null>(null)
  const [unknown, setUnknown] = useState<readonly GivenFile[]>([])
  const bringAll = async (files: readonly GivenFile[]) => {
    setRefusal(null)
    setDone(null)
    setUnknown([])
    if (files.length > mostAtOnce) {
      const message = `These are ${files.length} files. Open the card under Cards: there its configuration files are found, and taken in one by one.`
      return setRefusal({ code: 'too-many', message, where: files[0]?.path.split('/')[0] ?? '' })
    }
    const strange: GivenFile[] = []
    let brought = 0
    for (const file of files) {
      const answer = await sendFile(file.file)
      if (answer.kind === 'refused') {
        if (ofNoKnownFormat.has(answer.refusal.code)) {
          strange.push(file)
          continue
        }
        setRefusal({ ...answer.refusal, where: answer.refusal.where ?? file.path })
        break
      }
      brought++
      setDone(
        files.length === 1
          ? doneWords(file.path, answer)
          : { words: `${brought} files are on the shelf.`, planId: null },
      )
    }
    setUnknown(strange)
    if (brought > 0) router.refresh()
  }
  const keepUnknown = async () => {
    let kept = 0
    for (const { path, file } of unknown) {
      const sent = await sendAsItIs(
        path,
        { bytes: new Uint8Array(await file.arrayBuffer()), savedAt: file.lastModified },
        '',
      )
      if (!sent.ok) {
        setRefusal(sent.refusal)
        break
      }
      kept++
    }
    setUnknown((all) => all.slice(kept))
    if (kept > 0) {
      setDone({
        words: kept === 1 ? 'It is kept as it is.' : `${kept} files are kept as they are.`,
        planId: null,
      })
      router.refresh()
    }
  }
  return {
    ...{ refusal, done, unknown, bringAll, keepUnknown },
    leaveUnknown: () => setUnknown([]),
  }
}

/** Files of no format that is known here: kept as they are, if somebody says so. */
function Unknown({
  files,
  onKeep,
  onLeave,
}: {
  files: readonly GivenFile[]
  onKeep: () => void
  onLeave: () => void
}) {
  const names = files.slice(0, 3).map(({ path }) => path)
  return (
    <div role="alert" className="grid gap-2 border-l-3 border-lichen bg-sheet px-3 py-2">
      <p>
        {names.join(', ')}
        {files.length > 3 && ` and ${files.length - 3} more`}: {files.length === 1 ? 'a format' : 'formats'}{' '}
        not read here. Kept byte for byte, {files.length === 1 ? 'it' : 'they'} can be carried, compared and
        told apart all the same.
      </p>
      <p className="flex flex-wrap gap-2">
        <Button onClick={onKeep}>{files.length === 1 ? 'Keep it as it is' : 'Keep them as they are'}</Button>
        <Button onClick={onLeave}>Leave {files.length === 1 ? 'it' : 'them'}</Button>
      </p>
    </div>
  )
}

function doneWords(path: string, answer: Exclude<Answer, { kind: 'refused' }>) {
  if (answer.kind === 'all') return { words: `Everything in ${path} is here.`, planId: null }
  const place = answer.known
    ? 'was on the shelf already'
    : answer.planId
      ? 'is open as a plan'
      : 'is on the shelf'
  return { words: `${path} ${place}.`, planId: answer.planId }
}

/** An export of everything is known by its ending; it goes its own way, however large. */
async function sendFile(file: File): Promise<Answer> {
  const isAll = /\.zip$/i.test(file.name)
  if (!isAll && file.size > largestTaken) {
    const message = `It has ${inBytes(file.size)}: no configuration file is that large. At most ${inBytes(largestTaken)} are taken.`
    return { kind: 'refused', refusal: { code: 'too-large', message, where: file.name } }
  }
  if (!isAll && file.size > planFileBytes) {
    const message = `The file has ${file.size} bytes: no plan and no file of a known camera is that large.`
    return { kind: 'refused', refusal: { code: 'too-large-for-plan', message, where: file.name } }
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
