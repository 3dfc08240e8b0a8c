import { writeFileSync } from 'node:fs'
import { publishedSchemas } from '@/core/model/schema/schema'
import { commonFunctions, commonSettings } from '@/core/vocabulary/catalogue'
import { ladders } from '@/core/vocabulary/ladders'
import { checksDocument } from './check-doc'
import { inventoryDocument } from './inventory-doc'
import { rowsDocument } from './row-doc'

/** Writes what docs/ gives away of the code: the JSON Schemas of model and lens files, the vocabulary, the checks. */
for (const [name, schema] of Object.entries(publishedSchemas))
  writeFileSync(`docs/formats/${name}`, `${JSON.stringify(schema, null, 2)}\n`)
writeFileSync('docs/vocabulary.md', vocabulary())
writeFileSync('docs/checks.md', checksDocument())
writeFileSync('docs/formats/rows.md', rowsDocument())
writeFileSync('docs/formats/inventory.md', inventoryDocument())

function vocabulary(): string {
  const settings = [...commonSettings.values()].map(
    (one) => `| \`${one.id}\` | ${one.term} | ${one.unit === '-' ? '' : one.unit} | ${one.plain} |`,
  )
  const functions = [...commonFunctions.values()].map(
    (one) => `| \`${one.id}\` | ${one.term} | ${one.manner} | ${one.parameters.join(', ')} | ${one.plain} |`,
  )
  const marks = Object.entries(ladders).map(
    ([name, steps]) => `| \`${name}\` | ${steps.map((step) => `\`${step.mark}\``).join(' ')} |`,
  )
  return [
    '# The common vocabulary',
    'Written by `npm run formats`. What settings and functions of a model can mean, whatever its menu calls them.',
    `## Settings: ${settings.length}`,
    ['| id | term | unit | what it is |', '| --- | --- | --- | --- |', ...settings].join('\n'),
    `## Functions: ${functions.length}`,
    [
      '| id | term | manner | said with it | what it does |',
      '| --- | --- | --- | --- | --- |',
      ...functions,
    ].join('\n'),
    '## Ladders',
    'The marks, in the order their dials turn.',
    ['| ladder | marks |', '| --- | --- |', ...marks].join('\n'),
    '',
  ].join('\n\n')
}
