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
  const line = { stroke: tones[item.tone], strokeWidth: 'width' in item ? item.width : 0 }
  if (item.kind === 'text')
    return (
      <text x={item.x} y={item.y} fontSize={item.size} fill={tones[item.tone]} style={fonts[item.face]}>
        {item.text}
      </text>
    )
  if (item.kind === 'line') {
    const [[x1, y1], [x2, y2]] = [item.from, item.to]
    return <line {...{ x1, y1, x2, y2 }} {...line} />
  }
  const look = { ...line, fill: item.fill === null ? 'none' : tones[item.fill] }
  if (item.kind === 'path') return <path d={item.d} {...look} />
  const [x, y] = item.at
  return item.kind === 'ellipse' ? (
    <ellipse cx={x} cy={y} rx={item.half[0]} ry={item.half[1]} {...look} />
  ) : (
    <rect x={x} y={y} width={item.size[0]} height={item.size[1]} rx={item.radius} {...look} />
  )
}
