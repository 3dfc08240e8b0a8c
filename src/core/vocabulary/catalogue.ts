/** What a change of a setting can be seen or heard in. */
export type Touches = 'raw' | 'still' | 'movie' | 'preview' | 'histogram' | 'meter' | 'sound' | 'hand'

/** A setting of the common vocabulary: what a model's own setting *means*, whatever its menu calls it. */
export interface CommonSetting {
  readonly id: string
  readonly group: string
  /** Plain-words explanation, shown wherever the setting stands. */
  readonly plain: string
  readonly touches: readonly Touches[]
}

/** A function of the common vocabulary: what a control can be made to do on any body. */
export interface CommonFunction {
  readonly id: string
  readonly plain: string
}

/** The common settings by id. */
export const commonSettings: ReadonlyMap<string, CommonSetting> = new Map(
  [
    s('exposure.mode', 'Who chooses shutter and aperture: you, the camera, or one each.', 'raw movie'),
    s(
      'exposure.shutter',
      'How long each picture gathers light; it decides how movement is drawn.',
      'raw movie',
    ),
    s('exposure.aperture', 'The opening of the lens: light, and depth in focus.', 'raw movie'),
    s('exposure.iso', 'How strongly the light gathered is amplified.', 'raw movie'),
    s('exposure.isoAuto', 'Lets the camera choose the ISO within your limits.', 'raw movie'),
    s('exposure.isoAutoFloor', 'The lowest ISO that automatic ISO may choose.', 'raw movie'),
    s('exposure.isoAutoCeiling', 'The highest ISO that automatic ISO may choose.', 'raw movie'),
    s('exposure.minimumShutter', 'The longest time automatic ISO accepts before it raises the ISO.', 'raw'),
    s('exposure.compensation', 'Brighter or darker than the meter asks for.', 'raw movie'),
    s('exposure.metering', 'Which part of the frame the meter weighs.', 'meter'),
    s('exposure.preview', 'Shows the exposure you will get in the finder.', 'preview histogram'),
    s('exposure.halfPressLock', 'Half-press keeps the metered exposure until you let go.', 'raw'),
    s('focus.mode', 'Focus once, follow, or turn the ring yourself.', 'raw movie'),
    s('focus.area', 'Where in the frame autofocus looks.', 'raw movie'),
    s('focus.detection', 'Looks for eyes and faces before anything else.', 'raw movie'),
    s('focus.detectionSubject', 'What detection takes for a subject.', 'raw movie'),
    s('focus.halfPress', 'Whether half-press starts autofocus at all.', 'hand'),
    s('focus.persistence', 'How long focus stays on a subject that something crosses.', 'raw'),
    s('focus.motionSpeed', 'How fast focus moves while filming.', 'movie'),
    s('focus.motionResponse', 'How soon focus leaves the subject while filming.', 'movie'),
    s('focus.lamp', 'The lamp beside the lens that helps focus in the dark.', 'hand'),
    s('focus.magnifyStart', 'How far the first press of the magnifier enlarges.', 'preview'),
    s('focus.peaking', 'Colours the edges in focus while you focus by hand.', 'preview'),
    s('focus.peakingLevel', 'How easily peaking calls an edge sharp.', 'preview'),
    s('focus.peakingColour', 'The colour peaking paints with.', 'preview'),
    s('focus.pointMemory', 'A focus point of its own for upright pictures.', 'hand'),
    s(
      'colour.balanceMode',
      'How white is decided: by the camera, by a preset, or by kelvin.',
      'still movie preview',
    ),
    s('colour.kelvin', 'The colour temperature taken for white.', 'still movie preview'),
    s(
      'colour.look',
      'The rendering of processed pictures and film; raw files ignore it.',
      'still movie histogram',
    ),
    s('colour.contrast', 'Contrast of the look.', 'still movie histogram'),
    s('colour.space', 'The range of colours a processed picture can hold.', 'still'),
    s('image.kind', 'Raw files, processed files, or both.', 'raw still'),
    s('image.rawKind', 'How raw files are packed: untouched, without loss, or with loss.', 'raw'),
    s('image.quality', 'How hard processed files are compressed.', 'still'),
    s('image.crop', 'Uses the middle of the sensor only.', 'raw movie'),
    s('image.shadowLift', 'Brightens shadows in processed files.', 'still histogram'),
    s('image.noiseReduction', 'Smooths noise in processed files.', 'still'),
    s('image.lensCorrection', 'Takes out the distortion and shading of the lens.', 'still movie'),
    s('drive.mode', 'One picture, a burst, or the self-timer.', 'hand'),
    s('drive.rate', 'Pictures each second in a burst.', 'hand'),
    s('drive.timer', 'The delay of the self-timer.', 'hand'),
    s('shutter.kind', 'Mechanical, first curtain electronic, or all electronic and silent.', 'raw sound'),
    s('shutter.flickerReduction', 'Waits for the bright moment of pulsing lamps.', 'raw'),
    s('shutter.withoutCard', 'Lets the shutter go with no card in the body.', 'hand'),
    s('stabiliser.mode', 'Steadies the picture against the shake of your hands.', 'raw movie'),
    s('stabiliser.typedFocal', 'Focal length typed in for a lens that cannot tell it.', 'raw movie'),
    s('movie.frameRate', 'Frames each second in the film.', 'movie'),
    s('movie.size', 'Frame size of the film, in pixels.', 'movie'),
    s('movie.quality', 'Bits spent on each second of film.', 'movie'),
    s('movie.profile', 'The tone curve recorded: normal, flat, or log for grading.', 'movie histogram'),
    s('movie.bits', 'Levels each colour is recorded in.', 'movie'),
    s('movie.slowPlayback', 'Writes a fast rate to be played slowly.', 'movie'),
    s('movie.recordByShutter', 'Lets the shutter release start and stop recording.', 'hand'),
    s('audio.recording', 'Records sound with the film.', 'sound'),
    s('audio.levelMode', 'Who sets the sound level: the camera or you.', 'sound'),
    s('audio.level', 'The sound level set by hand.', 'sound'),
    s('audio.windFilter', 'Cuts the low rumble of wind, and of voices.', 'sound'),
    s('assist.zebra', 'Stripes over parts brighter than a level.', 'preview'),
    s('assist.zebraLevel', 'The brightness at which stripes begin.', 'preview'),
    s('assist.logPreview', 'Shows log as it will look when graded.', 'preview'),
    s('assist.grid', 'Lines over the picture to compose by.', 'preview'),
    s('assist.level', 'Shows whether the camera stands straight.', 'preview'),
    s('display.finderSwitch', 'Changes between finder and screen when the eye comes near.', 'preview'),
    s('display.brightness', 'Brightness of the finder; a bright one hides underexposure.', 'preview'),
    s('display.review', 'Shows each picture for a moment after it is taken.', 'preview'),
    s('files.numbering', 'Whether file numbers run on from card to card.', 'hand'),
    s('files.prefix', 'The letters each file name begins with.', 'hand'),
    s('files.owner', 'The name written into every file.', 'hand'),
    s('cards.second', 'What the second card is for.', 'hand'),
    s('power.sleep', 'Idle time before the camera sleeps.', 'hand'),
    s('network.wireless', 'The radio for remote control and transfer.', 'hand'),
    s('body.clock', 'Date and time of this one camera.', 'hand'),
    s('body.sounds', 'Beeps of the camera.', 'sound'),
    s('controls.touch', 'Lets the screen answer to touch.', 'hand'),
    s('controls.dialDirection', 'Which way a dial turns to brighten.', 'hand'),
    s('controls.ownMenuFirst', 'The menu key opens your own menu first.', 'hand'),
  ].map((setting) => [setting.id, setting]),
)

