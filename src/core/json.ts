import { findNodeAtLocation, parse as parseTolerantly, parseTree, visit, type ParseError } from 'jsonc-parser'
import { ok, refuse, type Result } from './result'

/** Limits for JSON that comes from outside. */
export interface JsonLimits {
  readonly maxBytes: number
  readonly maxDepth: number
}

/** Four megabytes and 40 levels: several times the largest file Salt Shelf writes. */
export const defaultJsonLimits: JsonLimits = { maxBytes: 4_000_000, maxDepth: 40 }

/**
 * Reads JSON text from outside. Refuses, with line and column where it can, what is empty, too large, too deep,
 * not UTF-8, not JSON, uses a key that could reach an object's prototype, or a key twice in one object.
 */
export function readJson(bytes: Uint8Array, name: string, limits = defaultJsonLimits): Result<unknown> {
  if (bytes.length === 0) return refuse('empty', 'The file is empty.', name)
  if (bytes.length > limits.maxBytes) {
    return refuse(
      'too-large',
      `The file has ${bytes.length} bytes; at most ${limits.maxBytes} are read.`,
      name,
    )
  }
  let text: string
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return refuse('not-text', 'The file is not UTF-8 text, so it cannot be JSON.', name)
  }
  if (deeper(text, limits.maxDepth)) {
    return refuse('too-deep', `The file nests more than ${limits.maxDepth} levels.`, name)
  }
  try {
    const value: unknown = JSON.parse(text)
    const bad = forbiddenKey(value, '')
    if (bad !== null) return refuse('forbidden-key', 'This key is not allowed here.', `${name}: ${bad}`)
    const twice = doubledKey(text)
    if (twice !== null)
      return refuse('duplicate', `The key “${twice.key}” stands twice.`, `${name}: line ${twice.line}`)
    return ok(value)
  } catch {
    return refuse('not-json', `The file is damaged: ${placed(text)}`, name)
  }
}

/** Where a value of sound JSON text stands, as `: line 4, column 7`; empty where there is none. */
export function placeInJson(text: string, path: readonly string[]): string {
  const tree = parseTree(text)
  const node = tree && findNodeAtLocation(tree, [...path])
  if (!node) return ''
  return `: ${lineAndColumn(text, node.offset)}`
}

function lineAndColumn(text: string, offset: number): string {
  const before = text.slice(0, offset).split('\n')
  return `line ${before.length}, column ${(before.at(-1) ?? '').length + 1}`
}

function deeper(text: string, maxDepth: number): boolean {
  let depth = 0
  let inString = false
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (inString) {
      if (code === 92) i++
      else if (code === 34) inString = false
    } else if (code === 34) inString = true
    else if (code === 91 || code === 123) {
      if (++depth > maxDepth) return true
    } else if (code === 93 || code === 125) depth--
  }
  return false
}

function forbiddenKey(value: unknown, path: string): string | null {
  if (value === null || typeof value !== 'object') return null
  for (const key of Object.keys(value)) {
    const here = path === '' ? key : `${path}.${key}`
    if (key === '__proto__' || key === 'constructor' || key === 'prototype') return here
    const below = forbiddenKey((value as Record<string, unknown>)[key], here)
    if (below !== null) return below
  }
  return null
}

/** The first key that stands twice in one object: which of its values counts would be a guess. */
function doubledKey(text: string): { key: string; line: number } | null {
  const open: Set<string>[] = []
  let found: { key: string; line: number } | null = null
  visit(text, {
    onObjectBegin: () => void open.push(new Set()),
    onObjectEnd: () => void open.pop(),
    onObjectProperty: (key, _offset, _length, line) => {
      const keys = open.at(-1)
      if (found === null && keys?.has(key)) found = { key: key.slice(0, 80), line: line + 1 }
      keys?.add(key)
    },
  })
  return found
}

function placed(text: string): string {
  const errors: ParseError[] = []
  parseTolerantly(text, errors, { disallowComments: true })
  return `${lineAndColumn(text, errors[0]?.offset ?? text.length)} is not what JSON expects there.`
}
