import {
  type NoteName,
  type Rows,
  bodyFirmwareRow,
  describeRow,
  idsOf,
  isBodyRow,
  localRow,
  noteRow,
  notedRow,
  parseRow,
  readStamp,
} from '../plan/rows'
import { bodyTags, firmwareOfBodies } from '../plan/bodies'
import { lackingFor } from '../plan/lacking'
import { lookup } from '../model/lookup'
import type { BodyModel } from '../model/types'
import type { Plan } from '../plan/plan'
import { firmwareNumber } from '../rules/facts'
import { newestFirmware } from '../resolve/context'
import { quickFix, type Check, type CheckInput, type CheckResult } from './finding'
import { settingMeaning } from './meaning'

/** Several bodies, and the record of who decided what; each looked at once for the whole plan. */
export const bodyChecks: readonly Check[] = [
  {
    id: 'prefix-clash',
    title: 'Two bodies give their files the same name',
    severity: 'problem',
    once: true,
    needs: ['J39'],
    reasonSilences: false,
    run: prefixClash,
  },
  {
    id: 'look-alike',
    title: 'Another model is taken for this one',
    severity: 'tidies',
    once: true,
    needs: ['J40', '§7'],
    reasonSilences: false,
    run: ({ model, plan }) => {
      const row = idsOf(plan.rows).find((id) => isBodyRow(id))
      if (!row) return []
      return model.lookAlikes.map((other) => ({
        title: `Make sure that it is a ${model.name}`,
        reason: `${other.tellApart} A file of ${model.name} is refused by the other.`,
        row,
        rule: other.model,
        asks: true,
      }))
    },
  },
  {
    id: 'needs-newer-firmware',
    title: 'Something that the firmware of a body cannot hold',
    severity: 'blocks',
    once: true,
    needs: ['J36', 'J40'],
    reasonSilences: false,
    run: needsNewer,
  },
  {
    id: 'older-firmware',
    title: 'Decided on an older firmware',
    severity: 'tidies',
    once: true,
    needs: ['J36', 'J40'],
    reasonSilences: false,
    many: 'rows were decided on an older firmware',
    run: decidedBefore,
  },
  {
    id: 'first-but-unsure',
    title: 'Among the first, and not decided',
    severity: 'tidies',
    once: true,
    needs: ['J36', 'J41', 'J48'],
    reasonSilences: false,
    run: ({ model, plan }) =>
      notes(plan.rows, 'priority').flatMap(({ about, value }): CheckResult[] => {
        const sure = plan.rows[noteRow('sure', about)]
        if (value === 'rest' || (sure !== 'open' && sure !== 'hearsay')) return []
        return [
          {
            title: `${describeRow(model, about)} is among the first, and ${sure === 'open' ? 'open' : 'hearsay'}`,
            reason: 'It is to be set first, but it is neither decided nor tried.',
            row: about,
            asks: true,
          },
        ]
      }),
  },
]

/** Rows that were decided on an older firmware than their body runs now, and the way to say that all of them were seen. */
function decidedBefore({ model, plan }: CheckInput): CheckResult[] {
  const old = notes(plan.rows, 'decidedOn').flatMap(({ about, value, id }) => {
    const { firmware, body } = readStamp(value)
    const now = firmwareNow(model, plan, body)
    const isOld = (firmwareNumber(firmware) ?? 0) < (firmwareNumber(now.firmware) ?? 0)
    const seen = now.tag === null ? now.firmware : `${now.firmware} ${now.tag}`
    return isOld ? [{ about, id, firmware, now, seen }] : []
  })
  const every = Object.fromEntries(old.map(({ id, seen }) => [id, seen]))
  const all =
    old.length > 1 ? [quickFix(plan, `All ${old.length} seen with it`, 'older-firmware', every)] : []
  return old.map(({ about, id, firmware, now, seen }) => {
    const brought = model.firmware.find(({ version }) => version === now.firmware)?.brings ?? ''
    const runs = now.tag === null ? `${now.firmware} is out` : `${now.tag} runs ${now.firmware} now`
    return {
      title: `${describeRow(model, about)} was decided on firmware ${firmware}`,
      reason: `${runs}: ${brought} Check it on the body.`,
      row: about,
      asks: true,
      mends: [...all, quickFix(plan, `Seen with ${now.firmware}`, 'older-firmware', { [id]: seen })],
    }
  })
}

/** The firmware of a body now; where nothing is said of it, the newest that any body runs, and else the model's newest. */
function firmwareNow(
  model: BodyModel,
  plan: Plan,
  body: string | null,
): { readonly firmware: string; readonly tag: string | null } {
  const known = firmwareOfBodies(plan)
  return (
    known.find(({ tag }) => tag === body) ?? known.at(-1) ?? { firmware: newestFirmware(model), tag: null }
  )
}

/** Rows that a body cannot hold with the firmware the plan says it runs. */
function needsNewer({ model, plan }: CheckInput): CheckResult[] {
  return firmwareOfBodies(plan).flatMap(({ tag, firmware }) =>
    lackingFor(model, plan, tag, firmware).map(({ row, words }) => ({
      title: `Body ${tag} cannot hold ${describeRow(model, row)}`,
      reason: `${words}; ${tag} runs ${firmware}.`,
      row: Object.hasOwn(plan.rows, row) ? row : bodyFirmwareRow(tag),
    })),
  )
}

function prefixClash({ model, plan }: CheckInput): CheckResult[] {
  const setting = settingMeaning(model, 'files.prefix')
  if (setting?.place !== 'local') return []
  const tags = bodyTags(plan)
  const prefix = (tag: string) => plan.rows[localRow(tag, setting.id)]
  return tags.flatMap((tag, i): CheckResult[] => {
    const twin = tags
      .slice(0, i)
      .find((one) => (prefix(one) ?? setting.factory) === (prefix(tag) ?? setting.factory))
    const row = localRow(tag, setting.id)
    if (!twin || !parseRow(model, row).ok) return []
    const menu = lookup(model).menuAddress.get(setting.id) ?? ''
    const isSaid = [prefix(tag), prefix(twin)].some((one) => one !== undefined)
    const asDelivered = isSaid ? '' : ' as delivered, and nothing else is said of either'
    return [
      {
        title: `${twin} and ${tag} give their files the same name`,
        reason: `${setting.label} is ${String(prefix(tag) ?? setting.factory)} on both${asDelivered}: files of one overwrite those of the other in a shared folder. ${menu}`,
        row,
        asks: !isSaid,
      },
    ]
  })
}

/** Notes of one kind with what they are about, in order. */
function notes(rows: Rows, note: NoteName) {
  return idsOf(rows)
    .sort()
    .flatMap((id) => {
      const about = notedRow(id, note)
      return about === null ? [] : [{ id, about, value: rows[id] }]
    })
}
