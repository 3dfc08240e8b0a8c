import { questionCalled, type Question } from './questions'
import { subjectOf } from './subjects'
import { blocksOf } from './text-table'
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
 * What a school wants: a common setting at a value, or at any but one; one whose values are counted (a number in its range, a list in its
 * members) in the lower or the upper half; a common function on a key, or on none.
 */
export type Want =
  | { readonly means: string; readonly is: Value }
  | { readonly means: string; readonly isNot: Value }
  | { readonly means: string; readonly half: 'lower' | 'upper' }
  | { readonly function: string; readonly onKey: boolean }

/** A question with what each of its sides holds. */
export interface Dispute extends Question {
  /** Common settings it is decided in; empty where it is decided on the keys or in the way of working. */
  readonly settings: readonly string[]
  readonly schools: readonly School[]
}

/**
 * A question's line: id | common settings (or -). Under it, begun with `>`, a line for each school: id | reason | what it wants (`setting=value`, `setting!=value`, `setting<middle`, `setting>middle`, `+function` or `-function` for on a key or on
 * none; or -).
 */
const text = `
focus-start | focus.halfPress
> half-press | One finger does both, and nobody else is puzzled by the camera. | -
> thumb | The shutter button only takes the picture; focus moves when you say so, and stays when you do not. | -
> both | Each finger has its own way to focus: a point under the index, an eye under the thumb. | -
> areas | You never change the area: you press the other key, and it focuses there at once. | -
> tap | The plane is found once, and nothing moves it until you ask again; good for posts and marks. | -
> ring | The camera follows; when it is wrong, one held key gives the focus to your hand. | -
> flip | One key changes between focusing once and following; the rest of the hand stays as it is. | -
> front | The front finger places the tracker, the thumb focuses; neither waits for the other. | -
> half-stop | Half-press follows; the thumb stops it, and the frame is yours to compose. | -
focus-hold | focus.mode
> tap | You let go, and nothing moves the plane; in either AF mode. | -
> hold | Whoever moves stays sharp as long as the key is down. | focus.mode=follow
focus-box | focus.area
> small | You say what is sharp, to the eyelash. | focus.area=point
> large | A moving subject stays inside it. | focus.area=zone
> frame | The camera finds the subject wherever it is; you only compose. | focus.area=frame
detection-always | focus.detection
> always | Nothing to remember: an eye in the frame is found. | focus.detection=true
> held | It looks for eyes only when asked, and does not jump to the wrong face. | focus.detection=false
metering-link | exposure.meterFollowsSubject
> linked | The face is exposed right wherever it goes. | exposure.meterFollowsSubject=true
> apart | Exposure stays with the scene while focus moves. | exposure.meterFollowsSubject=false
exposure-way | exposure.mode exposure.isoAuto
> manual | The light is constant and so is the picture. | exposure.mode=manual exposure.isoAuto=false
> manual-auto-iso | Shutter speed and aperture suit the subject; the camera fits the ISO. | exposure.mode=manual exposure.isoAuto=true
> priority | One dial for what matters; the light may change as it likes. | exposure.isoAuto=true
balance-way | colour.balanceMode colour.kelvin
> kelvin | Takes match each other, and the number can be written down. | colour.balanceMode=kelvin
> preset | One word for each kind of light, found without thinking. | -
> auto | RAW can be balanced later; nothing to forget now. | colour.balanceMode=auto
file-kind | image.kind
> raw | Everything can still be decided. | image.kind=raw
> raw-and-small | Something to send at once, everything to decide later. | image.kind=both
> processed | Finished in the camera; bursts last and cards hold more. | image.kind=finished
raw-packing | image.rawKind
> lossless | Nothing is thrown away, and files are still smaller. | image.rawKind=exact
> lossy | Half the size, and a print does not show it; but lifted shadows are noisier. | image.rawKind=lossy
> none | Every program opens it, and the body does not have to think. | image.rawKind=open
film-tone | movie.profile
> log | The most light between black and white, for those who grade. | movie.profile=log
> flat | A softer curve, without the exposure rules of log. | movie.profile=flat
> standard | Ready when it is filmed. | movie.profile=normal
zebra-level | assist.zebraLevel
> ninety | Warns early, while there is still room. | assist.zebraLevel=90 assist.zebra=true
> ninety-five | Warns at the brink: skin sits near 70, so a face is no judge here. | assist.zebraLevel=95 assist.zebra=true
> hundred | Shows only what is lost. | assist.zebraLevel=100 assist.zebra=true
> none | The picture is looked at, not the stripes. | assist.zebra=false
shutter-type | shutter.kind
> electronic | Silent, no shock, the fastest bursts. | shutter.kind=silent
> first-curtain | No shock, and lamps do not band. | shutter.kind=first
> mechanical | Nothing slants, nothing bands, highlights out of focus stay round. | shutter.kind=curtain
second-card | cards.second
> overflow | The most pictures. | cards.second=overflow
> mirror | A card may fail. | cards.second=mirror
> split | RAW on the fast card, the others on the small one. | cards.second=split
iso-dial | -
> on-dial | It changes as often as the other two. | -
> off-dial | It is turned by mistake, and a wrong ISO is seen too late. | -
keys-number | -
> many | Everything is under a finger. | -
> few | What is not on a key cannot be pressed by mistake, or forgotten. | -
function-menu-use | -
> main | It shows what it changes, and keys need not be remembered. | -
> second | A second way that can be seen: what is on a key stands there too, for the day the key is forgotten. | -
> none | The eye stays in the picture. | -
building | -
> copy | Nothing is forgotten, and each bank says how it differs. | -
> each | Each is thought through for its own work. | -
keeping | -
> snapshot | Every recall brings back what was planned. | -
> live | What was tuned in the morning is still there at noon. | -
bank-or-hold | -
> bank | Everything changes at once, and it stays. | -
> hold | For as long as the key is down, without letting go of the camera. | -
hold-size | -
> small | One or two rows: you know what it does. | -
> large | A whole way of working under one finger. | -
touch-use | controls.touch
> on | Pointing is quicker than any stick. | controls.touch=all
> off | A nose cannot move what is off. | controls.touch=off
> zoned | Half the screen for the thumb, half for the nose. | controls.touch=point
shield | shutter.closeAtPowerOff
> open | Nothing touches the sensor that a blower does not reach, and strong light cannot burn a curtain. | shutter.closeAtPowerOff=false
> closed | Dust stays out while the lens is changed. | shutter.closeAtPowerOff=true
heat | movie.heatLimit
> standard | It stops before it is warm in the hand, as its maker means it to. | movie.heatLimit=normal
> raised | A take is not lost; the body stands on a tripod anyway. | movie.heatLimit=high
finder-switch | display.finderSwitch
> automatic | Nothing to press. | display.finderSwitch=by-eye
> manual | A hand or a strap before the finder does not darken the screen; finder or screen, as you say. | display.finderSwitch!=by-eye
motion-focus | focus.motionSpeed
> slow | Focus is pulled, not snapped: the eye can follow it. | focus.motionSpeed<middle
> quick | What is held to the lens is sharp at once. | focus.motionSpeed>middle
motion-response | focus.motionResponse
> sticky | It does not leave the speaker for whoever walks by. | focus.motionResponse<middle
> lively | It goes to whatever comes nearer. | focus.motionResponse>middle
motion-start | focus.motionMode
> runs | Focus follows by itself; a thumb key hurries it, or stops it. | focus.motionMode=runs
> asked | Focus moves only when a key, a tap or the ring says so. | focus.motionMode=asked
movie-frames | movie.compression
> all-intra | Every frame whole: the editing computer has an easy time. | -
> long-gop | Small files, for a computer that can unfold them. | -
start-over | -
> reset | Everything that is set was meant. | -
> build-on | What the hand has learned stays. | -
area-limit | focus.areaLimit
> few | Stepping through them is quick, and no press lands on one you never use. | focus.areaLimit<middle
> all | Whatever the day brings, it is there. | focus.areaLimit>middle
subject-choice | focus.detectionSubjects
> named | The wrong subject is worse than none: a short list, on a key. | focus.detectionSubjects<middle
> all | Animals, birds and people on one day: every subject is one press away. | focus.detectionSubjects>middle
point-memory | focus.pointMemory
> one | Turning the camera changes nothing; you know where it is. | focus.pointMemory=one
> each | Upright pictures find the face where upright faces are. | focus.pointMemory=point
recentre | focus.point
> key | One press, wherever it has wandered, without looking. | +focus.centrePoint
> stick | No key is spent on what the thumb does anyway. | -focus.centrePoint
point-wrap | focus.pointWrap
> round | From one side to the other in one move. | focus.pointWrap=true
> stops | The edge can be felt: push, and you know where you are. | focus.pointWrap=false
point-skip | focus.pointGrid
> all | The box stands exactly where the eye is. | focus.pointGrid=all
> fewer | Half the moves; the last step is done by framing. | focus.pointGrid=fewer
persistence | focus.persistence
> stays | A branch, an arm, a curtain rope passes; the speaker stays sharp. | focus.persistence>middle
> moves | The next thing held to the lens is the one that matters. | focus.persistence<middle
acceleration | focus.acceleration
> even | Walkers and talkers: it does not overshoot when somebody halts. | focus.acceleration<middle
> sudden | Fast hands and dogs: it is there when they start. | focus.acceleration>middle
area-switching | focus.areaSwitching
> keeps | What you framed is what is sharp. | focus.areaSwitching<middle
> roams | A subject you cannot hold in the box stays sharp. | focus.areaSwitching>middle
behaviour | focus.behaviour
> preset | A few that work are better than five numbers; a word can be chosen in the rain. | focus.behaviour!=set
> own | Settled by counting hits; the ready ones are somebody else's subjects. | focus.behaviour=set
low-light-help | focus.lowLight
> surer | Late is better than never. | focus.lowLight=true
> quicker | A moment that passed cannot be focused on. | focus.lowLight=false
tracking-start | focus.trackingStart
> point | It takes what the point stands on; nothing else to place. | focus.trackingStart=point
> own | In the middle: whoever is framed is followed, wherever the point has wandered. | focus.trackingStart=middle
> kept | At a remembered point of its own, always the same place. | focus.trackingStart=kept
> linked | Point and tracker move together; one thing to place. | focus.trackingStart=linked
> never | Never by itself: a key or a tap begins it. | focus.trackingStart=asked
release-single | focus.priorityOnce
> waits | A picture that is not sharp is not a picture. | focus.priorityOnce=focus
> at-once | The moment is the picture; focus was set before. | focus.priorityOnce=release
release-follow | focus.priorityFollow
> waits | Every picture of the burst is to be sharp. | focus.priorityFollow=focus
> at-once | The burst does not stumble: one picture in it is sharp. | focus.priorityFollow=release
pre-focus | focus.preAf
> before | It is nearly there when the key goes down. | focus.preAf=true
> asked | It saves the battery, and does not hunt while you look. | focus.preAf=false
magnify-turn | focus.magnifyOnTurn
> turn | The hand that focuses asks for nothing else. | focus.magnifyOnTurn=true
> key | The frame stays whole until you want to look. | focus.magnifyOnTurn=false
magnify-time | focus.magnifyTime
> open | It is not gone in the middle of a turn. | focus.magnifyTime=open
> seconds | It goes by itself, so long after the last turn, and the composition is back. | focus.magnifyTime!=open
magnify-exit | focus.magnifyExit
> ends | Compose, and shoot. | focus.magnifyExit=true
> stays | The last look is at the eye, not at the frame. | focus.magnifyExit=false
peaking-level | focus.peakingLevel
> faint | Only what is really sharp is painted. | focus.peakingLevel=faint
> strong | It can be seen in sunlight; but more looks sharp than is. | focus.peakingLevel=strong
distance-marks | focus.distanceScale
> shown | Marks on the floor have numbers, and so has the scale. | focus.distanceScale=true
> hidden | The picture is judged, not a number. | focus.distanceScale=false
depth-overlay | focus.depthOverlay
> shown | In front and behind are two colours: the hand knows which way to turn. | focus.depthOverlay=true
> hidden | It lies over the picture that is being made. | focus.depthOverlay=false
ring-in-auto | focus.ringOverride
> may | A wrong face is left with a touch of the ring. | focus.ringOverride=true
> not | A ring that is brushed moves nothing. | focus.ringOverride=false
sounds | body.sounds
> silent | Beeps are heard in the room and in the recording. | body.sounds=false
> heard | The beep proves that focus was found, and the sound of the shutter that there is a picture. | body.sounds=true
quality | image.quality
> fine | Cards are cheap; what was thrown away does not come back. | image.quality=fine
> light | Small files beside the RAW, and long bursts of what nobody prints. | image.quality!=fine
stabiliser-use | stabiliser.mode
> on | By hand it saves more pictures than it spoils. | stabiliser.mode!=off
> off | On a tripod or a copy stand there is nothing to steady, and it drifts. | stabiliser.mode=off
pad-at-eye | focus.touchPad
> pad | The thumb glides, and no stick is quicker. | focus.touchPad=true
> nose | A nose moves nothing that is off. | focus.touchPad=false
long-noise | exposure.longNoise
> on | A long exposure without hot pixels, and nothing to do about it later. | exposure.longNoise=true
> off | The camera is free for the next picture at once; a dark frame can be taken once, by hand. | exposure.longNoise=false
colour-space | colour.space
> small | Every screen and every printer shows it right. | colour.space=small
> wide | Strong colours are kept for who can print them. | colour.space=wide
point-lock | focus.pointLock
> locked | It is where you left it, whatever brushes the stick. | focus.pointLock=true
> moved | The picture decides, and the thumb follows. | focus.pointLock=false
shadow-lift | image.shadowLift
> none | Finder and histogram tell what the sensor gets. | image.shadowLift=none
> lifted | A processed picture can be sent as it is. | image.shadowLift!=none
drive-way | drive.mode
> single | One press, one picture: you chose the moment. | drive.mode=single
> burst | The moment is between two of them, and you choose it later. | drive.mode=burst
focus-help | focus.guide focus.peaking
> guide | It says which way to turn, and lies over nothing. | focus.guide=true focus.peaking=false
> peaking | The plane is seen as it moves. | focus.peaking=true
> on-key | The picture is clear until you ask. | focus.peaking=false +focus.togglePeaking
> neither | The magnifier says more than either. | focus.guide=false focus.peaking=false
metering-pattern | exposure.metering
> whole | It has seen more scenes than you have. | exposure.metering=whole
> centre | It does the same every time: you learn what to add. | exposure.metering=centre
> spot | You say what is grey, and the rest falls into its place. | exposure.metering=spot
> highlights | What is lit is kept, on a stage above all. | exposure.metering=bright
review | display.review
> shown | You see at once what went wrong. | display.review!=off
> off | The eye stays on what happens next, and nothing lights up in the dark. | display.review=off
finder-exposure | exposure.preview
> shown | What you see is what you get. | exposure.preview=true
> bright | You can compose by flash, and in the dark; the meter says the rest. | exposure.preview=false
finder-look | assist.neutralView
> planned | The finished picture is judged as it is made. | assist.neutralView=false
> neutral | It is near to what RAW holds, whatever look is set. | assist.neutralView=true
wheel-neighbours | -
> empty | A wheel that is turned is tilted by mistake; what is empty does nothing. | -
> used | Four functions more under the thumb that is there anyway. | -
distortion | image.distortion image.lensCorrection
> corrected | Straight lines are straight in what you send. | image.distortion=true image.lensCorrection>middle
> left | Nothing is cut off, and the software does it better. | image.distortion=false image.lensCorrection<middle
display-clutter | display.pages
> few | The picture, and one page that says everything. | display.pages<middle
> many | Each page says one thing. | display.pages>middle
exposure-bias | exposure.compensation
> metered | The meter is right; you change it when it is not. | -
> darker | What is white stays white; shadows can be lifted. | -
> brighter | Shadows are clean; watch the highlights. | -
manual-switch | focus.mode
> toggled | Both hands are free for the ring. | +focus.flipMode
> held | It is back to autofocus when you let go: nothing to forget. | +focus.flipModeHold
`

