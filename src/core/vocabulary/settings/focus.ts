import { settingTable } from '../setting-table'

/** Autofocus, focus points, detection and manual focus. Columns: id | unit | touches | plain words. */
export const focusSettings = settingTable(`
focus.mode | - | raw movie | Focus once, follow, or turn the ring yourself.
focus.autoSwitch | - | raw | Changes from single to continuous when the subject moves.
focus.area | - | raw movie | Where in the frame autofocus looks.
focus.areaLimit | - | hand | Which areas can be chosen; an area left out cannot be called by a key.
focus.zoneWidth | points | raw | How many points wide a zone is.
focus.zoneHeight | points | raw | How many points high a zone is.
focus.pointSize | - | raw | How small the single point is.
focus.pointGrid | - | hand | All points, or every second one: fewer moves across the frame.
focus.pointWrap | - | hand | At the edge the point goes on at the other side.
focus.pointMemory | - | hand | A focus point of its own for upright pictures.
focus.pointDisplay | - | preview | When the focus point is shown.
focus.point | - | hand | Where the focus point stands in the frame.
focus.pointLock | - | hand | Keeps the focus point where it is.
focus.pointReset | - | hand | Whether the point goes back to the middle by itself.
focus.detection | - | raw movie | Looks for eyes, faces or whole subjects before anything else.
focus.detectionSubject | - | raw movie | What detection takes for a subject; a wrong one is worse than none.
focus.detectionSubjects | - | hand | Which subjects a key or dial steps through.
focus.detectionEye | - | raw movie | Left eye, right eye, or whichever is nearer.
focus.detectionZone | - | raw movie | The part of the frame in which detection may look.
focus.detectionMark | - | preview | Draws a frame around what was detected.
focus.faceMemory | - | raw | Prefers people you have shown the camera before.
focus.tracking | - | raw movie | Keeps to a subject as it crosses the frame.
focus.trackingStart | - | raw movie | Whether tracking begins at the point in use or at one of its own.
focus.trackingByTouch | - | raw movie | A tap on the screen says what to follow.
focus.halfPress | - | hand | Whether half-press starts autofocus at all.
focus.halfPressMotion | - | hand | Whether half-press starts autofocus in motion.
focus.preAf | - | raw | Focuses all the time, before you ask; quicker, and empties the battery.
focus.priorityOnce | - | hand | Whether the shutter waits for focus in single AF.
focus.priorityFollow | - | hand | Whether the shutter waits for focus in continuous AF.
focus.behaviour | - | raw | A ready set of persistence and responses for one kind of movement.
focus.persistence | - | raw | How long focus stays on a subject that something crosses.
focus.acceleration | - | raw | How well focus follows a subject that starts and stops.
focus.areaSwitching | - | raw | How readily focus changes to a neighbouring point.
focus.motionMode | - | movie | Continuous, on demand, or by hand while filming.
focus.motionSpeed | - | movie | How fast focus moves while filming.
focus.motionResponse | - | movie | How soon focus leaves the subject while filming.
focus.motionSpeedWhen | - | movie | Always, or only while recording.
focus.breathing | - | movie | Keeps the frame from growing and shrinking as focus moves.
focus.lamp | - | hand | The lamp beside the lens that helps focus in the dark.
focus.lowLight | - | raw | Slower but surer focus in the dark.
focus.fineTune | - | raw | A correction for one lens that focuses in front or behind.
focus.rangeLimit | m | raw movie | Keeps autofocus from hunting outside a distance.
focus.ringDirection | - | hand | Which way the ring turns towards far.
focus.ringResponse | - | hand | Whether the ring follows distance turned or speed of turning.
focus.ringThrow | ° | hand | How far the ring turns from near to far.
focus.ringOverride | - | raw movie | The ring moves focus although autofocus is on.
focus.magnifyStart | × | preview | How far the first press of the magnifier enlarges.
focus.magnifyTime | s | preview | How long the enlarged view stays after the last turn of the ring.
focus.magnifyOnTurn | - | preview | Enlarges by itself while you focus by hand.
focus.magnifyAf | - | raw | Allows autofocus while the view is enlarged.
focus.magnifyExit | - | preview | Goes back to the whole frame to compose.
focus.peaking | - | preview | Colours the edges in focus while you focus by hand.
focus.peakingLevel | - | preview | How easily peaking calls an edge sharp; a high level widens what looks sharp.
focus.peakingColour | - | preview | The colour peaking paints with; choose one the scene has not.
focus.distanceScale | - | preview | Shows the distance focused at.
focus.distanceUnit | - | preview | Metres or feet.
focus.depthOverlay | - | preview | Colours what is nearer and farther than the plane in focus.
focus.confirmBeep | - | sound | A beep when focus is found.
focus.seriesFrames | frames | raw | How many pictures a focus series takes.
focus.seriesStep | - | raw | How far focus moves between the pictures of a series.
focus.touch | - | hand | What a tap on the screen does: focus, focus and shoot, or nothing.
focus.touchPad | - | hand | Moves the focus point by a finger on the screen with the eye at the finder.
focus.touchPadZone | - | hand | The part of the screen that answers, so that a nose does not.
focus.starAf | - | raw | Focuses on stars.
focus.priorityFirst | - | raw | Whether the first picture of a burst waits for focus.
focus.priorityNext | - | raw | Whether the pictures after the first wait for focus, or keep the rate.
focus.guide | - | preview | Signs that say which way to turn the ring, and when it is sharp.
focus.pointSpeed | - | hand | How fast the AF point goes across the frame while the stick is held.
focus.storedDistance | m | raw movie | A distance you keep, for a key to go back to.
`)
