import { When } from '@/ui/when'

/** A file as the shelf shows it. */
export interface ShelfFile {
  readonly id: string
  readonly kind: string
  readonly name: string
  readonly size: number
  readonly digest: string
  readonly bodyName: string | null
  readonly revision: number | null
  readonly note: string
  readonly addedAt: string
}

/** Files with where each came from; the name leads to its bytes. */
export function FileTable({ files }: { files: readonly ShelfFile[] }) {
  return (
    <div className="mt-2 overflow-x-auto border bg-sheet px-4">
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b text-left text-small text-silt">
            <th className="py-1.5 pr-3 font-normal">File</th>
            <th className="pr-3 font-normal">From</th>
            <th className="pr-3 text-right font-normal">Bytes</th>
            <th className="pr-3 font-normal">Digest</th>
            <th className="font-normal">Kept</th>
          </tr>
        </thead>
        <tbody>
          {files.map((file) => (
            <tr key={file.id} className="border-b last:border-0">
              <td className="py-1.5 pr-3">
                <a
                  href={`/api/files/${file.id}`}
                  className="font-mono font-semibold text-brine underline underline-offset-3"
                >
                  {file.name}
                </a>
              </td>
              <td className="pr-3">{file.note}</td>
              <td className="pr-3 text-right font-mono">{file.size}</td>
              <td className="pr-3 font-mono text-silt">{file.digest.slice(0, 8)}</td>
              <td className="whitespace-nowrap text-silt">
                <When at={file.addedAt} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
