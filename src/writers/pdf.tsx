import { Canvas, Document, Page as PdfPage, pdf } from '@react-pdf/renderer'
import { create, type Font } from 'fontkit'
import { runsOf, type FontId } from '@/core/sheets/page/fonts'
import { tones, type Item, type Page } from '@/core/sheets/page/page'
import type { Sheet } from '@/core/sheets/types'

/** The fonts as they lie in their files: made ready by `openFonts`, once for all pages. */
export type FontBytes = Readonly<Record<FontId, Uint8Array>>

/** What a page is painted with, as far as it is used here: the package says nothing of its types. */
interface Painter {
  lineWidth: (points: number) => Painter
  strokeColor: (colour: string) => Painter
  fillColor: (colour: string) => Painter
  moveTo: (x: number, y: number) => Painter
  lineTo: (x: number, y: number) => Painter
  path: (d: string) => Painter
  ellipse: (x: number, y: number, rx: number, ry: number) => Painter
  roundedRect: (x: number, y: number, width: number, height: number, radius: number) => Painter
  stroke: () => Painter
  fill: () => Painter
  fillAndStroke: () => Painter
  fontSize: (points: number) => Painter
  /** By name, or one that is open. */
  font: (font: Font) => Painter
  text: (text: string, x: number, y: number, how: object) => Painter
}

/** Pages as a PDF, its fonts embedded, with title and language. One canvas a page: its cost grows with the pages only. */
export async function writePdf(sheet: Sheet, pages: readonly Page[], bytes: FontBytes): Promise<Uint8Array> {
  const fonts = openFonts(bytes)
  const title = [sheet.title, sheet.plan].filter((one) => one !== '').join(', ')
  const blob = await pdf(
    <Document
      title={title}
      subject={[sheet.model, sheet.body, sheet.stand].filter((one) => one !== '').join(', ')}
      language="en"
      creator="Salt Shelf"
      producer="Salt Shelf"
    >
      {pages.map((page, i) => (
        <PdfPage key={i} size={[page.width, page.height]}>
          <Canvas
            style={{ position: 'absolute', left: 0, top: 0, width: page.width, height: page.height - 1 }}
            paint={(painter: unknown) => {
              for (const item of page.items) paintItem(painter as Painter, item, fonts)
              return null
            }}
          />
        </PdfPage>
      ))}
    </Document>,
  ).toBlob()
  return new Uint8Array(await blob.arrayBuffer())
}

type OpenFonts = Readonly<Record<FontId, Font>>

/** The fonts opened, each under a name of its own: two files of one family are kept apart by it. */
function openFonts(bytes: FontBytes): OpenFonts {
  const opened = Object.entries(bytes).map(([id, each]) => {
    const font = create(each as Buffer)
    return [id, Object.create(font, { postscriptName: { value: `Sheet-${id}` } })] as const
  })
  return Object.fromEntries(opened) as OpenFonts
}

function paintItem(painter: Painter, item: Item, fonts: OpenFonts): void {
  switch (item.kind) {
    case 'text':
      return paintText(painter, item, fonts)
    case 'line':
      painter
        .lineWidth(item.width)
        .strokeColor(tones[item.tone])
        .moveTo(...item.from)
        .lineTo(...item.to)
        .stroke()
      return
    case 'path':
      painter.path(item.d)
      break
    case 'ellipse':
      painter.ellipse(...item.at, ...item.half)
      break
    case 'rect':
      painter.roundedRect(...item.at, ...item.size, item.radius)
  }
  painter.lineWidth(item.width)
  const stroke = tones[item.tone]
  if (item.fill === null) painter.strokeColor(stroke).stroke()
  else if (item.width === 0) painter.fillColor(tones[item.fill]).fill()
  else painter.fillColor(tones[item.fill]).strokeColor(stroke).fillAndStroke()
}

function paintText(painter: Painter, item: Extract<Item, { kind: 'text' }>, fonts: OpenFonts): void {
  painter.fillColor(tones[item.tone]).fontSize(item.size)
  let { x } = item
  for (const { font, text, width } of runsOf(item.text, item.face)) {
    painter.font(fonts[font])
    // Kerning is left out, so that the text is as wide as it was reckoned.
    painter.text(text, x, item.y, { lineBreak: false, baseline: 'alphabetic', features: [] })
    x += (width * item.size) / 1000
  }
}
