import { ladderSteps, showValue } from '../model/domain'
import { domainOf } from '../model/lookup'
import type { BodyModel } from '../model/types'
import { shutterForRate, showStops } from '../numbers/motion'
import type { Plan } from '../plan/plan'
import { bankRow } from '../plan/rows'
import { baseRow, plainly } from '../plan/cells'
import { setRows } from '../plan/step'
import { whereaboutsIn, type Context } from '../resolve/context'
import type { Remark, ResolvedSetting } from '../resolve/resolved'
import { stepOf } from '../vocabulary/ladders'
import { contextName, merged, type Check, type CheckInput, type Finding, type Severity } from './finding'

/** A value the body refuses in some bank or with some lens: it blocks, and the plan keeps it as asked. */
export const unavailableValues: Check = {
  id: 'unavailable-value',
  title: 'A value the body refuses',
  run: (input) => valuesWithRemark(input, 'unavailable', 'blocks', 'cannot be chosen'),
}

/** A value that works but costs. */
export const hazardousValues: Check = {
  id: 'hazard',
  title: 'A value that costs something',
  run: (input) => valuesWithRemark(input, 'hazard', 'trips', 'has a price'),
}

/** A planned value that a rule replaces: asked → got. */
export const forcedValues: Check = {
  id: 'forced-value',
  title: 'A value the body replaces',
  run: ({ model, plan, side, situated }) =>
    merged(
      situated.flatMap((one) =>
        [...one.resolution.settings.values()].flatMap((resolved): Finding[] => {
          const last = resolved.chain.at(-1)
          const asked = resolved.chain.findLast((link) => link.layer !== 'rule')
          if (last?.layer !== 'rule' || !asked || asked.layer === 'factory') return []
          const { domain, label } = resolved.setting
          return [
            {
              check: 'forced-value',
              severity: 'tidies',
              title: `${label}: asked ${showValue(domain, asked.value)}, got ${showValue(domain, last.value)}`,
              reason: last.because ?? '',
              row: asked.from ?? baseRow(plan.rows, resolved.setting, plainly(model, side)),
              side,
              contexts: [contextName(one)],
              of: situated.length,
              rule: last.from,
              mend: null,
            },
          ]
        }),
      ),
    ),
}

/** Further off than this, in stops, a motion shutter is pointed out: two thirds of a stop are seen as a look. */
const shutterToleranceStops = 0.34

/** A motion shutter far from the half-turn the frame rate asks for, with the step that sets it. */
export const motionShutter: Check = {
  id: 'motion-shutter',
  title: 'A shutter that does not fit the frame rate',
  run: ({ model, plan, side, situated }) => {
    if (side !== 'motion') return []
    return merged(
      situated.flatMap((one) => {
        const asked = shutterAsked(model, one.resolution.settings)
        if (!asked || Math.abs(asked.offStops) <= shutterToleranceStops) return []
        const row = shutterRow(model, plan, one.context)
        return [
          {
            check: 'motion-shutter',
            severity: 'trips' as const,
            title: `${asked.rate} asks for ${asked.wanted}, not ${asked.now}`,
            reason: `${asked.formula}; the nearest step is ${asked.wanted}. ${asked.now} is ${showStops(asked.offStops)} from it, and movement will look ${asked.offStops < 0 ? 'choppy' : 'smeared'}.`,
            row,
            side,
            contexts: [contextName(one)],
            of: situated.length,
            rule: null,
            mend: {
              label: `Set ${asked.wanted}`,
              step: setRows(plan, `mend motion-shutter ${row}`, { [row]: asked.wanted }),
            },
          },
        ]
      }),
    )
  },
}

/** The shutter a state's frame rate asks for against the one it has; null when the model has no such settings. */
export function shutterAsked(model: BodyModel, settings: ReadonlyMap<string, ResolvedSetting>) {
  const byMeaning = (means: string) => [...settings.values()].find((one) => one.setting.means === means)
  const [rate, shutter] = [byMeaning('movie.frameRate'), byMeaning('exposure.shutter')]
  const frames = stepOf('frameRate', rate?.value)
  const now = stepOf('shutter', shutter?.value)
  const domain = shutter ? domainOf(model, shutter.setting.id) : null
  if (!rate || !frames || !now || domain?.kind !== 'ladder') return null
  const asked = shutterForRate(frames.amount, 180, ladderSteps(domain))
  return {
    ...asked,
    rate: frames.mark,
    now: now.mark,
    wanted: asked.step.mark,
    offStops: Math.log2(now.amount / asked.step.amount),
  }
}

function shutterRow(model: BodyModel, plan: Plan, context: Context): string {
  const setting = model.settings.find((one) => one.means === 'exposure.shutter')
  if (!setting) throw new Error('asked only when the model has a shutter setting')
  const slot = setting.storedBy === null ? null : (context.banks[setting.storedBy] ?? null)
  return slot === null || setting.storedBy === null
    ? baseRow(plan.rows, setting, whereaboutsIn(model, context))
    : bankRow(setting.storedBy, slot, setting.id)
}

function valuesWithRemark(
  { model, plan, side, situated }: CheckInput,
  kind: Remark['kind'],
  severity: Severity,
  verb: string,
): Finding[] {
  const seen = situated.flatMap((one) =>
    [...one.resolution.settings.values()].flatMap((resolved) =>
      resolved.remarks
        .filter((remark) => remark.kind === kind && remark.truth === 'yes')
        .map((remark): Finding => {
          const row = resolved.chain.findLast((link) => link.layer === 'bank' || link.layer === 'base')?.from
          const place = row ?? baseRow(plan.rows, resolved.setting, plainly(model, side))
          return {
            check: kind === 'hazard' ? 'hazard' : 'unavailable-value',
            severity,
            title: `${resolved.setting.label}: ${showValue(resolved.setting.domain, resolved.value)} ${verb}`,
            reason: remark.because,
            row: place,
            side,
            contexts: [contextName(one)],
            of: situated.length,
            rule: remark.rule,
            mend: null,
          }
        }),
    ),
  )
  return merged(seen).filter(
    (finding) => !(kind === 'hazard' && Object.hasOwn(plan.rows, `why/${finding.row}`)),
  )
}
