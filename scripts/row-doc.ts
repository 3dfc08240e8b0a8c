import { rowKinds } from '@/core/plan/rows'

/** docs/formats/rows.md: every kind of row, how its ids look, and where it is shown. */
export function rowsDocument(): string {
  const rows = rowKinds.map(({ form: [ids, words] }) => `| \`${ids}\` | ${words} |`)
  return [
    '# Rows of a plan',
    'Written by `npm run formats` from `src/core/plan/rows`, where each of these kinds has a module of its own. A plan is a flat set of rows: an id and one value (a text, a number, true or false, a list of texts). A row that is absent is left as delivered; in a bank, it is equal to base.',
    `## The kinds: ${rowKinds.length}`,
    ['| id | what it says |', '| --- | --- |', ...rows].join('\n'),
    'A note may stand beside any row but another note, an acceptance or something forbidden.',
    '',
  ].join('\n\n')
}
