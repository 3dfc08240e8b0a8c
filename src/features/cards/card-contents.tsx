'use client'

import { useState } from 'react'
import type { CardEntry, CardSeen } from '@/core/cards/card'
import { inBytes } from '@/core/cards/taking'
import { Offer } from '@/ui/button'
import { Fold, LongFold } from '@/ui/fold'
import { When } from '@/ui/when'

/** So many folders of other things are shown at once. */
const foldersShown = 40

/** What lies on a card: folders of known models first, then all others as they are. */
export function CardContents({
  seen,
  onTake,
}: {
  seen: CardSeen
  /** Takes a file in; null where files are only shown. */
  onTake: ((entry: CardEntry, modelId: string | null) => void) | null
}) {
  const [more, setMore] = useState(false)
  const others = more ? seen.other : seen.other.slice(0, foldersShown)
  return (
    <div className="grid gap-3">
      {seen.known.length === 0 && (
        <p className="text-silt">No folder on it belongs to a camera that is known here.</p>
      )}
      {seen.known.map((folder) => (
        <section key={folder.folder} aria-label={folder.folder}>
          <h3 className="font-semibold">
            <span className="font-mono">{folder.folder}</span>{' '}
            <span className="font-normal text-silt">of {folder.of}</span>
          </h3>
          <FileList entries={folder.files} onTake={onTake && ((entry) => onTake(entry, folder.modelId))} />
        </section>
      ))}
      {seen.other.length > 0 && (
        <LongFold
          title={`Other folders: ${seen.other.length}, shown as they are (${seen.count} files, ${inBytes(seen.bytes)} in all)`}
        >
          {() => (
            <div className="grid gap-2">
              {others.map((folder) => (
                <div key={folder.folder}>
                  <p>
                    <span className="font-mono">{folder.folder === '' ? 'at its root' : folder.folder}</span>{' '}
                    <span className="text-silt">
                      {folder.count === 1 ? '1 file' : `${folder.count} files`}, {inBytes(folder.bytes)}
                    </span>
                  </p>
                  <FileList entries={folder.some} onTake={onTake && ((entry) => onTake(entry, null))} />
                </div>
              ))}
              {others.length < seen.other.length && (
                <Offer onClick={() => setMore(true)}>
                  Show {seen.other.length - others.length} more folders
                </Offer>
              )}
            </div>
          )}
        </LongFold>
      )}
      {seen.leftOut.length > 0 && (
        <Fold title={`Left out: ${seen.leftOut.length}`}>
          <ul>
            {seen.leftOut.slice(0, 50).map(({ path, because }) => (
              <li key={path}>
                <span className="font-mono">{path}</span> <span className="text-silt">{because}</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </div>
  )
}

function FileList({
  entries,
  onTake,
}: {
  entries: readonly CardEntry[]
  onTake: ((entry: CardEntry) => void) | null
}) {
  return (
    <ul className="divide-y border-y">
      {entries.map((entry) => (
        <li key={entry.path} className="flex flex-wrap items-baseline gap-x-4 py-1">
          <span className="min-w-0 flex-1 basis-40 font-mono break-all">{entry.path.split('/').at(-1)}</span>
          <span className="text-silt tabular-nums">{inBytes(entry.bytes)}</span>
          {entry.savedAt !== null && (
            <span className="text-silt">
              <When at={new Date(entry.savedAt).toISOString()} />
            </span>
          )}
          {onTake && <Offer onClick={() => onTake(entry)}>Take it</Offer>}
        </li>
      ))}
    </ul>
  )
}
