import { memo } from 'react'
import type { BodyModel, Control, Face, Stroke } from '@/core/model/types'
import type { Box } from '@/core/plates/geometry'
import { centreOf } from '@/core/plates/sheet'

/** A face as line art with its controls in their places; coordinates are pixels of the plate. */
export const Drawing = memo(function Drawing({
  face,
  controls,
  box,
  lit,
  heat,
  onPick,
}: {
  face: Face
  controls: readonly Control[]
  box: Box
  /** Controls shown as held, by id. */
  lit: ReadonlySet<string>
  /** How much each control is worked, 0 to 1, by its id. */
  heat: ReadonlyMap<string, number>
  onPick: (control: Control) => void
}) {
  return (
    <g>
      <FaceStrokes face={face} box={box} />
      {controls.map((control) => (
        <g
          key={control.id}
          onClick={() => onPick(control)}
          data-control={control.id}
          className="cursor-pointer"
        >
          <ControlShape
            control={control}
            box={box}
            lit={lit.has(control.id)}
            heat={heat.get(control.id) ?? 0}
          />
        </g>
      ))}
    </g>
  )
})

/** What is drawn of a control. */
export type DrawnControl = Pick<Control, 'id' | 'kind' | 'face' | 'at' | 'size' | 'shape'>

/** A face with some of its controls lit, as large as there is room; nothing on it can be picked. */
export function LitFace({
  face,
  controls,
  lit,
  label,
  className = '',
}: {
  face: Face
  controls: readonly DrawnControl[]
  lit: ReadonlySet<string>
  label: string
  className?: string
}) {
  const box = { x: 2, y: 2, width: faceWidth, height: faceWidth / face.aspect }
  return (
    <svg
      viewBox={`0 0 ${faceWidth + 4} ${box.height + 4}`}
      role="img"
      aria-label={label}
      className={className}
    >
      <FaceStrokes face={face} box={box} />
      {controls
        .filter(({ id }) => lit.has(id))
        .map((control) => {
          const { x, y } = centreOf(control, box)
          const [width, height] = [control.size[0] * box.width, control.size[1] * box.height]
          // A ring around it, to be found at arm's length.
          return (
            <circle
              key={control.id}
              cx={x}
              cy={y}
              r={Math.max(width, height) / 2 + 12}
              className="fill-pan/20 stroke-pan [stroke-width:2.5]"
            />
          )
        })}
      {controls.map((control) => (
        <ControlShape key={control.id} control={control} box={box} lit={lit.has(control.id)} heat={0} />
      ))}
    </svg>
  )
}

/** Pixels of a face’s drawing that stands alone. */
const faceWidth = 360

/** A model's face as a symbol that small plates on the page are drawn from; nothing on it can be picked. */
export function PlateSymbol({ model: { id, faces, controls } }: { model: Drawn }) {
  const on = (face: Face) => controls.filter((control) => control.face === face.id)
  const [face] = [...faces].sort((one, other) => on(other).length - on(one).length)
  if (!face) return null
  const box = { x: 2, y: 2, width: symbolWidth, height: symbolWidth / face.aspect }
  return (
    <symbol id={symbolOf(id)} viewBox={`0 0 ${symbolWidth + 4} ${box.height + 4}`}>
      <FaceStrokes face={face} box={box} />
      {on(face).map((control) => (
        <ControlShape key={control.id} control={control} box={box} lit={false} heat={0} />
      ))}
    </symbol>
  )
}

/** What is drawn of a model. */
export type Drawn = Pick<BodyModel, 'id' | 'faces' | 'controls'>

/** Pixels of a small plate’s drawing. */
const symbolWidth = 220

/** A small plate of a model whose symbol stands on the page. */
export function SmallPlate({ model, className = '' }: { model: string; className?: string }) {
  return (
    <svg className={className} aria-hidden="true">
      <use href={`#${symbolOf(model)}`} />
    </svg>
  )
}

function symbolOf(model: string): string {
  return `plate-${model}`
}

function FaceStrokes({ face, box }: { face: Face; box: Box }) {
  return face.strokes.map((stroke, i) => (
    <path
      key={i}
      d={stroke.path}
      transform={`translate(${box.x} ${box.y}) scale(${box.width / 1000} ${box.height / 1000})`}
      vectorEffect="non-scaling-stroke"
      className={strokeLook[stroke.weight]}
    />
  ))
}

const strokeLook: Record<Stroke['weight'], string> = {
  outline: 'fill-sheet stroke-ink [stroke-width:1.6]',
  detail: 'fill-none stroke-ink [stroke-width:1.2]',
  glass: 'fill-glass stroke-silt [stroke-width:0.8]',
  faint: 'fill-none stroke-silt [stroke-width:0.8]',
}

function ControlShape({
  control,
  box,
  lit,
  heat,
}: {
  control: DrawnControl
  box: Box
  lit: boolean
  heat: number
}) {
  const { x, y } = centreOf(control, box)
  const [rx, ry] = [(control.size[0] * box.width) / 2, (control.size[1] * box.height) / 2]
  const wide = control.kind === 'touch'
  const look = wide
    ? `fill-transparent ${lit ? 'stroke-pan [stroke-width:2.2]' : 'stroke-silt [stroke-width:1] [stroke-dasharray:3_4]'}`
    : lit
      ? 'fill-blush stroke-pan [stroke-width:2.2]'
      : 'fill-sheet stroke-ink [stroke-width:1.4]'
  return (
    <>
      {control.shape === 'ribbed' || control.shape === 'bar' ? (
        <>
          <rect
            x={x - rx}
            y={y - ry}
            width={2 * rx}
            height={2 * ry}
            rx={wide ? 6 : Math.min(rx, ry) * 0.5}
            className={look}
          />
          {control.shape === 'ribbed' && <Ribs x={x} y={y} rx={rx} ry={ry} />}
        </>
      ) : (
        <ellipse cx={x} cy={y} rx={rx} ry={ry} className={look} />
      )}
      {heat > 0 && !wide && (
        <ellipse cx={x} cy={y} rx={rx} ry={ry} className="fill-brine" fillOpacity={0.1 + 0.55 * heat} />
      )}
      {control.shape === 'ring' && (
        <ellipse
          cx={x}
          cy={y}
          rx={rx * 0.45}
          ry={ry * 0.45}
          className={lit ? look : 'fill-glass stroke-ink [stroke-width:1]'}
        />
      )}
    </>
  )
}

function Ribs({ x, y, rx, ry }: { x: number; y: number; rx: number; ry: number }) {
  const count = 9
  return Array.from({ length: count }, (_, i) => {
    const at = x - rx + ((i + 1) * 2 * rx) / (count + 1)
    return (
      <line
        key={i}
        x1={at}
        x2={at}
        y1={y - ry * 0.62}
        y2={y + ry * 0.62}
        className="stroke-silt [stroke-width:0.9]"
      />
    )
  })
}
