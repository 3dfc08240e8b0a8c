import { type WrittenRows, situationRow } from '@/core/plan/rows'
import { createHash } from 'node:crypto'
import { bodiesIn } from '@/core/inventory/records'
import { newestFirmware } from '@/core/resolve/context'
import type { BodyModel } from '@/core/model/types'
import { emptyPlan } from '@/core/plan/plan'
import { applyStep, setRows } from '@/core/plan/step'
import type { Step } from '@/core/sync/step'
import { situationRows } from '@/core/reach/needs'
import { must } from '@/core/result'
import { readySets } from '@/core/vocabulary/situations'
import { putBody } from './bodies'
import { localOwner, query } from './db'
import { broughtIn } from './files'
import { duetRows } from './demo-duet'
import { theatreInventory } from './demo-inventory'
import { setInventory, simulated } from './inventory'
import { definitions } from './models'
import { createPlan, loadPlan, savePlan } from './plans'

/** Ids of everything the demo owns: a reset removes these and nothing else. */
export const demo = {
  plan: 'de000000-0000-4000-8000-000000000001',
  film: 'de000000-0000-4000-8000-000000000002',
  bodyA: 'de000000-0000-4000-8000-00000000000a',
  bodyB: 'de000000-0000-4000-8000-00000000000b',
  spare: 'de000000-0000-4000-8000-00000000000c',
  workshop: 'de000000-0000-4000-8000-00000000000d',
} as const

/** True when the demo is in the store, whole: its plan is filled last, in one transaction. */
export async function demoIsThere(): Promise<boolean> {
  return (await query('select 1 from plans where id = $1 and version > 0', [demo.plan])).length > 0
}

/**
 * Removes the demo's plans, with the revisions, files and transfers that came of them, but for files that somebody also
 * brought in; its bodies stay, to be restored.
 */
export async function removeDemo(): Promise<void> {
  await query(
    `delete from files where owner_id = $1 and position($3 in note) = 0
       and revision_id in (select id from revisions where plan_id = any($2))`,
    [localOwner, [demo.plan, demo.film], broughtIn],
  )
  await query('delete from plans where id = any($1) and owner_id = $2', [[demo.plan, demo.film], localOwner])
}

/** A small touring puppet theatre: two bodies of one model, a spare, one for the workshop, and the plan for its night rehearsals. */
export async function makeDemo(): Promise<void> {
  const { models } = await definitions()
  const called = (id: string) => {
    const model = models.find((one) => one.id === id)
    if (!model) throw new Error(`the demo needs the model ${id}`)
    return model
  }
  const heron = called('tarrow-heron')
  for (const body of bodiesIn({ rows: theatreInventory })) {
    const { id, model } = demoBodies[body.tag as keyof typeof demoBodies]
    const its = called(model)
    await putBody({ id, model: its, ...simulated(its, body, body.firmware ?? newestFirmware(its)) })
  }
  // A record at a time, so that undo takes back one at a time.
  for (const rows of recordsIn(theatreInventory)) await setInventory(rows)
  await createPlan(called('varn-duet'), duetRows, demo.film)
  await createPlan(heron, {}, demo.plan)
  const { epoch } = must(await loadPlan(demo.plan))
  const save = { epoch, basedOn: 0, head: null, steps: demoSteps(heron), ask: [] }
  const answer = must(await savePlan(demo.plan, { save, unreadable: null }))
  if (answer.kind !== 'saved') throw new Error(`the demo plan was not saved: ${JSON.stringify(answer)}`)
}

/** The steps that make the demo plan, from empty, in the order an owner would take them. */
export function demoSteps(model: BodyModel): Step[] {
  let plan = emptyPlan(model)
  return demoRows.map((rows, i) => {
    const step = setRows(plan, demoStepId(i), rows)
    plan = must(applyStep(model, plan, step))
    return step
  })
}

