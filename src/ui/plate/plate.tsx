'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import type { Control, Face } from '@/core/model/types'
import { Drawing } from './drawing'
import { LabelButton, labelSize, type PlateLabel } from './label'
import { useShared } from '../use-shared'
import { useStable } from '../use-stable'
import { layoutIn } from '@/core/plates/layout'
import { centreOf, type LabelSize, type PlateLayout } from '@/core/plates/sheet'

/**
 * One face of a body: line art in the middle, a label in the margin for each control, leaders between them. On a
 * sheet too narrow for margins the controls carry numbers, and the labels stand below in a list.
 */
export function Plate({
  face,
  labels,
  selected,
  held,
  onSelect,
}: {
  face: Face
  labels: readonly PlateLabel[]
  /** Address in hand, or null. */
  selected: string | null
  /** Controls that are held down, by id; they are lit as well. */
  held?: ReadonlySet<string>
  onSelect: (address: string) => void
}) {
  const sheet = useRef<HTMLDivElement>(null)
  const size = useSize(sheet)
  // The same object while none of them changes: a plate is laid out anew only then.
  const sizes = useShared(labels.map(labelSize))
  const layout = useMemo(() => layoutIn(face, sizes, size), [face, sizes, size])
  const least = useLeastHeight(face, sizes, size, layout)
  const heat = useShared(useMemo(() => heatOf(labels), [labels]))
  const inHand = labels.find((label) => label.lines.some((line) => line.address === selected))?.control.id
  const lit = useMemo(
    () => new Set([...(held ?? []), ...(inHand === undefined ? [] : [inHand])]),
    [held, inHand],
  )
  const pick = useStable((control: Control) => {
    const first = labels.find((label) => label.control === control)?.lines[0]
    if (first) onSelect(first.address)
  })
  const shared = { face, labels, lit, heat, selected, onSelect, onPick: pick }
  return (
    <div
      ref={sheet}
      className={`relative min-h-[min(85vw,640px)] flex-1 lg:min-h-0 ${layout ? '' : 'overflow-y-auto'}`}
      style={least === null ? undefined : { minHeight: least }}
    >
      {layout ? <WithMargins layout={layout} {...shared} /> : <WithList {...size} {...shared} />}
    </div>
  )
}

/**
 * The height the sheet has to have for these labels at this width, once it was found too low: kept, so that a sheet that
 * has grown does not shrink again for having room enough.
 */
function useLeastHeight(
  face: Face,
  sizes: readonly LabelSize[],
  { width, height }: { width: number; height: number },
  layout: PlateLayout | null,
): number | null {
  const [kept, setKept] = useState<{
    face: Face
    sizes: readonly LabelSize[]
    width: number
    least: number
  } | null>(null)
  const same = kept?.face === face && kept.sizes === sizes && kept.width === width
  if (layout && layout.height > height && !(same && kept.least >= layout.height)) {
    setKept({ face, sizes, width, least: layout.height })
    return layout.height
  }
  return same ? kept.least : null
}

/** How much each control is worked, the most worked one being 1. */
function heatOf(labels: readonly PlateLabel[]): ReadonlyMap<string, number> {
  const uses = labels.map(({ control, lines }) => ({
    id: control.id,
    count: lines.reduce((sum, line) => sum + (line.uses ?? 0), 0),
  }))
  const most = Math.max(1, ...uses.map(({ count }) => count))
  return new Map(uses.map(({ id, count }) => [id, Math.sqrt(count / most)]))
}

interface Parts {
  readonly face: Face
  readonly labels: readonly PlateLabel[]
  readonly lit: ReadonlySet<string>
  readonly heat: ReadonlyMap<string, number>
  readonly selected: string | null
  readonly onSelect: (address: string) => void
  readonly onPick: (control: Control) => void
}

function WithMargins({
  layout,
  face,
  labels,
  lit,
  heat,
  selected,
  onSelect,
  onPick,
}: Parts & { layout: PlateLayout }) {
  const controls = useShared(labels.map((label) => label.control))
  return (
    <>
      <svg width={layout.width} height={layout.height} className="absolute inset-0" aria-hidden="true">
        <Drawing face={face} controls={controls} box={layout.drawing} lit={lit} heat={heat} onPick={onPick} />
        {layout.labels.map(({ control, leader, bracket }) => {
          const look = lit.has(control.id) ? 'stroke-pan [stroke-width:1.8]' : 'stroke-silt [stroke-width:1]'
          const end = leader[1]
          return (
            <g key={control.id} className="pointer-events-none">
              {[leader, ...(bracket ? [bracket] : [])].map(([from, to], i) => (
                <line key={i} x1={from.x} y1={from.y} x2={to.x} y2={to.y} className={look} />
              ))}
              <circle
                cx={end.x}
                cy={end.y}
                r={2.2}
                className={lit.has(control.id) ? 'fill-pan' : 'fill-ink'}
              />
            </g>
          )
        })}
      </svg>
      {layout.labels.map(({ control, box, edge }) => {
        const label = labels.find((one) => one.control === control)
        if (!label) return null
        const place = { left: box.x, top: box.y, width: box.width, height: box.height }
        return (
          <div key={control.id} className="absolute" style={place}>
            <LabelButton label={label} edge={edge} selected={selected} onSelect={onSelect} />
          </div>
        )
      })}
    </>
  )
}

function WithList({
  width,
  height,
  face,
  labels,
  lit,
  heat,
  selected,
  onSelect,
  onPick,
}: Parts & { width: number; height: number }) {
  const drawn = Math.min(width - 16, Math.max(340, height * 0.55 * face.aspect))
  const box = { x: (width - drawn) / 2, y: 8, width: drawn, height: drawn / face.aspect }
  return (
    <>
      <svg width={width} height={box.height + 16} className="max-w-full" aria-hidden="true">
        <Drawing
          face={face}
          controls={labels.map((label) => label.control)}
          box={box}
          lit={lit}
          heat={heat}
          onPick={onPick}
        />
        {labels.map(({ control }, i) => (
          <g key={control.id} className="pointer-events-none">
            <circle
              cx={centreOf(control, box).x}
              cy={centreOf(control, box).y}
              r={9.5}
              className="fill-sheet stroke-pan"
            />
            <text
              x={centreOf(control, box).x}
              y={centreOf(control, box).y + 4.5}
              textAnchor="middle"
              className="fill-pan text-small font-semibold"
            >
              {i + 1}
            </text>
          </g>
        ))}
      </svg>
      <ol className="grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-2 pt-2">
        {labels.map((label, i) => (
          <li key={label.control.id} className="grid grid-cols-[22px_1fr]">
            <span className="font-semibold text-pan">{i + 1}</span>
            <LabelButton label={label} edge="right" selected={selected} onSelect={onSelect} />
          </li>
        ))}
      </ol>
    </>
  )
}

function useSize(element: React.RefObject<HTMLDivElement | null>): { width: number; height: number } {
  const [size, setSize] = useState({ width: 860, height: 540 })
  useEffect(() => {
    const measured = element.current
    if (!measured) return
    const observer = new ResizeObserver(([entry]) => {
      if (!entry) return
      const { width, height } = entry.contentRect
      setSize({ width: Math.floor(width), height: Math.floor(height) })
    })
    observer.observe(measured)
    return () => observer.disconnect()
  }, [element])
  return size
}
