import { rowNamed } from '@tests/fixtures/rows'
import { type Rows, acceptRow, isKeyRow, parseRow } from '../plan/rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planOf } from '@tests/fixtures/arbitrary'
import { checkCases, doubted } from '@tests/fixtures/check-cases'
import { chipped, heron, unchipped } from '@tests/fixtures/heron'
import { started } from '@tests/fixtures/started'
import type { BodyModel } from '../model/types'
import { emptyPlan, parsePlan, type Plan } from '../plan/plan'
import { applyStep } from '../plan/step'
import { must } from '../result'
import { disputeCalled } from '../vocabulary/schools'
import { allFindings, checks, runChecks } from './checks'
import type { Finding } from './finding'

const lenses = [chipped, unchipped]
const planWith = (rows: Rows): Plan => must(parsePlan(heron, rows))
const found = (rows: Rows, check: string) =>
  runChecks(heron, planWith(rows), lenses).filter(
    (finding) => finding.check === check && isPlanned(rows, finding),
  )
/** Not of a key as delivered: those are told of, too. */
const isPlanned = (rows: Rows, { row }: Finding) => !isKeyRow(row) || Object.hasOwn(rows, row)

describe('checks', () => {
  it('tell of keys as delivered that do nothing, as tidy-ups, in a plan where nothing is decided', () => {
    const keys = runChecks(heron, emptyPlan(heron), lenses).filter((finding) => isKeyRow(finding.row))
    expect(new Set(keys.map(({ severity }) => severity))).toEqual(new Set(['tidies']))
    expect(keys.map(({ title }) => title)).toContain('Thumb wheel, turn: ISO dial does nothing')
  })

  it('tell of a key as delivered that does nothing as a problem where what it does is needed', () => {
    const plan = started(heron, ['stage'])
    const [wheel] = runChecks(heron, plan, lenses).filter(({ title }) => /ISO dial does nothing/.test(title))
    expect(wheel).toMatchObject({ severity: 'problem', rule: 'iso-by-itself' })
  })

  it('point to rows that exist, with a reason and at least one context', () => {
    fc.assert(
      fc.property(planOf(heron), (plan) => {
        for (const finding of runChecks(heron, plan, lenses)) {
          expect(parseRow(heron, finding.row).ok).toBe(true)
          expect(finding.reason).not.toMatch(/undefined|^$/)
          expect(finding.contexts.length).toBeGreaterThan(0)
          expect(finding.contexts.length).toBeLessThanOrEqual(finding.of)
        }
      }),
      { numRuns: 40 },
    )
  })

  it('offer mends that apply, remove the finding, and block nothing new', () => {
    for (const [, { model = heron, fails }] of Object.entries(checkCases))
      mendsHold(model, must(parsePlan(model, fails)))
    fc.assert(
      fc.property(planOf(heron), (plan) => mendsHold(heron, plan)),
      { numRuns: 12 },
    )
  })

  it('have an id of their own, a need of docs/checks.md, and a case each', () => {
    const ids = checks.map((check) => check.id)
    expect(new Set(ids).size).toBe(ids.length)
    expect(Object.keys(checkCases).sort()).toEqual([...ids].sort())
    for (const check of checks) {
      expect(check.needs.length).toBeGreaterThan(0)
      const { dispute, only } = check.school ?? { dispute: 'focus-start', only: ['thumb'] }
      const known = disputeCalled(dispute)?.schools.map((school) => school.id) ?? []
      expect(only.every((id) => known.includes(id))).toBe(true)
    }
  })
})

describe.each(Object.entries(checkCases))('the check %s', (id, one) => {
  const { model = heron, fails, passes, doubt } = one
  const seen = (of: BodyModel, rows: Rows) =>
    allFindings(of, must(parsePlan(of, rows)), lenses).filter(
      (finding) => finding.check === id && isPlanned({ ...rows, ...one.doubtedRows }, finding),
    )
  const told = (of: BodyModel, rows: Rows) => seen(of, rows).filter((finding) => finding.silencedBy === null)

  it('finds the fault, and nothing where there is none', () => {
    expect(told(model, fails).length).toBeGreaterThan(0)
    expect(told(model, passes)).toEqual([])
  })

  it('is silenced by a reason, which stays with it', () => {
    const reasons = told(model, fails).map((finding) => [acceptRow(id, finding.row), 'It is meant so.'])
    const silenced = { ...fails, ...(Object.fromEntries(reasons) as Rows) }
    expect(told(model, silenced)).toEqual([])
    expect(seen(model, silenced).map((finding) => finding.silencedBy)).toContain('It is meant so.')
  })

  it(`${{ asks: 'asks', quiet: 'does not assert', same: 'says the same' }[one.doubted]} where a fact is not known`, () => {
    const unsure = doubted(model, doubt)
    const findings = told(unsure, one.doubtedRows ?? fails)
    if (one.doubted === 'quiet') expect(findings).toEqual([])
    else if (one.doubted === 'asks') expect(findings.map((finding) => finding.asks)).toContain(true)
    else
      expect(findings.map((finding) => [finding.title, finding.row])).toEqual(
        told(model, fails).map((finding) => [finding.title, finding.row]),
      )
  })
})

