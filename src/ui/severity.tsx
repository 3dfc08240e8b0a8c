import { CircleDashed, OctagonX, TriangleAlert } from 'lucide-react'
import type { Severity } from '@/core/checks/finding'
import { Signed } from './signed'

const severities = {
  blocks: { Sign: OctagonX, word: 'cannot work', colour: 'text-rust' },
  problem: { Sign: TriangleAlert, word: 'problem', colour: 'text-lichen' },
  tidies: { Sign: CircleDashed, word: 'to tidy', colour: 'text-silt' },
} as const

/** How bad a finding is, by sign, word and colour. */
export function SeveritySign({ severity, word = true }: { severity: Severity; word?: boolean }) {
  return <Signed {...severities[severity]} shown={word} />
}
