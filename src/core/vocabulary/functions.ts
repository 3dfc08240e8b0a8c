import type { CommonFunction, FunctionManner } from './common'
import { linesOf } from './text-table'

/**
 * What controls can be made to do. Columns: id | term | manner | parameters (or -) | common settings it changes or
 * overrides (or -) | common settings its effect hangs on (or -) | plain words.
 */
const text = `
none | Nothing | none | - | - | - | Does nothing, on purpose.
focus.start | AF start | hold | - | - | focus.mode | Autofocus runs, with the area set in the menu.
focus.startArea | AF start with area | hold | area | focus.area | focus.mode focus.areaLimit | Autofocus runs with an area of its own, whatever the menu says.
focus.startDetection | AF start with detection | hold | subject | focus.detection | focus.mode focus.detection | Autofocus runs and looks for eyes, whatever the menu says.
focus.startPoint | AF start, single point | hold | - | focus.area | focus.mode focus.areaLimit | Autofocus runs on the single point, whatever the menu says.
focus.startTracking | AF start with tracking | hold | - | focus.tracking | focus.mode | Autofocus runs and keeps to the subject.
focus.stop | AF stop | hold | - | - | focus.mode | Autofocus rests while held.
focus.lock | AF lock | hold | - | - | focus.mode | Keeps the distance found.
focus.lockToggle | AF lock, stays | toggle | - | - | focus.mode | Keeps the distance found until pressed again.
focus.lockBoth | AF and AE lock | hold | - | - | focus.mode | Keeps distance and exposure while held.
focus.areaOnly | AF area while held | hold | area | focus.area | focus.areaLimit | Changes the area while held; it does not focus by itself.
focus.chooseArea | AF area | choose | - | focus.area | focus.areaLimit | Opens the list of areas.
focus.nextArea | Next AF area | cycle | - | focus.area | focus.areaLimit | Steps to the next focus area.
focus.recallArea | Recall AF area | hold | slot | focus.area | - | Brings a kept point and area while held.
focus.chooseMode | Focus mode | choose | - | focus.mode | focus.lensSwitch | Opens the list of focus modes.
focus.flipMode | AF or MF | toggle | - | focus.mode | focus.lensSwitch | Changes between autofocus and manual focus.
focus.flipModeHold | Manual focus while held | hold | - | focus.mode | focus.mode | Manual focus while held; adds nothing when it is manual already.
focus.flipContinuous | Single or continuous AF | toggle | - | focus.mode | - | Changes between focusing once and following.
focus.toggleDetection | Detection on or off | toggle | - | focus.detection | focus.area | Subject detection on and off.
focus.holdDetection | Detection while held | hold | - | focus.detection | focus.detection | Detection while held; adds nothing when it is on.
focus.nextSubject | Next detected subject | cycle | - | focus.detectionSubject | focus.detection | Steps through what detection looks for.
focus.chooseSubject | Detected subject | choose | - | focus.detectionSubject | focus.detection | Opens the list of subjects.
focus.otherEye | Other eye | press | - | focus.detectionEye | focus.detection | Takes the other eye.
focus.nextFace | Next face | press | - | - | focus.detection | Takes the next face found.
focus.toggleTracking | Tracking on or off | toggle | - | focus.tracking | focus.tracking | Starts and stops tracking; toggles only when it is not always on.
focus.centrePoint | Centre the AF point | press | - | - | focus.area | Brings the focus point back to the middle.
focus.movePoint | Move the AF point | move | - | - | focus.area | Moves the focus point.
focus.pointHome | AF point to its home | press | - | - | focus.area | Brings the focus point to a place you keep.
focus.case | AF behaviour preset | choose | - | focus.case | focus.mode | Opens the presets for kinds of movement.
focus.magnify | Magnifier | press | - | - | focus.magnifyStart | Enlarges the view to check focus.
focus.magnifyHold | Magnifier while held | hold | - | - | focus.magnifyStart | Enlarges the view while held.
focus.togglePeaking | Peaking on or off | toggle | - | focus.peaking | focus.mode | Peaking on and off.
focus.choosePeaking | Peaking level | choose | - | focus.peakingLevel | focus.peaking | Opens the peaking level.
focus.rangeLimit | Focus range limit | cycle | - | focus.rangeLimit | - | Steps through the focus ranges.
focus.ringOverride | Ring override | toggle | - | focus.ringOverride | - | Lets the ring move focus over autofocus.
focus.touch | Touch AF on or off | toggle | - | focus.touch | controls.touch | Touch focusing on and off.
focus.motionSpeed | Film AF speed | choose | - | focus.motionSpeed | - | Opens the speed of film autofocus.
exposure.lock | AE lock | hold | - | - | exposure.mode | Keeps the metered exposure while held.
exposure.lockToggle | AE lock, stays | toggle | - | - | exposure.mode | Keeps the metered exposure until pressed again.
exposure.meterAndFocus | Meter and focus | hold | - | - | focus.halfPress | Half-press: meters, and focuses if half-press may.
exposure.meterOnly | Meter | hold | - | - | - | Half-press meters only.
exposure.turnShutter | Shutter speed | turn | - | exposure.shutter | exposure.mode | Turns the shutter speed.
exposure.turnAperture | Aperture | turn | - | exposure.aperture | exposure.mode | Turns the aperture.
exposure.turnIso | ISO | turn | - | exposure.iso | exposure.isoAuto | Turns the ISO.
exposure.turnCompensation | Exposure compensation | turn | - | exposure.compensation | exposure.mode exposure.isoAuto | Turns the exposure compensation.
exposure.turnProgram | Program shift | turn | - | exposure.programShift | exposure.mode | Turns through pairs of shutter and aperture.
exposure.holdAndTurnIso | ISO while turned | held-and-turn | dial | exposure.iso | exposure.isoAuto | Held, it lends a dial to the ISO.
exposure.holdAndTurnCompensation | Compensation while turned | held-and-turn | dial | exposure.compensation | exposure.mode | Held, it lends a dial to compensation.
exposure.holdAndTurnKelvin | Kelvin while turned | held-and-turn | dial | colour.kelvin | colour.balanceMode | Held, it lends a dial to the colour temperature.
exposure.chooseIso | ISO | choose | - | exposure.iso | - | Opens the ISO list; turn to choose.
exposure.toggleAutoIso | Auto ISO on or off | toggle | - | exposure.isoAuto | - | Automatic ISO on and off.
exposure.nextIsoSet | Next ISO range | cycle | - | exposure.isoSet | exposure.isoAuto | Steps through the kept ISO ranges.
exposure.chooseMinimumShutter | Minimum shutter speed | choose | - | exposure.minimumShutter | exposure.isoAuto | Opens the longest time automatic ISO accepts.
exposure.chooseMode | Exposure mode | choose | - | exposure.mode | - | Opens the exposure modes.
exposure.chooseMetering | Metering mode | choose | - | exposure.metering | - | Opens the metering list.
exposure.spotWhileHeld | Spot metering while held | hold | - | exposure.metering | - | Spot metering while held.
exposure.highlightWhileHeld | Highlight metering while held | hold | - | exposure.metering | - | Highlight-weighted metering while held.
exposure.togglePreview | Exposure preview on or off | toggle | - | exposure.preview | - | Exposure preview on and off; off for flash.
exposure.depthPreview | Depth-of-field preview | hold | - | - | - | Stops the lens down while held.
exposure.bracket | Bracketing | choose | - | exposure.bracketKind | drive.mode | Opens bracketing.
exposure.bulb | Bulb or time | toggle | - | - | exposure.mode | Between holding the shutter open and pressing twice.
flash.toggle | Flash on or off | toggle | - | flash.mode | - | Flash on and off.
flash.chooseMode | Flash mode | choose | - | flash.mode | - | Opens the flash modes.
flash.turnCompensation | Flash compensation | turn | - | flash.compensation | flash.mode | Turns the flash compensation.
flash.lock | Flash lock | press | - | - | flash.mode | Meters the flash and keeps it.
colour.lockBalance | White balance lock | hold | - | - | colour.balanceMode | Keeps the white balance found while held; nothing to keep when it is fixed.
colour.lockBalanceToggle | White balance lock, stays | toggle | - | - | colour.balanceMode | Keeps the white balance found until pressed again.
colour.chooseBalance | White balance | choose | - | colour.balanceMode colour.kelvin | - | Opens the white balance list.
colour.measureBalance | Measure white balance | press | - | colour.customBalance | - | Measures a balance from a card.
colour.turnKelvin | Colour temperature | turn | - | colour.kelvin | colour.balanceMode | Turns the colour temperature.
colour.chooseLook | Rendering | choose | - | colour.look | image.kind | Opens the renderings.
image.chooseKind | File type | choose | - | image.kind | - | Opens the file types.
image.toggleRaw | Raw added or not | toggle | - | image.kind | - | Adds raw to processed files, or leaves it.
image.toggleCrop | Crop on or off | toggle | - | image.crop | - | Crop on and off.
image.nextRatio | Next aspect ratio | cycle | - | image.ratio | image.kind | Steps through the aspect ratios.
image.digitalZoom | Digital zoom | press | - | image.digitalZoom | image.kind | Enlarges the middle.
image.shadowLift | Shadow lift | choose | - | image.shadowLift | image.kind movie.profile | Opens the shadow lift.
drive.choose | Drive mode | choose | - | drive.mode | - | Opens the drive list.
drive.timer | Self-timer | toggle | - | drive.mode | - | Self-timer on and off.
drive.burstWhileHeld | Burst while held | hold | - | drive.mode | - | A burst while held.
drive.turnRate | Burst rate | turn | - | drive.rate | drive.mode | Turns the burst rate.
drive.preCapture | Pre-capture on or off | toggle | - | drive.preCapture | shutter.kind | Pre-capture on and off.
shutter.chooseKind | Shutter type | choose | - | shutter.kind | - | Opens the shutter types.
shutter.toggleSilent | Silent shutter on or off | toggle | - | shutter.kind | - | Changes between the silent shutter and the one in the menu.
shutter.toggleFlicker | Flicker reduction on or off | toggle | - | shutter.flickerReduction | shutter.kind | Flicker reduction on and off.
stabiliser.toggle | Stabiliser on or off | toggle | - | stabiliser.mode | - | Stabiliser on and off.
stabiliser.focal | Typed focal length | choose | - | stabiliser.typedFocal | - | Opens the focal length of a lens that cannot tell it.
movie.record | Record | press | - | - | - | Starts and stops recording.
movie.swapSide | Stills or motion | toggle | - | - | - | Changes between stills and motion.
movie.chooseRate | Frame rate | choose | - | movie.frameRate | - | Opens the frame rates.
movie.chooseSize | Resolution | choose | - | movie.size | movie.frameRate | Opens the film sizes.
movie.chooseProfile | Tone curve | choose | - | movie.profile | - | Opens the tone curves.
movie.toggleSlow | Slow motion on or off | toggle | - | movie.slowPlayback | movie.frameRate | Slow motion on and off.
movie.mark | Shot mark | press | - | - | - | Marks a moment in the film.
movie.powerZoom | Power zoom | turn | speed | - | - | Zooms a lens that can.
audio.chooseLevel | Recording level | choose | - | audio.level | audio.levelMode | Opens the sound level.
audio.toggleMeters | Level meters on or off | toggle | - | audio.meters | - | Level meters on and off.
audio.toggleWind | Wind filter on or off | toggle | - | audio.windFilter | - | Wind filter on and off.
assist.toggleZebra | Zebra on or off | toggle | - | assist.zebra | - | Zebra on and off.
assist.chooseZebra | Zebra level | choose | - | assist.zebraLevel | assist.zebra | Opens the zebra level.
assist.toggleLogPreview | Log view assist on or off | toggle | - | assist.logPreview | movie.profile | Log preview on and off.
assist.toggleFalseColour | False colour on or off | toggle | - | assist.falseColour | - | False colour on and off.
assist.toggleWaveform | Waveform on or off | toggle | - | assist.waveform | - | Waveform on and off.
assist.toggleLevel | Level on or off | toggle | - | assist.level | - | Level on and off.
assist.toggleGrid | Grid on or off | toggle | - | assist.grid | - | Grid on and off.
assist.toggleHistogram | Histogram on or off | toggle | - | assist.histogram | - | Histogram on and off.
assist.brightView | Bright monitoring | toggle | - | assist.brightView | - | Brightens the view in the dark.
assist.naturalView | Natural view | toggle | - | assist.naturalView | - | The scene without look and exposure.
display.nextPage | Next display page | cycle | - | - | display.pages | Steps through the display pages.
display.switchFinder | Finder or screen | cycle | - | display.finderSwitch | - | Steps between finder, screen and by the eye.
display.playback | Playback | press | - | - | - | Shows the pictures taken.
display.rate | Rate the picture | press | - | - | - | Gives a picture stars.
display.protect | Protect the picture | press | - | - | - | Keeps a picture from being deleted.
display.delete | Delete | press | - | - | cards.playFrom | Deletes the picture shown.
display.send | Send to phone | press | - | - | network.wireless | Sends the picture shown.
display.brightness | Screen brightness | turn | - | display.screenBrightness | - | Turns the brightness of the screen.
display.nightMode | Dark display on or off | toggle | - | display.nightMode | - | Dark display on and off.
menu.own | Own menu | press | - | - | - | Opens your own menu.
menu.functions | Function menu | press | - | - | - | Opens the function menu.
menu.full | Menu | press | - | - | - | Opens the full menu.
menu.line | Menu line | press | line | - | - | Opens one line of the menu.
bank.choose | Choose a bank | choose | family | - | - | Opens the list of banks.
bank.next | Next bank | cycle | family | - | - | Steps through the banks.
bank.recall | Recall a bank | press | slot | - | - | Goes to one bank.
bank.holdSet | Use a hold set | hold | set | - | - | A ticked set of values is in force while held.
bank.holdSetToggle | Use a hold set, stays | toggle | set | - | - | A ticked set of values is in force until pressed again.
controls.lock | Operation lock | toggle | - | - | controls.lockWhat | Locks dials and keys against accidents.
controls.toggleTouch | Touch on or off | toggle | - | controls.touch | - | Touch on and off.
controls.swapDials | Swap dials | toggle | - | controls.dialLayout | - | The dials change places.
cards.swap | Swap cards | toggle | - | cards.first | - | The other card is written to first.
cards.format | Format the card | press | - | - | - | Erases the card; configuration files on it are lost too.
network.toggleAirplane | Airplane mode on or off | toggle | - | network.airplane | - | All radios off and on.
network.pair | Pair | press | - | - | network.wireless | Connects a phone or a remote.
power.sleepNow | Sleep | press | - | - | - | Sends the camera to sleep.
`

/** Every common function, in groups. */
export const functionTable: readonly CommonFunction[] = linesOf(text, 7).map(
  ([id = '', term = '', manner = '', parameters = '', changes = '', dependsOn = '', plain = '']) => ({
    id,
    group: id.split('.')[0] ?? id,
    term,
    manner: manner as FunctionManner,
    parameters: words(parameters),
    changes: words(changes),
    dependsOn: words(dependsOn),
    plain,
  }),
)

function words(cell: string): string[] {
  return cell === '-' ? [] : cell.split(' ')
}
