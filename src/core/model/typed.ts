import { ok, refuse, type Result } from '../result'
import { readMark } from '../vocabulary/ladders'
import type { Value } from '../vocabulary/values'
import { checkValue, showValue, valuesOf } from './domain'
import type { Setting } from './types'

/**
 * Reads a value as a person types it: a mark in photographers' notation, a choice by its word or its id, on or off, a
 * number with its unit or without, members of a list or fields of a record with commas between. Refuses with what would be accepted.
 */
export function readTyped({ domain, label }: Setting, typed: string): Result<Value> {
  const isCounted = domain.kind === 'ladder' || domain.kind === 'number'
  // A comma between digits is a decimal comma; what is a list has its own below.
  const plain = isCounted ? typed.trim().replace(/(\d),(\d)/g, '$1.$2') : typed.trim()
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
    case 'number': {
      const { unit } = domain
      const bare = unit !== '' && plain.endsWith(unit) ? plain.slice(0, -unit.length).trim() : plain
      return checkValue(domain, bare === '' ? bare : Number(bare), label)
    }
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
