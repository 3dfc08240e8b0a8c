import { linesOf } from './text-table'
import type { Value } from './values'

/** One side of a dispute among owners: what those who hold it do, and why. */
export interface School {
  readonly id: string
  readonly name: string
  readonly reason: string
  /** What it asks of the base and of the keys; empty where it is decided in the way of working. */
  readonly wants: readonly Want[]
}

/**
 * What a school wants: a common setting at a value; one whose values are counted (a number in its range, a list in its
 * members) in the lower or the upper half; a common function on a key, or on none.
 */
export type Want =
  | { readonly means: string; readonly is: Value }
  | { readonly means: string; readonly half: 'lower' | 'upper' }
  | { readonly function: string; readonly onKey: boolean }

/** A question owners answer differently, each with good reasons; the plan says which school its owner belongs to. */
export interface Dispute {
  readonly id: string
  readonly question: string
  /** Common settings it is decided in; empty where it is decided on the keys or in the way of working. */
  readonly settings: readonly string[]
  readonly schools: readonly School[]
}

/**
 * A dispute's line: id | question | common settings (or -). Under it, begun with `>`, a line for each school: id | name |
 * reason | what it wants (`setting=value`, `setting<middle`, `setting>middle`, `+function` or `-function` for on a key or on
 * none; or -).
 */
