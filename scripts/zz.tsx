import { readFileSync, writeFileSync } from 'node:fs'
import { lenses, modelCalled } from '../tests/fixtures/models'
import { sheetForm } from '../src/core/sheets/kinds'
import { composeSheet } from '../src/core/sheets/sheet'
import { composePages } from '../src/core/sheets/page/compose'
import { writePdf } from '../src/writers/pdf'
import { readFonts } from '../src/disk/fonts'
import { parsePlan } from '../src/core/plan/plan'
import { must } from '../src/core/result'
const [kind, paper, out, file, id='tarrow-heron'] = process.argv.slice(2)
const model = modelCalled(id)
const rows = JSON.parse(readFileSync(file!, 'utf8')).rows
const plan = must(parsePlan(model, rows))
let t = performance.now()
const sheet = composeSheet(sheetForm(kind!)!, { model, plan, lenses, body: null, stand: 'Draft, step 12, 28 November 2026', isDraft: true })
console.log('sheet', performance.now()-t); t = performance.now()
const pages = composePages(sheet, paper as 'a4')
console.log('pages', pages.length, performance.now()-t); t = performance.now()
const fonts = await readFonts()
const bytes = await writePdf(sheet, pages, fonts)
console.log('pdf', bytes.length, performance.now()-t)
writeFileSync(out!, bytes)
