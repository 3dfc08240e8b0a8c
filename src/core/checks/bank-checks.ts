import { baseRow, baseValue, defaultWhereabouts, narrowedBy } from '../plan/cells'
import { bankFactRow, bankRow, rowValue } from '../plan/rows'
import { showValue } from '../model/domain'
import { lookup } from '../model/lookup'
import { leastWidth } from '../model/widths'
import { sharesOf } from '../banks/leaks'
import { putBack } from '../plan/bulk'
import { unshare } from '../plan/share'
import { plannedSlots, type PlannedSlot } from '../plan/plan'
import { companions } from '../vocabulary/companions'
import { reportedStray } from '../plan/stray'
import { quickFix, type Check, type CheckInput, type CheckResult } from './finding'

/** What is wrong with the banks; each slot is looked at on its own side. */
export const bankChecks: readonly Check[] = [
  {
    id: 'residue',
    title: 'A bank keeps what was left over from the one it was started from',
    severity: 'problem',
    needs: ['J29'],
    reasonSilences: true,
    run: (input) => slots(input).flatMap((slot) => stray(input, slot, 'residue')),
  },
  {
    id: 'row-not-kept',
    title: 'A bank is given what it keeps only while it is widened',
    severity: 'problem',
    needs: ['J28', 'J29'],
    reasonSilences: true,
    run: (input) => slots(input).flatMap((slot) => notKept(input, slot)),
  },
  {
    id: 'drift',
    title: 'A bank differs where nobody meant it to',
    severity: 'tidies',
    needs: ['J32'],
    reasonSilences: true,
    run: (input) => slots(input).flatMap((slot) => stray(input, slot, 'drift')),
  },
  {
    id: 'meant-but-equal',
    title: 'A bank was meant to differ and does not',
    severity: 'tidies',
    needs: ['J29', 'J34'],
    reasonSilences: true,
    run: (input) => slots(input).flatMap((slot) => meantButEqual(input, slot)),
  },
  {
    id: 'incomplete-bank',
    title: 'A bank without a purpose or a way out',
    severity: 'tidies',
    many: 'banks are not fully described',
    needs: ['J29', 'J34'],
    reasonSilences: true,
    run: ({ plan, ...input }) =>
      slots({ plan, ...input }).flatMap((slot): CheckResult[] => {
        const lacks = (['purpose', 'fallback'] as const).filter(
          (fact) => rowValue(plan.rows, bankRow(slot.family, slot.slot, fact)) === null,
        )
        if (lacks.length === 0) return []
        const words = { purpose: 'what it is for', fallback: 'what to do when it is the wrong one' }
        return [
          {
            title: `${slot.name} is not fully described`,
            reason: `Still to write down: ${lacks.map((fact) => words[fact]).join(' and ')}.`,
            row: bankFactRow(slot.family, slot.slot, 'side'),
          },
        ]
      }),
  },
  {
    id: 'companions',
    title: 'A bank varies something, and nothing of what goes with it',
    severity: 'tidies',
    many: 'choices in banks may want others to go with them',
    needs: ['J20', 'J27'],
    reasonSilences: true,
    run: (input) => slots(input).flatMap((slot) => withoutCompanions(input, slot)),
  },
  {
    id: 'same-name',
    title: 'Two banks with one name',
    severity: 'problem',
    once: true,
    needs: ['J34'],
    reasonSilences: false,
    run: ({ model, plan }) => {
      const all = plannedSlots(model, plan)
      return all.flatMap((slot, i): CheckResult[] => {
        const twin = all.slice(0, i).find((one) => one.family === slot.family && one.name === slot.name)
        const row = bankFactRow(slot.family, slot.slot, 'name')
        if (!twin) return []
        return [
          {
            title: `Two banks are called ${slot.name}`,
            reason: `You will see the same name at ${twin.slot} and at ${slot.slot}.`,
            row,
            mends: Object.hasOwn(plan.rows, row)
              ? [quickFix(plan, 'Use the word of the camera', 'same-name', { [row]: null })]
              : [],
          },
        ]
      })
    },
  },
  {
    id: 'record-bank-unused',
    title: 'The record key in stills films with a bank that is not there',
    severity: 'problem',
    once: true,
    needs: ['J31'],
    reasonSilences: false,
    run: recordBank,
  },
  {
    id: 'shared-leak',
    title: 'A value of one side that is in force on the other',
    severity: 'tidies',
    once: true,
    needs: ['J28'],
    reasonSilences: true,
    run: ({ model, plan }) =>
      sharesOf(model, plan).flatMap(({ setting, values, row, leak }): CheckResult[] => {
        const apart = leak === null ? null : unshare(plan, setting, model.sides, `mend shared-leak ${row}`)
        if (leak === null || !apart?.ok) return []
        return [
          {
            title: `Stills and motion share ${setting.label}, ${values[0] ?? ''}`,
            reason: `What you set for one side is in force on the other: ${leak}.`,
            row,
            mends: [{ label: 'Keep them apart', step: apart.value }],
          },
        ]
      }),
  },
  {
    id: 'keeping-unknown',
    title: 'Nobody can say whether banks keep what is changed in the field',
    severity: 'tidies',
    needs: ['J30'],
    reasonSilences: false,
    run: (input) =>
      [...new Set(slots(input).map((slot) => slot.family))].flatMap((id): CheckResult[] => {
        const family = input.model.families.find((one) => one.id === id)
        const doubt = lookup(input.model).doubts.get(`families/${id}/keeping`)
        const [slot] = slots(input).filter((one) => one.family === id)
        if (!family || !doubt || !slot) return []
        return [
          {
            title: `${family.name}: it is not known whether changes made on the camera are stored`,
            reason: `Snapshot: field changes vanish on leaving. Live: every change stays, wanted or not. ${doubt.test}`,
            row: bankFactRow(slot.family, slot.slot, 'side'),
            asks: true,
          },
        ]
      }),
  },
]

