import { lookup } from '../model/lookup'
import { addressesWith, functionAt } from '../plan/assign'
import { keyRow } from '../plan/rows'
import { rowValue, setRows } from '../plan/step'
import type { ResolvedAddress, Verdict } from '../resolve/resolved'
import { contextName, merged, type Check, type CheckInput, type Finding } from './finding'

/** A key whose function the body refuses in some bank or with some lens. */
export const deadKeys: Check = {
  id: 'dead-key',
  title: 'A key that is dead somewhere',
  run: (input) => keysWithVerdict(input, 'dead', 'dead-key'),
}

/** A key whose function is accepted but changes nothing in some bank or with some lens. */
export const inertKeys: Check = {
  id: 'inert-key',
  title: 'A key that does nothing somewhere',
  run: (input) => keysWithVerdict(input, 'inert', 'inert-key'),
}

/** A function the maker put on a key that the plan gave away, and that no key has now (J12). */
export const displacedFunctions: Check = {
  id: 'displaced',
  title: 'A function that lost its key',
  run: ({ model, plan, side, situated }) =>
    [...lookup(model).addresses.values()].flatMap((address) => {
      const factory = address.factory
      const row = keyRow(address)
      const planned = rowValue(plan.rows, row)
      const silenced = rowValue(plan.rows, `why/${row}`) !== null
      if (address.side !== side || factory === null || planned === null || planned === factory || silenced)
        return []
      const fn = lookup(model).functions.get(factory)
      if (!fn || fn.manner === 'none' || addressesWith(model, plan, side, factory).length > 0) return []
      const menu = fn.changes
        .map((id) => lookup(model).menuAddress.get(id))
        .find((line) => line !== undefined)
      const left = menu === undefined ? 'It has no menu line either.' : `It is left in the menu at ${menu}.`
      return [
        {
          check: 'displaced',
          severity: 'trips' as const,
          title: `${fn.name} lost its key`,
          reason: `${address.control.name} had it as delivered, and your hand may look for it there. No key has it now. ${left}`,
          row,
          side,
          contexts: situated.map(contextName),
          of: situated.length,
          rule: null,
          mend: {
            label: `Leave ${address.control.name} as delivered`,
            step: setRows(plan, `mend displaced ${row}`, { [row]: null }),
          },
        },
      ]
    }),
}

/** The same function on two keys of one side, with no reason given (J13). */
export const doubledFunctions: Check = {
  id: 'doubled',
  title: 'One function on two keys',
  run: ({ model, plan, side, situated }) =>
    model.functions.flatMap((fn) => {
      if (fn.manner === 'none') return []
      const on = addressesWith(model, plan, side, fn.id)
      const chosen = on.find((address) => rowValue(plan.rows, keyRow(address)) !== null)
      const explained = on.some((address) => rowValue(plan.rows, `why/${keyRow(address)}`) !== null)
      if (on.length < 2 || !chosen || explained) return []
      return [
        {
          check: 'doubled',
          severity: 'tidies' as const,
          title: `${fn.name} is on ${on.length} keys`,
          reason: `${on.map((address) => address.control.name).join(' and ')} do the same. Give a reason, or free one.`,
          row: keyRow(chosen),
          side,
          contexts: situated.map(contextName),
          of: situated.length,
          rule: null,
          mend: null,
        },
      ]
    }),
}

function keysWithVerdict(
  { plan, side, situated, model }: CheckInput,
  verdict: Verdict,
  check: string,
): Finding[] {
  const seen = situated.flatMap((one) =>
    [...one.resolution.addresses.values()]
      .filter((resolved) => resolved.verdict === verdict && resolved.source === 'plan')
      .map((resolved) => ({ resolved, context: contextName(one) })),
  )
  const findings = seen.map(({ resolved, context }): Finding => {
    const remark = reasonOf(resolved)
    const fn = functionAt(plan, resolved.address)
    const name = fn === null ? 'It' : (lookup(model).functions.get(fn)?.name ?? fn)
    return {
      check,
      severity: 'tidies',
      title: `${resolved.address.control.name}: ${name} ${verdict === 'dead' ? 'is dead' : 'does nothing'}`,
      reason: remark.because,
      row: keyRow(resolved.address),
      side,
      contexts: [context],
      of: situated.length,
      rule: remark.rule,
      mend: null,
    }
  })
  return merged(findings).map((finding) =>
    finding.contexts.length === finding.of ? { ...finding, severity: 'trips' } : finding,
  )
}

function reasonOf(resolved: ResolvedAddress): { because: string; rule: string } {
  const decisive = resolved.remarks.find((remark) => remark.kind !== 'hazard' && remark.truth === 'yes')
  return decisive ?? { because: 'The model gives no reason.', rule: 'none' }
}
