'use client'

import { ArrowLeftRight, TriangleAlert } from 'lucide-react'
import { memo } from 'react'
import type { Control, Manner } from '@/core/model/types'
import type { Edge, LabelSize } from '@/core/plates/sheet'
import { MannerSign, mannerWord } from './manner'

/** What stands in the margin for one control. */
export interface PlateLabel {
  readonly control: Control
  readonly lines: readonly PlateLine[]
}

/** One gesture of a control. */
export interface PlateLine {
  /** Address on this side, `side/control/gesture`. */
  readonly address: string
  readonly gesture: string
  readonly manner: Manner
  readonly text: string
  readonly tone: 'plain' | 'empty' | 'problem' | 'blocks'
  /** Changed since the last revision: a bar in the margin. */
  readonly changed: boolean
  /** What the other side has here, where that is another function. */
  readonly differs: string | null
  /** How often in an outing this is the quickest way to something; null where that is not shown. */
  readonly uses: number | null
  /** Words for a screen reader after the function's name, such as "does nothing in 2 of 4". */
  readonly spoken: string
}

/** Pixels for the name of a gesture, from the count of its letters. */
const gestureLetters = (line: PlateLine) => line.gesture.length * 6.6

/** Whether the name of a gesture, such as a press with another key held, is too long to stand before its function. */
const standsAbove = (line: PlateLine) => gestureLetters(line) > 92

/** Room for the longest gesture that stands before its function, so that functions stand under each other. */
function gestureWidth(label: PlateLabel): number {
  const before = label.lines.filter((line) => !standsAbove(line))
  return Math.ceil(Math.max(66, ...before.map(gestureLetters)))
}

const widestText = 206

/** Pixels for the name of a function, from the count of its letters. */
const textLetters = (line: PlateLine) => line.text.length * 7.6
/** Pixels for the name of a control and its manner beside each other; where they need more, the manner stands below. */
const widestHead = 236

/**
 * The size a label's text needs, from the count of its letters: measured averages at 13 and 15 px, rounded up. A
 * function that would be wider than `widestText` takes two rows.
 */
export function labelSize(label: PlateLabel): LabelSize {
  const [only] = label.lines
  const many = label.lines.length > 1
  const texts = label.lines.map(
    (line) =>
      textLetters(line) +
      (line.differs === null ? 0 : 20) +
      (line.uses ? 14 + String(line.uses).length * 8 : 0) +
      (line.tone === 'problem' || line.tone === 'blocks' ? 20 : 0),
  )
  const beside = many ? gestureWidth(label) + 6 : 0
  const wide = label.lines.map((line, i) => {
    const text = Math.min(widestText, texts[i] ?? 0)
    return many && standsAbove(line) ? Math.max(gestureLetters(line), text) : text + beside
  })
  const above = many ? label.lines.filter(standsAbove).length : 0
  const name = label.control.name.length * 6.7
  const manner = many || !only ? 0 : 26 + mannerWord(only.manner).length * 6.4
  const isStacked = name + manner > widestHead
  const head = isStacked ? Math.max(name, manner) : name + manner
  const rows = texts.reduce((sum, one) => sum + (one > widestText ? 2 : 1), 0)
  return {
    control: label.control,
    rows: label.lines.length,
    width: Math.ceil(Math.max(head, ...wide) + 14),
    height: 20 + (isStacked ? 19 : 0) + (rows + above) * 20 + (many ? label.lines.length * 4 : 0) + 4,
  }
}

/** A control's label: its name small, and a button for each gesture that can be picked, dragged and dropped on. */
export const LabelButton = memo(function LabelButton({
  label,
  edge,
  selected,
  onSelect,
}: {
  label: PlateLabel
  edge: Edge
  selected: string | null
  onSelect: (address: string) => void
}) {
  const many = label.lines.length > 1
  const only = label.lines[0]
  const align = {
    left: 'text-right items-end',
    right: '',
    top: 'text-center items-center',
    bottom: 'text-center items-center',
  }[edge]
  const justify = { left: 'justify-end', right: '', top: 'justify-center', bottom: 'justify-center' }[edge]
  return (
    <div className={`flex flex-col ${align}`}>
      <p
        className={`flex flex-wrap items-center gap-x-1.5 px-1.5 text-small whitespace-nowrap leading-[19px] text-silt ${justify}`}
      >
        <span>{label.control.name}</span>
        {!many && only && <MannerSign manner={only.manner} />}
      </p>
      {label.lines.map((line) => (
        <LineButton
          key={line.address}
          line={line}
          name={label.control.name}
          gestures={many ? gestureWidth(label) : null}
          selected={line.address === selected}
          onSelect={onSelect}
        />
      ))}
    </div>
  )
})

const tones: Record<PlateLine['tone'], string> = {
  plain: 'text-ink',
  empty: 'text-silt italic font-normal',
  problem: 'text-lichen',
  blocks: 'text-rust',
}

/** One gesture as a button; its function is dragged from here to another where things are dragged. */
function LineButton({
  line,
  name,
  gestures,
  selected,
  onSelect,
}: {
  line: PlateLine
  name: string
  /** Width of the gesture before the function; null where there is only one. */
  gestures: number | null
  selected: boolean
  onSelect: (address: string) => void
}) {
  const many = gestures !== null
  const isAbove = many && standsAbove(line)
  const look = selected ? 'bg-blush text-pan' : 'hover:bg-glass'
  return (
    <button
      type="button"
      data-address={line.address}
      data-drag={`key ${line.address}`}
      data-drop={line.address}
      onClick={() => onSelect(line.address)}
      aria-label={`${name}, ${line.gesture}${many ? ' ' : ': '}${line.text}${line.uses ? ` ${line.uses}×` : ''}${line.spoken}`}
      aria-pressed={selected}
      className={`flex max-w-full touch-manipulation items-baseline select-none gap-1.5 rounded px-1.5 text-left leading-5 font-semibold ${tones[line.tone]} ${look} ${many ? 'my-0.5 w-full' : ''} ${isAbove ? 'flex-wrap' : ''} ${line.changed ? 'border-l-3 border-pan' : ''}`}
    >
      {many && (
        <span
          className="inline-flex shrink-0 items-center text-small font-normal text-silt not-italic"
          style={{ width: isAbove ? '100%' : gestures }}
        >
          {line.gesture}{' '}
        </span>
      )}
      <span className={textLetters(line) > widestText ? '' : 'whitespace-nowrap'}>{line.text}</span>
      {(line.tone === 'problem' || line.tone === 'blocks') && (
        <span title="Problem" className="self-center">
          <TriangleAlert size={13} aria-hidden="true" />
        </span>
      )}
      {line.uses ? (
        <span className="self-center font-mono text-small font-normal text-brine tabular-nums">
          {' '}
          {line.uses}×
        </span>
      ) : null}
      {line.differs !== null && (
        <span title={`On the other side: ${line.differs}`} className="self-center text-silt">
          <ArrowLeftRight size={12} aria-hidden="true" />
        </span>
      )}
    </button>
  )
}
