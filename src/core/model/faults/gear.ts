import type { Refusal } from '../../result'
import type { BodyModel, Doubt, Setting } from '../types'
import { dangling, fault } from './fault'

/** Focus geometry and cards that speak of values the settings do not have. */
export function gearFaults(model: BodyModel): Refusal[] {
  const { focus, cards } = model
  return [
    ...unknownValues(
      model,
      'focus.area',
      focus.areas.map((area) => area.value),
      'focus.areas',
    ),
    ...unknownValues(model, 'focus.mode', Object.keys(focus.confirms), 'focus.confirms'),
    ...unknownValues(model, 'image.rawKind', Object.keys(cards.rawMegabytes), 'cards.rawMegabytes'),
    ...unknownValues(
      model,
      'movie.size',
      cards.movieFormats.map((one) => one.size),
      'cards.movieFormats',
    ),
    ...unknownValues(model, 'movie.size', Object.keys(model.sensor.filmWidths), 'sensor.filmWidths'),
    ...dangling(
      'sensor.crops',
      model.sensor.crops.map((crop) => crop.setting),
      model.settings,
      (id) => `No setting is called ${id}.`,
    ),
    ...unknownValues(
      model,
      'shutter.kind',
      cards.bursts.map((one) => one.shutter),
      'cards.bursts',
    ),
    ...unknownRates(model),
    ...dangling('focus.wrapBy', [focus.wrapBy], model.settings, (id) => `No setting is called ${id}.`),
    ...dangling(
      'focus.strongest',
      focus.strongest ?? [],
      model.functions,
      (id) => `No function is called ${id}.`,
    ),
    ...focus.areas.flatMap((area, i) =>
      area.columns > focus.columns || area.rows > focus.rows
        ? [
            fault(
              'room',
              `focus.areas[${i}]`,
              `It has more places than the ${focus.columns} by ${focus.rows} points.`,
            ),
          ]
        : [],
    ),
    ...backwards(model),
  ]
}

/** Doubts about facts that do not exist, and contradictions with fewer than two candidates. */
export function doubtFaults(model: BodyModel): Refusal[] {
  return model.doubts.flatMap((doubt, i) => {
    const faults: Refusal[] = []
    if (!isFact(model, doubt))
      faults.push(
        fault(
          'dangling',
          `doubts[${i}].about`,
          `${doubt.about} is no fact of this model that can be in doubt.`,
        ),
      )
    if (doubt.status === 'contradictory' && doubt.candidates.length < 2)
      faults.push(fault('shape', `doubts[${i}].candidates`, 'A contradiction has at least two candidates.'))
    if (doubt.status === 'claimed' && doubt.by === undefined)
      faults.push(fault('shape', `doubts[${i}].by`, 'A claim says whose it is.'))
    return faults
  })
}

/** What may be in doubt of a family of banks. */
const bankDoubts: readonly string[] = ['keeping', 'storesKeys', 'storesGrids', 'storesOwnMenu']

function isFact(model: BodyModel, { about }: Doubt): boolean {
  const [kind = '', id = '', part = '', ...more] = about.split('/')
  if (more.length > 0) return false
  if (about === 'focus/heldWins' || about === 'filming/swapTo') return true
  const has = (list: readonly { readonly id: string }[]) => list.some((one) => one.id === id)
  if (kind === 'rules') return has(model.rules) && part === ''
  if (kind === 'families') return has(model.families) && bankDoubts.includes(part)
  if (kind === 'settings') return has(model.settings) && ['storedBy', 'factory'].includes(part)
  return (
    kind === 'functions' &&
    has(model.functions) &&
    ['idle', 'standby', 'recording', 'menu', 'playback'].includes(part)
  )
}

function meaning(model: BodyModel, means: string): Setting | undefined {
  return model.settings.find((setting) => setting.means === means)
}

function unknownValues(model: BodyModel, means: string, values: readonly string[], path: string): Refusal[] {
  const domain = meaning(model, means)?.domain
  const known = domain?.kind === 'choice' ? domain.values : []
  return dangling(path, values, known, (value) => `No value of ${means} is called ${value}.`)
}

function unknownRates(model: BodyModel): Refusal[] {
  const known = meaning(model, 'movie.frameRate')?.domain
  if (known?.kind !== 'choice') return []
  const rates = model.cards.movieFormats.flatMap((one) => one.rates)
  return dangling('cards.movieFormats', rates, known.values, (rate) => `No frame rate is called ${rate}.`)
}

/** Ranges that end before they begin. */
function backwards({ cards }: BodyModel): Refusal[] {
  const ranges = [cards.bufferFrames.raw, cards.bufferFrames.processed, ...Object.values(cards.rawMegabytes)]
  return ranges.flatMap(([from, to]) =>
    from > to ? [fault('domain', 'cards', `${from} to ${to} ends before it begins.`)] : [],
  )
}
