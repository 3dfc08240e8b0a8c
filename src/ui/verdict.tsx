import { Ban, Check, CircleDashed, CircleHelp, OctagonX, TriangleAlert, type LucideIcon } from 'lucide-react'
import type { Severity } from '@/core/checks/finding'
import type { Verdict } from '@/core/resolve/resolved'

const signs = {
  works: { Sign: Check, word: 'works', colour: 'text-samphire' },
  inert: { Sign: CircleDashed, word: 'does nothing', colour: 'text-lichen' },
  dead: { Sign: Ban, word: 'is dead', colour: 'text-rust' },
  test: { Sign: CircleHelp, word: 'test on body', colour: 'text-silt' },
  empty: { Sign: CircleDashed, word: 'empty', colour: 'text-silt' },
} as const

const severities = {
  blocks: { Sign: OctagonX, word: 'blocks', colour: 'text-rust' },
  trips: { Sign: TriangleAlert, word: 'will trip you', colour: 'text-lichen' },
  tidies: { Sign: CircleDashed, word: 'to tidy', colour: 'text-silt' },
} as const

/** A verdict by sign, word and colour. */
export function VerdictSign({ verdict, word = true }: { verdict: Verdict; word?: boolean }) {
  return <Signed {...signs[verdict]} shown={word} />
}

/** How bad a finding is, by sign, word and colour. */
export function SeveritySign({ severity, word = true }: { severity: Severity; word?: boolean }) {
  return <Signed {...severities[severity]} shown={word} />
}

function Signed({
  Sign,
  word,
  colour,
  shown,
}: {
  Sign: LucideIcon
  word: string
  colour: string
  shown: boolean
}) {
  return (
    <span className={`inline-flex items-center gap-1 whitespace-nowrap ${colour}`}>
      <Sign size={15} aria-hidden="true" />
      <span className={shown ? '' : 'sr-only'}>{word}</span>
    </span>
  )
}
