import { linesOf } from './table'

/** One side of a dispute among owners: what those who hold it do, and why. */
export interface School {
  readonly id: string
  readonly name: string
  readonly reason: string
}

/** A question owners answer differently, each with good reasons; the plan says which school its owner belongs to. */
export interface Dispute {
  readonly id: string
  readonly question: string
  /** Common settings it is decided in; empty where it is decided on the keys or in the way of working. */
  readonly settings: readonly string[]
  readonly schools: readonly School[]
}

/** A dispute's line: id | question | common settings (or -). Under it, begun with `>`, a line for each school: id | name | reason. */
const text = `
focus-start | What starts autofocus? | focus.halfPress
> thumb | A thumb key only | The release only takes the picture; focus moves when you say so, and stays when you do not.
> half-press | Half-press | One finger does both, and nobody else is puzzled by the camera.
> both | Both, with different areas | Each finger has its own way to focus: a point under the index, an eye under the thumb.
focus-hold | How is focus kept? | focus.mode
> tap | Tap and let go | The plane is found once and nothing moves it; good for posts and marks.
> hold | Hold and follow | Whoever moves stays sharp as long as the key is down.
focus-box | How large is the area? | focus.area
> small | Small box | You say what is sharp, to the eyelash.
> large | Large box | A moving subject stays inside it.
> frame | Whole frame | The camera finds the subject wherever it is; you only compose.
detection-always | When does detection run? | focus.detection
> always | Always | Nothing to remember: an eye in the frame is found.
> held | On a held key | It looks for eyes only when asked, and does not jump to the wrong face.
metering-link | Does metering follow the subject? | exposure.metering
> linked | Linked to the subject | The face is exposed right wherever it goes.
> apart | Apart | Exposure stays with the scene while focus moves.
exposure-way | Who sets the exposure? | exposure.mode exposure.isoAuto
> manual | All by hand | The light is constant and so is the picture.
> manual-auto-iso | Manual with auto ISO | Time and aperture are chosen for the subject; the camera fits the rest.
> priority | Priority with auto ISO | One dial for what matters; the light may change as it likes.
balance-way | How is white balance set? | colour.balanceMode colour.kelvin
> kelvin | In kelvin | Takes match each other, and the number can be written down.
> preset | A preset | One word for each kind of light, found without thinking.
> auto | Automatic | Raw can be balanced later; nothing to forget now.
file-kind | What is written? | image.kind
> raw | Raw | Everything can still be decided.
> raw-and-small | Raw and a small processed file | Something to send at once, everything to decide later.
> processed | Processed only | Finished in the camera; bursts last and cards hold more.
raw-packing | How is raw packed? | image.rawKind
> lossless | Lossless | Nothing is thrown away, and files are still smaller.
> lossy | Lossy | Half the size, and nobody has shown the difference in a print.
> none | Uncompressed | Every program opens it, and the body does not have to think.
film-tone | Which tone curve is filmed? | movie.profile
> log | Log | The most light between black and white, for those who grade.
> flat | Flattened look | A softer curve, without the exposure rules of log.
> standard | Standard | Ready when it is filmed.
zebra-level | Where does the zebra start? | assist.zebraLevel
> ninety | 90 | Warns early, while there is still room.
> ninety-five | 95 | Warns where a face would clip.
> hundred | 100 | Shows only what is lost.
> none | None | The picture is looked at, not the stripes.
shutter-type | Which shutter? | shutter.kind
> electronic | Electronic | Silent, no shock, the fastest bursts.
> first-curtain | First curtain electronic | No shock, and lamps do not band.
> mechanical | Mechanical | Nothing slants, nothing bands, highlights out of focus stay round.
second-card | What does the second card do? | cards.second
> overflow | Takes over when the first is full | The most pictures.
> mirror | A second copy | A card may fail.
> split | Another kind of file | Raw on the fast card, the others on the small one.
iso-dial | Is ISO on a dial? | -
> on-dial | On a dial | It changes as often as the other two.
> off-dial | The dial is empty | It is turned by mistake, and a wrong ISO is seen too late.
keys-number | How many keys are given a function? | -
> many | Many | Everything is under a finger.
> few | Few | What is not on a key cannot be pressed by mistake, or forgotten.
function-menu-use | What is the function menu for? | -
> main | The main tool | It shows what it changes, and keys need not be remembered.
> none | Not used at all | The eye stays in the picture.
building | How are banks built? | -
> copy | Copy the base, then vary | Nothing is forgotten, and each bank says how it differs.
> each | One bank after the other | Each is thought through for its own work.
keeping | Do banks keep what is changed in the field? | -
> snapshot | Snapshot | Every recall brings back what was planned.
> live | Live | What was tuned in the morning is still there at noon.
bank-or-hold | A bank or a hold set? | -
> bank | A bank | Everything changes at once, and it stays.
> hold | A hold set | For as long as the key is down, without letting go of the camera.
hold-size | How large is a hold set? | -
> small | Small | One or two rows: you know what it does.
> large | Large | A whole way of working under one finger.
touch-use | Is touch on? | controls.touch
> on | On | Pointing is quicker than any stick.
> off | Off | A nose cannot move what is off.
> zoned | In a zone only | Half the screen for the thumb, half for the nose.
shield | Is the sensor covered when the camera is off? | shutter.closeAtPowerOff
> open | Open | Nothing touches the sensor that a blower does not reach, and strong light cannot burn a curtain.
> closed | Closed | Dust stays out while the lens is changed.
heat | How warm may the body get? | movie.heatLimit
> standard | Standard limit | It stops before it is warm in the hand, as its maker means it to.
> raised | Raised limit | A take is not lost; the body stands on a tripod anyway.
finder-switch | Who switches between finder and screen? | display.finderSwitch
> automatic | The eye | Nothing to press.
> manual | The hand | A hand or a strap before the finder does not darken the screen.
motion-focus | How quick is focus while filming? | focus.motionSpeed focus.motionResponse
> slow | Slow and sticky | It does not leave the speaker for whoever walks by.
> quick | Quick and lively | It jumps to what is held to the lens.
movie-frames | Which compression is filmed? | movie.compression
> all-intra | All-intra | Every frame whole: the editing computer has an easy time.
> long-gop | Long GOP | Small files, for a computer that can unfold them.
start-over | Reset first, or build on what is there? | -
> reset | Reset first | Everything that is set was meant.
> build-on | Build on | What the hand has learned stays.
`

/** Every dispute the product supports, with all its sides. */
export const disputes: readonly Dispute[] = read(text)

/** The dispute of that id; undefined where there is none. */
export function disputeCalled(id: string): Dispute | undefined {
  return disputes.find((one) => one.id === id)
}

function read(table: string): Dispute[] {
  const found: Dispute[] = []
  for (const line of table.trim().split('\n')) {
    const last = found.at(-1)
    if (line.startsWith('>') && last) {
      const [[id = '', name = '', reason = ''] = []] = linesOf(line.slice(1), 3)
      found[found.length - 1] = { ...last, schools: [...last.schools, { id, name, reason }] }
    } else {
      const [[id = '', question = '', settings = ''] = []] = linesOf(line, 3)
      found.push({ id, question, settings: settings === '-' ? [] : settings.split(' '), schools: [] })
    }
  }
  return found
}