function slots({ model, plan, side }: Pick<CheckInput, 'model' | 'plan' | 'side'>): PlannedSlot[] {
  return plannedSlots(model, plan).filter((slot) => slot.side === side)
}

/** What a bank varies without one of the settings that go with it, though it could store them. */
function withoutCompanions({ model, plan }: CheckInput, slot: PlannedSlot): CheckResult[] {
  const { byMeaning } = lookup(model)
  return companions.flatMap(({ cause, others, because }): CheckResult[] => {
    const varied = byMeaning.get(cause)
    if (!varied || slot.rows[varied.id] === undefined) return []
    const all = others.flatMap((id) => byMeaning.get(id) ?? [])
    const could = all.filter(({ storedBy }) => storedBy === slot.family)
    const outside = all.filter((one) => !could.includes(one)).map(({ label }) => label)
    if (could.length === 0 || could.some(({ id }) => slot.rows[id] !== undefined)) return []
    const row = bankRow(slot.family, slot.slot, varied.id)
    const value = rowValue(plan.rows, row)
    if (value === null) return []
    return [
      {
        title: `${slot.name}: does ${could.map(({ label }) => label).join(', ')} go with ${varied.label}: ${showValue(varied.domain, value)}?`,
        reason: `${because} Vary what has to go with it, or say that it is meant so.${outside.length > 0 ? ` No bank stores ${outside.join(', ')}: set it by hand.` : ''}`,
        row,
      },
    ]
  })
}

/** Rows that a family keeps only while a menu item widens it, in a plan that leaves it narrow. */
function notKept({ model, plan, side }: CheckInput, slot: PlannedSlot): CheckResult[] {
  const family = model.families.find(({ id }) => id === slot.family)
  return model.settings.flatMap((setting): CheckResult[] => {
    const row = bankRow(slot.family, slot.slot, setting.id)
    if (setting.storedBy !== slot.family || slot.rows[setting.id] === undefined) return []
    const widener = narrowedBy(model, plan.rows, setting, side)
    if (!family || !widener) return []
    const needed = `${widener.label}: ${showValue(widener.domain, leastWidth(setting))}`
    const widen = baseRow(plan.rows, widener, defaultWhereabouts(model, side))
    return [
      {
        title: `${slot.name} does not store ${setting.label}`,
        reason: `${family.name} store it only with ${needed}. As planned it stays as base has it.`,
        row,
        mends: [
          quickFix(plan, needed, 'row-not-kept', { [widen]: leastWidth(setting) }),
          quickFix(plan, 'Leave it as base', 'row-not-kept', { [row]: null }),
        ],
      },
    ]
  })
}

