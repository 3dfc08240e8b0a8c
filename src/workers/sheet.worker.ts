import { expose } from 'comlink'
import type { SheetOrder } from '@/core/sheets/given'
import { sheetForm } from '@/core/sheets/catalogue'
import { composeSheet } from '@/core/sheets/sheet'
import { composePages } from '@/core/sheets/page/compose'
import type { FontId } from '@/core/sheets/page/fonts'
import type { Page, PaperId } from '@/core/sheets/page/page'
import type { Sheet } from '@/core/sheets/types'
import type { FontBytes } from '@/writers/pdf'
import type { WrittenOf } from '@/writers/write'
import type { SheetFile } from '@/writers/forms'
import { fontAddresses } from './font-addresses'

let loaded: Promise<FontBytes> | null = null

/** The fonts, fetched once; what failed is tried again next time. */
function fonts(): Promise<FontBytes> {
  loaded ??= Promise.all(
    Object.entries(fontAddresses).map(async ([id, address]) => {
      const answer = await fetch(address)
      if (!answer.ok) throw new Error('a font could not be loaded')
      return [id as FontId, new Uint8Array(await answer.arrayBuffer())] as const
    }),
  ).then(
    (all) => Object.fromEntries(all) as unknown as FontBytes,
    (error: unknown) => {
      loaded = null
      throw error
    },
  )
  return loaded
}

/** A sheet for each body asked for, and the pages of all of them. */
export interface Composed {
  readonly sheets: readonly [Sheet, ...Sheet[]]
  readonly pages: readonly Page[]
}

const api = {
  /** A sheet composed for each order, with all their pages as they are printed. */
  compose(
    form: string,
    [first, ...more]: readonly [SheetOrder, ...SheetOrder[]],
    without: readonly string[],
    paper: PaperId,
  ): Composed | null {
    const found = sheetForm(form)
    if (!found) return null
    const made = (order: SheetOrder) => composeSheet(found, order, without)
    const sheets = [made(first), ...more.map(made)] as const
    return { sheets, pages: sheets.flatMap((sheet) => composePages(sheet, paper)) }
  },
  /** Sheets as a file. */
  async write(form: SheetFile, sheets: readonly [Sheet, ...Sheet[]], of: WrittenOf): Promise<Uint8Array> {
    // What writes them is large: it comes when a file is asked for.
    const { writeSheet } = await import('@/writers/write')
    return writeSheet(form, sheets, of, fonts)
  },
}

/** What the page calls. */
export type SheetWorker = typeof api

expose(api)