const text = `
focus-start | What starts autofocus? | focus.halfPress
> half-press | Half-press only | One finger does both, and nobody else is puzzled by the camera. | -
> thumb | A thumb key only | The release only takes the picture; focus moves when you say so, and stays when you do not. | -
> both | Half-press at a point, thumb on eyes | Each finger has its own way to focus: a point under the index, an eye under the thumb. | -
> areas | Several keys, each with its area | You never change the area: you press the other key, and it focuses there at once. | -
> tap | Tap and let go | The plane is found once, and nothing moves it until you ask again; good for posts and marks. | -
> ring | Follow, and a held key for the ring | The camera follows; when it is wrong, one held key gives the focus to your hand. | -
focus-hold | How is focus kept? | focus.mode
> tap | Tap and let go | The plane is found once and nothing moves it; good for posts and marks. | focus.mode=once
> hold | Hold and follow | Whoever moves stays sharp as long as the key is down. | focus.mode=follow
focus-box | How large is the area? | focus.area
> small | Small box | You say what is sharp, to the eyelash. | focus.area=point
> large | Large box | A moving subject stays inside it. | focus.area=zone
> frame | Whole frame | The camera finds the subject wherever it is; you only compose. | focus.area=frame
detection-always | When does detection run? | focus.detection
> always | Always | Nothing to remember: an eye in the frame is found. | focus.detection=true
> held | On a held key | It looks for eyes only when asked, and does not jump to the wrong face. | focus.detection=false
metering-link | Does metering follow the subject? | exposure.meterFollowsSubject
> linked | Linked to the subject | The face is exposed right wherever it goes. | exposure.meterFollowsSubject=true
> apart | Apart | Exposure stays with the scene while focus moves. | exposure.meterFollowsSubject=false
exposure-way | Who sets the exposure? | exposure.mode exposure.isoAuto
> manual | All by hand | The light is constant and so is the picture. | exposure.mode=manual exposure.isoAuto=false
> manual-auto-iso | Manual with auto ISO | Time and aperture are chosen for the subject; the camera fits the rest. | exposure.mode=manual exposure.isoAuto=true
> priority | Priority with auto ISO | One dial for what matters; the light may change as it likes. | exposure.isoAuto=true
balance-way | How is white balance set? | colour.balanceMode colour.kelvin
> kelvin | In kelvin | Takes match each other, and the number can be written down. | colour.balanceMode=kelvin
> preset | A preset | One word for each kind of light, found without thinking. | -
> auto | Automatic | Raw can be balanced later; nothing to forget now. | colour.balanceMode=auto
file-kind | What is written? | image.kind
> raw | Raw | Everything can still be decided. | image.kind=raw
> raw-and-small | Raw and a small processed file | Something to send at once, everything to decide later. | image.kind=both
> processed | Processed only | Finished in the camera; bursts last and cards hold more. | image.kind=finished
raw-packing | How is raw packed? | image.rawKind
> lossless | Lossless | Nothing is thrown away, and files are still smaller. | image.rawKind=exact
> lossy | Lossy | Half the size, and nobody has shown the difference in a print. | image.rawKind=lossy
> none | Uncompressed | Every program opens it, and the body does not have to think. | image.rawKind=open
film-tone | Which tone curve is filmed? | movie.profile
> log | Log | The most light between black and white, for those who grade. | movie.profile=log
> flat | Flattened look | A softer curve, without the exposure rules of log. | movie.profile=flat
> standard | Standard | Ready when it is filmed. | movie.profile=normal
zebra-level | Where does the zebra start? | assist.zebraLevel
> ninety | 90 | Warns early, while there is still room. | assist.zebraLevel=90 assist.zebra=true
> ninety-five | 95 | Warns where a face would clip. | assist.zebraLevel=95 assist.zebra=true
> hundred | 100 | Shows only what is lost. | assist.zebraLevel=100 assist.zebra=true
> none | None | The picture is looked at, not the stripes. | assist.zebra=false
shutter-type | Which shutter? | shutter.kind
> electronic | Electronic | Silent, no shock, the fastest bursts. | shutter.kind=silent
> first-curtain | First curtain electronic | No shock, and lamps do not band. | shutter.kind=first
> mechanical | Mechanical | Nothing slants, nothing bands, highlights out of focus stay round. | shutter.kind=curtain
second-card | What does the second card do? | cards.second
> overflow | Takes over when the first is full | The most pictures. | cards.second=overflow
> mirror | A second copy | A card may fail. | cards.second=mirror
> split | Another kind of file | Raw on the fast card, the others on the small one. | cards.second=split
iso-dial | Is ISO on a dial? | -
> on-dial | On a dial | It changes as often as the other two. | -
> off-dial | The dial is empty | It is turned by mistake, and a wrong ISO is seen too late. | -
keys-number | How many keys are given a function? | -
> many | Many | Everything is under a finger. | -
> few | Few | What is not on a key cannot be pressed by mistake, or forgotten. | -
function-menu-use | What is the function menu for? | -
> main | The main tool | It shows what it changes, and keys need not be remembered. | -
> none | Not used at all | The eye stays in the picture. | -
building | How are banks built? | -
> copy | Copy the base, then vary | Nothing is forgotten, and each bank says how it differs. | -
> each | One bank after the other | Each is thought through for its own work. | -
keeping | Do banks keep what is changed in the field? | -
> snapshot | Snapshot | Every recall brings back what was planned. | -
> live | Live | What was tuned in the morning is still there at noon. | -
bank-or-hold | A bank or a hold set? | -
> bank | A bank | Everything changes at once, and it stays. | -
> hold | A hold set | For as long as the key is down, without letting go of the camera. | -
hold-size | How large is a hold set? | -
> small | Small | One or two rows: you know what it does. | -
> large | Large | A whole way of working under one finger. | -
touch-use | Is touch on? | controls.touch
> on | On | Pointing is quicker than any stick. | controls.touch=all
> off | Off | A nose cannot move what is off. | controls.touch=off
> zoned | In a zone only | Half the screen for the thumb, half for the nose. | controls.touch=point
shield | Is the sensor covered when the camera is off? | shutter.closeAtPowerOff
> open | Open | Nothing touches the sensor that a blower does not reach, and strong light cannot burn a curtain. | shutter.closeAtPowerOff=false
> closed | Closed | Dust stays out while the lens is changed. | shutter.closeAtPowerOff=true
heat | How warm may the body get? | movie.heatLimit
> standard | Standard limit | It stops before it is warm in the hand, as its maker means it to. | movie.heatLimit=normal
> raised | Raised limit | A take is not lost; the body stands on a tripod anyway. | movie.heatLimit=high
finder-switch | Who switches between finder and screen? | display.finderSwitch
> automatic | The eye | Nothing to press. | display.finderSwitch=by-eye
> manual | The hand | A hand or a strap before the finder does not darken the screen. | display.finderSwitch=finder
motion-focus | How quick is focus while filming? | focus.motionSpeed focus.motionResponse
> slow | Slow and sticky | It does not leave the speaker for whoever walks by. | focus.motionSpeed<middle focus.motionResponse<middle
> quick | Quick and lively | It jumps to what is held to the lens. | focus.motionSpeed>middle focus.motionResponse>middle
movie-frames | Which compression is filmed? | movie.compression
> all-intra | All-intra | Every frame whole: the editing computer has an easy time. | -
> long-gop | Long GOP | Small files, for a computer that can unfold them. | -
start-over | Reset first, or build on what is there? | -
> reset | Reset first | Everything that is set was meant. | -
> build-on | Build on | What the hand has learned stays. | -
area-limit | How many areas are on offer? | focus.areaLimit
> few | A few | Stepping through them is quick, and no press lands on one you never use. | focus.areaLimit<middle
> all | All | Whatever the day brings, it is there. | focus.areaLimit>middle
subject-choice | How is the subject chosen? | focus.detectionSubjects
> named | One or two, by name | The wrong subject is worse than none: a short list, on a key. | focus.detectionSubjects<middle
> all | All of them | Animals, birds and people on one day: every subject is one press away. | focus.detectionSubjects>middle
point-memory | Does the point wait by orientation? | focus.pointMemory
> one | One point | Turning the camera changes nothing; you know where it is. | focus.pointMemory=one
> each | One for each way up | Upright pictures find the face where upright faces are. | focus.pointMemory=point
recentre | How does the point come back? | focus.point
> key | By a key | One press, wherever it has wandered, without looking. | +focus.centrePoint
> stick | Moved back | No key is spent on what the thumb does anyway. | -focus.centrePoint
point-wrap | Does the point run round the edge? | focus.pointWrap
> round | Round the edge | From one side to the other in one move. | focus.pointWrap=true
> stops | It stops at the edge | The edge can be felt: push, and you know where you are. | focus.pointWrap=false
point-skip | How many points are stepped through? | focus.pointGrid
> all | All of them | The box stands exactly where the eye is. | focus.pointGrid=all
> fewer | Every second one | Half the moves; the last step is done by framing. | focus.pointGrid=fewer
persistence | How long does focus stay with a subject? | focus.persistence
> stays | It stays | A branch, an arm, a curtain rope passes; the speaker stays sharp. | focus.persistence>middle
> moves | It moves on | The next thing held to the lens is the one that matters. | focus.persistence<middle
acceleration | How are starts and stops followed? | focus.acceleration
> even | For even movement | Walkers and talkers: it does not overshoot when somebody halts. | focus.acceleration<middle
> sudden | For sudden movement | Fast hands and dogs: it is there when they start. | focus.acceleration>middle
area-switching | How readily does focus change to the next point? | focus.areaSwitching
> keeps | It keeps to its point | What you framed is what is sharp. | focus.areaSwitching<middle
> roams | It goes to the next | A subject you cannot hold in the box stays sharp. | focus.areaSwitching>middle
behaviour | A ready behaviour, or your own values? | focus.case
> preset | Ready ones | Three that work are better than five numbers; a word can be chosen in the rain. | focus.case=steady
> own | My own values | Settled by counting hits; the ready ones are somebody else's subjects. | focus.case=set
low-light-help | Slower but surer in the dark? | focus.lowLight
> surer | Surer | Late is better than never. | focus.lowLight=true
> quicker | Quicker | A moment that passed cannot be focused on. | focus.lowLight=false
tracking-start | Where does tracking begin? | focus.trackingStart
> point | At the point in use | It takes what the point stands on; nothing else to place. | focus.trackingStart=point
> own | In the middle | It begins at a place of its own, wherever the point has wandered. | focus.trackingStart=middle
release-follow | Does the picture wait for focus? | focus.priorityOnce focus.priorityFollow
> waits | It waits | A picture that is not sharp is not a picture. | focus.priorityOnce=focus focus.priorityFollow=focus
> at-once | At once | The moment is the picture; focus was set before. | focus.priorityOnce=release focus.priorityFollow=release
pre-focus | Does it focus before it is asked? | focus.preAf
> before | Before | It is nearly there when the key goes down. | focus.preAf=true
> asked | When asked | It saves the battery, and does not hunt while you look. | focus.preAf=false
magnify-turn | When is the view enlarged? | focus.magnifyOnTurn
> turn | When the ring turns | The hand that focuses asks for nothing else. | focus.magnifyOnTurn=true
> key | By a key | The frame stays whole until you want to look. | focus.magnifyOnTurn=false
magnify-time | How long does it stay enlarged? | focus.magnifyTime
> open | Until it is sent away | It is not gone in the middle of a turn; the time is counted from the last one. | focus.magnifyTime=open
> seconds | A few seconds | It goes by itself, and the composition is back. | focus.magnifyTime=five
magnify-exit | Does half-press end the magnifier? | focus.magnifyExit
> ends | It ends it | Compose, and shoot. | focus.magnifyExit=true
> stays | It stays | The last look is at the eye, not at the frame. | focus.magnifyExit=false
peaking-level | How easily is an edge called sharp? | focus.peakingLevel
> faint | Hardly | Only what is really sharp is painted. | focus.peakingLevel=faint
> strong | Easily | It can be seen in sunlight; but more looks sharp than is. | focus.peakingLevel=strong
distance-marks | Is the distance shown? | focus.distanceScale
> shown | Shown | Marks on the floor have numbers, and so has the scale. | focus.distanceScale=true
> hidden | Hidden | The picture is judged, not a number. | focus.distanceScale=false
depth-overlay | Is the depth painted? | focus.depthOverlay
> shown | Painted | In front and behind are two colours: the hand knows which way to turn. | focus.depthOverlay=true
> hidden | Not painted | It lies over the picture that is being made. | focus.depthOverlay=false
ring-in-auto | May the ring overrule autofocus? | focus.ringOverride
> may | It may | A wrong face is left with a touch of the ring. | focus.ringOverride=true
> not | It may not | A ring that is brushed moves nothing. | focus.ringOverride=false
pad-at-eye | Does the screen move the point at the finder? | focus.touchPad
> pad | It does | The thumb glides, and no stick is quicker. | focus.touchPad=true
> nose | It does not | A nose moves nothing that is off. | focus.touchPad=false
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
      const [[id = '', name = '', reason = '', wants = ''] = []] = linesOf(line.slice(1), 4)
      const school = { id, name, reason, wants: wants === '-' ? [] : wants.split(' ').map(wantOf) }
      found[found.length - 1] = { ...last, schools: [...last.schools, school] }
    } else {
      const [[id = '', question = '', settings = ''] = []] = linesOf(line, 3)
      found.push({ id, question, settings: settings === '-' ? [] : settings.split(' '), schools: [] })
    }
  }
  return found
}

function wantOf(text: string): Want {
  const [, sign, named] = /^([+-])(\S+)$/.exec(text) ?? []
  if (named !== undefined) return { function: named, onKey: sign === '+' }
  const [, means, half] = /^(\S+)([<>])middle$/.exec(text) ?? []
  if (means !== undefined) return { means, half: half === '<' ? 'lower' : 'upper' }
  const [setting, value = ''] = text.split('=')
  if (setting === undefined || value === '') throw new Error(`“${text}” is nothing a school can want`)
  const plain = { true: true, false: false }[value]
  return { means: setting, is: plain ?? (/^\d+$/.test(value) ? Number(value) : value) }
}
