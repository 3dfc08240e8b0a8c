import type { NumberForm } from './form'
import { numberTable } from './table'

/** An input as somebody gives it: what is typed, and who says so: "typed", "card in the slot First". */
export interface Said {
  readonly typed: string
  readonly from: string
}

/** What is known of a place, by the name that figures ask for it (`Input.from`), typed and with who says so. */
export type Known = Readonly<Record<string, Said>>

/** What a figure is given from what is known. */
export function givenFrom(form: NumberForm, known: Known): Record<string, Said> {
  return Object.fromEntries(
    [...Object.entries(form.choices), ...Object.entries(form.inputs)].flatMap(([id, { from }]) => {
      const said = from === undefined ? undefined : known[from]
      return said ? [[id, said] as const] : []
    }),
  )
}

/** The common settings that figures ask for under another name than their own. */
const askedAs: Readonly<Record<string, string>> = {
  'exposure.isoAutoFloor': 'exposure.isoFloor',
  'exposure.isoAutoCeiling': 'exposure.isoCap',
  'exposure.minimumShutter': 'exposure.slowest',
  'movie.frameRate': 'film.rate',
  'movie.size': 'film.bitrate',
  'movie.profile': 'film.curve',
  'movie.crop': 'sensor.crop',
  'assist.zebraLevel': 'film.zebra',
  'exposure.shutterAngle': 'film.angle',
  'drive.rate': 'burst.rate',
  'image.rawKind': 'file.size',
  'cards.second': 'slot.role',
}

/** The figures that ask for a common setting, those of which it decides most first. */
export function figuresAbout(means: string): NumberForm[] {
  const name = askedAs[means] ?? means
  const asks = ({ inputs, choices }: NumberForm) =>
    [...Object.values(choices), ...Object.values(inputs)].some(({ from }) => from === name)
  const parts = ({ inputs }: NumberForm) => Object.keys(inputs).length
  return numberTable.filter(asks).sort((one, two) => parts(one) - parts(two))
}
