import { blocksOf } from '../vocabulary/text-table'
import type { Side } from '../model/types'

/** A choice that an owner is advised in: the options are the values of one common setting, or set several at once. */
export interface AdviserForm {
  readonly id: string
  readonly name: string
  /** The common setting whose values are the options; null where options set several. */
  readonly means: string | null
  readonly side: Side | null
  readonly asks: string
  readonly weighs: readonly WeighForm[]
}

/** What speaks for an option, or against it, in some work. */
export interface WeighForm {
  /** A common value, or the id of an option; `!` for what makes all of them do nothing. */
  readonly option: string
  /** Facts that have to hold, each with the values that do; none where it always does. */
  readonly when: readonly { readonly fact: string; readonly of: readonly string[] }[]
  /** Above zero for it, below against it: 1 tips the scale, 3 counts, 6 decides. */
  readonly points: number
  readonly words: string
}

/**
 * An adviser's line: id | common setting (or -) | side (stills, motion, or -) | name | question. Under it, begun with `>`, what is weighed:
 * option (`!` for what makes all of them do nothing) | facts (`fact=value,value` joined by `&`, or - for always) | points | why. The points are our own weighing; each is shown.
 */
const text = `
shutter | shutter.kind | stills | Shutter type | Which shutter suits this work?
> silent | silence=needed | 6 | Nobody hears it.
> curtain | silence=needed | -6 | It is heard in every pause.
> first | silence=needed | -6 | Its closing is heard in every pause.
> silent | flash=used | -10 | A flash does not go with it.
> silent | pulses=part | -4 | The shutter speed is no whole number of lamp pulses: it bands.
> silent | pulses=unknown | -2 | Whether lamps band in it is not known: they are not measured.
> silent | camera=panning | -3 | It is read line by line: in a pan what is upright leans.
> silent | movement=running,fastest | -2 | It is read line by line: what moves fast is bent.
> silent | camera=tripod | 2 | Nothing moves in the camera: no shock on the support.
> silent | burst=asked | 1 | The fastest bursts.
> curtain | camera=tripod&time=shock | -3 | The shock of its opening blurs from 1/15 to 1/200.
> first | camera=tripod&time=shock | 2 | No shock as it opens.
> first | time=short&aperture=wide | -3 | At short times and wide apertures it clips the blur, and exposure is uneven.
> curtain | time=short | 1 | Even exposure at its shortest times.
> curtain | movement=running,fastest | 1 | Nothing bends, nothing leans.
> first | - | 1 | No shock as it opens, and lamps do not band in it.
> curtain | flash=used | 2 | Made for flash, at its sync speed and slower.
> first | flash=used | 1 | A flash goes with it at its sync speed and slower.
raw | image.rawKind | stills | RAW compression | How are RAW files to be packed?
> ! | files=finished | 0 | Only processed files are written, as planned.
> exact | - | 2 | Nothing is thrown away, and a fifth to two fifths of the room is saved.
> lossy | shadows=lifted | -4 | Lifted shadows get noisier: that is where it saves.
> light | shadows=lifted | -5 | Lifted shadows get noisier, and blotched.
> open | shadows=lifted | 1 | Every level is there when shadows are lifted.
> exact | opens-lossless=no | -6 | Your software does not open it, as you say.
> lossy | opens-lossy=no | -6 | Your software does not open it, as you say.
> light | opens-lossy=no | -6 | Your software does not open it, as you say.
> open | opens-uncompressed=no | -6 | Your software does not open it, as you say.
> open | - | -2 | The largest files: fewer on a card, and the buffer is full sooner.
> open | opens-lossless=no | 1 | It opens nearly everywhere.
> lossy | burst=stalls | 3 | Half the size: the buffer lasts, and the card keeps up.
> light | burst=stalls | 4 | The smallest: the buffer lasts longest.
> open | burst=stalls | -3 | The buffer is full soonest.
> lossy | hours=long | 1 | A long day on fewer cards.
> light | hours=long | 2 | A long day on the fewest cards.
> lossy | - | -1 | Something is thrown away, though a print does not show it.
> light | - | -2 | More is thrown away, and it is seen when much is corrected.
format | movie.size | motion | Film size | Which size suits what is delivered?
> open | delivery=unknown | -1 | The whole sensor is of use where it is cut later.
> wide | delivery=unknown | 1 | What most deliver, with room to cut for less.
compression | movie.compression | motion | Film compression | Whole frames, or groups of them?
> every | card=slow | -6 | Your card does not keep up with it.
> every | opens-all-intra=no | -6 | Your software does not open it, as you say.
> group | opens-long-gop=no | -6 | Your software does not open it, as you say.
> groups | opens-long-gop=no | -6 | Your software does not open it, as you say.
> every | opens-long-gop=no | 2 | The editing computer has an easy time.
> every | movement=running,fastest | 2 | Each frame stands alone: fast movement stays clean.
> every | - | -1 | Files two to four times as large.
> group | - | 1 | Small files, for a computer that can unfold them.
> groups | - | 1 | Small files, for a computer that can unfold them.
depth | movie.bits | motion | Bit depth | How many levels is film to be written in?
> ten | profile=flat,log,hdr | 4 | A flat or log curve is stretched in grading: with fewer levels skies and walls show bands.
> eight | profile=flat,log,hdr | -3 | Stretched in grading, skies and walls show bands.
> eight | profile=normal | 2 | A normal curve is delivered nearly as it was shot: it shows no bands.
> ten | - | 1 | Four times the levels: room to correct.
> ten | opens-ten-bit=no | -8 | Your software does not open it, as you say.
> eight | opens-ten-bit=no | 1 | It opens everywhere.
> eight | - | 0 | Lighter work for the editing computer.
temper | - | motion | Film autofocus | How fast is focus to move, and how soon to leave its subject?
> stiff | movement=posed,talking | 4 | It does not leave the speaker for whoever walks by.
> stiff | subject=puppets | 2 | It does not jump from a painted face to a hand.
> stiff | movement=running,fastest | -4 | Whoever runs is out of focus before it follows.
> lively | movement=running,fastest | 4 | It follows what moves fast.
> lively | subject=things&movement=fastest | 2 | What is held to the lens is sharp at once.
> lively | movement=still,posed,talking | -4 | It hunts, and goes to whatever comes nearer.
> even | movement=walking | 4 | It follows who walks, and does not snap.
> even | - | 1 | Neither pulls nor snaps.
metering | exposure.metering | - | Metering mode | Which part of the frame is to be metered?
> whole | - | 2 | It has seen more scenes than you have.
> bright | light=dark | 4 | A lit face before a dark ground is not burnt out.
> whole | light=dark | -3 | A dark stage lifts it: lit faces burn out.
> centre | light=dark | -1 | The dark around the middle still counts.
> spot | camera=tripod&movement=still | 3 | One grey card, and the rest falls into its place.
> spot | movement=walking,running,fastest | -3 | The spot is on somebody else before you see it.
> spot | light=dark&movement=still,posed | 2 | You say what is lit.
> bright | light=bright | -1 | With a bright sky all of the rest goes dark.
> centre | movement=posed,talking&subject=people | 3 | It does the same every time: you learn what to add.
> centre | meterFollows=yes | -1 | The meter follows the subject anyway.
> whole | clothing=dark,pale,both | -2 | Black or white clothes pull it: faces come out too light or too dark.
> centre | clothing=dark,pale | -1 | Black or white clothes in the middle pull it.
> spot | clothing=dark,pale | 2 | Put on the face, it does not see the clothes.
> bright | clothing=both | 3 | White beside black keeps its folds.
> bright | latitude=narrow | 1 | What is burnt out stays so.
> whole | latitude=wide | 1 | A stop that it misses is put right in editing.
subject | focus.detectionSubject | - | Detected subject | What is detection to look for?
> people | subject=people | 6 | Faces and eyes.
> people | subject=puppets | 1 | Painted faces are taken for faces, by chance.
> animals | subject=animals | 6 | What runs on four legs.
> pets | subject=animals | 6 | Dogs and cats.
> horses | creature=horses | 8 | Horses, and their riders.
> pets | creature=pets | 2 | Made for them.
> birds | subject=birds | 6 | Birds, also small in the frame.
> animals | subject=birds | 2 | Birds are found by it, less surely.
> vehicles | subject=vehicles | 6 | Vehicles, and the helmet in them.
> cars | subject=vehicles | 6 | Cars, and the helmet in them.
> insects | creature=insects | 8 | Insects only: large in the frame, and still for a moment.
stabiliser | stabiliser.mode | - | Stabilisation | Is it to steady, and how strongly?
> on | camera=hand | 4 | By hand it saves more pictures than it spoils.
> off | camera=tripod | 5 | On a support there is nothing to steady, and it drifts.
> on | camera=tripod | -2 | On a support it drifts.
> firm | camera=tripod | -4 | On a support it drifts, and crops.
> firm | camera=hand&side=motion&movement=still,posed,talking | 7 | A standing shot from the hand looks like one from a tripod.
> firm | camera=panning | -4 | It holds on to the frame and lets go with a jerk in a pan.
> on | camera=panning | 1 | It leaves the pan alone in most bodies: test on body.
> off | camera=panning&time=short | 3 | At short times there is no shake to steady, and a pan stays free.
> off | time=short | 2 | At short times there is no shake to steady.
> firm | side=stills | -1 | Made for film: it crops the finder.
> off | camera=hand&time=long | -4 | By hand the shutter speed is too long without it.
> on | - | 1 | Delivered so, and mostly right.
second | cards.second | - | Second card | What is the second card for?
> mirror | - | 2 | A card may fail.
> overflow | hours=long | 3 | The most pictures before a card is changed.
> overflow | - | -1 | No second copy: a card that fails takes its pictures along.
> split | files=both | 3 | RAW on the fast card, the others on the small one, to be sent at once.
> split | files=raw,finished | -4 | There is only one kind of file to split.
> mirror | burst=stalls | -1 | The slower card sets the pace.
> mirror | files=both | -1 | Both kinds lie on both: fewer pictures fit.
> split | - | 0 | Each kind lies once only.
> mirror | - | 0 | Deletion takes a picture from one card only: its copy stays until that card is formatted.
> overflow | - | 0 | Playback and deletion see one card at a time.
> split | - | 0 | What is deleted of one kind stays of the other.
record | movie.recordUsesSlot | - | Bank of the record key | What is the record key to film with when it is pressed in stills?
> plain | - | 0 | It films with what was last set for film outside the banks: nothing restores it.
`

/** Every adviser. */
export const advisers: readonly AdviserForm[] = blocksOf(text, 5, 4).map(
  ([[id = '', means = '', side = '', name = '', asks = ''] = [], ...lines]) => ({
    ...{ id, name, asks },
    means: means === '-' ? null : means,
    side: side === '-' ? null : (side as Side),
    weighs: lines.map(([option = '', when = '', points = '', words = '']) => ({
      option,
      when: when === '-' ? [] : when.split('&').map(condition),
      points: Number(points),
      words,
    })),
  }),
)

function condition(written: string) {
  const [fact = '', values = ''] = written.split('=')
  return { fact, of: values.split(',') }
}

/** The adviser of that id; undefined where there is none. */
export function adviserCalled(id: string): AdviserForm | undefined {
  return advisers.find((one) => one.id === id)
}
