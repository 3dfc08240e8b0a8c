import { linesOf } from '@/core/vocabulary/text-table'

/** A need of owners, and where it is answered besides by checks. */
export interface Need {
  readonly id: string
  readonly words: string
  /** `-` where checks are all of the answer. */
  readonly elsewhere: string
}

/** id | what owners need | where else it is answered, or - */
export const needs: readonly Need[] = read(`
J1 | Eye at the finder for most adjustments | reach: coverage for each situation, beside the plate and by plan reach
J2 | Nearest what is used most, one place for each thing | the suggestion; what each function would save, in the list of a key
J3 | Few things to remember | reach counts the load; the trade curve says what few changes save
J4 | Nothing happens by accident | guards and bump risk stand in the model; the operation lock is a rule of it
J5 | The same hands on every side and body | fit carries keys to another model; a suggestion weighs the other side and the other body
J6 | A known start, and a way back | undo to the empty plan; the simulated body saves, resets, loads
J7 | Automatic where it helps, each owner's own line | the schools of the plan
J8 | Two new functions per outing | not yet: practice comes with the drill and the log
J9 | Every kind of control | the model format has them all, tilts beside turns included
J10 | The manner matters, and unknown is "test on body" | manners in the vocabulary; doubts of the model
J11 | Dials by exposure mode and side, and their direction | the table of dials beside the plate; what is inert in a mode is a rule
J12 | What was displaced, and whether it is reachable | the assignment itself says where it could go
J13 | Empty or doubled on purpose | -
J14 | One key, several meanings | resolve answers for every side, lens, lever, mode
J15 | What must work while recording | -
J16 | Engraved names and running numbers | legend and listNumber of a control
J17 | Where a function stands in the long list | functionListLines gives page and line
J18 | Schools of starting autofocus | the focus table; every way as steps at the Focus station
J19 | Base and held override must fit | the focus table
J20 | Areas that exclude each other | rules of the model
J21 | The detected subject is switched often | a question of the Focus station; needs of a situation, and what they cost (plan reach)
J22 | Metering linked to the subject or not | a question of the Focus station
J23 | Persistence and tuning | questions of the Focus station, every side with its reason
J24 | The point: home, memory, wrap, skip | the picture of the finder: places and moves; cells by orientation
J25 | Help for focusing by hand, and what of it is inert | rules of the model, beside each question of the Focus station
J26 | Any two keys held together | the focus table, with "test on body" where the model is in doubt
J27 | Function menus and own menu | the Menus station; filled from what no key reaches
J28 | Kinds of banks, hold sets, remembered positions | columns of the Banks station; pairs of two families
J29 | Copy, then vary; residue | Build at the Banks station: copy base to all, start from, vary, put back
J30 | Snapshot or live | both ways spelled out for the plan, with a morning and a restore sheet; Try it loses edits as the bank does
J31 | Which bank the record key uses from stills | pressRecord, pressSwap
J32 | A base changed later | the step asks which slots follow and which keep
J33 | Outside the bank, must be right | listed under each bank; rows a family does not store are refused, with the reason
J34 | Names, free slots, incomplete banks | name lengths are part of the rows
J35 | Exposure jumps | light against base in the matrix, with what makes up for it
J36 | Reason, certainty, firmware, risk | reason and certainty beside keys and settings; rows that are set are stamped with body and firmware by themselves; a risk is a row of the plan (formats/rows.md), on no screen yet
J37 | Press-test list | findings that ask, each with what to try; a list to work through not yet
J38 | Sheets | ten sheets at Sheets, for each body, on paper and in files; a workbook taken back
J39 | Several bodies | the Bodies page tells serial numbers and prefixes that clash; differences of one body at Settings; hand work and firmware of a transfer
J40 | Configuration files | plan and card files; preflight of a transfer
J41 | What first | set on each line of Settings, and narrowed to there
J42 | Every term in plain words | the vocabulary
J43 | Pictures of the camera's screens | a row of the plan that names a picture (formats/rows.md), on no screen yet; a sheet by finger at Sheets
J44 | Slot, key, cell or own menu for one wish | intents, kept beside the plan
J45 | Jobs with acts in them | route writes the procedure
J46 | What all agree on | -
J47 | Detection in a zone; where tracking starts; low light | questions of the Focus station; zones in the picture of the finder
J48 | Field log | certainty beside keys and settings; a log of its own not yet
J49 | What misleads in judging exposure | -
J50 | States that change what keys do | resolve answers for standby, recording, menu, playback; route leaves a state first
`)

/** What works only if: each case, and the checks that tell of it, or the rules of the model that give them their words. */
export const onlyIf: readonly Need[] = read(`
§7 white | Fixed white balance kills the lock key and the kelvin dial | inert-key
§7 raw | Raw ignores look, shadow lift, noise reduction, and the histogram follows them | value-without-effect, sign-misleads
§7 profile | A video profile excludes the shadow lift and bypasses the look | value-without-effect
§7 bits | Ten bits only with log or HDR | unavailable-value
§7 sizes | High rate, high quality and crop exclude each other; what to switch off first | unavailable-value; route gives the order
§7 electronic | Electronic shutter: no flicker reduction, bands, slanted verticals | hazard, value-without-effect
§7 curtain | First curtain clips blur with short times and wide apertures | hazard
§7 mechanical | Mechanical shutter: shock, and a lower top speed | hazard, unavailable-value
§7 bursts | The fastest bursts need one shutter or file kind | unavailable-value
§7 auto-iso | Limits of automatic ISO are inert without it; the slowest time too | value-without-effect
§7 compensation | Compensation is inert in full manual | inert-key
§7 flash | Exposure preview off for flash | sign-misleads
§7 lock | Lock switch: which controls are dead, and the way out | dead-key
§7 peaking | Peaking shows nothing in autofocus; an autofocus key is dead in manual focus | inert-key
§7 touch | Touch gestures are inert while touch is off | value-without-effect, inert-key
§7 record | Record by shutter needs its menu item | the focus table says what the full press does
§7 lens-key | A lens key exists only on some lenses | dead-key
§7 lens-switch | The lens's own switch overrules | key-hazard
§7 unchipped | A lens without contacts needs its focal length typed | typed-focal
§7 wireless | Wireless off: no remote, no transfer | inert-key; acts of the model have their needs
§7 firmware | Below a firmware the function is absent | dead-key
§7 look-alike | A look-alike has other items | look-alike
§7 assist | Viewing assist only in log | inert-key
§7 zebra | A level set for log misleads in a normal profile | sign-misleads
§7 slot | Playback and delete act on one card only | key-hazard
`)

function read(text: string): Need[] {
  return linesOf(text, 3).map(([id = '', words = '', elsewhere = '']) => ({ id, words, elsewhere }))
}