const demoRows: readonly WrittenRows[] = [
  {
    title: 'Night rehearsals',
    purpose: 'A puppet show by LED light, in silence, two people finding the same keys in the dark.',
    'lens/tarrow-45': true,
    'lens/attic-90': true,
  },
  {
    'base/exposure.mode@stills': 'manual',
    'base/exposure.shutter@stills': '1/125',
    'base/exposure.aperture@stills': 'f/2',
    'base/exposure.isoAutoCeiling@stills': 'ISO 12800',
    'base/focus.area@stills': 'point',
    'base/focus.mode@stills': 'follow',
    'base/focus.detection@stills': false,
    'base/focus.halfPress@stills': false,
    'base/image.kind': 'both',
    'base/focus.lamp': false,
    'base/body.sounds': false,
    'base/shutter.withoutCard': false,
    'base/files.owner': 'Lanternfold Puppet Theatre',
    'why/base/focus.detection@stills':
      'Puppet faces fool eye detection, so it is off until a key asks for it.',
    'why/base/body.sounds': 'The house must stay silent.',
    'line/flash.highSpeed': 'not-mine',
    'line/flash.slowestShutter': 'not-mine',
    'line/flash.isoCeiling': 'not-mine',
    'line/network.remote': 'left',
    'line/network.wireless': 'left',
    'line/power.save': 'left',
    'why/line/power.save': 'Dimming by itself is taken for a fault in the dark.',
    'sure/line/power.save': 'trial',
    'priority/base/body.sounds': 'first-four',
    'priority/base/focus.lamp': 'first-four',
  },
  {
    'base/exposure.mode@motion': 'manual',
    'base/exposure.shutter@motion': '1/50',
    'base/exposure.aperture@motion': 'f/2.8',
    'base/exposure.iso@motion': 'ISO 800',
    'base/exposure.isoAuto@motion': false,
    'base/colour.balanceMode@motion': 'kelvin',
    'base/colour.kelvin@motion': '3200 K',
    'base/focus.mode@motion': 'follow',
    'base/audio.windFilter': false,
    'base/assist.zebra@motion': true,
    'why/base/colour.kelvin@motion': 'The footlights are 3200 K; the balance must not wander between takes.',
  },
  { 'body/heron-a/files.prefix': 'LHA', 'body/heron-b/files.prefix': 'LHB' },
  {
    'key/stills/thumb-key/press': 'start-focus-eyes',
    'key/stills/cheek-key/press': 'start-focus-point',
    'key/stills/thumb-wheel/tilt-left': 'nothing',
    'key/stills/thumb-wheel/tilt-right': 'nothing',
    'key/stills/sill-third/press': 'silent',
    'key/stills/ridge-key/press': 'magnifier',
    'why/key/stills/thumb-key/press': 'Found in the dark; faces of people only when asked for.',
    'why/key/stills/thumb-wheel/tilt-left': 'Tilted by mistake while turning the wheel.',
    'why/key/stills/thumb-wheel/tilt-right': 'Tilted by mistake while turning the wheel.',
  },
  {
    'key/motion/thumb-key/press': 'start-focus',
    'key/motion/cheek-key/press': 'keep-white',
    'key/motion/crest-key/press': 'log-graded',
    'why/key/motion/thumb-key/press': 'The same key as in stills; exposure is by hand when filming.',
  },
  {
    'bank/dial/ebb/side': 'motion',
    'bank/dial/ebb/name': 'Interviews',
    'bank/dial/ebb/purpose': 'Talks with the players at 25p.',
    'bank/dial/ebb/movie.frameRate': '25p',
    'bank/dial/ebb/movie.profile': 'log',
    'bank/dial/ebb/movie.bits': 'ten',
  },
  {
    'bank/dial/flow/side': 'motion',
    'bank/dial/flow/name': 'Changes',
    'bank/dial/flow/purpose': 'Scene changes in slow motion at 100p.',
    'bank/dial/flow/movie.frameRate': '100p',
    'bank/dial/flow/exposure.iso': 'ISO 3200',
  },
  {
    'bank/dial/slack/side': 'stills',
    'bank/dial/slack/name': 'Rehearsal',
    'bank/dial/slack/purpose': 'Dark rehearsal under LED stage light, in silence.',
    'bank/dial/slack/shutter.kind': 'silent',
    'bank/dial/slack/exposure.isoAutoCeiling': 'ISO 25600',
  },
  {
    ...workOf('stage', 'Dark rehearsal'),
    ...workOf('workbench', 'Workshop bench'),
    ...workOf('copy-stand', 'Costume pieces'),
    ...workOf('portraits', 'Foyer portraits'),
    ...workOf('interviews', 'Players’ interviews'),
    ...workOf('slow-motion', 'Scene changes'),
    'situation/stage/bank': 'dial/slack',
    'situation/stage/subject': 'puppets',
    'situation/stage/lamps': 'measured',
    'situation/interviews/bank': 'dial/ebb',
    'situation/interviews/opens': ['lossless', 'ten-bit', 'long-gop'],
    'situation/slow-motion/bank': 'dial/flow',
    'need/stage/shutter.kind': ['12'],
    'need/stage/focus.detectionEye': ['15', 'finder'],
    'owner/target': 80,
  },
]

/** A situation begun from a ready set, under the theatre's own name. */
function workOf(id: string, name: string): WrittenRows {
  const set = readySets.find((one) => one.id === id)
  if (!set) throw new Error(`there is no ready set ${id}`)
  return { ...situationRows(set, id), [situationRow(id, 'name')]: name }
}

/** Rows by the record they are of. */
function recordsIn(rows: WrittenRows): WrittenRows[] {
  const records = new Map<string, WrittenRows>()
  for (const [id, value] of Object.entries(rows)) {
    const of = id.slice(0, id.lastIndexOf('/'))
    records.set(of, { ...records.get(of), [id]: value })
  }
  return [...records.values()]
}

/** The bodies by tag: the ids that the demo knows them under; what else is known of them is in the inventory. */
const demoBodies = {
  'heron-a': { id: demo.bodyA, model: 'tarrow-heron' },
  'heron-b': { id: demo.bodyB, model: 'tarrow-heron' },
  duet: { id: demo.spare, model: 'varn-duet' },
  pocket: { id: demo.workshop, model: 'pell-pocket' },
} as const

function demoStepId(i: number): string {
  const hex = createHash('sha256').update(`demo step ${i}`).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}
