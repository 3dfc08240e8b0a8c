'use client'

import Link from 'next/link'
import { useState } from 'react'
import type { Judged, NamedRegion } from '@/core/files/verdict'
import { writeCompared, type Compared, type Verdict } from '@/core/procedures/hand-files'
import type { Refusal } from '@/core/result'
import { ByteStrip, bytesOf, withComparer } from '@/features/compare'
import { Button } from '@/ui/button'
import { DifferenceTable, type DifferenceRow } from '@/ui/difference-table'
import { RefusalNote } from '@/ui/refusal-note'
import { TextLink } from '@/ui/text-link'
import { useFetched } from '@/ui/use-fetched'
import type { WalkAct } from './start'

interface HandFile {
  readonly id: string
  readonly name: string
  readonly digest: string
}

/** What is to be held against each other, as the server says it. */
interface ToCompare {
  readonly sent: HandFile
  readonly found: HandFile
  readonly before: HandFile | null
  readonly named: readonly NamedRegion[]
  readonly rows: {
    readonly compared: number
    readonly differences: readonly DifferenceRow[]
    readonly verdict: Verdict
  } | null
}

const verdictWords: Readonly<Record<Verdict, string>> = {
  equal: 'Equal: the body holds what was sent.',
  before: 'The load did not take: the body saved again what it held before.',
  differs: 'Not equal: the body holds something else than what was sent.',
}

/** An act at which two files are held against each other: what was sent, and what the body saved after the load. */
export function CompareTask({
  walkId,
  act,
  compared,
  onCompared,
  onDiffers,
  onTakeAgain,
}: {
  walkId: string
  act: WalkAct
  compared: Compared | null
  onCompared: (text: string) => void
  onDiffers: (words: string) => void
  /** Goes to the act at which the file is taken in that the body saved after the load. */
  onTakeAgain: () => void
}) {
  const asked = useFetched<ToCompare>(`/api/walks/${walkId}/compare?act=${encodeURIComponent(act.id)}`)
  const [judged, setJudged] = useState<Judged | null>(null)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const [isBusy, setBusy] = useState(false)
  const files = asked.value
  const compare = async () => {
    if (!files) return
    setBusy(true)
    try {
      const found = files.rows ? { verdict: files.rows.verdict, judged: null } : await byBytes(files)
      setJudged(found.judged)
      setRefusal(null)
      const { sent, found: after } = files
      onCompared(writeCompared({ verdict: found.verdict, sent: sent.digest, found: after.digest }))
    } catch (error) {
      const message = `They could not be compared: ${error instanceof Error ? error.message : 'try again'}.`
      setRefusal({ code: 'fault', message })
    }
    setBusy(false)
  }
  return (
    <section aria-label="Comparison" className="grid gap-3 border bg-sheet p-4">
      {asked.refusal !== null && <p className="text-lichen">{asked.refusal}</p>}
      {files && (
        <>
          <p>
            <b className="font-mono">{files.sent.name}</b> was sent;{' '}
            <b className="font-mono">{files.found.name}</b> was saved after the load.
          </p>
          <Button
            main={compared === null}
            className="min-h-11"
            disabled={isBusy}
            onClick={() => void compare()}
          >
            {isBusy ? 'Comparing …' : compared === null ? 'Compare them' : 'Compare them once more'}
          </Button>
        </>
      )}
      {compared && (
        <p
          role="status"
          className={`font-semibold ${compared.verdict === 'equal' ? 'text-samphire' : 'text-rust'}`}
        >
          {compared.verdict === 'equal' ? '✓ ' : '✗ '}
          {verdictWords[compared.verdict]}
        </p>
      )}
      {judged && <ByteStrip judged={judged} />}
      {files?.rows && files.rows.differences.length > 0 && (
        <DifferenceTable
          caption="Rows in which they differ"
          left="Sent"
          right="On the body"
          rows={files.rows.differences}
        />
      )}
      {files && !files.rows && (
        <Link
          href={`/files/compare?left=${files.sent.id}&right=${files.found.id}`}
          className="text-brine underline underline-offset-3"
        >
          Place by place, and name what is a body’s own
        </Link>
      )}
      {compared && compared.verdict !== 'equal' && (
        <WayOn files={files} verdict={compared.verdict} onDiffers={onDiffers} onTakeAgain={onTakeAgain} />
      )}
      {refusal && <RefusalNote refusal={refusal} />}
    </section>
  )
}

/** What to do where a body does not hold what was sent: load once more, or back to what it held. */
function WayOn({
  files,
  verdict,
  onDiffers,
  onTakeAgain,
}: {
  files: ToCompare | null
  verdict: Verdict
  onDiffers: (words: string) => void
  onTakeAgain: () => void
}) {
  return (
    <div className="grid gap-2 border-l-3 border-lichen pl-3">
      <p>
        {verdict === 'before'
          ? 'Load once more: look whether the right file was chosen in its menu, and switch it off and on. Then save again, and take that file in.'
          : 'Look at the places: a serial number or a counter can be named and left out. Else load once more.'}
      </p>
      {files?.before && (
        <p>
          The way back: <TextLink href={`/api/files/${files.before.id}`}>{files.before.name}</TextLink> is
          what it held before; copied to its card and loaded, it is as it was.
        </p>
      )}
      <p className="flex flex-wrap gap-2">
        <Button onClick={onTakeAgain}>Take another save in</Button>
        <Button onClick={() => onDiffers(verdictWords[verdict])}>Write it down so, and go on</Button>
      </p>
    </div>
  )
}

async function byBytes(files: ToCompare): Promise<{ verdict: Verdict; judged: Judged }> {
  const [sent, found, before] = await Promise.all([
    bytesOf(files.sent.id),
    bytesOf(files.found.id),
    files.before ? bytesOf(files.before.id) : null,
  ])
  return withComparer((worker) => worker.load(sent, found, before, files.named))
}
