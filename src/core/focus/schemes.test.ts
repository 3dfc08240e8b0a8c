import { rowNamed } from '@tests/fixtures/rows'
import { addressKeyOf, entriesOf, idsOf, isKeyRow, schoolRow } from '../plan/rows'
import { describe, expect, it } from 'vitest'
import { chipped, heron } from '@tests/fixtures/heron'
import { lenses, modelCalled, namedModels } from '@tests/fixtures/models'
import { checkPlan } from '../checks/checks'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { applyStep } from '../plan/step'
import { contextIn } from '../resolve/context'
import { must } from '../result'
import { disputeCalled, disputes } from '../vocabulary/schools'
import { isRunning } from './outcome'
import { heldBy, linesAcross, pressTests, variantsAcross } from './sheet'
import { focusAcross } from './across'
import { schemeDispute, schemes, schemeStep, schemeWork } from './schemes'
import { focusTables } from './trigger-table'
import { rowFor } from './table'

const mere = modelCalled('hollin-mere')
const duet = modelCalled('varn-duet')

describe('schemes', () => {
  it('stand for every school of what starts autofocus, each with who works so and what it costs', () => {
    expect(schemes.map((one) => one.school.id)).toEqual(
      disputeCalled(schemeDispute)?.schools.map((one) => one.id),
    )
    for (const one of schemes) expect(one.who.length * one.costs.length).toBeGreaterThan(100)
  })
})

describe.each(namedModels)('the schemes on the %s', (_name, model) => {
  it.each(schemes.map((one) => [one.school.name, one] as const))(
    '%s: taken once there is nothing left to do, and no check says it is half done',
    (_school, scheme) => {
      const plan = must(
        applyStep(model, emptyPlan(model), schemeStep(model, emptyPlan(model), model.sides, scheme, 's')),
      )
      for (const side of model.sides) expect(schemeWork(model, plan, side, scheme).changes).toEqual([])
      const said = checkPlan(model, plan, lenses).findings.map((one) => one.check)
      expect(said).not.toContain('scheme-half-done')
      expect(said).not.toContain('nothing-focuses')
    },
  )
})

describe('half-press at a point, thumb on eyes, on the Heron', () => {
  const both = schemes.find((one) => one.school.id === 'both')
  if (!both) throw new Error('there is such a scheme')
  const plan = must(
    applyStep(heron, emptyPlan(heron), schemeStep(heron, emptyPlan(heron), ['stills'], both, 's')),
  )
  const outcome = (of: Plan, ...held: string[]) => {
    const [table] = focusTables(heron, of, contextIn(heron, 'stills', null, chipped))
    return table && rowFor(table, held)?.outcomes[0]
  }
  const thumb = addressKeyOf(
    entriesOf(plan.rows).find(([, value]) => value === 'start-focus-eyes')?.[0] ?? '',
  )

  it('focuses a point by the release, and eyes by a key the thumb finds blindly', () => {
    expect(outcome(plan, 'stills/release/half-press')).toMatchObject({
      does: 'follows',
      area: 'point',
      detection: false,
    })
    expect(outcome(plan, thumb ?? '')).toMatchObject({ does: 'follows', detection: true })
    const control = heron.controls.find((one) => one.id === thumb?.split('/')[1])
    expect(control?.reach.finder).toMatchObject({ digit: 'thumb', findable: true })
  })

  it('says each change as it was and as it becomes', () => {
    const { changes } = schemeWork(heron, emptyPlan(heron), 'stills', both)
    const words = changes.map(({ what, from, becomes }) => `${what}: ${from} → ${becomes}`)
    expect(words).toContainEqual(expect.stringMatching(/Eye and subject detection.*: on → off/) as string)
  })

  it('is found half done, and mended in one step', () => {
    const half = { ...plan, rows: { ...plan.rows, 'base/focus.detection@stills': true } }
    const found = checkPlan(heron, half, lenses).findings.filter((one) => one.check === 'scheme-half-done')
    expect(found).toMatchObject([{ severity: 'problem', side: 'stills', row: 'base/focus.detection@stills' }])
    const [mend] = found[0]?.mends ?? []
    if (!mend) throw new Error('it can be mended')
    expect(must(applyStep(heron, half, mend.step)).rows).toEqual(plan.rows)
  })

  it('leaves a key that has the function where it is', () => {
    const own = must(parsePlan(heron, { 'key/stills/ridge-key/press': 'start-focus-eyes' }))
    const { changes } = schemeWork(heron, own, 'stills', both)
    expect(changes.some(({ row }) => isKeyRow(row))).toBe(false)
  })
})

