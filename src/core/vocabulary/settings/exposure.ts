import { settingTable } from '../setting-table'

/** Exposure, metering, flash and bracketing. Columns: id | unit | touches | plain words. */
export const exposureSettings = settingTable(`
exposure.mode | - | raw movie | Who chooses shutter and aperture: you, the camera, or one each.
exposure.shutter | s | raw movie | How long each picture gathers light; it decides how movement is drawn.
exposure.shutterAngle | ° | movie | Shutter speed as a share of each film frame; 180° is half of it.
exposure.shutterInAngle | - | preview | Shows film shutter speeds as angles instead of times.
exposure.aperture | f | raw movie | The opening of the lens: light, and depth in focus.
exposure.iso | ISO | raw movie | How strongly the light gathered is amplified.
exposure.isoAuto | - | raw movie | Lets the camera choose the ISO within your limits.
exposure.isoAutoFloor | ISO | raw movie | The lowest ISO that automatic ISO may choose.
exposure.isoAutoCeiling | ISO | raw movie | The highest ISO that automatic ISO may choose.
exposure.minimumShutter | s | raw | The longest time automatic ISO accepts before it raises the ISO.
exposure.minimumShutterMode | - | raw | Whether that longest time is fixed or follows the focal length.
exposure.isoSet | - | raw movie | Which of several kept ISO ranges is in force.
exposure.isoExtended | - | raw movie | Allows ISO values below or above the sensor's own range.
exposure.isoStep | EV | hand | How far one click of a dial changes the ISO.
exposure.baseIso | ISO | movie | Which of the sensor's native sensitivities film starts from.
exposure.step | EV | hand | How far one click of a dial changes shutter and aperture.
exposure.compensation | EV | raw movie | Brighter or darker than the meter asks for.
exposure.compensationInManual | - | raw | Lets compensation shift automatic ISO in manual exposure.
exposure.easyCompensation | - | hand | A dial changes compensation directly, without holding a key.
exposure.programShift | EV | raw | Another pair of shutter and aperture with the same light.
exposure.metering | - | meter | Which part of the frame the meter weighs.
exposure.spotSize | % | meter | How large the metered spot is.
exposure.spotFollowsPoint | - | meter | Meters where you focus instead of in the middle.
exposure.meterFollowsSubject | - | meter | Weighs the subject that focus follows; wanders when you pre-focus.
exposure.meteringOffset | EV | meter | Shifts what one metering mode calls right.
exposure.halfPressLock | - | raw | Half-press keeps the metered exposure until you let go.
exposure.lockHold | - | raw | The lock key keeps exposure until pressed again instead of while held.
exposure.preview | - | preview histogram | Shows the exposure you will get in the finder.
exposure.bracketKind | - | raw still | What varies in a series: exposure, white balance or focus.
exposure.bracketFrames | frames | raw | How many pictures a bracket takes.
exposure.bracketStep | EV | raw | How far apart the pictures of a bracket are.
exposure.bracketOrder | - | raw | Which of the bracket's pictures comes first.
exposure.dynamicRange | % | raw still | Underexposes and lifts, to keep highlights in processed files.
exposure.longNoise | - | raw | Takes a dark frame after a long exposure and subtracts it; it doubles the wait.
exposure.bulbTimer | s | raw | Ends a long exposure by itself.
exposure.meterTimer | s | hand | How long the meter stays awake after a half-press.
exposure.burstLock | - | raw | Keeps the exposure of a burst's first picture for all of them.
exposure.ndFilter | EV | raw movie | A grey filter in the body that takes away light, for a longer shutter speed or a wider aperture.
flash.mode | - | raw | Whether and how the flash fires.
flash.compensation | EV | raw | More or less flash than the meter asks for.
flash.syncSpeed | s | raw | The shortest shutter speed used with flash.
flash.highSpeed | - | raw | Pulses the flash so that shorter times than sync can be used.
flash.wireless | - | raw | Fires flashes that are not on the camera.
flash.slowestShutter | s | raw | The slowest shutter speed the camera may choose with flash.
flash.isoCeiling | ISO | raw | The highest ISO that automatic ISO may choose with flash.
`)