/** The common functions by id. */
export const commonFunctions: ReadonlyMap<string, CommonFunction> = new Map(
  [
    f('none', 'Does nothing, on purpose.'),
    f('focus.start', 'Autofocus runs, with the area set in the menu.'),
    f('focus.startDetection', 'Autofocus runs and looks for eyes, whatever the menu says.'),
    f('focus.startPoint', 'Autofocus runs on the single point, whatever the menu says.'),
    f('focus.areaOnly', 'Changes the area while held; it does not focus by itself.'),
    f('focus.nextArea', 'Steps to the next focus area.'),
    f('focus.flipMode', 'Changes between autofocus and manual focus.'),
    f('focus.toggleDetection', 'Eye detection on and off.'),
    f('focus.nextSubject', 'Steps through what detection looks for.'),
    f('focus.centrePoint', 'Brings the focus point back to the middle.'),
    f('focus.movePoint', 'Moves the focus point.'),
    f('focus.magnify', 'Enlarges the view to check focus.'),
    f('focus.togglePeaking', 'Peaking on and off.'),
    f('exposure.lock', 'Keeps the metered exposure while held.'),
    f('exposure.lockToggle', 'Keeps the metered exposure until pressed again.'),
    f('exposure.meterAndFocus', 'Half-press: meters, and focuses if half-press may.'),
    f('exposure.turnShutter', 'Turns the shutter time.'),
    f('exposure.turnAperture', 'Turns the aperture.'),
    f('exposure.turnIso', 'Turns the ISO.'),
    f('exposure.turnCompensation', 'Turns the exposure compensation.'),
    f('exposure.chooseIso', 'Opens the ISO list; turn to choose.'),
    f('exposure.chooseMetering', 'Opens the metering list.'),
    f('colour.lockBalance', 'Keeps the white balance found while held.'),
    f('colour.chooseBalance', 'Opens the white balance list.'),
    f('drive.choose', 'Opens the drive list.'),
    f('shutter.toggleSilent', 'Changes between the silent shutter and the one in the menu.'),
    f('image.toggleCrop', 'Crop on and off.'),
    f('movie.record', 'Starts and stops recording.'),
    f('assist.toggleZebra', 'Zebra on and off.'),
    f('assist.toggleLogPreview', 'Log preview on and off.'),
    f('audio.chooseLevel', 'Opens the sound level.'),
    f('display.nextPage', 'Steps through the display pages.'),
    f('display.playback', 'Shows the pictures taken.'),
    f('menu.own', 'Opens your own menu.'),
    f('menu.functions', 'Opens the function menu.'),
    f('menu.full', 'Opens the full menu.'),
    f('controls.lock', 'Locks dials and keys against accidents.'),
    f('stabiliser.toggle', 'Stabiliser on and off.'),
  ].map((fn) => [fn.id, fn]),
)

function s(id: string, plain: string, touches: string): CommonSetting {
  return { id, group: id.split('.')[0] ?? id, plain, touches: touches.split(' ') as Touches[] }
}

function f(id: string, plain: string): CommonFunction {
  return { id, plain }
}
