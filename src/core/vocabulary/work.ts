import { blocksOf } from './text-table'

/** What is said of a situation besides its needs: what it is like to shoot there, and where the pictures go. */
export interface WorkFact {
  readonly id: string
  readonly name: string
  /** What follows from it, in a sentence. */
  readonly plain: string
  /** What it takes: one of its choices, any of them, a range of light, a number, a text. */
  readonly takes: 'one' | 'any' | 'light' | 'number' | 'text'
  /** On which side something is checked against it; what is checked in stills only is not asked of film. */
  readonly checked: 'both' | 'stills' | 'never'
  /** Its choices; for light, ready ranges; none for numbers and texts. */
  readonly choices: readonly WorkChoice[]
}

/** A choice of a fact. */
export interface WorkChoice {
  readonly id: string
  readonly name: string
  /** For light `from to` in EV; for movement the slowest shutter speed in seconds that freezes it, 0 for none. */
  readonly amount: readonly number[]
}

/**
 * A fact's line: id | name | takes | on which side something is checked against it (both, stills, or -) | what follows from it. Under it, begun with `>`, a line for each choice: id | name | amounts
 * (or -). EV at ISO 100. The times that freeze are rules of thumb: twice the speed across the frame, half the time.
 */
const text = `
light | Light | light | both | How much there is: it decides whether shutter speed, aperture and ISO can meet.
> stage-dark | Dark stage, candles | 1 4
> stage | Stage, evening room | 4 7
> bright-room | Bright room, office | 7 9
> street-night | Lit street at night | 3 6
> shade | Shade, overcast | 10 13
> sun | Sun | 14 16
lamps | Lamps | one | both | Lamps that pulse band with an electronic shutter and in film.
> none | Daylight | -
> steady | Steady film lamps | -
> mains | Lamps on the mains | -
> measured | Dimmed LEDs, measured | -
subject | Subject | one | both | What detection has to find, or must not be fooled by.
> people | People | -
> puppets | Puppets, masks, painted faces | -
> animals | Animals | -
> birds | Birds | -
> vehicles | Vehicles | -
> things | Things, no faces | -
clothing | Clothing | one | - | Much black or white in the frame pulls every meter that looks at it.
> middle | Neither black nor white | -
> dark | Mostly dark | -
> pale | Mostly white or pale | -
> both | Black beside white | -
movement | It moves | one | both | How fast: single AF and slow shutter speeds lose what moves.
> still | Nothing moves | 0
> posed | Posed, hardly moving | 0.0167
> talking | Talking, gestures | 0.008
> walking | Walking | 0.004
> running | Running, dancing | 0.002
> fastest | Sport, fast hands, birds | 0.001
blur | Movement in the picture | one | - | Whether it is to be frozen or may smear.
> frozen | Movement frozen | -
> either | Movement either way | -
> wanted | Movement smeared on purpose | -
silence | Silence | one | both | Where nobody may hear the camera, the shutter and every beep count.
> needed | Must be silent | -
> free | May be heard | -
flash | Flash | one | stills | A flash does not go with an electronic shutter.
> used | Flash used | -
> none | No flash | -
camera | The camera | one | both | On a support the stabiliser drifts; in a pan an electronic shutter slants what is upright.
> hand | In the hand | -
> tripod | On a tripod or copy stand | -
> panning | Panned, or following | -
delivery | Delivered, pixels wide | number | - | What is smaller than this has to be enlarged.
space | Colour space delivered | one | stills | What the processed files are to be written in.
> small | The usual, small colour space | -
> wide | Wide colour space | -
opens | Your software opens | any | both | A file that does not open is found out in the evening.
> lossless | RAW, lossless compressed | -
> lossy | RAW, lossy compressed | -
> uncompressed | RAW, uncompressed | -
> ten-bit | 10-bit film | -
> all-intra | All-intra film | -
> long-gop | Long-GOP film | -
software | Software | text | - | Which, for your own memory.
hours | Hours a day | number | - | How long cards and battery have to last.
pictures | Pictures a day | number | - | How many cards the day needs, and how much is to be sorted.
filmed | Minutes of film a day | number | - | How many cards the day needs, and how much is to be kept.
`

/** Every fact of the work, in the order in which they are asked. */
export const workTable: readonly WorkFact[] = blocksOf(text, 5, 3).map(
  ([[id = '', name = '', takes = '', checked = '', plain = ''] = [], ...choices]) => ({
    id,
    name,
    plain,
    takes: takes as WorkFact['takes'],
    checked: checked === '-' ? 'never' : (checked as WorkFact['checked']),
    choices: choices.map(([choice = '', words = '', amount = '']) => ({
      id: choice,
      name: words,
      amount: amount === '-' ? [] : amount.split(' ').map(Number),
    })),
  }),
)

/** The fact of that id; undefined where there is none. */
export function workFact(id: string): WorkFact | undefined {
  return workTable.find((one) => one.id === id)
}

/** The darkest and the brightest light that is spoken of, in EV at ISO 100: starlight, and sun on snow. */
export const lightLimits = [-6, 18] as const

/** From where to where the counted facts go. */
export const workRanges: Readonly<Record<string, readonly [number, number]>> = {
  delivery: [320, 20_000],
  hours: [0.25, 24],
  pictures: [1, 50_000],
  filmed: [1, 1440],
}
