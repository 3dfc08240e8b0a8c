import { checks } from '@/core/checks/checks'
import { disputes } from '@/core/vocabulary/schools'
import { needs, onlyIf } from './needs'

/** docs/checks.md: the table of checks, the needs they answer, and the schools. */
export function checksDocument(): string {
  const rows = checks.map(({ id, title, severity, needs: answers, school, reasonSilences }) => {
    const only = school ? `${school.dispute}: ${school.only.join(', ')}` : ''
    return `| \`${id}\` | ${title} | ${severity} | ${only} | ${reasonSilences ? 'yes' : ''} | ${answers.join(', ')} |`
  })
  const needRows = needs.map(({ id, words, elsewhere }) => {
    const by = checks.filter((check) => check.needs.includes(id)).map((check) => `\`${check.id}\``)
    return `| ${id} | ${words} | ${by.join(', ')} | ${elsewhere === '-' ? '' : elsewhere} |`
  })
  const cases = onlyIf.map(({ words, elsewhere }) => `| ${words} | ${elsewhere} |`)
  const schools = disputes.flatMap(({ id, question, schools: sides }) =>
    sides.map(
      (side, i) =>
        `| ${i === 0 ? `\`${id}\`` : ''} | ${i === 0 ? question : ''} | \`${side.id}\` | ${side.reason} |`,
    ),
  )
  return [
    '# Checks',
    'Written by `npm run formats` from the table in `src/core/checks`. A check looks at a plan in every state its owner will stand in (side × bank × lens) and says what is wrong, why, where, and, where it can, with a step that mends it.',
    'It says what **cannot work**, what is a **problem** on the job, and what could be **tidier**. Where a fact nobody knows decides, it asks ("test on body") instead of asserting. `accept/<check>/<row>` with a reason silences one finding of one check; for the checks marked so, the reason beside the row (`why/<row>`) does too. A check of a school is not asked of owners who belong to another.',
    `## The table: ${checks.length} checks`,
    [
      '| check | what it finds | at worst | school | reason silences | needs |',
      '| --- | --- | --- | --- | --- | --- |',
      ...rows,
    ].join('\n'),
    '## Every need, and what answers it',
    ['| need | in words | checks | where else |', '| --- | --- | --- | --- |', ...needRows].join('\n'),
    '## What works only if',
    'These hang on the rules of each model; the check named carries the rule’s words.',
    ['| case | told by |', '| --- | --- |', ...cases].join('\n'),
    '## Schools',
    [
      '`school/<question>` in a plan says which side its owner is on; `school/<question>@stills`, `@bank/<family>/<slot>` and `@situation/<id>` say so for a part of',
      'it. In a bank with an answer of its own that bank is judged by it; a situation is content where base or any bank of its side does all its answer asks. The',
      'questions about focus are answered at the Focus station, all of them by `plan step`.',
    ].join('\n'),
    ['| question | in words | school | why |', '| --- | --- | --- | --- |', ...schools].join('\n'),
    '',
  ].join('\n\n')
}
