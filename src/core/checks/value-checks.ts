import { agreedValues } from '../vocabulary/agreed'
import { noteRow } from '../plan/rows'
import { baseRow, defaultWhereabouts } from '../plan/cells'
import { showValue, valuesOf } from '../model/domain'
import { settingsIn } from '../model/excerpt'
import { isOfSide } from '../model/sides'
import { lookup } from '../model/lookup'
import { factsOf } from '../rules/condition'
import { workOf } from '../resolve/resolve'
import type { Remark, ResolvedSetting } from '../resolve/resolved'
import { quickFix, ofEachSetting, type Check, type CheckInput, type CheckResult } from './finding'
import { decidedBy, rowOf, settingMeaning } from './meaning'

/** What the body makes of the planned values. */
export const valueChecks: readonly Check[] = [
  {
    id: 'unavailable-value',
    title: 'A value the body refuses',
    severity: 'blocks',
    needs: ['§7'],
    reasonSilences: false,
    run: ofEachSetting((resolved, input) => withRemark(resolved, input, 'unavailable', 'cannot be chosen')),
  },
  {
    id: 'hazard',
    title: 'A value that costs something',
    severity: 'problem',
    cost: 600,
    needs: ['§7'],
    reasonSilences: true,
    run: ofEachSetting((resolved, input) => withRemark(resolved, input, 'hazard', 'has a downside')),
  },
  {
    id: 'value-without-effect',
    title: 'A planned value that does nothing',
    severity: 'tidies',
    joins: true,
    needs: ['J25', '§7'],
    reasonSilences: true,
    run: ofEachSetting((resolved, input) =>
      withRemark(resolved, input, 'ineffective', 'does nothing').filter((said) =>
        Object.hasOwn(input.plan.rows, said.row),
      ),
    ),
  },
  {
    id: 'forced-value',
    title: 'A value the body replaces',
    severity: 'problem',
    joins: true,
    coveredBy: ['motion-shutter'],
    needs: ['§7'],
    reasonSilences: false,
    run: ofEachSetting(forced),
  },
  {
    id: 'test-value',
    title: 'A planned value nobody can say of whether it stands',
    severity: 'tidies',
    needs: ['J10', 'J37'],
    reasonSilences: false,
    run: ofEachSetting(doubtful),
  },
  {
    id: 'sign-misleads',
    title: 'A sign of the camera that is not to be trusted',
    severity: 'tidies',
    needs: ['J49', '§7'],
    reasonSilences: false,
    run: misleadingSigns,
  },
  {
    id: 'marked-dial',
    title: 'A planned value that a marked dial may overrule',
    severity: 'tidies',
    needs: ['J11', 'J33'],
    reasonSilences: true,
    run: markedDials,
  },
  {
    id: 'risk-not-accepted',
    title: 'A risk that nobody has accepted',
    severity: 'problem',
    once: true,
    needs: ['J36'],
    reasonSilences: false,
    run: risks,
  },
  {
    id: 'agreed-default',
    title: 'A setting on which nearly everybody agrees',
    severity: 'tidies',
    needs: ['J46'],
    reasonSilences: true,
    run: agreed,
  },
]

/** Planned values that a marked dial, a ring or a lever decides once it is off the mark at which the menu counts. */
function markedDials(input: CheckInput): CheckResult[] {
  const { model, plan, side, states } = input
  const [one] = states
  const state = one && workOf(one.resolution)?.state
  if (!one || !state) return []
  const marks = model.settings.filter(
    ({ place, id }) => place === 'physical' && one.context.marked?.[id] === undefined,
  )
  return marks.flatMap((mark) => {
    const values = valuesOf(mark.domain) ?? []
    const rules = model.rules.filter(
      ({ when, then }) => 'setting' in then && settingsIn(when).includes(mark.id),
    )
    const touched = [...new Set(rules.flatMap(({ then }) => ('setting' in then ? [then.setting] : [])))]
    return touched.flatMap((id): CheckResult[] => {
      const resolved = one.resolution.settings.get(id)
      if (!resolved || decidedBy(resolved) === null) return []
      const about = new Set(
        rules.filter(({ then }) => 'setting' in then && then.setting === id).map((rule) => rule.id),
      )
      const ready = [...state.rules.replacing, ...(state.rules.remarking.get(`setting/${id}`) ?? [])].filter(
        (rule) => about.has(rule.id),
      )
      const free = values.filter((value) => {
        const facts = {
          read: (fact: string) =>
            fact === `setting/${mark.id}` ? { known: true as const, value } : state.facts.read(fact),
        }
        return ready.every((rule) => rule.holds(facts) === 'no')
      })
      if (free.length === values.length) return []
      const at = free.map((value) => showValue(mark.domain, value)).join(' or ')
      const { domain, label } = resolved.setting
      const asked = showValue(domain, resolved.chain.findLast(({ layer }) => layer !== 'rule')?.value)
      return [
        {
          title:
            at === ''
              ? `${label}: ${mark.label} decides, not ${asked}`
              : `${label}: ${asked} counts only while ${mark.label} stands at ${at}`,
          reason: `${mark.label} is set by hand and marked: no file and no bank moves it. ${at === '' ? 'Each of its marks sets something else.' : 'At any other mark the dial decides.'}`,
          row: rowOf(model, plan, side, resolved),
          seenIn: one,
        },
      ]
    })
  })
}

/** Whether a rule hangs on a marked dial or lever of which nobody says where it stands. */
function hangsOnMark({ model }: CheckInput, rule: string): boolean {
  const found = model.rules.find(({ id }) => id === rule)
  const { settings } = lookup(model)
  return (found ? settingsIn(found.when) : []).some((id) => settings.get(id)?.place === 'physical')
}

