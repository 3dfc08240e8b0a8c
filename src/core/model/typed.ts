import { ok, refuse, type Result } from '../result'
import { readMark } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { checkValue, showValue, valuesOf } from './domain'
import type { Setting } from './types'

/**
 * Reads a value as a person types it: a mark in photographers' notation, a choice by its word or its id, on or off, a
 * number, members of a list or fields of a record with commas between. Refuses with what would be accepted.
 */
export function readTyped({ domain, label }: Setting, typed: string): Result<Value> {
  const plain = typed.trim()
  switch (domain.kind) {
    case 'ladder': {
      const also = domain.also?.find(
        ({ id, name }) => id === plain || name.toLowerCase() === plain.toLowerCase(),
      )
      if (also) return ok(also.id)
      const mark = readMark(domain.ladder, plain)
      return mark.ok ? checkValue(domain, mark.value, label) : mark
    }
    case 'toggle': {
      const on = { on: true, true: true, yes: true, off: false, false: false, no: false }[plain.toLowerCase()]
      return on === undefined ? refuse('outside', `“${typed}” should be on or off.`, label) : ok(on)
    }
    case 'choice': {
      const named = (valuesOf(domain) ?? []).find(
        (value) => value === plain || showValue(domain, value).toLowerCase() === plain.toLowerCase(),
      )
      return checkValue(domain, named ?? plain, label)
    }
    case 'number':
      return checkValue(domain, plain === '' ? plain : Number(plain), label)
    case 'subset':
      return checkValue(domain, plain === '' ? [] : plain.split(',').map((part) => part.trim()), label)
    case 'record':
      return checkValue(
        domain,
        plain.split(',').map((part) => part.trim()),
        label,
      )
    default:
      return checkValue(domain, typed, label)
  }
}
