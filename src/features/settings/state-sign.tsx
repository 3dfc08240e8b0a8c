import { CircleCheck, CircleDashed, CircleSlash, PencilLine } from 'lucide-react'
import { lineStates, stateWords, type LineState } from '@/core/settings/standing'
import { Signed } from '@/ui/signed'

const signs = {
  changed: { Sign: PencilLine, colour: 'text-pan' },
  left: { Sign: CircleCheck, colour: 'text-samphire' },
  'not-mine': { Sign: CircleSlash, colour: 'text-silt' },
  open: { Sign: CircleDashed, colour: 'text-silt' },
} as const

// Drawn once each: a line of the list that stands where the one before it stood is not drawn anew for that.
const drawn = Object.fromEntries(
  lineStates.map((state) => [state, <Signed key={state} {...signs[state]} word={stateWords[state]} shown />]),
)

/** Where a line stands, by sign, word and colour. */
export function StateSign({ state }: { state: LineState }) {
  return drawn[state]
}