function withRemark(
  resolved: ResolvedSetting,
  input: CheckInput,
  kind: Remark['kind'],
  verb: string,
): CheckResult[] {
  const { model, plan, side } = input
  return resolved.remarks
    .filter((remark) => remark.kind === kind && remark.truth === 'yes')
    .filter((remark) => kind !== 'ineffective' || !hangsOnMark(input, remark.rule))
    .map((remark) => ({
      title: `${resolved.setting.label}: ${showValue(resolved.setting.domain, resolved.value)} ${verb}`,
      reason: remark.because,
      row: rowOf(model, plan, side, resolved),
      rule: remark.rule,
    }))
}

function forced(resolved: ResolvedSetting): CheckResult[] {
  const last = resolved.chain.at(-1)
  const asked = resolved.chain.findLast((link) => link.layer !== 'rule')
  const row = asked?.layer === 'dial' ? decidedBy(resolved) : asked?.row
  if (last?.layer !== 'rule' || !asked || !row) return []
  const { domain, label } = resolved.setting
  return [
    {
      severity: 'tidies',
      everywhere: 'problem',
      title: `${label}: the camera replaces ${showValue(domain, asked.value)} by ${showValue(domain, last.value)}`,
      reason: last.because ?? '',
      row,
      ...(last.from === null ? {} : { rule: last.from }),
    },
  ]
}

function doubtful(resolved: ResolvedSetting): CheckResult[] {
  const row = decidedBy(resolved)
  const doubt = resolved.remarks.find((remark) => remark.truth === 'unknown')
  if (row === null || (resolved.possible.length < 2 && !doubt)) return []
  const { domain, label } = resolved.setting
  const values = resolved.possible.map((value) => showValue(domain, value))
  return [
    {
      title: `${label}: ${values.join(' or ')}`,
      reason: `It is not known for certain. ${doubt?.because ?? 'Look at the body after the bank was recalled.'}`,
      row,
      ...(doubt ? { rule: doubt.rule } : {}),
      asks: true,
    },
  ]
}

function misleadingSigns({ model, plan, side, states: situated }: CheckInput): CheckResult[] {
  return situated.flatMap((one) =>
    one.resolution.indicators.flatMap((sign): CheckResult[] => {
      const rule = model.rules.find((each) => each.id === sign.rule)
      const settings = (rule ? factsOf(rule.when) : []).flatMap((fact) =>
        fact.startsWith('setting/') ? [one.resolution.settings.get(fact.slice('setting/'.length))] : [],
      )
      const decided = settings.flatMap((resolved) => (resolved ? [decidedBy(resolved)] : []))
      const row = decided.find((each) => each !== null)
      const [first] = settings
      const fallback = first && baseRow(plan.rows, first.setting, defaultWhereabouts(model, side))
      const place = row ?? (first?.setting.place === 'physical' ? undefined : fallback)
      if (!place || first?.setting.place === 'local') return []
      return [
        {
          title: `The ${signWords[sign.indicator] ?? sign.indicator} ${sign.says === 'absent' ? 'does not show' : 'cannot be trusted'}`,
          reason: sign.because,
          row: place,
          rule: sign.rule,
          asks: sign.truth === 'unknown',
          seenIn: one,
        },
      ]
    }),
  )
}

const signWords: Readonly<Record<string, string>> = {
  confirmation: 'focus confirmation',
  finder: 'finder picture',
  zebra: 'zebra level',
}

/** Values that may harm or hurt: they are never shown as plain good, and wait for a day on which they were accepted. */
const riskyValues: readonly { means: string; value: string | boolean; because: string }[] = [
  {
    means: 'shutter.closeAtPowerOff',
    value: true,
    because: 'A closed shutter keeps dust out, but strong light can burn it and a finger can bend it.',
  },
  {
    means: 'movie.heatLimit',
    value: 'high',
    because: 'The camera gets hot in the hand before it switches off. Use it on a tripod.',
  },
]

function risks({ model, plan, side }: CheckInput): CheckResult[] {
  return riskyValues.flatMap(({ means, value, because }): CheckResult[] => {
    const setting = settingMeaning(model, means)
    const row = setting && baseRow(plan.rows, setting, defaultWhereabouts(model, side))
    if (!setting || row === undefined || plan.rows[row] !== value) return []
    if (Object.hasOwn(plan.rows, noteRow('risk', row))) return []
    return [
      {
        title: `${setting.label}: ${showValue(setting.domain, value)} is a risk`,
        reason: `${because} Accept the risk, or leave it off.`,
        row,
        mends:
          setting.factory === value
            ? []
            : [quickFix(plan, 'Leave it as delivered', 'risk-not-accepted', { [row]: null })],
      },
    ]
  })
}

function agreed({ model, plan, side, states: situated }: CheckInput): CheckResult[] {
  const [one] = situated
  return agreedValues.flatMap(({ means, value, because }): CheckResult[] => {
    const setting = settingMeaning(model, means)
    const resolved = setting && one?.resolution.settings.get(setting.id)
    const [where] = model.sides.filter((one) => setting && isOfSide(setting, one))
    if (!setting || !resolved || (setting.place === 'body' && side !== where)) return []
    if (resolved.value === value || resolved.chain.at(-1)?.layer === 'rule') return []
    const row = rowOf(model, plan, side, resolved)
    const words = showValue(setting.domain, value)
    return [
      {
        title: `${setting.label}: ${showValue(setting.domain, resolved.value)}`,
        reason: `Most photographers set ${words}: ${because.charAt(0).toLowerCase()}${because.slice(1)}`,
        row,
        mends: [quickFix(plan, `Set ${words}`, 'agreed-default', { [row]: value })],
      },
    ]
  })
}
