import { CircleCheck, CircleDashed, CircleSlash, PencilLine } from 'lucide-react'
import { stateWords, type LineState } from '@/core/settings/standing'
import { Signed } from '@/ui/signed'

const signs = {
  changed: { Sign: PencilLine, colour: 'text-pan' },
  left: { Sign: CircleCheck, colour: 'text-samphire' },
  'not-mine': { Sign: CircleSlash, colour: 'text-silt' },
  open: { Sign: CircleDashed, colour: 'text-silt' },
} as const

/** Where a line stands, by sign, word and colour. */
export function StateSign({ state, word = true }: { state: LineState; word?: boolean }) {
  return <Signed {...signs[state]} word={stateWords[state]} shown={word} />
}