describe('the ring while a key is held, on the Duet', () => {
  it('is a hold set that makes focus manual, and the table shows it', () => {
    const ring = schemes.find((one) => one.school.id === 'ring')
    if (!ring) throw new Error('there is such a scheme')
    const step = schemeStep(duet, emptyPlan(duet), ['stills'], ring, 's')
    const plan = must(applyStep(duet, emptyPlan(duet), step))
    const key = idsOf(plan.rows).find((row) => plan.rows[row] === 'use-first')
    expect(plan.rows[rowNamed('hold/first/focus.mode')]).toBe('manual')
    const lens = lenses.find((one) => one.fits === duet.maker && one.contacts)
    const [table] = focusTables(duet, plan, contextIn(duet, 'stills', null, lens))
    expect(table && rowFor(table, [addressKeyOf(key ?? '') ?? ''])?.outcomes).toMatchObject([
      { mode: 'manual' },
    ])
  })
})

describe('the sheet across banks', () => {
  const plan = must(
    parsePlan(mere, {
      'bank/hand/pair/side': 'stills',
      'bank/hand/pair/focus.area': 'zone',
      'bank/light/noon/side': 'stills',
      'key/stills/left-upper/press': 'start-focus-point',
      'key/stills/left-middle/press': 'start-focus-frame',
    }),
  )
  const banks = focusAcross(mere, plan, lenses, 'stills')

  it('has every bank once; single keys stand before pairs, what focuses first, then what differs', () => {
    expect(banks.map(({ state: situated }) => situated.bank)).toEqual(['no bank', 'Noon', 'Pair'])
    const lines = linesAcross(banks)
    const differing = lines.filter((line) => line.differs)
    expect(differing.length).toBeGreaterThan(0)
    const places = lines.map(({ held, cells, differs }) =>
      [held.length > 1, !cells.some((cell) => cell?.outcomes.some(isRunning)), !differs].map(Number).join(''),
    )
    expect(places).toEqual([...places].sort())
    for (const { cells, differs } of lines)
      expect(new Set(cells.map((cell) => JSON.stringify(cell?.outcomes))).size > 1).toBe(differs)
  })

  it('says of a line that fewer of its keys come to the same, and of no other', () => {
    const lines = linesAcross(banks)
    const outcomes = (held: readonly string[]) =>
      lines.find((one) => one.held.join() === held.join())?.cells.map((cell) => cell?.outcomes ?? null)
    const folded = lines.filter(({ sameAs }) => sameAs !== null)
    expect(folded.some(({ held }) => held.length === 2)).toBe(true)
    for (const { held, sameAs } of folded) {
      expect(sameAs).toHaveLength(held.length - 1)
      expect(outcomes(held)).toEqual(outcomes(sameAs ?? []))
    }
    for (const { held } of lines.filter(({ sameAs }) => sameAs === null))
      for (const key of held) expect(outcomes(held)).not.toEqual(outcomes(held.filter((one) => one !== key)))
  })

  it('puts what only the body can tell on the press-test list, with every answer', () => {
    const asked = pressTests(banks)
    expect(asked.length).toBeGreaterThan(0)
    for (const { row } of asked) expect(row.outcomes.length).toBeGreaterThan(1)
  })

  it('knows whose finger is on it, and the states that toggles reach', () => {
    const thumbs = linesAcross(banks).filter(({ held }) => heldBy(mere, held, 'thumb', 'finder'))
    expect(thumbs.every(({ held }) => held.length > 0)).toBe(true)
    expect(variantsAcross(banks)[0]).toBe('as set')
  })
})

describe('the questions about focus', () => {
  const focus = disputes.filter(({ settings }) => settings.some((id) => id.startsWith('focus.')))

  it('cover what can be set on any body where owners differ, each with a reason for every side', () => {
    expect(focus.length).toBeGreaterThanOrEqual(25)
    for (const { schools } of focus) for (const school of schools) expect(school.reason).toMatch(/\.$/)
  })

  it.each(focus.filter((one) => one.id !== schemeDispute).map((one) => [one.id, one] as const))(
    '%s: the side the owner is on decides what a check says',
    (id, { schools }) => {
      const heard = namedModels.map(([, model]) =>
        schools.map((school) => {
          const plan = must(parsePlan(model, { [schoolRow(id)]: school.id }))
          const said = checkPlan(model, plan, []).findings.filter((one) => one.check === 'against-school')
          return said.map((one) => `${one.row} ${one.title}`).join()
        }),
      )
      expect(heard.some((said) => new Set(said).size > 1)).toBe(true)
    },
  )
})
