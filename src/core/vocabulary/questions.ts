import { blocksOf } from './text-table'

/** A question owners answer differently, each with good reasons; the plan says which answer its owner gives. */
export interface Question {
  readonly id: string
  readonly question: string
  readonly schools: readonly { readonly id: string; readonly name: string }[]
}

/** A question's line: id | question. Under it, begun with `>`, a line for each school: id | name. */
const text = `
focus-start | What starts autofocus?
> half-press | Half-press only
> thumb | A thumb key only
> both | Half-press at a point, thumb on eyes
> areas | Several keys, each with its area
> tap | Tap and let go
> ring | Follow, and a held key for the ring
> flip | A key changes single and continuous
> front | A front key places the tracker, the thumb focuses
> half-stop | Half-press follows, a thumb key stops
focus-hold | How is focus kept?
> tap | Tap and let go
> hold | Hold and follow
focus-box | How large is the AF area?
> small | Small box
> large | Large box
> frame | Whole frame
detection-always | When does detection run?
> always | Always
> held | On a held key
metering-link | Does metering follow the subject?
> linked | Linked to the subject
> apart | Apart
exposure-way | Which exposure mode?
> manual | All by hand
> manual-auto-iso | Manual with auto ISO
> priority | Priority with auto ISO
balance-way | How is white balance set?
> kelvin | In kelvin
> preset | A preset
> auto | Automatic
file-kind | Which file type?
> raw | RAW
> raw-and-small | RAW and a small processed file
> processed | Processed only
raw-packing | Which RAW compression?
> lossless | Lossless
> lossy | Lossy
> none | Uncompressed
film-tone | Which tone curve?
> log | Log
> flat | Flattened look
> standard | Standard
zebra-level | Where does the zebra start?
> ninety | 90
> ninety-five | 95
> hundred | 100
> none | None
shutter-type | Which shutter?
> electronic | Electronic
> first-curtain | First curtain electronic
> mechanical | Mechanical
second-card | What does the second card do?
> overflow | Takes over when the first is full
> mirror | A second copy
> split | Another kind of file
iso-dial | Is ISO on a dial?
> on-dial | On a dial
> off-dial | The dial is empty
keys-number | How many keys are given a function?
> many | Many
> few | Few
function-menu-use | What is the function menu for?
> main | The main tool
> second | A second way to see
> none | Not used at all
building | How are banks built?
> copy | Copy the base, then vary
> each | One bank after the other
keeping | Do banks keep what is changed in the field?
> snapshot | Snapshot
> live | Live
bank-or-hold | A bank or a hold set?
> bank | A bank
> hold | A hold set
hold-size | How large is a hold set?
> small | Small
> large | Large
touch-use | Is touch on?
> on | On
> off | Off
> zoned | In a zone only
shield | Is the sensor covered when the camera is off?
> open | Open
> closed | Closed
heat | How warm may the body get?
> standard | Standard limit
> raised | Raised limit
finder-switch | Who switches between finder and screen?
> automatic | The eye sensor
> manual | A key
motion-focus | How fast does focus move while filming?
> slow | Slowly
> quick | Quickly
motion-response | How soon does it leave a subject while filming?
> sticky | Late
> lively | Soon
motion-start | What moves focus while filming?
> runs | It runs by itself
> asked | Only what you press
movie-frames | Which movie compression?
> all-intra | All-intra
> long-gop | Long GOP
start-over | Reset first, or build on what is there?
> reset | Reset first
> build-on | Build on
area-limit | How many AF areas are selectable?
> few | A few
> all | All
subject-choice | How is the subject chosen?
> named | One or two, by name
> all | All of them
point-memory | Is there an AF point for each orientation?
> one | One point
> each | One for each way up
recentre | How does the AF point come back to the middle?
> key | By a key
> stick | Moved back
point-wrap | Does the AF point wrap round the edge?
> round | Round the edge
> stops | It stops at the edge
point-skip | How many AF points are used?
> all | All of them
> fewer | Every second one
persistence | How long does focus stay with a subject?
> stays | It stays
> moves | It moves on
acceleration | How are starts and stops followed?
> even | For even movement
> sudden | For sudden movement
area-switching | How readily does focus change to the next point?
> keeps | It keeps to its point
> roams | It goes to the next
behaviour | A ready behaviour, or your own values?
> preset | Ready ones
> own | My own values
low-light-help | Slower but surer in the dark?
> surer | Surer
> quicker | Quicker
tracking-start | Where does tracking begin?
> point | At the point in use
> own | In the middle
> kept | At a point of its own
> linked | Linked to the point
> never | Never by itself
release-single | Single AF: does the picture wait for focus?
> waits | It waits
> at-once | At once
release-follow | Continuous AF: does the picture wait for focus?
> waits | It waits
> at-once | At once
pre-focus | Does it focus before it is asked?
> before | Before
> asked | When asked
magnify-turn | When does the magnifier open?
> turn | When the ring turns
> key | By a key
magnify-time | How long does the magnifier stay?
> open | Until it is sent away
> seconds | A few seconds
magnify-exit | Does half-press end the magnifier?
> ends | It ends it
> stays | It stays
peaking-level | How sensitive is focus peaking?
> faint | Hardly
> strong | Easily
distance-marks | Is the distance shown?
> shown | Shown
> hidden | Hidden
depth-overlay | Is the depth overlay shown?
> shown | Shown
> hidden | Hidden
ring-in-auto | May the ring override AF?
> may | It may
> not | It may not
sounds | Does the camera make sounds?
> silent | None
> heard | Heard
quality | Which quality are processed files?
> fine | The best
> light | Lower
stabiliser-use | Is the stabiliser on?
> on | On, by hand
> off | Off, on a support
pad-at-eye | Does the screen move the point at the finder?
> pad | It does
> nose | It does not
long-noise | Is a dark frame taken after long exposures?
> on | Taken
> off | Not taken
colour-space | Which colour space do processed files have?
> small | The usual, small one
> wide | The wide one
point-lock | Is the AF point locked?
> locked | Locked
> moved | Moved freely
shadow-lift | Are shadows lifted in the camera?
> none | Left alone
> lifted | Lifted
drive-way | Single frames or bursts?
> single | Single frames
> burst | Bursts
focus-help | Focus guide or peaking?
> guide | The guide
> peaking | Peaking, always
> on-key | Peaking, on a key
> neither | Neither
metering-pattern | What does the meter weigh?
> whole | The whole frame
> centre | The centre
> spot | A spot
> highlights | The highlights
review | Is each picture shown after it is taken?
> shown | Shown
> off | Not shown
finder-exposure | Does the finder show the exposure?
> shown | It does
> bright | It is bright whatever is set
finder-look | Which look does the finder show?
> planned | That of the processed files
> neutral | A neutral one
wheel-neighbours | What is on the tilts beside a wheel that is turned?
> empty | Nothing
> used | Functions, too
distortion | Does the camera correct distortion?
> corrected | It does
> left | It is left
display-clutter | How many display pages are there?
> few | Few
> many | Many
exposure-bias | Is exposure biased from what the meter says?
> metered | As metered
> darker | Darker, for the highlights
> brighter | Brighter, for clean shadows
manual-switch | How is manual focus reached?
> toggled | A key changes to it and back
> held | For as long as a key is held
`

/** Every question the product supports, with the names of all its sides; what they hold stands in `schools.ts`. */
export const questions: readonly Question[] = blocksOf(text, 2, 2).map(
  ([[id = '', question = ''] = [], ...sides]) => ({
    id,
    question,
    schools: sides.map(([school = '', name = '']) => ({ id: school, name })),
  }),
)

/** The question of that id; undefined where there is none. */
export function questionCalled(id: string): Question | undefined {
  return questions.find((one) => one.id === id)
}
