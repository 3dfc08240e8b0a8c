import { composeProcedure } from '../../procedures/compose'
import type { ProcedureId } from '../../procedures/catalogue'
import { orderFor } from '../../procedures/order'
import type { Procedure } from '../../procedures/types'
import { wordsUnder } from '../blocks'
import type { Given } from '../given'
import type { Block, Line } from '../types'

/** A procedure for the body of the sheet, from the camera as delivered. */
function composed({ model, plan, lenses, body }: Given, id: ProcedureId): Procedure {
  return composeProcedure(id, { order: orderFor(model, plan, lenses, body?.tag ?? null, 'delivered') })
}

/** A procedure on paper: a box to tick, the menu address, what to do, and room for what was seen. */
export function procedurePart(given: Given, id: ProcedureId): Block[] {
  const { name, purpose, acts, undone, leaves } = composed(given, id)
  const lines = acts.map(({ part, where, stands, words, expect, warning }): Line => ({
    cells: [
      { text: '☐' },
      { text: part },
      { text: [stands, where].filter((one) => one !== '').join('. ') },
      {
        text: [words, ...(expect === undefined ? [] : [`To see: ${expect}`])].join('. '),
        isStrong: true,
        ...(warning === undefined ? {} : { mark: 'problem' as const }),
      },
      { text: warning ?? '' },
    ],
  }))
  const rest = [...undone.map(({ words, because }) => `Not done: ${words}. ${because}`), ...leaves]
  return [
    ...wordsUnder(id, name, [purpose, ...(lines.length === 0 ? ['Nothing is to be done.'] : [])]),
    ...(lines.length === 0
      ? []
      : [
          {
            ...{ part: id, kind: 'table' as const, name },
            columns: ['', 'Part', 'Where', 'What to do', 'Mind'],
            lines,
          },
        ]),
    ...(rest.length === 0 ? [] : [{ part: id, kind: 'words' as const, lines: rest, isQuiet: true }]),
  ]
}

/** The field moves that were played on the simulated body, each in a line. */
export function movesPart(given: Given): Block[] {
  const { acts } = composed(given, 'field-moves')
  const moves = new Map<string, string[]>()
  for (const { part, words } of acts) moves.set(part, [...(moves.get(part) ?? []), words])
  return wordsUnder(
    'moves',
    'Field moves',
    [...moves].map(([move, words]) => `${move}: ${words.join('; ')}.`),
  )
}