/** Every mend of a plan applies, takes its finding away, and brings no blocking one. */
function mendsHold(model: BodyModel, plan: Plan): void {
  const before = runChecks(model, plan, lenses)
  const blocking = before.filter((finding) => finding.severity === 'blocks').length
  for (const finding of before) {
    for (const mend of finding.mends) {
      const after = runChecks(model, must(applyStep(model, plan, mend.step)), lenses)
      const same = after.filter(
        (one) =>
          one.check === finding.check &&
          one.row === finding.row &&
          one.side === finding.side &&
          one.rule === finding.rule,
      )
      expect(same.map((one) => `${one.check} ${one.row} after ${mend.label}`)).toEqual([])
      const blocks = after.filter((one) => one.severity === 'blocks').map((one) => one.title)
      expect(blocks.length, `${finding.check}, ${mend.label}: ${blocks.join('; ')}`).toBeLessThanOrEqual(
        blocking,
      )
    }
  }
}

describe('a key that does nothing', () => {
  const rows: Rows = { [rowNamed('key/motion/cheek-key/press')]: 'keep-white' }

  it('in every bank and lens is a problem', () => {
    expect(
      found({ ...rows, [rowNamed('base/colour.balanceMode@motion')]: 'lamp' }, 'inert-key'),
    ).toMatchObject([{ severity: 'problem', rule: 'white-is-fixed', row: 'key/motion/cheek-key/press' }])
  })

  it('in one bank only is to tidy, and says which', () => {
    const partly = { ...rows, 'bank/dial/ebb/side': 'motion', 'bank/dial/ebb/colour.balanceMode': 'lamp' }
    expect(found(partly, 'inert-key')).toMatchObject([
      { severity: 'tidies', contexts: ['Ebb, a lens with contacts'], of: 2 },
    ])
  })

  it('nowhere is no finding', () => {
    expect(found(rows, 'inert-key')).toEqual([])
  })
})

describe('a function that lost its key', () => {
  const rows: Rows = { [rowNamed('key/stills/thumb-key/press')]: 'record' }

  it('is found with the menu line that is left', () => {
    const magnifier = found({ [rowNamed('key/stills/cheek-key/press')]: 'record' }, 'displaced')
    expect(magnifier).toMatchObject([
      {
        title: 'Magnifier has no key any more',
        reason: expect.stringContaining('Focus 2 / line 4') as string,
      },
    ])
  })

  it('is no finding when another key has it, or a reason was given', () => {
    expect(found(rows, 'displaced')).toHaveLength(1)
    expect(
      found({ ...rows, [rowNamed('key/stills/crown-key/press')]: 'keep-exposure' }, 'displaced').map(
        (one) => one.title,
      ),
    ).toEqual(['Playback has no key any more'])
    expect(
      found({ ...rows, [rowNamed('why/key/stills/thumb-key/press')]: 'Never used.' }, 'displaced'),
    ).toEqual([])
  })
})

describe('one function on two keys', () => {
  const rows: Rows = { [rowNamed('key/stills/crest-key/press')]: 'record' }

  it('is asked about, unless a reason was given', () => {
    expect(found(rows, 'doubled')).toMatchObject([{ title: 'Movie record is on 2 keys', side: 'stills' }])
    expect(
      found({ ...rows, [rowNamed('why/key/stills/crest-key/press')]: 'One for the tripod.' }, 'doubled'),
    ).toEqual([])
  })
})

describe('values', () => {
  it('the body refuses block, in the bank where they are refused', () => {
    const rows: Rows = {
      [rowNamed('base/movie.size')]: 'open',
      [rowNamed('bank/dial/ebb/side')]: 'motion',
      [rowNamed('bank/dial/ebb/movie.frameRate')]: '60p',
    }
    const blocked = found(rows, 'unavailable-value').filter((finding) => finding.side === 'motion')
    expect(blocked).toMatchObject([
      { severity: 'blocks', rule: 'open-frame-rate', contexts: ['Ebb, a lens with contacts'] },
    ])
  })

  it('that cost are told, until a reason says they are meant', () => {
    const rows: Rows = { [rowNamed('base/shutter.kind')]: 'silent' }
    expect(found(rows, 'hazard')).toMatchObject([{ severity: 'problem', rule: 'silent-bands' }])
    expect(
      found({ ...rows, [rowNamed('why/base/shutter.kind')]: 'The house must stay silent.' }, 'hazard'),
    ).toEqual([])
  })

  it('that a rule replaces show asked and got', () => {
    const rows: Rows = { [rowNamed('base/focus.mode@stills')]: 'follow', [rowNamed('lens/attic-90')]: true }
    expect(found(rows, 'forced-value')).toMatchObject([
      {
        title: 'AF mode: the camera replaces Continuous AF by Manual focus',
        rule: 'lens-without-contacts',
      },
    ])
  })
})

describe('a motion shutter', () => {
  const rows: Rows = {
    [rowNamed('base/exposure.mode@motion')]: 'manual',
    [rowNamed('base/exposure.shutter@motion')]: '1/50',
    [rowNamed('bank/dial/ebb/side')]: 'motion',
    [rowNamed('bank/dial/ebb/movie.frameRate')]: '100p',
  }

  it('that the frame rate does not ask for problems, and the mend sets it in that bank', () => {
    const [finding, ...more] = found(rows, 'motion-shutter')
    expect(more).toEqual([])
    expect(finding).toMatchObject({
      title: '1/50 cannot be set at 100p',
      row: 'bank/dial/ebb/exposure.shutter',
    })
    expect(finding?.mends[0]?.step.changes).toEqual([
      { row: 'bank/dial/ebb/exposure.shutter', from: null, to: '1/200' },
    ])
  })

  it('a third of a stop away is let pass', () => {
    expect(
      found({ ...rows, [rowNamed('bank/dial/ebb/exposure.shutter')]: '1/250' }, 'motion-shutter'),
    ).toEqual([])
    expect(
      found({ ...rows, [rowNamed('bank/dial/ebb/exposure.shutter')]: '1/320' }, 'motion-shutter'),
    ).toHaveLength(1)
  })
})
