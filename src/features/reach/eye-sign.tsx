import { Eye, EyeOff } from 'lucide-react'

/** Whether a path keeps the eye at the finder, by sign and word. */
export function EyeSign({ atFinder }: { atFinder: boolean }) {
  const Sign = atFinder ? Eye : EyeOff
  return (
    <span className={`mt-0.5 shrink-0 self-start ${atFinder ? 'text-samphire' : 'text-lichen'}`}>
      <Sign size={14} aria-hidden="true" />
      <span className="sr-only">{atFinder ? 'at the finder: ' : 'the eye leaves the finder: '}</span>
    </span>
  )
}
