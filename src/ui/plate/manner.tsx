import {
  ChevronsDown,
  CircleDot,
  CircleSlash2,
  List,
  Move,
  MoveHorizontal,
  Pointer,
  Repeat2,
  RotateCw,
  RotateCwSquare,
  ToggleRight,
  type LucideIcon,
} from 'lucide-react'
import type { Manner } from '@/core/model/types'

const manners: Record<Manner, { Sign: LucideIcon; word: string }> = {
  press: { Sign: CircleDot, word: 'press' },
  hold: { Sign: ChevronsDown, word: 'hold' },
  toggle: { Sign: ToggleRight, word: 'toggle' },
  cycle: { Sign: Repeat2, word: 'cycle' },
  choose: { Sign: List, word: 'press, choose' },
  turn: { Sign: RotateCw, word: 'turn' },
  'held-and-turn': { Sign: RotateCwSquare, word: 'hold, turn' },
  tap: { Sign: Pointer, word: 'tap' },
  swipe: { Sign: MoveHorizontal, word: 'swipe' },
  move: { Sign: Move, word: 'move' },
  none: { Sign: CircleSlash2, word: 'empty' },
}

/** How a function answers to the hand, by sign and word. */
export function MannerSign({ manner, word = true }: { manner: Manner; word?: boolean }) {
  const { Sign, word: text } = manners[manner]
  return (
    <span className="inline-flex shrink-0 items-center gap-1 whitespace-nowrap text-silt">
      <Sign size={13} aria-hidden="true" />
      <span className={word ? '' : 'sr-only'}>{text}</span>
    </span>
  )
}

/** The word for a manner. */
export function mannerWord(manner: Manner): string {
  return manners[manner].word
}
