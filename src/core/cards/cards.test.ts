import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { models } from '@tests/fixtures/models'
import { must } from '../result'
import { knownFolders, seeCard, type CardEntry } from './card'
import { isSamePath, placeOf, plainPath } from './path'
import { judgePut, lyingAt } from './putting'
import { judgeTaken, largestTaken, mayBeTaken, type ChosenFile, type Meant } from './taking'

const duet = models.find(({ id }) => id === 'varn-duet')
const lite = models.find(({ id }) => id === 'varn-duet-lite')
if (!duet || !lite) throw new Error('the Duets are missing')

describe('a path on a card', () => {
  it('is kept in one spelling', () => {
    expect(must(plainPath('\\HERON\\SET\\A.DAT'))).toBe('HERON/SET/A.DAT')
    expect(must(plainPath('./HERON//SET/'))).toBe('HERON/SET')
    expect(must(plainPath('Бобр/設定.dat'))).toBe('Бобр/設定.dat')
    expect(placeOf('HERON/SET/A.DAT')).toEqual({ folder: 'HERON/SET', name: 'A.DAT' })
    expect(placeOf('A.DAT')).toEqual({ folder: '', name: 'A.DAT' })
    expect(isSamePath('heron/set', 'HERON/SET')).toBe(true)
  })

  it.each([
    ['../HERON/SET', /climbs out/],
    ['HERON/../../SET', /climbs out/],
    ['C:\\HERON', /drive/],
    ['', /Name a folder/],
    ['///', /Name a folder/],
    ['A\u0000B', /cannot be kept/],
    ['A\nB', /cannot be kept/],
    ['A\u202eTAD', /cannot be kept/],
    ['x'.repeat(300), /at most 240/],
  ])('%j is refused', (path, words) => {
    const read = plainPath(path)
    expect(read.ok ? '' : read.refusal.message).toMatch(words)
  })

  it('never leads out of the card, whatever is given', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('.', '/', '\\', 'A', ':', ' ') }), (given) => {
        const read = plainPath(given)
        if (!read.ok) return
        expect(read.value.split('/')).not.toContain('..')
        expect(read.value.startsWith('/')).toBe(false)
        expect(must(plainPath(read.value))).toBe(read.value)
      }),
    )
  })
})

const entry = (path: string, bytes = 10): CardEntry => ({ path, bytes, savedAt: null })

describe('what lies on a card', () => {
  const folders = knownFolders(models, [])

  it('is told by the folders of models that are known, whatever their capitals; all others as they are', () => {
    const seen = seeCard(folders, [
      entry('heron/set/A.SSC'),
      entry('HERON/SET/B.SSC'),
      entry('DCIM/100/P1.RAW', 100),
      entry('DCIM/100/P2.RAW', 50),
      entry('READ.ME'),
    ])
    expect(seen.known.map(({ of, files }) => [of, files.length])).toEqual([['Tarrow Heron', 2]])
    expect(seen.other.map(({ folder, count, bytes }) => [folder, count, bytes])).toEqual([
      ['', 1, 10],
      ['DCIM/100', 2, 150],
    ])
    expect([seen.count, seen.bytes]).toEqual([5, 180])
  })

  it('goes by what an owner says of a body before what its model says', () => {
    const own = knownFolders(models, [{ name: 'Reed A', model: 'tarrow-heron', folder: 'PRIVATE/CFG' }])
    expect(seeCard(own, [entry('private/cfg/X.DAT')]).known).toMatchObject([{ of: 'Reed A' }])
  })

  it('keeps every file by the very name it lies under, by which it is read', () => {
    // A letter and its mark as two characters, as some cameras and computers write them.
    const apart = 'HERON/SET/A\u0308.SSC'
    expect(apart).not.toBe(apart.normalize('NFC'))
    expect(seeCard(folders, [entry(apart)]).known[0]?.files).toEqual([entry(apart)])
    expect(lyingAt('HERON/SET/\u00c4.SSC', seeCard(folders, [entry(apart)]))?.path).toBe(apart)
  })

  it('leaves out and names what climbs out of it', () => {
    const seen = seeCard(folders, [entry('../../etc/passwd'), entry('HERON/SET/A.SSC')])
    expect(seen.leftOut).toMatchObject([{ path: '../../etc/passwd' }])
    expect(seen.count).toBe(1)
  })

  it('of ten thousand files is read at once', () => {
    const many = Array.from({ length: 10_000 }, (_, i) => entry(`DCIM/${i % 40}/P${i}.RAW`))
    const begun = performance.now()
    expect(seeCard(folders, many).count).toBe(10_000)
    expect(performance.now() - begun).toBeLessThan(500)
  })
})

const file = (more: Partial<ChosenFile> = {}): ChosenFile => ({
  ...{ path: 'HERON/SET/A.DAT', bytes: 4096, digest: 'new', savedAt: null, header: null },
  ...more,
})
const meant = (more: Partial<Meant> = {}, body: Partial<Meant['body']> = {}): Meant => ({
  for: 'source',
  body: { tag: 'a', name: 'Reed A', serial: 'R1', model: heron, folder: null, file: null, ...body },
  earlier: {},
  notBefore: null,
  shelf: [],
  ...more,
})
const verdicts = (chosen: ChosenFile, what: Meant) =>
  judgeTaken(chosen, what)
    .filter(({ verdict }) => verdict !== 'fine')
    .map(({ about, verdict }) => `${verdict}: ${about}`)

