import { describe, expect, it } from 'vitest'
import { modelCalled, namedModels } from '@tests/fixtures/models'
import { rowNamed } from '@tests/fixtures/rows'
import { noteRow } from '../plan/rows'
import { must } from '../result'
import { newBody } from './body'
import { firmwareDay } from './firmware-day'
import { carriedRows } from './memory'

const heron = modelCalled('tarrow-heron')
const body = newBody(heron, 'TH-1', '1.0')
const saved = [carriedRows(heron, body.memory)]

describe('a firmware day', () => {
  it('names what lies in between, what is brought, and how often just that is needed', () => {
    const needed = (means: string) => (means === 'focus.detectionSubject' ? 7 : 0)
    const day = must(firmwareDay(heron, body, '2.0', saved, {}, needed))
    expect(day.versions.map(({ version }) => version)).toEqual(['1.2', '2.0'])
    expect(day.brought.map(({ name, version }) => [name, version])).toEqual(
      expect.arrayContaining([
        [expect.stringContaining('Vehicles'), '2.0'],
        [expect.stringContaining('Bright finder'), '1.2'],
      ]),
    )
    expect(day.brought.find(({ version }) => version === '2.0')?.needed).toBe(7)
    expect(day.gates.every(({ isOpen }) => isOpen)).toBe(true)
    expect(day.gates.find(({ name }) => name === 'In between')?.words).toContain('1.2')
  })

  it('is shut while the battery is low, or what the body holds is saved nowhere', () => {
    const low = must(firmwareDay(heron, { ...body, batteryPercent: 20 }, '1.2', saved, {}))
    expect(low.gates.filter(({ isOpen }) => !isOpen).map(({ name }) => name)).toEqual(['Battery'])
    const changed = { ...body, memory: { ...body.memory, [rowNamed('base/movie.frameRate')]: '50p' } }
    const unsaved = must(firmwareDay(heron, changed, '1.2', saved, {}))
    expect(unsaved.gates.filter(({ isOpen }) => !isOpen).map(({ name }) => name)).toEqual(['Files saved'])
  })

  it('says whether its own file can be loaded afterwards, as the body itself will have it', () => {
    for (const [, model] of namedModels)
      for (const [i, { version: from }] of model.firmware.entries())
        for (const { version: to, readsFilesFrom } of model.firmware.slice(i + 1)) {
          const day = must(firmwareDay(model, newBody(model, 'X', from), to, [], {}))
          expect([model.id, from, to, day.way]).toEqual([
            model.id,
            from,
            to,
            readsFilesFrom.includes(from) ? 'load' : 'walk',
          ])
        }
  })

  it('has the rows looked at again that were decided on an older firmware, and no others', () => {
    const rate = rowNamed('base/movie.frameRate')
    const grid = rowNamed('base/assist.grid')
    const rows = {
      ...{ [rate]: '50p', [noteRow('decidedOn', rate)]: '1.0 heron-a' },
      ...{ [grid]: 'thirds', [noteRow('decidedOn', grid)]: '2.0 heron-a' },
    }
    expect(must(firmwareDay(heron, body, '2.0', saved, rows)).recheck).toMatchObject([
      { row: rate, decidedOn: '1.0' },
    ])
  })

  it('goes to no older firmware, and to none that the model never had', () => {
    const newer = { ...body, firmware: '2.0' }
    expect(firmwareDay(heron, newer, '1.2', saved, {})).toMatchObject({ refusal: { code: 'older' } })
    expect(firmwareDay(heron, body, '9.9', saved, {})).toMatchObject({
      refusal: { code: 'unknown-firmware' },
    })
  })
})
