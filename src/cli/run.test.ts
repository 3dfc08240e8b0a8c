import {
  copyFileSync,
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { heron } from '@tests/fixtures/heron'
import { load, oddCamera, save } from '@tests/fixtures/odd-camera'
import { strToU8, zipSync } from 'fflate'
import { newBody, operate } from '@/core/camera/body'
import { digestHex } from '@/core/digest'
import { must } from '@/core/result'
import { commands, run } from './run'

let folder = ''
let running: Server
let address = ''
beforeAll(async () => {
  running = createServer(asApplication)
  await new Promise<void>((resolve) => running.listen(0, '127.0.0.1', resolve))
  const bound = running.address()
  address = `http://127.0.0.1:${typeof bound === 'object' ? bound?.port : ''}`
  folder = mkdtempSync(join(tmpdir(), 'salt-shelf-cli-'))
  // What an owner has left from before: a former edition, and a plan that stands on it.
  const former = { ...(JSON.parse(readFileSync('models/tarrow-heron.json', 'utf8')) as object), version: 1 }
  writeFileSync(join(folder, 'heron-1.json'), JSON.stringify(former))
  const card = join(folder, 'night.card', 'HERON', 'SET')
  mkdirSync(card, { recursive: true })
  const body = { ...newBody(heron, 'TH-1', '2.0') }
  const saved = must(operate(heron, body, { kind: 'save', file: 'A', atSeconds: 5 })).body.card?.files.A
  for (const name of ['A.SSC', 'B.SSC']) writeFileSync(join(card, name), saved ?? '')
  writeFileSync(join(folder, 'night.card', 'notes.txt'), 'only a note\n')
  const [one, other] = [save(oddCamera(1001, [800, 250, 28, 7])), save(oddCamera(2002, [100, 60, 56, 1]))]
  const odd = [one.bytes, save(one.after).bytes, save(load(other.after, one.bytes)).bytes, other.bytes]
  odd.forEach((bytes, i) => writeFileSync(join(folder, `night.odd${i + 1}`), bytes))
  writeFileSync(join(folder, 'night.zip'), exportWith('{}\n', 1))
  const rows = { title: 'Of the first edition', 'base/focus.lamp': false }
  const plan = { format: 'salt-shelf/plan', formatVersion: 1, model: { id: 'tarrow-heron', version: 1 } }
  writeFileSync(
    join(folder, 'old.plan.json'),
    JSON.stringify({ ...plan, revision: null, rows, digest: null }),
  )
})
afterAll(() => {
  running.close()
  rmSync(folder, { recursive: true })
})

/** A small export: one table with these lines, of which its list says so many rows. */
function exportWith(plans: string, rows: number): Uint8Array {
  const bytes = strToU8(plans)
  const manifest = {
    ...{ format: 'salt-shelf/export', formatVersion: 1, madeAt: '2026-11-30T07:00:00.000Z' },
    ...{ tablesAt: '0013_findings', tables: { plans: rows } },
    entries: [{ name: 'tables/plans.ndjson', bytes: bytes.length, sha256: digestHex(bytes) }],
  }
  return zipSync({ 'tables/plans.ndjson': bytes, 'manifest.json': strToU8(JSON.stringify(manifest)) })
}

const file = (name: string, text: string) => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

/** What a shared application answers about devices. */
function asApplication({ method, url, headers }: IncomingMessage, response: ServerResponse): void {
  const id = 'de000000-0000-4000-8000-00000000d001'
  const device = { id, name: 'Phone in the wings', lastUsedAt: '2026-11-29T19:36:00.000Z' }
  const door = { origin: 'https://192.168.1.20:4179', plain: 'http://192.168.1.20:4179/' }
  const answers: Record<string, unknown> = {
    'GET /api/devices': {
      door: { ...door, fingerprint: '4C:F5:…', isReachable: true },
      devices: [device],
    },
    'POST /api/devices': { code: 'TV4D D9Q2', endsAt: '2026-11-29T19:46:00.000Z' },
    [`POST /api/devices/${id}`]: { device },
  }
  const refusal = { code: 'unknown-device', message: 'There is no such device.' }
  const isOurs = method === 'GET' || headers.origin === address
  response.end(JSON.stringify((isOurs ? answers[`${method} ${url}`] : null) ?? { refusal }))
}

describe('devices', () => {
  it.each([
    [['device', 'end', 'nobody'], 'There is no such device'],
    [['devices', '--at', 'https://example.com'], 'is no address of this machine'],
    [['devices', '--at', 'http://127.0.0.1:1'], 'No Salt Shelf answers at http://127.0.0.1:1'],
  ])('%j is refused in words', async (args, words) => {
    const { code, error } = await run(args.includes('--at') ? args : [...args, '--at', address])
    expect([code, error.includes(words)]).toEqual([1, true])
  })

  it('says what would happen to a body, with everything that stops it', async () => {
    const plan = file(
      'carried.plan.json',
      JSON.stringify({
        ...{ format: 'salt-shelf/plan', formatVersion: 1, model: { id: 'tarrow-heron', version: 5 } },
        ...{ revision: null, digest: null },
        rows: { 'base/movie.frameRate': '50p', 'base/files.owner': 'Lanternfold' },
      }),
    )
    const clear = await run(['transfer', 'preflight', plan, '--json'])
    expect(clear.code).toBe(0)
    expect(JSON.parse(clear.output)).toMatchObject({
      isClear: true,
      overwritten: [{ row: 'base/movie.frameRate', leftWords: '50p', rightWords: '25p' }],
      handWork: [{ setting: 'files.owner', wanted: 'Lanternfold', done: false }],
    })
    const stopped = await run(['transfer', 'preflight', plan, '--battery', '3', '--card', 'none'])
    expect(stopped.code).toBe(1)
    expect(stopped.error).toMatch(/battery has 3 %[\s\S]*no card/)
    for (const [option, value] of [
      ['--card', 'wet'],
      ['--battery', '200'],
      ['--firmware', '9.9'],
    ] as const)
      expect(await run(['transfer', 'preflight', plan, option, value])).toMatchObject({ code: 1 })
  })

  it('finds an export that is not whole, and a folder that is none', async () => {
    const bytes = exportWith('{}\n', 1)
    const cut = join(folder, 'cut.zip')
    writeFileSync(cut, bytes.slice(0, bytes.length - 10))
    expect(await run(['export', 'check', cut])).toMatchObject({ code: 1 })
    expect(await run(['files', 'of', join(folder, 'nowhere')])).toMatchObject({ code: 1 })
    expect(await run(['files', 'of', cut])).toMatchObject({ code: 1 })
  })

  it('holds a plan against those of other bodies, named one by one, in a continuity report', async () => {
    const plan = (model: string, version: number, rows: object) =>
      JSON.stringify({
        ...{ format: 'salt-shelf/plan', formatVersion: 1, model: { id: model, version } },
        ...{ revision: null, rows, digest: null },
      })
    const mine = file('a.plan.json', plan('tarrow-heron', 5, { title: 'Mine' }))
    const spare = file('b.plan.json', plan('varn-duet', 4, { title: 'The spare' }))
    const pocket = file('c.plan.json', plan('pell-pocket', 4, { title: 'The workshop' }))
    const { code, output } = await run(['sheet', 'continuity', mine, '--other', spare, '--other', pocket])
    expect(code).toBe(0)
    expect(output).toMatch(/## .*Heron and .*Duet: The spare/)
    expect(output).toMatch(/## .*Heron and .*Pocket: The workshop/)
    const missing = await run(['sheet', 'continuity', mine, '--other', join(folder, 'none.json')])
    expect([missing.code, missing.error]).toEqual([1, expect.stringContaining('none.json')])
  })

  it('come as data with --json', async () => {
    const { output } = await run(['devices', '--at', address, '--json'])
    expect(JSON.parse(output)).toMatchObject({
      door: { isReachable: true },
      devices: [{ name: 'Phone in the wings' }],
    })
  })
})

describe('the examples of docs/cli.md', () => {
  const examples = [
    ...readFileSync('docs/cli.md', 'utf8').matchAll(/```\n\$ npm run -s cli -- (.*)\n([\s\S]*?)```/g),
  ]

  it('are there for every command', () => {
    const shown = examples.map(([, args]) => args ?? '')
    expect(
      commands
        .filter((command) => !shown.some((args) => args.startsWith(command.name)))
        .map((one) => one.name),
    ).toEqual([])
  })

  it('lead from nothing to a card file in ten commands', async () => {
    const [, block = ''] = /```sh\n([\s\S]*?)```/.exec(readFileSync('docs/cli.md', 'utf8')) ?? []
    const lines = block.trim().split('\n')
    expect(lines).toHaveLength(10)
    for (const line of lines) {
      const args = line.replace('npm run -s cli -- ', '').replaceAll(/\bten\./g, `${folder}/ten.`)
      expect(await run(args.split(' ')), line).toMatchObject({ code: 0 })
    }
    expect(readFileSync(join(folder, 'ten.set')).length).toBeGreaterThan(500)
  })

  it.each(examples.map(([, args = '', expected = '']) => [args, expected]))('%s', async (args, expected) => {
    const placed = (text: string) =>
      text
        .replace(
          /night\.(plan\.json|stage\.json|set|csv|card|zip|odd\d)|(?:old|mended)\.plan\.json|heron-1\.json/g,
          (name) => join(folder, name),
        )
        .replace('http://127.0.0.1:4178', address)
    const ended = await run(placed(args).split(' '))
    const told = `${ended.output}${ended.error}`
    const pattern = placed(expected.trimEnd())
      .split('\n')
      .map((line) =>
        line === '…' ? '[\\s\\S]*' : line.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace('…', '.*'),
      )
      .join('\\n?')
    expect(told).toMatch(new RegExp(`^${pattern}$`))
  })
})

describe('files that nothing here reads, and cards', () => {
  const odd = (n: number) => join(folder, `night.odd${n}`)
  const cardCopy = () => {
    const copy = mkdtempSync(join(folder, 'card-'))
    cpSync(join(folder, 'night.card'), copy, { recursive: true })
    return copy
  }

  it('are told equal but for noise and what is a body’s own, or to differ, or as they were before', async () => {
    const bytes = async (...args: string[]) => {
      const ended = await run(['file', 'bytes', ...args, '--json'])
      return [ended.code, (JSON.parse(ended.output) as { verdict?: string }).verdict]
    }
    const known = ['--noise', odd(2), '--own', '66-68', '--own', '9-10']
    expect(await bytes(odd(1), odd(3), ...known)).toEqual([0, 'equal'])
    expect(await bytes(odd(1), odd(4), ...known)).toEqual([1, 'differs'])
    expect(await bytes(odd(1), odd(4), ...known, '--before', odd(4))).toEqual([1, 'before'])
  })

  it('are found by the one they are nearest to', async () => {
    const near = JSON.parse((await run(['file', 'nearest', odd(1), folder, '--json'])).output) as {
      path: string
    }[]
    expect(near.slice(0, 2).map(({ path }) => path)).toEqual(['night.odd1', 'night.odd2'])
  })

  it('are written to a card where a body looks for them; what lay there is kept first, byte for byte', async () => {
    const [card, kept] = [cardCopy(), join(folder, 'kept')]
    const put = (...more: string[]) =>
      run(['card', 'put', odd(1), card, '--model', 'tarrow-heron', '--name', 'A.SSC', ...more])
    const there = join(card, 'HERON/SET/A.SSC')
    const before = readFileSync(there)
    expect((await put()).error).toContain('--keep FOLDER')
    expect(readFileSync(there)).toEqual(before)
    expect((await put('--keep', kept)).code).toBe(0)
    expect(readFileSync(there)).toEqual(readFileSync(odd(1)))
    expect(readdirSync(kept).map((name) => readFileSync(join(kept, name)))).toEqual([before])
  })

  it('go through no link, and out of no card', async () => {
    const card = cardCopy()
    const outside = join(folder, 'outside')
    writeFileSync(outside, 'mine')
    symlinkSync(outside, join(card, 'HERON/SET/L.SSC'))
    const put = (name: string) =>
      run(['card', 'put', odd(1), card, '--model', 'tarrow-heron', '--name', name])
    expect((await put('L.SSC')).error).toContain('A link lies there')
    const away = mkdtempSync(join(folder, 'away-'))
    symlinkSync(away, join(card, 'OTHER'))
    const through = [
      'card',
      'put',
      odd(1),
      card,
      '--model',
      'tarrow-heron',
      '--folder',
      'OTHER/SET',
      '--name',
      'X',
    ]
    expect((await run(through)).error).toContain('A link lies there')
    expect(readdirSync(away)).toEqual([])
    expect((await put('../../../outside')).error).toContain('climbs out')
    expect(readFileSync(outside, 'utf8')).toBe('mine')
    expect((await run(['card', 'list', card])).output).not.toContain('L.SSC')
  })

  it.each([
    [['file', 'bytes', 'ODD', 'NONE'], 'There is no such file'],
    [['file', 'bytes', 'ODD', 'ODD', '--own', '8'], 'A place is written 64-68'],
    [['file', 'nearest', 'ODD', 'NONE'], 'There is no such folder'],
    [['card', 'list', 'NONE'], 'There is no such folder'],
    [['card', 'put', 'ODD', 'CARD'], 'Say for which model'],
  ])('%j is refused in words', async (args, words) => {
    const places: Record<string, string> = {
      ODD: odd(1),
      CARD: join(folder, 'night.card'),
      NONE: join(folder, 'none'),
    }
    const ended = await run(args.map((one) => places[one] ?? one))
    expect([ended.code, ended.error.includes(words)]).toEqual([1, true])
  })
})

describe('the headless command', () => {
  it('lists its commands with --help and without arguments', async () => {
    for (const args of [[], ['--help'], ['plan', 'resolve', '--help']]) {
      const { code, output } = await run(args)
      expect(code).toBe(0)
      for (const command of commands) expect(output).toContain(command.usage)
    }
  })

  it.each([
    ['an unknown command', ['fly'], 'There is no command “fly”'],
    ['an unknown option', ['models', '--colour', 'red'], 'colour'],
    ['a missing file name', ['model', 'check'], 'takes 1 file names, not 0'],
    ['an option twice', ['plan', 'new', '--model', 'a', '--model', 'b'], '--model stands twice'],
    ['no model', ['plan', 'new'], 'say which model'],
  ])('called with %s ends with 2 and says how', async (_name, args, words) => {
    const { code, error } = await run(args)
    expect(code).toBe(2)
    expect(error).toContain(words)
  })

  it('prints data with --json', async () => {
    const { output } = await run(['models', '--json'])
    expect(JSON.parse(output)).toMatchObject({
      models: expect.arrayContaining([
        expect.objectContaining({ id: 'tarrow-heron', settings: 207, acts: 17, rules: 86 }),
      ]) as unknown,
      lenses: expect.arrayContaining(['attic-90', 'tarrow-45']) as unknown,
    })
    const plan = file('json.plan.json', (await run(['plan', 'new', '--model', 'tarrow-heron'])).output)
    const resolved = JSON.parse(
      (await run(['plan', 'resolve', plan, '--side', 'motion', '--lens', 'attic-90', '--json'])).output,
    ) as unknown
    expect(resolved).toMatchObject({
      settings: { 'focus.mode': { value: 'manual' } },
      addresses: { 'motion/record-key/press': { verdict: 'works' } },
    })
  })

  it.each([
    [
      'a model file that is not there',
      ['model', 'check', 'nowhere.json'],
      /nowhere\.json: There is no such file/,
    ],
    ['a folder that is not there', ['models', '--models', 'nowhere'], /nowhere: There is no such folder/],
    ['an unknown model', ['plan', 'new', '--model', 'moon'], /--model: There is no model moon/],
    [
      'a value off the scale',
      ['plan', 'route', 'PLAN', '--want', 'exposure.shutter=1/57'],
      /“1\/57” is no shutter step/,
    ],
    [
      'a wish for a setting that is not there',
      ['plan', 'route', 'PLAN', '--want', 'moon=1'],
      /No setting is called moon/,
    ],
    ['an act that is not there', ['plan', 'route', 'PLAN', '--act', 'fly'], /fly: This model has no act fly/],
    [
      'an end that is no run state',
      ['plan', 'route', 'PLAN', '--end', 'flying'],
      /--end: “flying” is none of idle/,
    ],
    [
      'a fit to a model that is not there',
      ['plan', 'fit', 'PLAN', '--to', 'moon'],
      /--to: There is no model moon/,
    ],
    [
      'an unknown side',
      ['plan', 'resolve', 'PLAN', '--side', 'up'],
      /--side: “up” is none of stills, motion/,
    ],
    [
      'an unknown slot',
      ['plan', 'resolve', 'PLAN', '--bank', 'dial=moon'],
      /--bank dial=moon: Dial banks has ebb, flow, slack/,
    ],
    [
      'a body the plan knows nothing of',
      ['plan', 'resolve', 'PLAN', '--body', 'moon'],
      /--body moon: This plan says nothing of single bodies/,
    ],
    [
      'a situation no rule asks about',
      ['plan', 'focus', 'PLAN', '--situation', 'moon=full'],
      /--situation moon=full: No rule of the Heron asks about the work/,
    ],
    ['an unknown side of the banks', ['plan', 'banks', 'PLAN', '--side', 'up'], /--side: “up” is none of/],
    ['an unknown family', ['plan', 'resolve', 'PLAN', '--bank', 'moon=ebb'], /No bank family is called moon/],
    ['an unknown lens', ['plan', 'resolve', 'PLAN', '--lens', 'moon'], /--lens: “moon” is none of/],
    [
      'an unknown function',
      ['plan', 'resolve', 'PLAN', '--held', 'moon'],
      /--held moon: No function is called moon/,
    ],
  ])('refuses %s with what and where', async (_name, args, words) => {
    const plan = file('a.plan.json', (await run(['plan', 'new', '--model', 'tarrow-heron'])).output)
    const { code, error } = await run(args.map((arg) => (arg === 'PLAN' ? plan : arg)))
    expect(code).toBe(1)
    expect(error).toMatch(words)
  })

  it.each([
    ['model', 'check'],
    ['plan', 'resolve'],
  ])('refuses a file of 200 MB in no time: %s %s', async (...words) => {
    const path = file('huge.json', '')
    truncateSync(path, 200_000_000)
    const before = process.memoryUsage().rss
    const { code, error } = await run([...words, path])
    expect(code).toBe(1)
    expect(error).toContain('huge.json: The file has 200000000 bytes; at most 4000000 are read.')
    expect(process.memoryUsage().rss - before).toBeLessThan(100_000_000)
  })

  it('takes a model and a plan written by hand, as docs/ gives them', async () => {
    const models = join(folder, 'by-hand')
    mkdirSync(models)
    copyFileSync('docs/examples/smallest.model.json', join(models, 'smallest.json'))
    const args = ['docs/examples/by-hand.plan.json', '--models', models]
    expect((await run(['plan', 'resolve', ...args, '--bank', 'bank=one'])).output).toContain(
      'Shutter speed: 1/500  [factory 1/125 → bank 1/500]',
    )
    expect((await run(['plan', 'route', ...args, '--want', 'focus.mode=once'])).output).toContain(
      'All / line 3 / Focus / line 1: Focus: Manual focus → Single AF',
    )
  })

  it('routes to where nothing has to be done, and fits to a file', async () => {
    const plan = file('b.plan.json', (await run(['plan', 'new', '--model', 'tarrow-heron'])).output)
    expect((await run(['plan', 'route', plan, '--want', 'drive.mode=single'])).output).toBe(
      'Everything stands as wanted already.',
    )
    const out = join(folder, 'pocket.plan.json')
    await run(['plan', 'fit', plan, '--to', 'pell-pocket', '--out', out])
    expect((await run(['plan', 'resolve', out])).output).toContain('Shutter speed dial')
  })

  it('tells the faults of a model file, all of them, also as data', async () => {
    const model = JSON.parse(readFileSync('models/tarrow-heron.json', 'utf8')) as {
      controls: { face: string }[]
      rules: { then: object }[]
    }
    Object.assign(model.controls[0] ?? {}, { face: 'inside' })
    Object.assign(model.rules[0] ?? {}, { then: { kind: 'ineffective', setting: 'a.moon' } })
    const path = file('bad.json', JSON.stringify(model))
    const { code, error } = await run(['model', 'check', path])
    expect(code).toBe(1)
    expect(error.split('\n')).toHaveLength(2)
    expect(JSON.parse((await run(['model', 'check', path, '--json'])).output)).toMatchObject({
      refusals: [{ code: 'dangling' }, { code: 'dangling' }],
    })
  })

  it('notes the rules of a sound model that no case makes act', async () => {
    const definition = JSON.parse(readFileSync('models/tarrow-heron.json', 'utf8')) as {
      rules: { id: string; when: unknown }[]
    }
    const [first] = definition.rules
    first!.when = {
      all: [
        { fact: 'side', is: 'stills' },
        { fact: 'side', is: 'motion' },
      ],
    }
    const path = file('idle-rule.json', JSON.stringify(definition))
    const { code, output } = await run(['model', 'check', path])
    expect(code).toBe(0)
    expect(output).toMatch(new RegExp(`Note: Rule ${first!.id} does not act in any of \\d+ combinations`))
    expect(JSON.parse((await run(['model', 'check', path, '--json'])).output)).toMatchObject({
      notes: [{ rule: first!.id, lacks: 'acts' }],
    })
  })

  it('refuses a damaged plan and a file of steps out of shape, and writes nothing', async () => {
    const text = (await run(['plan', 'new', '--model', 'tarrow-heron'])).output
    const damaged = file('damaged.plan.json', text.replace('"revision": null', '"revision": null '))
    expect((await run(['plan', 'resolve', damaged])).code).toBe(0)
    const cut = file('cut.plan.json', text.slice(0, 80))
    expect((await run(['plan', 'resolve', cut])).error).toMatch(/The file is damaged: line \d+, column \d+/)
    const steps = file('steps.json', '[{"id": 1}]')
    const refused = await run(['plan', 'step', damaged, steps, '--out', join(folder, 'never.json')])
    expect(refused).toMatchObject({ code: 1, error: expect.stringContaining('steps.json') as string })
    expect(() => readFileSync(join(folder, 'never.json'))).toThrow()
  })
})

describe('a plan edited in a text editor', () => {
  const edited = async (name: string, rows: Record<string, unknown>) => {
    const { output } = await run(['plan', 'new', '--model', 'tarrow-heron'])
    return file(name, JSON.stringify({ ...(JSON.parse(output) as object), rows }, null, 2))
  }

  it('is taken, with values as people write them, and says how', async () => {
    const plan = await edited('edited.plan.json', {
      'base/exposure.iso@stills': 'iso 800',
      'base/focus.lamp': 'off',
      'base/exposure.mode@stills': 'Manual',
      'key/stills/thumb-key/press': 'af start',
    })
    const { code, output, error } = await run(['plan', 'resolve', plan, '--json'])
    expect(code).toBe(0)
    const { settings } = JSON.parse(output) as { settings: Record<string, { value: unknown }> }
    expect(settings['focus.lamp']?.value).toBe(false)
    expect(settings['exposure.mode']?.value).toBe('manual')
    expect(error).toContain('its digest no longer fits. It is read as it stands.')
    expect(error).toContain('"off" is read as off')
    expect(error).toContain('"af start" is read as AF start')
  })

  it('is refused with every fault at once: its line, what would be taken, and the nearest id', async () => {
    const plan = await edited('faulty.plan.json', {
      'base/exposure.isoo@stills': 800,
      'base/exposure.iso@stills': 'ISO 7',
      'key/stills/thmb-key/press': 'playback',
      'key/stills/thumb-key/press': 'playbak',
    })
    const { code, error } = await run(['plan', 'check', plan])
    expect(code).toBe(1)
    const lines = error.split('\n').filter((line) => line.includes('faulty.plan.json: line '))
    expect(lines).toHaveLength(4)
    expect(lines[0]).toMatch(
      /line \d+, column \d+: rows\/base\/exposure.isoo@stills: .*Nearest: base\/exposure.iso@stills\.$/,
    )
    expect(lines[1]).toContain('Such as "ISO 200", which is as delivered.')
    expect(lines[2]).toContain('Nearest: key/stills/thumb-key/press.')
    expect(lines[3]).toContain('Such as “playback”.')
  })

  it('takes steps without ids and former values, and mends by their numbers', async () => {
    const plan = await edited('plain.plan.json', {})
    const rows = { 'key/stills/thumb-key/press': 'AF start', 'base/exposure.shutter@stills': '1/250' }
    const steps = file('plain.steps.json', JSON.stringify({ rows }))
    const stepped = join(folder, 'stepped.plan.json')
    expect((await run(['plan', 'step', plan, steps, '--out', stepped])).code).toBe(0)
    const before = await run(['plan', 'check', stepped])
    const number = /mend (\d+): Switch AF on half-press off/.exec(before.output)?.[1] ?? ''
    expect(before.output).toContain('(base/focus.halfPress@stills)')
    const mended = join(folder, 'mended.plan.json')
    expect((await run(['plan', 'check', stepped, '--apply', number, '--out', mended])).code).toBe(0)
    expect((await run(['plan', 'check', mended])).output).not.toContain('Thumb focus key focuses')
    expect((await run(['plan', 'check', stepped, '--apply', '0'])).error).toMatch(/A mend from 1 to \d+\./)
    const twice = [{ changes: [{ row: 'title', to: null }] }, { changes: [{ row: 'title', to: 'Noon' }] }]
    const titled = await edited('titled.plan.json', { title: 'Night' })
    const renamed = await run([
      'plan',
      'step',
      titled,
      file('twice.steps.json', JSON.stringify(twice)),
      '--json',
    ])
    expect(JSON.parse(renamed.output)).toMatchObject({ rows: { title: 'Noon' } })
    const odd = file('odd.steps.json', JSON.stringify([{ changes: [{ row: 'base/focus.lmp', to: false }] }]))
    expect((await run(['plan', 'step', plan, odd])).error).toMatch(
      /step 1, change 1, .*Nearest: base\/focus\.lamp\./,
    )
  })
})

describe('what a model has', () => {
  it('is listed by id, found by any word, and shown with what a setting takes', async () => {
    const json = async (...args: string[]) =>
      JSON.parse((await run(['model', 'show', 'tarrow-heron', ...args, '--json'])).output) as unknown
    expect(await json('--settings', '--find', 'overexposure stripes')).toContainEqual(
      expect.objectContaining({
        id: 'assist.zebra',
        rows: ['base/assist.zebra@stills', 'base/assist.zebra@motion'],
      }),
    )
    expect(await json('--functions')).toHaveLength(94)
    expect(await json('--banks')).toContainEqual(expect.objectContaining({ kind: 'bank', id: 'dial/ebb' }))
    expect(await json('--values', 'movie.frameRate')).toMatchObject({
      values: [{ value: '24p' }, {}, {}, {}, {}, {}],
    })
  })

  it.each([
    [['model', 'show', 'tarow-heron'], 'There is no model tarow-heron. Nearest: tarrow-heron.'],
    [['model', 'show', 'tarrow-heron', '--values', 'exposure.isso'], 'Nearest: exposure.iso.'],
    [['model', 'show', 'tarrow-heron', '--find', 'kettle'], 'Nothing of the Heron is called “kettle”.'],
  ])('is refused with the nearest: %j', async (args, words) => {
    expect(await run(args)).toMatchObject({ code: 1, error: expect.stringContaining(words) as string })
  })
})

describe('a plan without needs', () => {
  it('is not said to be reached whole, nor the best there is', async () => {
    const plan = file('no-needs.plan.json', (await run(['plan', 'new', '--model', 'varn-duet'])).output)
    expect((await run(['plan', 'reach', plan])).output).toMatch(/^The plan has no needs yet/)
    expect(await run(['plan', 'suggest', plan])).toMatchObject({ code: 1 })
  })
})

describe('a context that contradicts itself', () => {
  it('is refused, naming the option, and a position says the side by itself', async () => {
    const plan = file('context.plan.json', (await run(['plan', 'new', '--model', 'varn-duet'])).output)
    const at = (...args: string[]) => run(['plan', 'focus', plan, ...args])
    expect((await at('--side', 'stills', '--position', 'reel')).error).toContain('--position reel: ')
    expect((await at('--position', 'drum-oak', '--bank', 'set=river')).code).toBe(1)
    expect((await at('--position', 'reel')).output).toBe(
      (await at('--side', 'motion', '--position', 'reel')).output,
    )
  })
})

describe('the commands on plans, files and the simulated body', () => {
  const planFile = async (name: string, model = 'tarrow-heron') => {
    const path = join(folder, name)
    expect((await run(['plan', 'new', '--model', model, '--out', path])).code).toBe(0)
    return path
  }

  it('give findings, focus and comparisons as data', async () => {
    const plan = await planFile('data.plan.json')
    const checked = JSON.parse((await run(['plan', 'check', plan, '--json'])).output) as {
      findings: unknown[]
    }
    expect(checked.findings).toContainEqual(
      expect.objectContaining({ check: 'agreed-default', severity: 'tidies' }),
    )
    const focus = JSON.parse((await run(['plan', 'focus', plan, '--json'])).output) as { rows: unknown[] }[]
    expect(focus[0]?.rows).toContainEqual(expect.objectContaining({ held: [] }))
    const compared = JSON.parse((await run(['plan', 'compare', plan, plan, '--json'])).output) as unknown
    expect(compared).toEqual({ compared: 0, differences: [], saidOnly: [] })
  })

  it('tell apart what a plan only says, and what makes another camera of it', async () => {
    const [one, other] = [await planFile('one.plan.json'), await planFile('other.plan.json')]
    const steps = (name: string, rows: object) => file(name, JSON.stringify({ rows }))
    const said = steps('said.json', { 'base/exposure.mode@stills': 'program' })
    await run(['plan', 'step', other, said, '--out', other])
    const same = await run(['plan', 'compare', one, other])
    expect(same.output).toMatch(/^Identical in all 0 rows\.\n1 more is decided in one/)
    await run([
      'plan',
      'step',
      other,
      steps('more.json', { 'base/exposure.mode@motion': 'manual' }),
      '--out',
      other,
    ])
    expect((await run(['plan', 'compare', one, other])).output).toContain('Program (as delivered) → Manual')
  })

  it('refuse what does not go together, naming the option or the file', async () => {
    const heron = await planFile('heron.plan.json')
    const duet = await planFile('duet.plan.json', 'varn-duet')
    const script = file('one.txt', 'press nose')
    for (const [args, says] of [
      [['plan', 'check', heron, '--only', 'everything'], '--only: “everything” is none of'],
      [['plan', 'compare', heron, duet], 'plan fit carries one over'],
      [
        ['file', 'write', heron, '--out', join(folder, 'x.set'), '--firmware', '9.9'],
        '--firmware: Heron has firmware',
      ],
      [['file', 'write', heron, '--out', join(folder, 'x.set'), '--at', 'noon'], '--at: Whole seconds'],
      [['file', 'read', heron], 'This is no Salt Shelf card file'],
      [
        ['camera', 'run', script, '--model', 'tarrow-heron'],
        `${script}, line 1: Heron has no control “nose”`,
      ],
      [['camera', 'run', script], 'Say which body'],
      [['camera', 'run', script, '--model', 'no-such'], '--model: There is no model no-such'],
      [['camera', 'run', join(folder, 'none.txt'), '--model', 'tarrow-heron'], 'none.txt'],
    ] as const) {
      const { code, error } = await run(args)
      expect(error).toContain(says)
      expect(code).toBe(1)
    }
    expect((await run(['file', 'write', heron])).code).toBe(2)
  })

  it('refuse a damaged card file with the byte, and compare files of two models not at all', async () => {
    const [heron, duet] = [await planFile('h.plan.json'), await planFile('d.plan.json', 'varn-duet')]
    const [one, two] = [join(folder, 'h.set'), join(folder, 'd.set')]
    for (const [plan, out] of [
      [heron, one],
      [duet, two],
    ] as const)
      expect((await run(['file', 'write', plan, '--out', out])).code).toBe(0)
    expect((await run(['file', 'compare', one, two])).error).toContain('other of a varn-duet')
    expect((await run(['file', 'compare', heron, one])).output).toContain('Identical in all')
    const bytes = readFileSync(one)
    bytes[100] = (bytes[100] ?? 0) ^ 1
    writeFileSync(one, bytes)
    expect((await run(['file', 'read', one])).error).toMatch(/h\.set: byte \d+: The file is damaged/)
  })

  it('end with 1 and the line where a script’s expectation is not met', async () => {
    const script = file('unmet.txt', 'press release\nexpect focus follows')
    const asked = ['camera', 'run', script, '--model', 'tarrow-heron', '--lens', 'tarrow-45']
    const { code, output, error } = await run(asked)
    expect(code).toBe(1)
    expect(error).toContain('line 2: expect focus follows: it is once')
    // The log up to there is told all the same.
    expect(output).toMatch(/^> press release\n[\s\S]*not met: expect focus follows$/)
    expect(JSON.parse((await run([...asked, '--json'])).output)).toMatchObject({
      refusals: [{ code: 'unmet' }],
      played: [{ text: 'press release' }, {}],
    })
  })
})

describe('procedure', () => {
  const night = () => join(folder, 'night.plan.json')

  it('prints every procedure of a plan, and what the simulated body then holds', async () => {
    const listed = await run(['procedure', '--json'])
    const ids = (JSON.parse(listed.output) as { id: string }[]).map(({ id }) => id)
    expect(ids).toContain('first-day')
    for (const id of ids) {
      const to = id === 'carry-by-hand' ? ['--to', 'reed-b'] : []
      const { code, output } = await run(['procedure', id, night(), ...to, '--play', '--json'])
      const { acts, played } = JSON.parse(output) as {
        acts: unknown[]
        played: { refused: unknown[]; differs: unknown[] }
      }
      expect([id, code, acts.length > 0, played.refused]).toEqual([id, 0, true, []])
    }
  })

  it.each([
    [['procedure', 'dance'], 2, 'takes 0 or 2 names'],
    [['procedure', 'dance', 'PLAN'], 1, '“dance” is none of first-day,'],
    [['procedure', 'set-plan', 'PLAN', '--body', 'nobody'], 1, 'The plan speaks of no body nobody'],
    [['procedure', 'set-plan', 'PLAN', '--from', 'believed'], 1, 'delivered'],
    [['procedure', 'rescue', 'PLAN', '--bank', 'dial=none'], 1, 'Dial banks has'],
    [['procedure', 'carry-by-hand', 'PLAN'], 1, 'Say to which bodies'],
    [['procedure', 'firmware-day', 'PLAN', '--to', '9.9'], 1, 'nothing that this procedure can go to'],
  ])('refuses %j with what would do', async (args, code, words) => {
    const ended = await run(args.map((one) => (one === 'PLAN' ? night() : one)))
    expect(ended.code).toBe(code)
    expect(ended.error).toContain(words)
  })
})

describe('number and advise', () => {
  const night = () => join(folder, 'night.plan.json')
  const inPlace = (args: readonly string[]) => run(args.map((one) => (one === 'PLAN' ? night() : one)))

  it('list what they know, with inputs, units and options', async () => {
    const listed = JSON.parse((await run(['number', '--json'])).output) as {
      id: string
      inputs: { unit: string }[]
    }[]
    expect(listed.length).toBeGreaterThan(35)
    expect(listed.find(({ id }) => id === 'film-minutes')?.inputs.map(({ unit }) => unit)).toEqual([
      'GB',
      'Mbit/s',
    ])
    const advised = JSON.parse((await run(['advise', '--json'])).output) as { id: string }[]
    expect(advised.map(({ id }) => id)).toContain('shutter')
  })

  it('answer with data: ranges from least to most, null where there is no end', async () => {
    const { output } = await run([
      'number',
      'burst',
      'rate=8/s',
      'file=24-38MB',
      'buffer=60-95',
      'card=250 MB/s',
      '--json',
    ])
    const { results, unknown } = JSON.parse(output) as {
      results: { id: string; most: number | null }[]
      unknown: string[]
    }
    expect(results.find(({ id }) => id === 'full')?.most).toBeNull()
    expect(unknown).toEqual([])
  })

  it('take an option into a plan, which then has it', async () => {
    const out = join(folder, 'silent.plan.json')
    expect(await inPlace(['advise', 'shutter', 'PLAN', '--take', 'silent', '--out', out])).toMatchObject({
      code: 0,
    })
    const { output } = await run(['advise', 'shutter', out, '--json'])
    const { options } = JSON.parse(output) as { options: { id: string; isNow: boolean }[] }
    expect(options.find(({ isNow }) => isNow)?.id).toBe('silent')
    expect((await run(['advise', 'shutter', out, '--take', 'silent'])).output).toBe(
      'The plan has it already.',
    )
  })

  it('put the film formats side by side, and take one with what gives way', async () => {
    const { output } = await inPlace(['advise', 'formats', 'PLAN'])
    expect(output).toMatch(/wide-100p: .*280 Mbit\/s, 126 GB an hour/)
    const out = join(folder, 'fast.plan.json')
    expect(await inPlace(['advise', 'formats', 'PLAN', '--take', 'wide-100p', '--out', out])).toMatchObject({
      code: 0,
    })
    const { formats } = JSON.parse((await run(['advise', 'formats', out, '--json'])).output) as {
      formats: { id: string; isNow: boolean }[]
    }
    expect(formats.find(({ isNow }) => isNow)?.id).toBe('wide-100p')
  })

  it.each([
    [['number', 'nothing'], 'No figure is called nothing.'],
    [['number', 'needed-iso', 'ev'], 'Write what is given as input=value'],
    [['number', 'needed-iso', 'ev=5', 'ev=6'], 'ev is given twice'],
    [['number', 'needed-iso', 'ev=25', 'aperture=f/2', 'shutter=1/50'], 'EV 18 is sun on snow'],
    [['number', 'needed-iso', '--at', 'base stills'], '--at is of a plan'],
    [['number', 'needed-iso', '--plan', 'PLAN', '--at', 'nowhere'], 'A place is one of base '],
    [['advise', 'wish', 'PLAN', 'need=nothing'], 'The plan has no needs'],
    [['advise', 'weather', 'PLAN'], 'There is no adviser weather; there are shutter'],
    [['advise', 'shutter', 'PLAN', 'silence=perhaps'], 'Silence is one of needed, free.'],
    [['advise', 'shutter', 'PLAN', 'mood=good'], 'No adviser goes by mood.'],
    [['advise', 'formats', 'PLAN', '--take', 'tall-24p'], 'A format is one of open-24p'],
    [['advise', 'shutter', 'PLAN', '--take', 'glass'], 'An option is one of'],
  ])('refuse %j with what would do', async (args, words) => {
    const ended = await inPlace(args)
    expect(ended.code).toBe(1)
    expect(ended.error).toContain(words)
  })
})
