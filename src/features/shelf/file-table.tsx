import Link from 'next/link'
import { When } from '@/ui/when'
import { FileActs } from './file-acts'
import type { ShelfFile } from './shelf-file'

/** Files with where each came from, what it holds and where it was loaded; the name leads to its bytes. */
export function FileTable({
  files,
  isWhole = false,
  bodies = [],
}: {
  files: readonly ShelfFile[]
  isWhole?: boolean
  /** The bodies that may have saved a file. */
  bodies?: readonly { readonly tag: string; readonly name: string }[]
}) {
  return (
    <div className="mt-2 overflow-x-auto border bg-sheet px-4">
      <table className="w-full border-collapse max-sm:block">
        <thead className="max-sm:hidden">
          <tr className="border-b text-left text-small text-silt">
            <th className="py-1.5 pr-3 font-normal">File</th>
            <th className="pr-3 font-normal">From</th>
            {isWhole && <th className="pr-3 font-normal">Holds</th>}
            <th className="pr-3 text-right font-normal">Bytes</th>
            <th className="pr-3 font-normal">Digest</th>
            <th className="pr-3 font-normal">Kept</th>
            {isWhole && <th className="font-normal">Tags and acts</th>}
          </tr>
        </thead>
        <tbody className="max-sm:block">
          {files.map((file) => (
            <tr key={file.id} className="border-b align-baseline last:border-0 max-sm:block max-sm:py-2">
              <td className="py-1.5 pr-3 max-sm:block max-sm:py-0.5">
                <a
                  href={`/api/files/${file.id}`}
                  className="font-mono font-semibold text-brine underline underline-offset-3"
                >
                  {file.name}
                </a>
              </td>
              <td className="pr-3 max-sm:block">{file.note}</td>
              {isWhole && (
                <td className="pr-3 max-sm:block">
                  <Holds file={file} />
                </td>
              )}
              <td className="pr-3 text-right font-mono">
                {file.size}
                <span className="sm:hidden"> bytes</span>
              </td>
              <td className="pr-3 font-mono text-silt">{file.digest.slice(0, 8)}</td>
              <td className="pr-3 whitespace-nowrap text-silt">
                <When at={file.addedAt} />
              </td>
              {isWhole && (
                <td className="py-1 max-sm:block">
                  <FileActs file={file} bodies={bodies} />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** The revision or plan a file holds, the firmware that wrote it, the bodies it was loaded on. */
function Holds({ file }: { file: ShelfFile }) {
  const { kind, plan, revision, firmware, loadedOn, cardPath, savedAt } = file
  return (
    <>
      {kind === 'opaque' && (
        <span className="block text-silt">a format that is not read here: kept as it is, never changed</span>
      )}
      {plan && (
        <Link href={`/plans/${plan.id}`} className="text-brine underline underline-offset-3">
          {revision === null ? plan.title : `Revision ${revision} of ${plan.title}`}
        </Link>
      )}
      {firmware !== null && <span className="block text-silt">firmware {firmware}</span>}
      {cardPath !== null && <span className="block font-mono text-small text-silt">{cardPath}</span>}
      {savedAt !== null && (
        <span className="block text-silt">
          saved <When at={savedAt} />
        </span>
      )}
      {loadedOn.length > 0 && <span className="block text-silt">loaded on {loadedOn.join(', ')}</span>}
    </>
  )
}
