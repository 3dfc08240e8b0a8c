import { linesOf } from './text-table'

/** What goes with something that a bank varies: an owner who changes one is asked about the others. */
export interface Companions {
  /** The common setting that is varied. */
  readonly cause: string
  /** Common settings that are to be thought of with it. */
  readonly others: readonly string[]
  readonly because: string
}

/** Columns: what is varied | what goes with it | why. */
export const companions: readonly Companions[] = linesOf(
  `
movie.profile | assist.zebraLevel assist.logPreview exposure.baseIso colour.balanceMode | Log lies lower on a zebra, looks flat without view assist, has a base ISO of its own, and wants a fixed white balance.
exposure.isoAutoCeiling | shutter.flickerReduction colour.balanceMode exposure.minimumShutter | Darker work is mostly under lamps: they flicker, they have a colour, and the minimum shutter speed decides how soon ISO rises.
exposure.iso | shutter.flickerReduction colour.balanceMode | Darker work is mostly under lamps: they flicker, and they have a colour.
focus.detectionSubject | focus.area focus.behaviour | Another subject moves otherwise: the AF area and the AF behaviour go with it.
movie.frameRate | exposure.shutter exposure.shutterAngle | The shutter speed follows the frame rate, and so does what the lamps do.
shutter.kind | shutter.flickerReduction flash.mode | An electronic shutter bands under lamps, and fires no flash.
`,
  3,
).map(([cause = '', others = '', because = '']) => ({ cause, others: others.split(' '), because }))
