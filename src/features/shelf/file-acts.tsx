'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { ok, type Refusal } from '@/core/result'
import { ask } from '@/ui/ask'
import { Offer } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { TextLink } from '@/ui/text-link'
import { TypedField } from '@/ui/typed-field'
import { FileAbout } from './file-about'
import type { ShelfFile } from './shelf-file'

/** What is put beside a file, and what is done with it: tags, carrying it to a body, the bin and the way back from there. */
export function FileActs({
  file,
  bodies,
}: {
  file: ShelfFile
  bodies: readonly { readonly tag: string; readonly name: string }[]
}) {
  const router = useRouter()
  const [refusal, setRefusal] = useState<Refusal | null>(null)
  const act = async (order: object) => {
    const done = await ask(`/api/files/${file.id}`, order)
    setRefusal(done.ok ? null : done.refusal)
    if (done.ok) router.refresh()
  }
  return (
    <div className="grid min-w-44 gap-1">
      <TypedField
        key={file.tags.join()}
        label={`Tags of ${file.name}`}
        shown={file.tags.join(', ')}
        placeholder="tags, with commas"
        read={(typed) => ok(typed)}
        onKeep={(typed) => void act({ tags: (typed ?? '').split(',') })}
        className="min-h-8 w-full"
      />
      <p className="flex flex-wrap gap-x-3">
        {file.kind === 'card' && file.deletedAt === null && (
          <TextLink href={`/carry?source=${encodeURIComponent(`file:${file.id}`)}`}>Carry to a body</TextLink>
        )}
        {file.kind !== 'plan' && <TextLink href={`/files/compare?left=${file.id}`}>Compare</TextLink>}
        <Link
          href={`/history?file=${file.id}`}
          className="text-brine underline decoration-rule underline-offset-3"
        >
          History
        </Link>
        <Offer onClick={() => void act({ bin: file.deletedAt === null })}>
          {file.deletedAt === null ? 'Put into the bin' : 'Put back on the shelf'}
        </Offer>
      </p>
      {file.kind === 'opaque' && (
        <FileAbout
          key={`${file.bodyTag ?? ''} ${file.firmware ?? ''} ${file.savedAt ?? ''} ${file.note}`}
          file={file}
          bodies={bodies}
          onSay={(about) => void act({ about })}
        />
      )}
      {refusal && <RefusalNote refusal={refusal} />}
    </div>
  )
}
