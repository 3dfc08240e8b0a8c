'use client'

import { memo } from 'react'
import type { FaceName } from '@/core/sheets/page/fonts'
import { tones, type Item, type Page } from '@/core/sheets/page/page'

const fonts: Readonly<Record<FaceName, { fontFamily: string; fontWeight: number }>> = {
  text: { fontFamily: 'Atkinson Hyperlegible Next Variable', fontWeight: 400 },
  bold: { fontFamily: 'Atkinson Hyperlegible Next Variable', fontWeight: 700 },
  head: { fontFamily: 'Bricolage Grotesque Variable', fontWeight: 600 },
}

/** A page as it is printed: white by night as well, for paper is. */
export const PagePicture = memo(function PagePicture({ page, label }: { page: Page; label: string }) {
  return (
    <svg
      viewBox={`0 0 ${page.width} ${page.height}`}
      role="img"
      aria-label={label}
      className="block h-auto w-full border bg-white shadow-sm"
    >
      {page.items.map((item, i) => (
        <Printed key={i} item={item} />
      ))}
    </svg>
  )
})

function Printed({ item }: { item: Item }) {
  const tone = tones[item.tone]
  switch (item.kind) {
    case 'text':
      return (
        <text x={item.x} y={item.y} fontSize={item.size} fill={tone} style={fonts[item.face]}>
          {item.text}
        </text>
      )
    case 'line':
      return (
        <line
          x1={item.from[0]}
          y1={item.from[1]}
          x2={item.to[0]}
          y2={item.to[1]}
          stroke={tone}
          strokeWidth={item.width}
        />
      )
    case 'path':
      return <path d={item.d} fill={fillOf(item.fill)} stroke={tone} strokeWidth={item.width} />
    case 'ellipse':
      return (
        <ellipse
          cx={item.at[0]}
          cy={item.at[1]}
          rx={item.half[0]}
          ry={item.half[1]}
          fill={fillOf(item.fill)}
          stroke={tone}
          strokeWidth={item.width}
        />
      )
    case 'rect':
      return (
        <rect
          x={item.at[0]}
          y={item.at[1]}
          width={item.size[0]}
          height={item.size[1]}
          rx={item.radius}
          fill={fillOf(item.fill)}
          stroke={tone}
          strokeWidth={item.width}
        />
      )
  }
}

function fillOf(fill: keyof typeof tones | null): string {
  return fill === null ? 'none' : tones[fill]
}
