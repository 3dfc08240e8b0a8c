import { defined } from '../form'
import { showAmount } from '../quantities'
import { inputs } from './inputs'

const { focal, aperture } = inputs

const thin = 'thin lens; what is blurred less than the circle counts as sharp'
const circle = {
  name: 'Blur that is not seen',
  quantity: 'millimetres',
  usual: ['0.03 mm', 'a full-size sensor at arm’s length; divide by the crop'],
} as const

/** What focus and lens come to. */
export const focusNumbers = [
  defined({
    id: 'focus-points',
    name: 'AF points and moves',
    group: 'focus',
    asks: 'How many points are there, how many with every other one, and how many moves from the middle to a corner?',
    also: 'alternate points skip joystick recentre grid',
    formula:
      'points = columns · rows; every other: ⌈columns / 2⌉ · ⌈rows / 2⌉; moves = ⌊columns / 2⌋ + ⌊rows / 2⌋',
    source: 'counting',
    limits: 'One move a step, across and down one after the other; a held stick runs.',
    inputs: {
      columns: { name: 'Points across', quantity: 'count', from: 'focus.columns', aboveZero: true },
      rows: { name: 'Points down', quantity: 'count', from: 'focus.rows', aboveZero: true },
    },
    results: {
      points: { name: 'Points', quantity: 'count' },
      moves: { name: 'Moves to a corner', quantity: 'count' },
      fewer: { name: 'Every other point', quantity: 'count' },
      fewerMoves: { name: 'Moves then', quantity: 'count' },
    },
    filled: [
      '{columns} · {rows} = {points}',
      '⌈{columns} / 2⌉ · ⌈{rows} / 2⌉ = {fewer}',
      '⌊{columns} / 2⌋ + ⌊{rows} / 2⌋ = {moves}',
    ],
    work({ columns, rows }) {
      const [fewColumns, fewRows] = [Math.ceil(columns / 2), Math.ceil(rows / 2)]
      return {
        points: columns * rows,
        moves: Math.floor(columns / 2) + Math.floor(rows / 2),
        fewer: fewColumns * fewRows,
        fewerMoves: Math.floor(fewColumns / 2) + Math.floor(fewRows / 2),
      }
    },
  }),
  defined({
    id: 'depth-of-field',
    name: 'Depth of field',
    group: 'focus',
    asks: 'From where to where is it sharp?',
    also: 'DOF hyperfocal near far limit bokeh',
    formula: 'H = f² / (N · c) + f; near = D · (H − f) / (H + D − 2f); far = D · (H − f) / (H − D)',
    source: thin,
    limits: 'The circle is a convention: for a large print halve it. Distances from the sensor.',
    inputs: { focal, aperture, distance: { name: 'Focused at', quantity: 'metres' }, circle },
    results: {
      near: { name: 'From', quantity: 'metres' },
      far: { name: 'To', quantity: 'metres', endless: 'infinity' },
      depth: { name: 'Depth', quantity: 'metres', endless: 'to infinity' },
      hyperfocal: { name: 'Hyperfocal distance', quantity: 'metres' },
    },
    filled: ['{focal}² / ({aperture} · {circle}) + {focal} = {hyperfocal}', 'from {near} to {far}: {depth}'],
    impossible: (v) =>
      v.distance * 1000 <= 2 * v.focal
        ? `${showAmount('metres', v.distance)} is nearer than a lens of ${showAmount('millimetres', v.focal)} can focus without a macro.`
        : null,
    work(v) {
      const [f, d] = [v.focal, v.distance * 1000]
      const h = (f * f) / (v.aperture * v.circle) + f
      const near = (d * (h - f)) / (h + d - 2 * f)
      const far = d >= h ? Infinity : (d * (h - f)) / (h - d)
      return { near: near / 1000, far: far / 1000, depth: (far - near) / 1000, hyperfocal: h / 1000 }
    },
  }),
  defined({
    id: 'focus-series',
    procedure: 'focus-series-job',
    name: 'Focus series',
    group: 'focus',
    asks: 'How many pictures does a focus series need, and how long is the screen dark?',
    also: 'focus bracket stacking stack step frames',
    formula: 'pictures = ⌈(1/near − 1/far) · H / 2 / (1 − overlap)⌉ + 1, with H = f² / (N · c)',
    source: 'each picture is sharp over 2 / H of the reciprocal of the distance (thin lens)',
    limits:
      'The body steps in steps of its own: try its step once and count. Where the files go, and whether the screen stays dark, is the body’s.',
    inputs: {
      focal,
      aperture,
      near: { name: 'From', quantity: 'metres', single: true },
      far: { name: 'To', quantity: 'metres', single: true },
      circle,
      overlap: { name: 'Overlap', quantity: 'percent', usual: ['30 %', 'for stacking'] },
      each: { name: 'One picture takes', quantity: 'seconds', usual: ['0.5-1 s', 'our own reckoning'] },
    },
    results: {
      pictures: { name: 'Pictures', quantity: 'count' },
      dark: { name: 'The screen is dark for', quantity: 'seconds' },
    },
    filled: [
      '⌈(1/{near} − 1/{far}) · H / 2 / (1 − {overlap})⌉ + 1 = {pictures}',
      '{pictures} · {each} = {dark}',
    ],
    impossible: (v) =>
      v.near >= v.far
        ? 'The series goes from near to far: the first distance must be the shorter one.'
        : v.overlap >= 95
          ? 'With so much overlap it never gets on: write less than 95 %.'
          : null,
    work(v) {
      const h = (v.focal * v.focal) / (v.aperture * v.circle) / 1000
      const pictures = Math.ceil(((1 / v.near - 1 / v.far) * h) / 2 / (1 - v.overlap / 100) - 1e-9) + 1
      return { pictures, dark: pictures * v.each }
    },
  }),
  defined({
    id: 'equivalent',
    name: 'Focal length seen as',
    group: 'focus',
    asks: 'As which focal length does it look, and which focal length is needed to look the same?',
    also: 'equivalent crop factor teleconverter',
    formula: 'seen as = focal length · crop; alike = focal length / crop',
    source: 'similar triangles',
    limits: 'The angle only: aperture and exposure do not change with a crop.',
    inputs: { focal, crop: { name: 'Crop', quantity: 'factor', from: 'sensor.crop' } },
    results: {
      seenAs: { name: 'Seen as', quantity: 'millimetres' },
      alike: { name: 'To look as uncropped', quantity: 'millimetres' },
    },
    filled: ['{focal} · {crop} = {seenAs}', '{focal} / {crop} = {alike}'],
    work: (v) => ({ seenAs: v.focal * v.crop, alike: v.focal / v.crop }),
  }),
  defined({
    id: 'field-of-view',
    name: 'Field of view',
    group: 'focus',
    asks: 'How wide is what is seen at a distance?',
    also: 'angle of view framing coverage',
    formula: 'width = sensor · distance / focal length; angle = 2 · arctan(sensor / (2 · focal length))',
    source: 'similar triangles',
    limits: 'For a lens drawn straight, focused far away.',
    inputs: {
      focal,
      sensor: inputs.sensorWidth,
      distance: { name: 'At', quantity: 'metres' },
    },
    results: {
      width: { name: 'Wide', quantity: 'metres' },
      angle: { name: 'Angle', quantity: 'degrees' },
    },
    filled: ['{sensor} · {distance} / {focal} = {width}', '2 · arctan({sensor} / (2 · {focal})) = {angle}'],
    work: (v) => ({
      width: (v.sensor * v.distance) / v.focal,
      angle: (2 * Math.atan(v.sensor / (2 * v.focal)) * 180) / Math.PI,
    }),
  }),
  defined({
    id: 'magnification',
    name: 'Size in the picture',
    group: 'focus',
    asks: 'How large does something get in the picture?',
    also: 'fill the frame reach pixels on subject',
    formula:
      'on the sensor = focal length · size / distance; pixels = on the sensor / sensor width · pixels across',
    source: 'similar triangles',
    limits: 'Not for macro, where the lens moves out.',
    inputs: {
      size: { name: 'It is large', quantity: 'metres' },
      distance: { name: 'From', quantity: 'metres' },
      focal,
      sensor: inputs.sensorWidth,
      across: { name: 'Pixels across', quantity: 'pixels', from: 'sensor.width' },
    },
    results: {
      share: { name: 'Of the width', quantity: 'times' },
      pixels: { name: 'Pixels', quantity: 'pixels' },
    },
    filled: ['{focal} · {size} / {distance} / {sensor} = {share}', '{share} · {across} = {pixels}'],
    work(v) {
      const share = (v.focal * v.size) / v.distance / v.sensor
      return { share, pixels: share * v.across }
    },
    verdict: ({ share: [, most] }) =>
      most > 1 ? { words: ['It does not fit into the picture.'], fits: false } : { words: [], fits: null },
  }),
]
