import { Ban, Check, CircleDashed, CircleHelp } from 'lucide-react'
import type { Verdict } from '@/core/resolve/resolved'
import { Signed } from './signed'

const signs = {
  works: { Sign: Check, word: 'works', colour: 'text-samphire' },
  inert: { Sign: CircleDashed, word: 'does nothing', colour: 'text-lichen' },
  dead: { Sign: Ban, word: 'is dead', colour: 'text-rust' },
  test: { Sign: CircleHelp, word: 'test on body', colour: 'text-silt' },
  empty: { Sign: CircleDashed, word: 'empty', colour: 'text-silt' },
} as const

/** A verdict by sign, word and colour. */
export function VerdictSign({ verdict, word = true }: { verdict: Verdict; word?: boolean }) {
  return <Signed {...signs[verdict]} shown={word} />
}
