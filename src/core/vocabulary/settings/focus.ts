import { table } from '../text-table'

/** Autofocus, focus points, detection and manual focus. Columns: id | term | unit | touches | plain words. */
export const focusSettings = table(`
focus.mode | Focus mode | - | raw movie | Focus once, follow, or turn the ring yourself.
focus.autoSwitch | Automatic single or continuous | - | raw | Changes from single to continuous when the subject moves.
focus.area | AF area | - | raw movie | Where in the frame autofocus looks.
focus.areaLimit | AF area selection | - | hand | Which areas can be chosen; an area left out cannot be called by a key.
focus.zoneWidth | Zone width | points | raw | How many points wide a zone is.
focus.zoneHeight | Zone height | points | raw | How many points high a zone is.
focus.pointSize | AF point size | - | raw | How small the single point is.
focus.pointGrid | AF points used | - | hand | All points, or every second one: fewer moves across the frame.
focus.pointWrap | AF point wrap-around | - | hand | At the edge the point goes on at the other side.
focus.pointMemory | AF point by orientation | - | hand | A focus point of its own for upright pictures.
focus.pointDisplay | AF point display | - | preview | When the focus point is shown.
focus.point | AF point position | - | hand | Where the focus point stands in the frame.
focus.pointLock | AF point lock | - | hand | Keeps the focus point where it is.
focus.pointReset | AF point returns | - | hand | Whether the point goes back to the middle by itself.
focus.detection | Subject detection | - | raw movie | Looks for eyes, faces or whole subjects before anything else.
focus.detectionSubject | Detected subject | - | raw movie | What detection takes for a subject; a wrong one is worse than none.
focus.detectionSubjects | Subjects that can be chosen | - | hand | Which subjects a key or dial steps through.
focus.detectionEye | Eye preferred | - | raw movie | Left eye, right eye, or whichever is nearer.
focus.detectionZone | Detection zone | - | raw movie | The part of the frame in which detection may look.
focus.detectionMark | Detection frame shown | - | preview | Draws a frame around what was detected.
focus.faceMemory | Registered faces | - | raw | Prefers people you have shown the camera before.
focus.tracking | Subject tracking | - | raw movie | Keeps to a subject as it crosses the frame.
focus.trackingStart | Tracking starts at | - | raw movie | Whether tracking begins at the point in use or at one of its own.
focus.trackingByTouch | Tracking by touch | - | raw movie | A tap on the screen says what to follow.
focus.halfPress | AF on half-press | - | hand | Whether half-press starts autofocus at all.
focus.halfPressMotion | AF on half-press while filming | - | hand | Whether half-press starts autofocus in motion.
focus.preAf | Pre-focus | - | raw | Focuses all the time, before you ask; quicker, and empties the battery.
focus.priorityOnce | Release priority, single AF | - | hand | Whether the shutter waits for focus in single AF.
focus.priorityFollow | Release priority, continuous AF | - | hand | Whether the shutter waits for focus in continuous AF.
focus.release | Release without focus | - | hand | Lets the shutter go although nothing is in focus.
focus.case | AF behaviour preset | - | raw | A ready set of persistence and responses for one kind of movement.
focus.persistence | AF persistence | - | raw | How long focus stays on a subject that something crosses.
focus.acceleration | Speed change tracking | - | raw | How well focus follows a subject that starts and stops.
focus.areaSwitching | Area switching | - | raw | How readily focus changes to a neighbouring point.
focus.motionMode | Film focus mode | - | movie | Continuous, on demand, or by hand while filming.
focus.motionSpeed | Film AF speed | - | movie | How fast focus moves while filming.
focus.motionResponse | Film AF responsiveness | - | movie | How soon focus leaves the subject while filming.
focus.motionSpeedWhen | Film AF speed applies | - | movie | Always, or only while recording.
focus.breathing | Breathing correction | - | movie | Keeps the frame from growing and shrinking as focus moves.
focus.lamp | AF assist lamp | - | hand | The lamp beside the lens that helps focus in the dark.
focus.lowLight | Low-light AF | - | raw | Slower but surer focus in the dark.
focus.fineTune | AF fine adjustment | - | raw | A correction for one lens that focuses in front or behind.
focus.rangeLimit | Focus range limit | m | raw movie | Keeps autofocus from hunting outside a distance.
focus.lensSwitch | Lens AF switch | - | raw movie | The switch on the lens; it overrules the camera's menu.
focus.ringDirection | Focus ring direction | - | hand | Which way the ring turns towards far.
focus.ringResponse | Focus ring response | - | hand | Whether the ring follows distance turned or speed of turning.
focus.ringThrow | Focus ring throw | ° | hand | How far the ring turns from near to far.
focus.ringOverride | Manual override of AF | - | raw movie | The ring moves focus although autofocus is on.
focus.magnifyStart | Magnifier starts at | × | preview | How far the first press of the magnifier enlarges.
focus.magnifyTime | Magnifier time-out | s | preview | How long the enlarged view stays after the last turn of the ring.
focus.magnifyOnTurn | Magnify when the ring turns | - | preview | Enlarges by itself while you focus by hand.
focus.magnifyAf | AF inside the magnifier | - | raw | Allows autofocus while the view is enlarged.
focus.magnifyExit | Magnifier ends on half-press | - | preview | Goes back to the whole frame to compose.
focus.peaking | Focus peaking | - | preview | Colours the edges in focus while you focus by hand.
focus.peakingLevel | Peaking level | - | preview | How easily peaking calls an edge sharp; a high level widens what looks sharp.
focus.peakingColour | Peaking colour | - | preview | The colour peaking paints with; choose one the scene has not.
focus.distanceScale | Focus distance scale | - | preview | Shows the distance focused at.
focus.distanceUnit | Distance unit | - | preview | Metres or feet.
focus.depthOverlay | Depth overlay | - | preview | Colours what is nearer and farther than the plane in focus.
focus.confirmBeep | Focus beep | - | sound | A beep when focus is found.
focus.seriesFrames | Focus series frames | frames | raw | How many pictures a focus series takes.
focus.seriesStep | Focus series step | - | raw | How far focus moves between the pictures of a series.
focus.touch | Touch AF | - | hand | What a tap on the screen does: focus, focus and shoot, or nothing.
focus.touchPad | Touch pad while at the finder | - | hand | Moves the focus point by a finger on the screen with the eye at the finder.
focus.touchPadZone | Touch pad zone | - | hand | The part of the screen that answers, so that a nose does not.
focus.starAf | Star focus | - | raw | Focuses on stars.
`)
