'use client'

import { Printer } from 'lucide-react'
import { Button } from '@/ui/button'
import type { SheetFile } from '@/writers/forms'
import type { SheetsStationKnown } from './use-sheets'

const others: readonly (readonly [SheetFile, string])[] = [
  ['xlsx', 'Workbook'],
  ['csv', 'CSV'],
  ['md', 'Markdown'],
  ['json', 'JSON'],
]

/** The sheet as a PDF, from where it is printed, and in the other forms; what takes long can be stopped. */
export function FileButtons({ station }: { station: SheetsStationKnown }) {
  const { writing, pages, planId } = station
  const isReady = pages !== null && writing === null
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <Button main disabled={!isReady} onClick={() => void station.write('pdf')}>
        <Printer size={16} className="mr-1.5 inline" aria-hidden="true" />
        Open as PDF, to print
      </Button>
      {others.map(([form, name]) => (
        <Button key={form} disabled={!isReady} onClick={() => void station.write(form)}>
          {name}
        </Button>
      ))}
      <a href={`/api/plans/${planId}/file`} className="font-semibold text-brine underline underline-offset-3">
        Save the plan file
      </a>
      <span role="status" className="text-silt">
        {writing !== null && `${pages?.length ?? 0} pages are being written as ${writing.toUpperCase()} … `}
        {writing !== null && <Button onClick={station.stop}>Stop</Button>}
        {writing === null && pages && `${pages.length} ${pages.length === 1 ? 'page' : 'pages'}`}
      </span>
    </div>
  )
}
