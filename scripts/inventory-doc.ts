import { factTable, type Fact } from '@/core/inventory/facts'
import { recordKinds } from '@/core/inventory/kinds'

/** docs/formats/inventory.md: every row of an inventory, from the table of facts. */
export function inventoryDocument(): string {
  const facts = recordKinds.flatMap((kind) =>
    factTable[kind].map(
      (fact) => `| \`${kind}/<id>/${fact.id}\` | ${fact.label} | ${takes(fact)} | ${fact.plain} |`,
    ),
  )
  return [
    '# Inventory files',
    'Written by `npm run formats`. What an owner has, as one JSON object: `format` is `salt-shelf/inventory`, `formatVersion` 1, `rows` an object of the rows below. A record is the rows that share a kind and an id; ids are small letters, digits and `-`. A row that is absent is not said, and what is not said stays unknown.',
    ['| row | what it is | takes | what it is for |', '| --- | --- | --- | --- |', ...facts].join('\n'),
    [
      '| row | what it says |',
      '| --- | --- |',
      '| `none/<kind>` | `true`: there is no microphone, recorder, remote, flash or battery |',
      '| `hand/<model>` | the id of the body that plans of the model are made with |',
    ].join('\n'),
    '',
  ].join('\n\n')
}

function takes({ takes: what }: Fact): string {
  switch (what.kind) {
    case 'truth':
      return '`true`, `false`'
    case 'text':
      return `a text of at most ${what.longest} characters`
    case 'number':
      return `a number from ${what.from} to ${what.to} ${what.unit}`.trim()
    case 'one':
      return Object.keys(what.of)
        .map((one) => `\`${one}\``)
        .join(', ')
    case 'written':
      return `a text such as \`"${what.example}"\``
    case 'named':
      return {
        model: 'the id of a model',
        lens: 'the id of a lens',
        maker: 'a maker',
        slot: '`<body>/<slot>`',
      }[what.what]
  }
}