describe('a file that is offered', () => {
  const kin = (more: object = {}) => ({
    ...{ name: 'A.DAT', bytes: 4096, digest: 'known', body: 'a', modelId: heron.id },
    ...more,
  })

  it('of the right name, folder and size is what is meant', () => {
    expect(verdicts(file(), meant({ shelf: [kin()] }))).toEqual([])
  })

  it.each([
    ['empty', file({ bytes: 0 }), meant(), ['stop: Size']],
    ['of two gigabytes', file({ bytes: 2e9 }), meant(), ['stop: Size']],
    ['from another folder', file({ path: 'DCIM/A.DAT' }), meant(), ['look: Folder']],
    ['of another ending', file({ path: 'A.TXT' }), meant({ shelf: [kin()] }), ['look: Name']],
    ['called otherwise than the body reads', file(), meant({}, { file: 'SET.DAT' }), ['look: Name']],
    ['of another size than its kin', file({ bytes: 9000 }), meant({ shelf: [kin()] }), ['look: Size']],
    [
      'known as another body’s',
      file({ digest: 'known' }),
      meant({ shelf: [kin({ body: 'b' })] }),
      ['look: Known'],
    ],
    [
      'saved before the act it comes after',
      file({ savedAt: 1000 }),
      meant({ notBefore: 61_000 }),
      ['look: Time'],
    ],
    [
      'saved before the load, byte for byte',
      file({ digest: 'b' }),
      meant({ for: 'after', earlier: { before: 'b' } }),
      ['stop: Known'],
    ],
    [
      'the one that was written',
      file({ digest: 's' }),
      meant({ for: 'after', earlier: { written: 's' } }),
      ['stop: Known'],
    ],
    [
      'the first save once more',
      file({ digest: 's' }),
      meant({ for: 'again', earlier: { source: 's' } }),
      ['look: Known'],
    ],
  ])('%s: that is said', (_, chosen, what, expected) => {
    expect(verdicts(chosen, what)).toEqual(expected)
    expect(mayBeTaken(judgeTaken(chosen, what))).toBe(!expected.some((one) => one.startsWith('stop')))
  })

  it('of a look-alike is refused, and how to tell them apart is said', () => {
    const header = { modelId: lite.id, serial: 'L1', firmware: '1.0' }
    const seen = judgeTaken(file({ path: 'A.SSC', header }), meant({}, { model: duet, serial: null }))
    const stop = seen.find(({ verdict }) => verdict === 'stop')
    expect(stop?.words).toContain(duet.lookAlikes[0]?.tellApart)
  })

  it('of another body of the model is refused by its serial number', () => {
    const header = { modelId: heron.id, serial: 'R2', firmware: '1.0' }
    expect(verdicts(file({ header }), meant())).toEqual(['stop: Serial number'])
  })

  it('as large as those of a look-alike and of none of its kin is to be looked at', () => {
    const shelf = [
      { name: 'L.DAT', bytes: 5000, digest: 'l', body: null, modelId: lite.id },
      { name: 'D.DAT', bytes: 4800, digest: 'd', body: 'a', modelId: duet.id },
    ]
    const seen = judgeTaken(file({ path: 'A.DAT', bytes: 5000 }), meant({ shelf }, { model: duet }))
    expect(seen.find(({ about }) => about === 'Size')?.verdict).toBe('look')
  })

  it('is never larger than is taken', () => {
    expect(mayBeTaken(judgeTaken(file({ bytes: largestTaken + 1 }), meant()))).toBe(false)
  })
})

describe('a card that is to be written to', () => {
  const put = { path: 'HERON/SET/A.DAT', bytes: 4096, body: { name: 'Reed B', model: heron } }
  const folders = knownFolders(models, [])
  const at = (paths: readonly string[], more: { isWritable?: boolean; free?: number } = {}) =>
    judgePut(put, {
      seen: seeCard(
        folders,
        paths.map((path) => entry(path)),
      ),
      isWritable: more.isWritable ?? true,
      free: more.free ?? 1e9,
    })
  const verdictOn = (seen: ReturnType<typeof at>, about: string) =>
    seen.find((one) => one.about === about)?.verdict

  it('of the right camera, unlocked, with room: nothing speaks against it', () => {
    expect(at(['HERON/SET/OTHER.DAT']).every(({ verdict }) => verdict === 'fine')).toBe(true)
  })

  it('that is locked or full stops it', () => {
    expect(verdictOn(at([], { isWritable: false }), 'Lock')).toBe('stop')
    expect(verdictOn(at([], { free: 10 }), 'Room')).toBe('stop')
  })

  it('of a look-alike or of another camera stops it', () => {
    const forDuet = judgePut(
      { path: 'VARN/DUET/A.DAT', bytes: 1, body: { name: 'Duet', model: duet } },
      { seen: seeCard(folders, [entry('VARN/LITE/A.DAT')]), isWritable: true, free: 1e9 },
    )
    expect(verdictOn(forDuet, 'Card')).toBe('stop')
    expect(verdictOn(at(['VARN/DUET/A.DAT']), 'Card')).toBe('stop')
    // A card that goes from camera to camera has folders of both.
    expect(verdictOn(at(['VARN/DUET/A.DAT', 'HERON/SET/B.DAT']), 'Card')).toBe('fine')
    expect(verdictOn(at([]), 'Card')).toBe('look')
  })

  it('on which something lies there already says so, whatever its capitals', () => {
    expect(verdictOn(at(['heron/set/a.dat']), 'Written over')).toBe('look')
    expect(lyingAt(put.path, seeCard(folders, [entry('heron/set/a.dat')]))?.path).toBe('heron/set/a.dat')
  })
})
