/** Two hand puppets before a curtain, in a frame of 300 × 200: made up, so that focus has something to look at. */
export function Scene() {
  return (
    <g aria-hidden="true">
      <rect width={300} height={200} className="fill-glass" />
      <path
        d="M0 0H300V30Q262 48 225 30T150 30T75 30T0 30Z"
        className="fill-rule stroke-silt [stroke-width:0.6]"
      />
      <path
        d="M0 30V200H26Q14 110 30 33ZM300 30V200H274Q286 110 270 33Z"
        className="fill-rule stroke-silt [stroke-width:0.6]"
      />
      <path d="M0 168H300" className="stroke-silt [stroke-width:0.8]" />
      <Puppet x={150} y={92} scale={1} hat="M-20 -16L0 -52L18 -17Z" />
      <Puppet x={238} y={92} scale={0.68} hat="M-22 -14Q-18 -40 0 -40T22 -14Z" />
      <path d="M70 200L58 84M58 84L74 60M60 104L44 88" className="fill-none stroke-silt [stroke-width:2]" />
    </g>
  )
}

function Puppet({ x, y, scale, hat }: { x: number; y: number; scale: number; hat: string }) {
  const line = 'stroke-ink [stroke-width:1.1]'
  return (
    <g transform={`translate(${x} ${y}) scale(${scale})`}>
      <path d="M-16 20Q-44 48 -40 96H40Q44 48 16 20Z" className={`fill-sheet ${line}`} />
      <path d="M-30 52L-62 34M30 52L58 26" className={`fill-none ${line}`} />
      <circle cx={-64} cy={33} r={5} className={`fill-sheet ${line}`} />
      <circle cx={60} cy={25} r={5} className={`fill-sheet ${line}`} />
      <ellipse rx={22} ry={25} className={`fill-sheet ${line}`} />
      <path d={hat} className={`fill-rule ${line}`} />
      <circle cx={-8} cy={-3} r={2.6} className="fill-ink" />
      <circle cx={8} cy={-3} r={2.6} className="fill-ink" />
      <path d="M0 0L5 8H-1M-8 14Q0 19 8 13" className={`fill-none ${line}`} />
    </g>
  )
}

/** Where the eyes of the scene are, in parts of the frame: what detection finds when it may look there. */
export const eyesOfScene: readonly (readonly [number, number])[] = [
  [142 / 300, 89 / 200],
  [158 / 300, 89 / 200],
  [232.6 / 300, 90 / 200],
  [243.4 / 300, 90 / 200],
]
