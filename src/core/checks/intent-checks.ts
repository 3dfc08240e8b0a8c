import {
  type Row,
  type RowId,
  bankRow,
  describeRow,
  idsOf,
  keyRow,
  parseRow,
  rowValue,
  showRow,
  wantedOf,
} from '../plan/rows'
import { lookup } from '../model/lookup'
import { functionAt } from '../plan/assign'
import { sameValue } from '../vocabulary/values'
import { quickFix, type Check, type CheckInput, type CheckResult } from './finding'

type Intent = Extract<Row, { kind: 'intent' }>

/** What needs and schemes want, against what the plan has. */
export const intentChecks: readonly Check[] = [
  {
    id: 'claimed-twice',
    title: 'Two claims on one key',
    severity: 'problem',
    needs: ['J13', 'J44'],
    reasonSilences: false,
    run: (input) =>
      [...grouped(input)].flatMap(([target, claims]): CheckResult[] => {
        const [one, other] = claims
        const clashing = claims.find(
          (claim) => one && !sameValue(value(input, claim.id) ?? '', value(input, one.id) ?? ''),
        )
        if (!one || !other || !clashing) return []
        const words = claims.map(
          (claim) =>
            `${claim.intent.claimant} wants ${showRow(input.model, claim.id, value(input, claim.id))}`,
        )
        return [
          {
            title: `${describeRow(input.model, target)} is wanted for two things`,
            reason: `${words.join('; ')}. Only one fits.`,
            row: one.id,
            mends: claims.map((kept) =>
              quickFix(
                input.plan,
                `Keep what ${kept.intent.claimant} wants`,
                'claimed-twice',
                Object.fromEntries(claims.filter((claim) => claim !== kept).map((claim) => [claim.id, null])),
              ),
            ),
          },
        ]
      }),
  },
  {
    id: 'intent-unmet',
    title: 'Something wanted that the plan does not have',
    severity: 'problem',
    needs: ['J33', 'J44'],
    reasonSilences: false,
    run: (input) => claimsOf(input).flatMap(({ id, intent }) => unmet(input, id, intent)),
  },
]

function unmet(input: CheckInput, id: RowId, { claimant, wants }: Intent): CheckResult[] {
  const { model, plan } = input
  const wanted = value(input, id)
  const words = showRow(model, id, wanted)
  if (wants.kind === 'key') {
    if (functionAt(plan, wants.address) === wanted) return []
    const now = lookup(model).functions.get(functionAt(plan, wants.address) ?? '')?.name ?? 'nothing'
    return [
      {
        title: `${words} is not where ${claimant} wants it`,
        reason: `${wants.address.control.name} has ${now}; ${claimant} wants ${words} there.`,
        row: id,
        mends: [quickFix(plan, `Put ${words} there`, 'intent-unmet', { [keyRow(wants.address)]: wanted })],
      },
    ]
  }
  const { setting, family, slot } = wants
  if (setting.storedBy !== family.id) {
    return [
      {
        title: `${slot.name} cannot keep ${setting.label}`,
        reason: `${claimant} wants ${words} in ${slot.name}, but ${family.name} do not keep ${setting.label}: it stands outside the banks and must be set right by hand.`,
        row: id,
        mends: [quickFix(plan, 'Let go of it', 'intent-unmet', { [id]: null })],
      },
    ]
  }
  const row = bankRow(family.id, slot.id, setting.id)
  if (sameValue(rowValue(plan.rows, row) ?? undefined, wanted ?? undefined)) return []
  return [
    {
      title: `${slot.name} does not have what ${claimant} wants`,
      reason: `${setting.label} is ${showRow(model, row, rowValue(plan.rows, row))} there; ${claimant} wants ${words}.`,
      row: id,
      mends: [quickFix(plan, `Set ${words}`, 'intent-unmet', { [row]: wanted })],
    },
  ]
}

/** Intents on this side; those in slots are looked at once. */
function claimsOf({ model, plan, side, first }: CheckInput): { id: RowId; intent: Intent }[] {
  return idsOf(plan.rows)
    .filter((id) => wantedOf(id) !== null)
    .sort()
    .flatMap((id) => {
      const row = parseRow(model, id)
      if (!row.ok || row.value.kind !== 'intent') return []
      const { wants } = row.value
      const mine =
        wants.kind === 'key' && wants.address.side !== 'playback' ? wants.address.side === side : first
      return mine ? [{ id, intent: row.value }] : []
    })
}

function grouped(input: CheckInput): Map<RowId, { id: RowId; intent: Intent }[]> {
  const groups = new Map<RowId, { id: RowId; intent: Intent }[]>()
  for (const claim of claimsOf(input)) {
    const target = wantedOf(claim.id)
    if (target === null) continue
    groups.set(target, [...(groups.get(target) ?? []), claim])
  }
  return groups
}

function value({ plan }: CheckInput, id: RowId) {
  return rowValue(plan.rows, id)
}
