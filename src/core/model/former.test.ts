import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { commonSettings } from '../vocabulary/catalogue'
import { asWrittenNow } from './former'
import { parseModel } from './parse'
import type { BodyModel } from './types'

/** Meanings of the former vocabulary that no setting has any more. */
const gone = [
  'flash.rearSync',
  'flash.slowSync',
  'exposure.highlightWeight',
  'focus.release',
  'focus.lensSwitch',
  'controls.lock',
  'controls.stillsMotionSplit',
  'controls.dialFront',
  'controls.dialRear',
  'exposure.depthPreview',
  'controls.functionMenuSides',
  'movie.recordKeyInStills',
]

/** The Heron with a line of its menu meaning something else. */
const meaning = (means: string): BodyModel => ({
  ...heron,
  settings: heron.settings.map((one) => (one.means === 'body.sounds' ? { ...one, means } : one)),
})

describe('a definition written for a former vocabulary', () => {
  it.each(gone)('that means %s opens, and means nothing common there any more', (means) => {
    expect(commonSettings.has(means)).toBe(false)
    const parsed = parseModel(new TextEncoder().encode(JSON.stringify(meaning(means))), 'mine.json')
    const line = heron.settings.find((one) => one.means === 'body.sounds')!.id
    expect(parsed.ok && parsed.value.settings.find(({ id }) => id === line)?.means).toBe(null)
  })

  it('that means the case of autofocus means its behaviour now, as setting and as function', () => {
    const former = {
      ...meaning('focus.case'),
      functions: heron.functions.map((one) =>
        one.means === 'focus.otherEye' ? { ...one, means: 'focus.case' } : one,
      ),
    }
    const parsed = parseModel(new TextEncoder().encode(JSON.stringify(former)), 'mine.json')
    const line = heron.settings.find((one) => one.means === 'body.sounds')!.id
    const key = heron.functions.find((one) => one.means === 'focus.otherEye')!.id
    expect(parsed.ok && parsed.value.settings.find(({ id }) => id === line)?.means).toBe('focus.behaviour')
    expect(parsed.ok && parsed.value.functions.find(({ id }) => id === key)?.means).toBe('focus.behaviour')
  })

  it('that means something which never was in it is refused, with the line', () => {
    const parsed = parseModel(new TextEncoder().encode(JSON.stringify(meaning('body.never'))), 'mine.json')
    expect(parsed.ok ? [] : parsed.faults.map(({ message }) => message).join()).toContain('body.never')
  })

  it('is left as it is where there is nothing to say otherwise', () => {
    expect(asWrittenNow(heron)).toBe(heron)
  })
})
