import type { CommonFunction, FunctionManner } from './common'
import { functionTerms } from './terms'
import { linesOf } from './text-table'

/**
 * What controls can be made to do. Columns: id | manner | parameters (or -) | common settings it changes or
 * overrides (or -) | common settings its effect hangs on (or -) | plain words.
 */
const text = `
none | none | - | - | - | Does nothing, on purpose.
focus.start | hold | - | - | focus.mode | Autofocus runs, with the area set in the menu.
focus.startArea | hold | area | focus.area | focus.mode focus.areaLimit | Autofocus runs with an area of its own, whatever the menu says.
focus.startDetection | hold | subject | focus.detection | focus.mode focus.detection | Autofocus runs and looks for eyes, whatever the menu says.
focus.startPoint | hold | - | focus.area | focus.mode focus.areaLimit | Autofocus runs on the single point, whatever the menu says.
focus.startTracking | hold | - | focus.tracking | focus.mode | Autofocus runs and keeps to the subject.
focus.stop | hold | - | - | focus.mode | Autofocus rests while held.
focus.lock | hold | - | - | focus.mode | Keeps the distance found.
focus.lockToggle | toggle | - | - | focus.mode | Keeps the distance found until pressed again.
focus.lockBoth | hold | - | - | focus.mode | Keeps distance and exposure while held.
focus.areaOnly | hold | area | focus.area | focus.areaLimit | Changes the area while held; it does not focus by itself.
focus.chooseArea | choose | - | focus.area | focus.areaLimit | Opens the list of areas.
focus.nextArea | cycle | - | focus.area | focus.areaLimit | Steps to the next focus area.
focus.recallArea | hold | slot | focus.area | - | Brings a kept point and area while held.
focus.chooseMode | choose | - | focus.mode | - | Opens the list of focus modes.
focus.flipMode | toggle | - | focus.mode | - | Changes between autofocus and manual focus.
focus.flipModeHold | hold | - | focus.mode | focus.mode | Manual focus while held; adds nothing when it is manual already.
focus.flipContinuous | toggle | - | focus.mode | - | Changes between focusing once and following.
focus.toggleDetection | toggle | - | focus.detection | focus.area | Subject detection on and off.
focus.holdDetection | hold | - | focus.detection | focus.detection | Detection while held; adds nothing when it is on.
focus.nextSubject | cycle | - | focus.detectionSubject | focus.detection | Steps through what detection looks for.
focus.chooseSubject | choose | - | focus.detectionSubject | focus.detection | Opens the list of subjects.
focus.otherEye | press | - | focus.detectionEye | focus.detection | Takes the other eye.
focus.nextFace | press | - | - | focus.detection | Takes the next face found.
focus.toggleTracking | toggle | - | focus.tracking | focus.tracking | Starts and stops tracking; toggles only when it is not always on.
focus.centrePoint | press | - | - | focus.area | Brings the focus point back to the middle.
focus.turnArea | turn | - | focus.area | focus.areaLimit | Turns through the AF areas.
focus.turnMode | turn | - | focus.mode | - | Turns through the focus modes.
focus.movePoint | move | - | - | focus.area | Moves the focus point.
focus.pointHome | press | - | - | focus.area | Brings the focus point to a place you keep.
focus.behaviour | choose | - | focus.behaviour | focus.mode | Opens the presets for kinds of movement.
focus.magnify | press | - | - | focus.magnifyStart | Enlarges the view to check focus.
focus.magnifyHold | hold | - | - | focus.magnifyStart | Enlarges the view while held.
focus.togglePeaking | toggle | - | focus.peaking | focus.mode | Peaking on and off.
focus.choosePeaking | choose | - | focus.peakingLevel | focus.peaking | Opens the peaking level.
focus.rangeLimit | cycle | - | focus.rangeLimit | - | Steps through the focus ranges.
focus.ringOverride | toggle | - | focus.ringOverride | - | Lets the ring move focus over autofocus.
focus.touch | toggle | - | focus.touch | controls.touch | Touch focusing on and off.
focus.tap | press | - | - | focus.touch | Focuses where the screen is touched.
focus.motionSpeed | choose | - | focus.motionSpeed | - | Opens the speed of film autofocus.
focus.holdAreaAndMode | held-and-turn | dials | focus.area focus.mode | focus.areaLimit | Held, it lends one dial to the AF area and another to the focus mode.
focus.followWhileHeld | hold | - | focus.mode | focus.mode | Continuous AF while held, whatever the menu says.
focus.recallDistance | press | - | - | focus.storedDistance | Goes to the distance that was stored.
focus.toggleDepthOverlay | toggle | - | focus.depthOverlay | - | Depth overlay on and off.
focus.toggleGuide | toggle | - | focus.guide | focus.mode | Focus guide on and off.
focus.toggleTouchPad | toggle | - | focus.touchPad | controls.touch | Moving the AF point by a finger on the screen, on and off.
exposure.lock | hold | - | - | exposure.mode | Keeps the metered exposure while held.
exposure.lockToggle | toggle | - | - | exposure.mode | Keeps the metered exposure until pressed again.
exposure.meterAndFocus | hold | - | - | focus.halfPress | Half-press: meters, and focuses if half-press may.
exposure.meterOnly | hold | - | - | - | Half-press meters only.
exposure.turnShutter | turn | - | exposure.shutter | exposure.mode | Turns the shutter speed.
exposure.turnAperture | turn | - | exposure.aperture | exposure.mode | Turns the aperture.
exposure.turnIso | turn | - | exposure.iso | exposure.isoAuto | Turns the ISO.
exposure.turnCompensation | turn | - | exposure.compensation | exposure.mode exposure.isoAuto | Turns the exposure compensation.
exposure.turnProgram | turn | - | exposure.programShift | exposure.mode | Turns through pairs of shutter and aperture.
exposure.holdAndTurnIso | held-and-turn | dial | exposure.iso | exposure.isoAuto | Held, it lends a dial to the ISO.
exposure.holdAndTurnCompensation | held-and-turn | dial | exposure.compensation | exposure.mode | Held, it lends a dial to compensation.
exposure.holdAndTurnKelvin | held-and-turn | dial | colour.kelvin | colour.balanceMode | Held, it lends a dial to the colour temperature.
exposure.chooseIso | choose | - | exposure.iso | - | Opens the ISO list; turn to choose.
exposure.toggleAutoIso | toggle | - | exposure.isoAuto | - | Automatic ISO on and off.
exposure.nextIsoSet | cycle | - | exposure.isoSet | exposure.isoAuto | Steps through the kept ISO ranges.
exposure.chooseMinimumShutter | choose | - | exposure.minimumShutter | exposure.isoAuto | Opens the longest time automatic ISO accepts.
exposure.chooseMode | choose | - | exposure.mode | - | Opens the exposure modes.
exposure.chooseMetering | choose | - | exposure.metering | - | Opens the metering list.
exposure.spotWhileHeld | hold | - | exposure.metering | - | Spot metering while held.
exposure.highlightWhileHeld | hold | - | exposure.metering | - | Highlight-weighted metering while held.
exposure.togglePreview | toggle | - | exposure.preview | - | Exposure preview on and off; off for flash.
exposure.depthPreview | hold | - | - | - | Stops the lens down while held.
exposure.bracket | choose | - | exposure.bracketKind | drive.mode | Opens bracketing.
exposure.bulb | toggle | - | - | exposure.mode | Between holding the shutter open and pressing twice.
exposure.chooseNd | choose | - | exposure.ndFilter | - | Opens the strengths of the ND filter.
flash.toggle | toggle | - | flash.mode | - | Flash on and off.
flash.chooseMode | choose | - | flash.mode | - | Opens the flash modes.
flash.turnCompensation | turn | - | flash.compensation | flash.mode | Turns the flash compensation.
flash.lock | press | - | - | flash.mode | Meters the flash and keeps it.
flash.modellingLight | press | - | - | flash.mode | A run of weak flashes that shows where shadows fall.
colour.lockBalance | hold | - | - | colour.balanceMode | Keeps the white balance found while held; nothing to keep when it is fixed.
colour.lockBalanceToggle | toggle | - | - | colour.balanceMode | Keeps the white balance found until pressed again.
colour.chooseBalance | choose | - | colour.balanceMode colour.kelvin | - | Opens the white balance list.
colour.measureBalance | press | - | colour.customBalance | - | Measures a balance from a card.
colour.turnKelvin | turn | - | colour.kelvin | colour.balanceMode | Turns the colour temperature.
colour.chooseLook | choose | - | colour.look | image.kind | Opens the renderings.
colour.nextBalance | cycle | - | colour.balanceMode | - | Steps to the next white balance.
image.chooseKind | choose | - | image.kind | - | Opens the file types.
image.toggleRaw | toggle | - | image.kind | - | Adds raw to processed files, or leaves it.
image.toggleCrop | toggle | - | image.crop | - | Crop on and off.
image.nextRatio | cycle | - | image.ratio | image.kind | Steps through the aspect ratios.
image.digitalZoom | cycle | - | image.digitalZoom | image.kind | Steps through the enlargements of the middle.
image.shadowLift | choose | - | image.shadowLift | image.kind movie.profile | Opens the shadow lift.
drive.choose | choose | - | drive.mode | - | Opens the drive list.
drive.timer | toggle | - | drive.mode | - | Self-timer on and off.
drive.burstWhileHeld | hold | - | drive.mode | - | A burst while held.
drive.turnRate | turn | - | drive.rate | drive.mode | Turns the burst rate.
drive.preCapture | toggle | - | drive.preCapture | shutter.kind | Pre-capture on and off.
drive.startInterval | press | - | - | drive.interval | Starts the interval series.
drive.startSeries | press | - | - | focus.seriesFrames | Starts the focus series.
shutter.chooseKind | choose | - | shutter.kind | - | Opens the shutter types.
shutter.toggleSilent | toggle | - | shutter.kind | - | Changes between the silent shutter and the one in the menu.
shutter.toggleFlicker | toggle | - | shutter.flickerReduction | shutter.kind | Flicker reduction on and off.
stabiliser.toggle | toggle | - | stabiliser.mode | - | Stabiliser on and off.
stabiliser.focal | choose | - | stabiliser.typedFocal | - | Opens the focal length of a lens that cannot tell it.
movie.record | press | - | - | - | Starts and stops recording.
movie.swapSide | toggle | - | - | - | Changes between stills and motion.
movie.chooseRate | choose | - | movie.frameRate | - | Opens the frame rates.
movie.chooseSize | choose | - | movie.size | movie.frameRate | Opens the film sizes.
movie.chooseProfile | choose | - | movie.profile | - | Opens the tone curves.
movie.toggleSlow | toggle | - | movie.slowPlayback | movie.frameRate | Slow motion on and off.
movie.mark | press | - | - | - | Marks a moment in the film.
movie.powerZoom | turn | speed | - | - | Zooms a lens that can.
movie.togglePreRecord | toggle | - | movie.preRecord | - | Keeping the seconds before you press record, on and off.
audio.chooseLevel | choose | - | audio.level | audio.levelMode | Opens the sound level.
audio.toggleMeters | toggle | - | audio.meters | - | Level meters on and off.
audio.toggleWind | toggle | - | audio.windFilter | - | Wind filter on and off.
audio.turnHeadphones | turn | - | audio.monitor | - | Turns the volume of the headphones.
assist.toggleZebra | toggle | - | assist.zebra | - | Zebra on and off.
assist.chooseZebra | choose | - | assist.zebraLevel | assist.zebra | Opens the zebra level.
assist.toggleLogPreview | toggle | - | assist.logPreview | movie.profile | Log preview on and off.
assist.toggleFalseColour | toggle | - | assist.falseColour | - | False colour on and off.
assist.toggleWaveform | toggle | - | assist.waveform | - | Waveform on and off.
assist.toggleLevel | toggle | - | assist.level | - | Level on and off.
assist.toggleGrid | toggle | - | assist.grid | - | Grid on and off.
assist.toggleHistogram | toggle | - | assist.histogram | - | Histogram on and off.
assist.brightView | toggle | - | assist.brightView | - | Brightens the view in the dark.
assist.neutralView | toggle | - | assist.neutralView | - | The scene without look and exposure.
assist.nextLut | cycle | - | assist.viewLut | assist.logPreview | Steps to the next look that log is shown with.
assist.toggleVectorscope | toggle | - | assist.vectorscope | - | Vectorscope on and off.
assist.toggleGuides | toggle | - | assist.safeArea | - | Frame guides on and off.
assist.nextDesqueeze | cycle | - | assist.desqueeze | - | Steps through the widths a squeezed view is shown in.
display.nextPage | cycle | - | - | display.pages | Steps through the display pages.
display.switchFinder | cycle | - | display.finderSwitch | - | Steps between finder, screen and by the eye.
display.playback | press | - | - | - | Shows the pictures taken.
display.rate | press | - | - | - | Gives a picture stars.
display.protect | press | - | - | - | Keeps a picture from being deleted.
display.delete | press | - | - | cards.playFrom | Deletes the picture shown.
display.send | press | - | - | network.wireless | Sends the picture shown.
display.brightness | turn | - | display.screenBrightness | - | Turns the brightness of the screen.
display.nightMode | toggle | - | display.nightMode | - | Dark display on and off.
display.zoomToPoint | press | - | - | focus.point | Enlarges the picture shown at the point that was focused.
display.voiceMemo | press | - | - | - | Records a few spoken words with the picture shown.
menu.own | press | - | - | - | Opens your own menu.
menu.functions | press | - | - | - | Opens the function menu.
menu.full | press | - | - | - | Opens the full menu.
menu.line | press | line | - | - | Opens one line of the menu.
bank.choose | choose | family | - | - | Opens the list of banks.
bank.next | cycle | family | - | - | Steps through the banks.
bank.recall | press | slot | - | - | Goes to one bank.
bank.holdSet | hold | set | - | - | A ticked set of values is in force while held.
bank.holdSetToggle | toggle | set | - | - | A ticked set of values is in force until pressed again.
controls.modeDial | turn | - | exposure.mode | - | Turns the mode dial from position to position.
controls.markedDial | turn | setting | - | - | Turns a dial or ring whose marks say what is set.
controls.lever | toggle | - | - | - | Puts a lever into its other position.
controls.lock | toggle | - | - | controls.lockWhat | Locks dials and keys against accidents.
controls.toggleTouch | toggle | - | controls.touch | - | Touch on and off.
controls.swapDials | toggle | - | controls.dialLayout | - | The dials change places.
cards.swap | toggle | - | cards.first | - | The other card is written to first.
cards.format | press | - | - | - | Erases the card; configuration files on it are lost too.
network.toggleAirplane | toggle | - | network.airplane | - | All radios off and on.
network.pair | press | - | - | network.wireless | Connects a phone or a remote.
power.sleepNow | press | - | - | - | Sends the camera to sleep.
`

/** Every common function, in groups. */
export const functionTable: readonly CommonFunction[] = linesOf(text, 6).map(
  ([id = '', manner = '', parameters = '', changes = '', dependsOn = '', plain = '']) => ({
    id,
    group: id.split('.')[0] ?? id,
    term: termOf(id),
    manner: manner as FunctionManner,
    parameters: words(parameters),
    changes: words(changes),
    dependsOn: words(dependsOn),
    plain,
  }),
)

function termOf(id: string): string {
  const term = functionTerms.get(id)
  if (term === undefined) throw new Error(`${id} has no term`)
  return term
}

function words(cell: string): string[] {
  return cell === '-' ? [] : cell.split(' ')
}
