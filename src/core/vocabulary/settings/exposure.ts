import { table } from '../text-table'

/** Exposure, metering, flash and bracketing. Columns: id | term | unit | touches | plain words. */
export const exposureSettings = table(`
exposure.mode | Exposure mode | - | raw movie | Who chooses shutter and aperture: you, the camera, or one each.
exposure.shutter | Shutter speed | s | raw movie | How long each picture gathers light; it decides how movement is drawn.
exposure.shutterAngle | Shutter angle | ° | movie | Shutter speed as a share of each film frame; 180° is half of it.
exposure.shutterInAngle | Shutter shown as angle | - | preview | Shows film shutter speeds as angles instead of times.
exposure.aperture | Aperture | f | raw movie | The opening of the lens: light, and depth in focus.
exposure.iso | ISO | ISO | raw movie | How strongly the light gathered is amplified.
exposure.isoAuto | Auto ISO | - | raw movie | Lets the camera choose the ISO within your limits.
exposure.isoAutoFloor | Auto ISO minimum | ISO | raw movie | The lowest ISO that automatic ISO may choose.
exposure.isoAutoCeiling | Auto ISO maximum | ISO | raw movie | The highest ISO that automatic ISO may choose.
exposure.minimumShutter | Auto ISO minimum shutter speed | s | raw | The longest time automatic ISO accepts before it raises the ISO.
exposure.minimumShutterMode | Minimum shutter speed by | - | raw | Whether that longest time is fixed or follows the focal length.
exposure.isoSet | ISO range set | - | raw movie | Which of several kept ISO ranges is in force.
exposure.isoExtended | Extended ISO | - | raw movie | Allows ISO values below or above the sensor's own range.
exposure.isoStep | ISO step | EV | hand | How far one click of a dial changes the ISO.
exposure.baseIso | Base ISO | ISO | movie | Which of the sensor's native sensitivities film starts from.
exposure.step | Exposure step | EV | hand | How far one click of a dial changes shutter and aperture.
exposure.compensation | Exposure compensation | EV | raw movie | Brighter or darker than the meter asks for.
exposure.compensationInManual | Compensation in manual with auto ISO | - | raw | Lets compensation shift automatic ISO in manual exposure.
exposure.easyCompensation | Compensation without a key | - | hand | A dial changes compensation directly, without holding a key.
exposure.programShift | Program shift | EV | raw | Another pair of shutter and aperture with the same light.
exposure.metering | Metering mode | - | meter | Which part of the frame the meter weighs.
exposure.spotSize | Spot size | % | meter | How large the metered spot is.
exposure.spotFollowsPoint | Spot follows focus point | - | meter | Meters where you focus instead of in the middle.
exposure.meterFollowsSubject | Metering on the tracked subject | - | meter | Weighs the subject that focus follows; wanders when you pre-focus.
exposure.highlightWeight | Highlight-weighted metering | - | meter | Keeps bright parts from burning out.
exposure.meteringOffset | Metering adjustment | EV | meter | Shifts what one metering mode calls right.
exposure.halfPressLock | AE lock on half-press | - | raw | Half-press keeps the metered exposure until you let go.
exposure.lockHold | AE lock stays | - | raw | The lock key keeps exposure until pressed again instead of while held.
exposure.preview | Exposure preview | - | preview histogram | Shows the exposure you will get in the finder.
exposure.depthPreview | Depth-of-field preview | - | preview | Stops the lens down so that you see the depth you will get.
exposure.bracketKind | Bracketing | - | raw still | What varies in a series: exposure, white balance or focus.
exposure.bracketFrames | Bracket frames | frames | raw | How many pictures a bracket takes.
exposure.bracketStep | Bracket step | EV | raw | How far apart the pictures of a bracket are.
exposure.bracketOrder | Bracket order | - | raw | Which of the bracket's pictures comes first.
exposure.dynamicRange | Highlight headroom | % | raw still | Underexposes and lifts, to keep highlights in processed files.
exposure.longNoise | Long exposure noise reduction | - | raw | Takes a dark frame after a long exposure and subtracts it; it doubles the wait.
exposure.bulbTimer | Long exposure timer | s | raw | Ends a long exposure by itself.
exposure.meterTimer | Meter stays on | s | hand | How long the meter stays awake after a half-press.
flash.mode | Flash mode | - | raw | Whether and how the flash fires.
flash.compensation | Flash compensation | EV | raw | More or less flash than the meter asks for.
flash.syncSpeed | Flash sync speed | s | raw | The shortest shutter speed used with flash.
flash.rearSync | Rear-curtain sync | - | raw | Fires at the end of the exposure, so that trails follow what moves.
flash.slowSync | Slow sync | - | raw | Keeps a slow shutter with flash, for the light behind.
flash.highSpeed | High-speed sync | - | raw | Pulses the flash so that shorter times than sync can be used.
flash.wireless | Wireless flash | - | raw | Fires flashes that are not on the camera.
`)
