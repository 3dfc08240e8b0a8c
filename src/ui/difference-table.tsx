/** A row in which two sides differ. */
export interface DifferenceRow {
  readonly row: string
  readonly place: string
  readonly leftWords: string
  readonly rightWords: string
  readonly note?: string | null
  /** The note is to be seen first. */
  readonly isNotable?: boolean
}

/** Rows in which two sides differ, one below the other. */
export function DifferenceTable({
  caption,
  left,
  right,
  rows,
  noted = 'Why',
}: {
  caption: string
  left: string
  right: string
  rows: readonly DifferenceRow[]
  /** What stands over the notes. */
  noted?: string
}) {
  const hasNotes = rows.some(({ note }) => note != null)
  return (
    <div className="mt-2 max-h-96 overflow-auto border bg-sheet px-3">
      <table className="w-full border-collapse">
        <caption className="py-1.5 text-left font-semibold">
          {caption} ({rows.length})
        </caption>
        <thead>
          <tr className="border-b text-left text-small text-silt">
            <th className="py-1 pr-3 font-normal">Row</th>
            <th className="pr-3 font-normal">{left}</th>
            <th className="pr-3 font-normal">{right}</th>
            {hasNotes && <th className="font-normal">{noted}</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map((one) => (
            <tr key={one.row} className="border-b align-baseline last:border-0">
              <td className="py-1 pr-3">{one.place}</td>
              <td className="pr-3 font-mono">{one.leftWords}</td>
              <td className="pr-3 font-mono font-semibold">{one.rightWords}</td>
              {hasNotes && (
                <td className={one.isNotable === true ? 'font-semibold text-lichen' : 'text-silt'}>
                  {one.note}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
