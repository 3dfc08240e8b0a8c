import { stripOf, type Region } from '@/core/files/regions'
import type { Judged } from '@/core/files/verdict'

const parts = 160

/** A file from its first byte to its last, as a strip: where it differs, and what of that is left out. */
export function ByteStrip({ judged: { wanted, all, leftOut } }: { judged: Judged }) {
  const size = all.leftSize
  const left = (regions: readonly { readonly left: Region }[]) => regions.map((one) => one.left)
  const differ = stripOf(size, left(wanted.regions), parts)
  const known = stripOf(size, leftOut, parts)
  const touched = stripOf(size, left(all.regions), parts)
  return (
    <figure className="grid gap-1">
      <svg
        role="img"
        aria-label={`Strip of ${size} bytes: ${wanted.count} places differ; the list below names them`}
        viewBox={`0 0 ${parts} 16`}
        preserveAspectRatio="none"
        className="h-12 w-full border bg-crust"
      >
        {touched.map((share, i) => {
          const isWanted = (differ[i] ?? 0) > 0
          const isOut = !isWanted && (known[i] ?? 0) > 0
          if (!isWanted && !isOut) return null
          // The least difference is still to be seen.
          const height = Math.max(4, 16 * Math.sqrt(Math.max(share, known[i] ?? 0)))
          return (
            <rect
              key={i}
              x={i}
              y={16 - height}
              width={1}
              height={height}
              className={isWanted ? 'fill-pan' : 'fill-silt opacity-50'}
            />
          )
        })}
      </svg>
      <figcaption className="flex flex-wrap justify-between gap-x-4 text-small text-silt">
        <span className="font-mono">0</span>
        <span>
          <span aria-hidden className="mr-1 inline-block size-2.5 bg-pan" />
          differs
          <span aria-hidden className="mr-1 ml-4 inline-block size-2.5 bg-silt opacity-50" />
          left out: clock, counter, a body’s own
        </span>
        <span className="font-mono">{size}</span>
      </figcaption>
    </figure>
  )
}