function stray(input: CheckInput, slot: PlannedSlot, kind: 'residue' | 'drift'): CheckResult[] {
  const { model, plan, side } = input
  const found = reportedStray(model, plan, slot)[kind]
  const started = String(rowValue(plan.rows, bankFactRow(slot.family, slot.slot, 'startedFrom')))
  const from = plannedSlots(model, plan).find((one) => one.family === slot.family && one.slot === started)
  const source = from?.name ?? started
  return found.flatMap((id): CheckResult[] => {
    const setting = lookup(model).settings.get(id)
    const value = slot.rows[id]
    if (!setting || value === undefined) return []
    const [has, base] = [value, baseValue(model, plan.rows, setting, side)].map((one) =>
      showValue(setting.domain, one),
    )
    const row = bankRow(slot.family, slot.slot, id)
    const origin =
      kind === 'residue'
        ? `as in ${source}, which it was started from`
        : 'and it is not listed as meant to differ'
    return [
      {
        title: `${slot.name}: ${setting.label} is ${has ?? ''}`,
        reason: `Base has ${base ?? ''}; ${slot.name} differs, ${origin}.`,
        row,
        mends: [
          quickFix(plan, `Put ${setting.label} back to base`, kind, { [row]: null }),
          ...(found.length > 1
            ? [
                {
                  label: `Put all ${found.length} back`,
                  step: putBack(model, plan, slot, [kind], `mend ${kind} ${slot.slot}`),
                },
              ]
            : []),
        ],
      },
    ]
  })
}

function meantButEqual({ model, plan }: CheckInput, slot: PlannedSlot): CheckResult[] {
  const row = bankFactRow(slot.family, slot.slot, 'meant')
  const listed = rowValue(plan.rows, row)
  const equal = (Array.isArray(listed) ? (listed as string[]) : []).filter(
    (id) => slot.rows[id] === undefined,
  )
  if (equal.length === 0) return []
  const labels = equal.map((id) => lookup(model).settings.get(id)?.label ?? id)
  return [
    {
      title: `${slot.name} does not differ in ${labels.join(', ')}`,
      reason: `${equal.length === 1 ? 'It is' : 'They are'} listed as meant to differ, but ${slot.name} has what base has. Stored before it was varied?`,
      row,
    },
  ]
}

/** In stills the record key may film with one named bank, whatever was last used: then that bank has to be there. */
function recordBank({ model, plan, side, states: situated }: CheckInput): CheckResult[] {
  const { filming } = model
  const [one] = situated
  if (side !== 'stills' || filming?.fromStills !== 'named' || !filming.namedBy || !one) return []
  const named = one.resolution.settings.get(filming.namedBy)
  const used = plannedSlots(model, plan).filter(
    (slot) => slot.side === 'motion' && slot.family === filming.family,
  )
  const missing = named?.possible.find((id) => id !== 'plain' && !used.some((slot) => slot.slot === id))
  if (!named || missing === undefined) return []
  const { setting } = named
  const row = baseRow(plan.rows, setting, defaultWhereabouts(model, side))
  const ways = ['plain', ...used.map((slot) => slot.slot)]
  return [
    {
      title: `The record key in stills films with ${showValue(setting.domain, missing)}, which is not set up`,
      reason: `${setting.label} names it, and no bank of the plan stands there for motion.`,
      row,
      asks: named.possible.length > 1,
      mends: ways.map((way) =>
        quickFix(plan, `Film with ${showValue(setting.domain, way)}`, 'record-bank-unused', { [row]: way }),
      ),
    },
  ]
}
