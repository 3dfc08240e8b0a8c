'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { DifferentRegion } from '@/core/files/regions'
import type { Judged, NamedRegion } from '@/core/files/verdict'
import type { Refusal } from '@/core/result'
import { ask } from '@/ui/ask'
import { Offer } from '@/ui/button'
import { Fold } from '@/ui/fold'
import { RefusalNote } from '@/ui/refusal-note'
import { NamedSelect } from '@/ui/select'
import { When } from '@/ui/when'
import { ByteStrip } from './byte-strip'
import { RegionList } from './region-list'
import { useComparison } from './use-comparison'

/** A file to be compared, as its page knows it. */
export interface ComparedFile {
  readonly id: string
  readonly name: string
  readonly size: number
  readonly modelId: string | null
  readonly bodyName: string | null
  readonly addedAt: string
}

/** A named stretch that is kept. */
export type KeptRegion = NamedRegion & { readonly id: string }

/** A file against another of the shelf, byte by byte. */
export function ComparePage({
  left,
  right,
  near,
  regions,
}: {
  left: ComparedFile
  right: ComparedFile | null
  /** Those it is nearest to, the nearest first. */
  near: readonly {
    readonly id: string
    readonly name: string
    readonly bodyName: string | null
    readonly differing: number
  }[]
  regions: readonly KeptRegion[]
}) {
  const router = useRouter()
  const others = near.map(
    (one) =>
      [
        one.id,
        `${named(one)}: ${one.differing === 0 ? 'the same' : `${one.differing} bytes differ`}`,
      ] as const,
  )
  const isListed = right === null || near.some(({ id }) => id === right.id)
  return (
    <main className="mx-auto grid max-w-[1240px] gap-4 px-5 py-6">
      <header>
        <h1 className="font-head text-title font-semibold">
          {left.name} {right && <span className="text-silt">against</span>} {right?.name}
        </h1>
        <p className="mt-1 text-silt">
          Byte by byte: nothing here knows what stands in them. They are never changed.
        </p>
      </header>
      <dl className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
        <FileFacts word="This" file={left} />
        {right && <FileFacts word="Against" file={right} />}
      </dl>
      {near.length === 0 && right === null ? (
        <p>There is no other file of a camera on the shelf to hold it against.</p>
      ) : (
        <NamedSelect
          label="Hold it against"
          value={right?.id ?? ''}
          options={[
            ...(right === null ? [['', 'choose: the nearest first'] as const] : []),
            ...(isListed ? [] : [[right.id, right.name] as const]),
            ...others,
          ]}
          onPick={(id) => router.push(`/files/compare?left=${left.id}&right=${id}`)}
        />
      )}
      {right && <Comparison key={`${left.id} ${right.id}`} left={left} right={right} regions={regions} />}
    </main>
  )
}

function FileFacts({ word, file }: { word: string; file: ComparedFile }) {
  return (
    <div>
      <dt className="text-small text-silt">{word}</dt>
      <dd>
        <b className="font-mono">{file.name}</b>
        {file.bodyName !== null && ` of ${file.bodyName}`} · {file.size} bytes · kept{' '}
        <When at={file.addedAt} />
      </dd>
    </div>
  )
}

function Comparison({
  left,
  right,
  regions,
}: {
  left: ComparedFile
  right: ComparedFile
  regions: readonly KeptRegion[]
}) {
  const router = useRouter()
  const { done, judged, trouble } = useComparison(left.id, right.id, regions)
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const model = left.modelId ?? right.modelId
  const post = async (order: object) => {
    const answer = await ask('/api/regions', order)
    setRefusal(answer.ok ? null : answer.refusal)
    if (answer.ok) router.refresh()
  }
  const name = (region: DifferentRegion, kind: 'noise' | 'own', words: string) =>
    void post({ model, kind, size: left.size, ...region.left, words })
  if (trouble !== null) return <p className="text-rust">{trouble}</p>
  if (!judged)
    return (
      <p role="status" className="text-silt">
        Comparing … {Math.round(done * 100)} %
      </p>
    )
  return (
    <section aria-label="What differs" className="grid gap-3">
      <p role="status" className="text-lead">
        {sumWords(judged)}
      </p>
      <ByteStrip judged={judged} />
      {judged.wanted.regions.length > 0 && (
        <RegionList
          regions={judged.wanted.regions}
          count={judged.wanted.count}
          onName={model === null ? null : name}
        />
      )}
      {model !== null && judged.wanted.count > 0 && (
        <p className="text-silt">
          Leave out only what you know: a serial number, a name, a counter. What is left out is not looked at
          again.
        </p>
      )}
      {model === null && (
        <p className="text-silt">Which body saved them is not said: places can be named once that is.</p>
      )}
      {judged.leftOut.length > 0 && (
        <LeftOut regions={regions} size={left.size} onDrop={(drop) => void post({ drop })} />
      )}
      {refusal && <RefusalNote refusal={refusal} />}
    </section>
  )
}

/** What is left out of the comparison, with the way to count it again. */
function LeftOut({
  regions,
  size,
  onDrop,
}: {
  regions: readonly KeptRegion[]
  size: number
  onDrop: (id: string) => void
}) {
  const mine = regions.filter((one) => one.size === size)
  return (
    <Fold title={`Left out: ${mine.length === 1 ? '1 place' : `${mine.length} places`}`}>
      <ul className="grid gap-0.5">
        {mine.slice(0, 100).map((one) => (
          <li key={one.id} className="flex flex-wrap gap-x-4">
            <span className="font-mono">
              {one.from} to {one.to}
            </span>
            <span>{one.kind === 'own' ? 'a body’s own' : 'clock or counter'}</span>
            <span className="text-silt">{one.words}</span>
            <Offer onClick={() => onDrop(one.id)}>Count it again</Offer>
          </li>
        ))}
      </ul>
    </Fold>
  )
}

function sumWords({ wanted, all, leftOut }: Judged): string {
  const places = (count: number) => (count === 1 ? '1 place' : `${count} places`)
  if (all.count === 0) return 'They are the same, byte for byte.'
  if (wanted.count === 0)
    return `They are equal but for ${places(leftOut.length)} left out: clock, counters, and what is a body’s own.`
  const share = wanted.differing / Math.max(1, Math.min(wanted.leftSize, wanted.rightSize))
  const scrambled =
    share > 0.5
      ? ' Nearly every byte differs: such a file is packed or scrambled, and says no more than that.'
      : ''
  return `They differ in ${places(wanted.count)}, ${wanted.differing} ${wanted.differing === 1 ? 'byte' : 'bytes'} in all.${scrambled}`
}

function named({ name, bodyName }: { readonly name: string; readonly bodyName: string | null }): string {
  return bodyName === null ? name : `${name} of ${bodyName}`
}