/** Every dispute the product supports, with all its sides. */
export const disputes: readonly Dispute[] = blocksOf(text, 2, 3).map(
  ([[id = '', settings = ''] = [], ...sides]) => {
    const question = questionCalled(id)
    if (!question) throw new Error(`“${id}” is no question`)
    return {
      ...question,
      settings: settings === '-' ? [] : settings.split(' '),
      schools: sides.map(schoolIn(question)),
    }
  },
)

/** The subjects of questions that are decided on no setting. */
const ofSubject: Readonly<Record<string, string>> = {
  'iso-dial': 'controls',
  'keys-number': 'controls',
  'function-menu-use': 'controls',
  'wheel-neighbours': 'controls',
}

/** What owners differ in about a subject: decided on a setting of it, or belonging to it. */
export function disputesOf(subject: string): Dispute[] {
  return disputes.filter(
    ({ id, settings }) =>
      ofSubject[id] === subject || settings.some((means) => subjectOf(means)?.id === subject),
  )
}

/** The dispute of that id; undefined where there is none. */
export function disputeCalled(id: string): Dispute | undefined {
  return disputes.find((one) => one.id === id)
}

function schoolIn(question: Question): (cells: readonly string[]) => School {
  return ([id = '', reason = '', wants = '']) => {
    const named = question.schools.find((one) => one.id === id)
    if (!named) throw new Error(`“${id}” is no side in ${question.id}`)
    return { ...named, reason, wants: wants === '-' ? [] : wants.split(' ').map(wantOf) }
  }
}

function wantOf(text: string): Want {
  const [, sign, named] = /^([+-])(\S+)$/.exec(text) ?? []
  if (named !== undefined) return { function: named, onKey: sign === '+' }
  const [, means, half] = /^(\S+)([<>])middle$/.exec(text) ?? []
  if (means !== undefined) return { means, half: half === '<' ? 'lower' : 'upper' }
  const [, setting, not, value = ''] = /^([^=!]+)(!?)=(\S+)$/.exec(text) ?? []
  if (setting === undefined || value === '') throw new Error(`“${text}” is nothing a school can want`)
  const plain = { true: true, false: false }[value]
  const wanted = plain ?? (/^\d+$/.test(value) ? Number(value) : value)
  return not === '!' ? { means: setting, isNot: wanted } : { means: setting, is: wanted }
}
