import { isRunning } from '@/core/focus/outcome'
import { memo } from 'react'
import type { FinderPicture } from '@/core/focus/finder'
import type { Does } from '@/core/focus/outcome'
import { eyesOfScene, Scene } from './scene'

const [width, height] = [300, 200]

/**
 * What the finder shows of focus, drawn over a scene: the places the area can take as dots, the area as a box, the zone
 * where subjects are looked for with a broken edge, and the eyes found in it.
 */
export const FinderDrawing = memo(function FinderDrawing({
  picture,
  does,
  words,
}: {
  picture: FinderPicture | null
  does: Does
  /** Said to those who do not see it. */
  words: string
}) {
  const running = isRunning({ does })
  const tone = running ? 'stroke-pan' : 'stroke-silt'
  return (
    <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={words} className="block w-full border">
      <Scene />
      {picture && (
        <g>
          {picture.points.map(([x, y], i) => (
            <circle key={i} cx={x * width} cy={y * height} r={0.85} className="fill-silt" />
          ))}
          {picture.detection && (
            <ZoneBox zone={picture.detection} look="stroke-samphire [stroke-dasharray:5_3]" />
          )}
          {picture.tracking && (
            <ZoneBox zone={picture.tracking} look="stroke-lichen [stroke-dasharray:1.5_3]" />
          )}
          <ZoneBox zone={picture.area} look={`${tone} [stroke-width:2.4]`} />
          {picture.detection &&
            eyesOfScene
              .filter(([x, y]) => inside(picture.detection, x, y))
              .map(([x, y]) => (
                <rect
                  key={x}
                  x={x * width - 5}
                  y={y * height - 5}
                  width={10}
                  height={10}
                  className="fill-none stroke-samphire [stroke-width:1.4]"
                />
              ))}
        </g>
      )}
    </svg>
  )
})

function ZoneBox({ zone: [left, top, wide, high], look }: { zone: FinderPicture['area']; look: string }) {
  return (
    <rect
      x={left * width + 1}
      y={top * height + 1}
      width={Math.max(2, wide * width - 2)}
      height={Math.max(2, high * height - 2)}
      className={`fill-none [stroke-width:1.4] ${look}`}
    />
  )
}

function inside(zone: FinderPicture['area'] | null, x: number, y: number): boolean {
  if (!zone) return false
  const [left, top, wide, high] = zone
  return x >= left && y >= top && x <= left + wide && y <= top + high
}
