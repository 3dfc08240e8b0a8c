import { needFlags, type NeedFlag } from './need-flags'
import { linesOf } from './text-table'

/** A ready set of needs for one kind of work: a start, to be changed. */
export interface ReadySet {
  readonly id: string
  readonly name: string
  readonly side: 'stills' | 'motion'
  readonly needs: readonly ReadyNeed[]
  /** What such work is mostly like, by fact (see `work.ts`). */
  readonly work: readonly { readonly fact: string; readonly value: string | readonly string[] }[]
  /** The modes such work is mostly done in, as values of the common exposure mode and focus mode. */
  readonly modes: { readonly exposure: string; readonly focus: string }
}

/** How often something is adjusted in one outing, and how. */
export interface ReadyNeed {
  /** A common setting that is changed, or a common function that is done. */
  readonly what: string
  readonly perOuting: number
  readonly flags: readonly NeedFlag[]
}

/** A set's line: id | name | side | exposure mode | focus mode. Under it, begun with `=`: fact of the work | value; begun with `>`: what | times an outing | flags (or -). */
const text = `
stage | Stage and rehearsal | stills | manual | follow
= light | 4 7
= lamps | mains
= movement | walking
= silence | needed
> exposure.compensation | 40 | urgent finder
> exposure.shutter | 30 | finder
> exposure.iso | 30 | finder
> exposure.aperture | 15 | finder
> focus.start | 300 | urgent finder
> focus.area | 25 | finder
> focus.detection | 10 | finder
> focus.detectionSubject | 3 | finder
> focus.tracking | 6 | finder
> drive.mode | 8 | finder
> shutter.kind | 4 | -
> colour.balanceMode | 4 | -
> exposure.metering | 3 | -
> display.playback | 20 | -
workbench | Workbench | stills | aperture-first | once
= light | 7 9
= movement | talking
= subject | things
> exposure.aperture | 25 | finder
> exposure.shutter | 10 | finder
> exposure.compensation | 20 | finder
> focus.start | 150 | finder
> focus.magnify | 20 | -
> focus.area | 15 | finder
> focus.mode | 8 | finder
> focus.peaking | 5 | -
> drive.mode | 4 | -
> flash.mode | 6 | -
> flash.compensation | 10 | -
> colour.balanceMode | 6 | -
> display.playback | 25 | -
portraits | Portraits | stills | aperture-first | follow
= subject | people
= movement | posed
= light | 7 10
> exposure.aperture | 20 | finder
> exposure.compensation | 30 | finder
> exposure.iso | 10 | finder
> focus.start | 250 | urgent finder
> focus.detection | 8 | urgent finder
> focus.detectionEye | 12 | finder
> focus.area | 12 | finder
> drive.mode | 5 | finder
> flash.mode | 4 | -
> colour.balanceMode | 6 | -
> exposure.metering | 4 | finder
> display.playback | 25 | -
copy-stand | Copy stand | stills | manual | manual
= subject | things
= movement | still
= camera | tripod
> exposure.shutter | 20 | -
> exposure.aperture | 6 | -
> exposure.iso | 4 | -
> focus.start | 40 | -
> focus.magnify | 30 | -
> focus.mode | 10 | -
> focus.peaking | 4 | -
> colour.kelvin | 10 | -
> colour.customBalance | 6 | -
> drive.mode | 30 | -
> image.kind | 2 | -
> display.playback | 30 | -
interviews | Interviews | motion | manual | follow
= subject | people
= movement | talking
= lamps | mains
> movie.record | 25 | urgent
> focus.start | 30 | recording
> focus.area | 8 | recording
> focus.detection | 5 | recording
> exposure.aperture | 8 | recording
> exposure.iso | 6 | recording
> exposure.shutter | 3 | -
> colour.kelvin | 6 | -
> audio.level | 12 | urgent recording
> assist.zebra | 8 | recording
> focus.peaking | 8 | recording
> movie.frameRate | 3 | -
> movie.profile | 2 | -
slow-motion | Slow motion | motion | manual | follow
= movement | running
= lamps | mains
> movie.record | 40 | urgent
> movie.frameRate | 15 | urgent
> exposure.shutter | 15 | -
> exposure.iso | 15 | recording
> exposure.aperture | 10 | recording
> focus.start | 40 | urgent recording
> focus.area | 8 | -
> focus.mode | 6 | -
> movie.size | 5 | -
> movie.profile | 3 | -
> colour.kelvin | 4 | -
> assist.zebra | 5 | recording
action | Action | stills | shutter-first | follow
= movement | fastest
= blur | frozen
= light | 10 15
> focus.start | 500 | urgent finder
> focus.area | 40 | urgent finder
> focus.detectionSubject | 8 | finder
> focus.tracking | 20 | urgent finder
> focus.behaviour | 4 | -
> exposure.shutter | 40 | urgent finder
> exposure.compensation | 40 | urgent finder
> exposure.iso | 20 | finder
> exposure.aperture | 10 | finder
> drive.mode | 12 | finder
> drive.rate | 6 | -
> stabiliser.mode | 3 | -
> display.playback | 20 | -
landscape | Landscape | stills | aperture-first | once
= movement | still
= light | 8 15
= lamps | none
> exposure.aperture | 25 | finder
> exposure.shutter | 25 | finder
> exposure.iso | 6 | finder
> exposure.compensation | 20 | finder
> exposure.bracketKind | 8 | -
> focus.start | 30 | finder
> focus.magnify | 15 | -
> focus.mode | 8 | finder
> drive.mode | 12 | -
> colour.balanceMode | 6 | -
> assist.level | 10 | finder
> assist.histogram | 10 | finder
> stabiliser.mode | 3 | -
documentary | Documentary | motion | manual | follow
= movement | walking
= subject | people
> movie.record | 60 | urgent
> movie.swapSide | 10 | urgent
> focus.start | 80 | urgent recording
> focus.area | 15 | recording
> focus.mode | 8 | recording
> exposure.iso | 30 | urgent recording
> exposure.aperture | 20 | urgent recording
> exposure.compensation | 10 | recording
> colour.balanceMode | 12 | -
> audio.level | 15 | urgent recording
> assist.zebra | 10 | recording
> focus.peaking | 10 | recording
> movie.profile | 2 | -
`

/** The ready sets. */
export const readySets: readonly ReadySet[] = read(text)

function read(table: string): ReadySet[] {
  const found: ReadySet[] = []
  for (const line of table.trim().split('\n')) {
    const last = found.at(-1)
    if (line.startsWith('=') && last) {
      const [[fact = '', said = ''] = []] = linesOf(line.slice(1), 2)
      const value = fact === 'light' ? said.split(' ') : said
      found[found.length - 1] = { ...last, work: [...last.work, { fact, value }] }
    } else if (line.startsWith('>') && last) {
      const [[what = '', count = '', flags = ''] = []] = linesOf(line.slice(1), 3)
      const known = needFlags.filter((flag) => flags.split(' ').includes(flag))
      found[found.length - 1] = {
        ...last,
        needs: [...last.needs, { what, perOuting: Number(count), flags: known }],
      }
    } else {
      const [[id = '', name = '', side = '', exposure = '', focus = ''] = []] = linesOf(line, 5)
      const modes = { exposure, focus }
      found.push({ id, name, side: side === 'motion' ? 'motion' : 'stills', needs: [], work: [], modes })
    }
  }
  return found
}
