import { linesOf } from './text-table'

/** The common settings' standard terms. Columns: id | term. */
export const settingTerms: ReadonlyMap<string, string> = termsOf(`
exposure.mode | Exposure mode
exposure.shutter | Shutter speed
exposure.shutterAngle | Shutter angle
exposure.shutterInAngle | Shutter shown as angle
exposure.aperture | Aperture
exposure.iso | ISO
exposure.isoAuto | Auto ISO
exposure.isoAutoFloor | Auto ISO minimum
exposure.isoAutoCeiling | Auto ISO maximum
exposure.minimumShutter | Minimum shutter speed
exposure.minimumShutterMode | Minimum shutter speed by
exposure.isoSet | Auto ISO preset
exposure.isoExtended | Extended ISO
exposure.isoStep | ISO step
exposure.baseIso | Base ISO
exposure.step | Exposure step
exposure.compensation | Exposure compensation
exposure.compensationInManual | Exposure compensation in manual
exposure.easyCompensation | Exposure compensation without key
exposure.programShift | Program shift
exposure.metering | Metering mode
exposure.spotSize | Spot size
exposure.spotFollowsPoint | Spot follows focus point
exposure.meterFollowsSubject | Metering on the tracked subject
exposure.meteringOffset | Metering adjustment
exposure.halfPressLock | AE lock on half-press
exposure.lockHold | AE lock: hold or toggle
exposure.preview | Exposure preview
exposure.bracketKind | Bracketing type
exposure.bracketFrames | Bracketing frames
exposure.bracketStep | Bracketing step
exposure.bracketOrder | Bracketing order
exposure.dynamicRange | Highlight protection
exposure.longNoise | Long exposure noise reduction
exposure.bulbTimer | Long exposure timer
exposure.meterTimer | Metering time-out
exposure.burstLock | AE lock in bursts
exposure.ndFilter | ND filter
flash.mode | Flash mode
flash.compensation | Flash compensation
flash.syncSpeed | Flash sync speed
flash.highSpeed | High-speed sync
flash.wireless | Wireless flash
flash.slowestShutter | Slowest shutter speed with flash
flash.isoCeiling | Auto ISO maximum with flash
focus.mode | AF mode
focus.autoSwitch | Automatic single/continuous AF
focus.area | AF area
focus.areaLimit | Selectable AF areas
focus.zoneWidth | AF zone width
focus.zoneHeight | AF zone height
focus.pointSize | AF point size
focus.pointGrid | Selectable AF points
focus.pointWrap | AF point wrap-around
focus.pointMemory | AF point by orientation
focus.pointDisplay | AF point display
focus.point | AF point position
focus.pointLock | AF point lock
focus.pointReset | AF point reset
focus.detection | Subject detection
focus.detectionSubject | Detected subject
focus.detectionSubjects | Selectable subjects
focus.detectionEye | Preferred eye
focus.detectionZone | Detection area
focus.detectionMark | Detection frame
focus.faceMemory | Registered faces
focus.tracking | Tracking
focus.trackingStart | Tracking start point
focus.trackingByTouch | Touch tracking
focus.halfPress | AF on half-press
focus.halfPressMotion | AF on half-press, movie
focus.preAf | Pre-AF
focus.priorityOnce | Single AF priority
focus.priorityFollow | Continuous AF priority
focus.behaviour | AF behaviour
focus.persistence | AF persistence
focus.acceleration | Speed change tracking
focus.areaSwitching | AF area switching
focus.motionMode | Movie AF mode
focus.motionSpeed | Movie AF speed
focus.motionResponse | Movie AF response
focus.motionSpeedWhen | Movie AF speed applies
focus.breathing | Focus breathing correction
focus.lamp | AF assist lamp
focus.lowLight | Low-light AF
focus.fineTune | AF fine adjustment
focus.rangeLimit | Focus range limit
focus.ringDirection | Focus ring direction
focus.ringResponse | Focus ring response
focus.ringThrow | Focus ring throw
focus.ringOverride | Manual override of AF
focus.magnifyStart | Initial magnification
focus.magnifyTime | Magnifier time-out
focus.magnifyOnTurn | Automatic magnifier
focus.magnifyAf | AF in the magnifier
focus.magnifyExit | Magnifier off on half-press
focus.peaking | Focus peaking
focus.peakingLevel | Focus peaking level
focus.peakingColour | Focus peaking colour
focus.distanceScale | Focus distance scale
focus.distanceUnit | Distance unit
focus.depthOverlay | Depth overlay
focus.confirmBeep | Focus beep
focus.seriesFrames | Focus series frames
focus.seriesStep | Focus series step
focus.touch | Touch AF
focus.touchPad | Touch pad AF
focus.touchPadZone | Touch pad area
focus.starAf | Star AF
focus.priorityFirst | First-frame priority
focus.priorityNext | Next-frame priority
focus.guide | Focus guide
focus.pointSpeed | AF point speed
focus.storedDistance | Stored focus distance
colour.balanceMode | White balance
colour.kelvin | Colour temperature
colour.balanceShift | White balance shift
colour.autoPriority | Auto white balance priority
colour.balanceLockShutter | White balance lock on half-press
colour.customBalance | Custom white balance
colour.balanceSmooth | Auto white balance speed
colour.look | Look
colour.contrast | Contrast
colour.highlights | Highlights
colour.shadows | Shadows
colour.saturation | Saturation
colour.hue | Hue
colour.sharpness | Sharpness
colour.clarity | Clarity
colour.grain | Grain
colour.filter | Monochrome filter
colour.space | Colour space
colour.effect | Creative effect
image.kind | File type
image.rawKind | RAW compression
image.rawBits | RAW bit depth
image.quality | Image quality
image.size | Image size
image.rawSize | RAW size
image.ratio | Aspect ratio
image.crop | Crop mode
image.digitalZoom | Digital zoom
image.format | Processed file format
image.hdr | HDR
image.shadowLift | Shadow lift
image.noiseReduction | High ISO noise reduction
image.shading | Shading correction
image.aberration | Aberration correction
image.distortion | Distortion correction
image.diffraction | Diffraction correction
image.lensCorrection | Lens corrections
image.skinSmoothing | Skin smoothing
image.multiShot | Pixel shift
image.composite | Multiple exposure
image.cropWarning | Crop indicator
image.zoomKind | Zoom type
drive.mode | Drive mode
drive.rate | Burst rate
drive.rateHigh | Burst rate, high
drive.rateLow | Burst rate, low
drive.burstLimit | Burst length
drive.timer | Self-timer delay
drive.timerFrames | Self-timer frames
drive.preCapture | Pre-capture
drive.interval | Interval time
drive.intervalFrames | Interval frames
drive.intervalSmoothing | Interval exposure smoothing
drive.releaseDelay | Shutter delay
drive.modeLimit | Selectable drive modes
shutter.kind | Shutter type
shutter.firstCurtain | Electronic first curtain
shutter.silentMode | Silent mode
shutter.flickerReduction | Flicker reduction
shutter.fineSpeed | Fine shutter speed
shutter.withoutCard | Release without card
shutter.withoutLens | Release without lens
shutter.closeAtPowerOff | Shutter closes at power off
shutter.sound | Shutter sound
shutter.releaseIndicator | Release indicator
stabiliser.mode | Stabilisation
stabiliser.movie | Movie stabilisation
stabiliser.direction | Stabilisation direction
stabiliser.when | Stabilisation timing
stabiliser.typedFocal | Typed focal length
stabiliser.lensPriority | Lens stabiliser priority
stabiliser.horizon | Automatic levelling
movie.frameRate | Frame rate
movie.size | Movie resolution
movie.format | Movie file format
movie.quality | Bitrate
movie.compression | Movie compression
movie.region | Mains frequency
movie.profile | Tone curve
movie.profileSlot | Profile slot
movie.blackLevel | Black level
movie.gamma | Gamma
movie.knee | Knee
movie.gamut | Colour gamut
movie.bits | Bit depth
movie.chroma | Chroma subsampling
movie.raw | RAW movie
movie.proxy | Proxy recording
movie.slowRate | Variable frame rate
movie.slowPlayback | Slow motion
movie.crop | Movie crop
movie.oversampling | High frame rate quality
movie.recordByShutter | Record with shutter button
movie.recordUsesSlot | Record key uses bank
movie.standby | Movie standby
movie.tally | Tally lamp
movie.frameMark | Recording border
movie.timeCode | Time code
movie.timeCodeMode | Time code run
movie.userBits | User bits
movie.preRecord | Pre-recording
movie.interval | Time-lapse movie
movie.autoSlowShutter | Auto slow shutter
movie.heatLimit | Auto power-off temperature
movie.output | HDMI output
movie.outputInfo | HDMI information display
movie.outputTrigger | HDMI record control
movie.webcam | USB streaming
audio.recording | Sound recording
audio.levelMode | Audio level mode
audio.level | Audio level
audio.limiter | Audio limiter
audio.windFilter | Wind filter
audio.attenuator | Microphone attenuator
audio.lowCut | Low-cut filter
audio.source | Microphone input
audio.plugPower | Plug-in power
audio.channels | Audio channels
audio.format | Audio format
audio.meters | Audio level meters
audio.monitor | Headphone volume
audio.monitorDelay | Headphone timing
audio.shutterNoise | Dial noise reduction
assist.zebra | Zebra
assist.zebraLevel | Zebra level
assist.zebraRange | Zebra range
assist.logPreview | Log view assist
assist.viewLut | View LUT
assist.falseColour | False colour
assist.waveform | Waveform
assist.vectorscope | Vectorscope
assist.histogram | Histogram
assist.highlightWarning | Highlight warning
assist.grid | Grid
assist.level | Level
assist.centreMark | Centre mark
assist.safeArea | Frame guides
assist.desqueeze | Anamorphic desqueeze
assist.neutralView | Neutral view
assist.brightView | Brightened view
display.finderSwitch | Finder and screen
display.brightness | Finder brightness
display.screenBrightness | Screen brightness
display.finderColour | Finder colour
display.finderRate | Finder refresh rate
display.finderQuality | Finder quality
display.finderSize | Finder magnification
display.review | Image review
display.blackout | Blackout-free view
display.pages | Display pages
display.finderPages | Finder pages
display.rotate | Finder display rotation
display.playRotate | Playback rotation
display.nightMode | Dark display
display.exposureScale | Exposure scale direction
display.language | Language
display.dioptre | Finder dioptre
display.finderLimit | Selectable finder modes
display.pageContents | Display page contents
files.numbering | File numbering
files.prefix | File name prefix
files.moviePrefix | Movie name prefix
files.folder | Folder name
files.owner | Artist name
files.copyright | Copyright
files.embedRating | Rating in files
files.location | Location data
files.verify | Authenticity data
cards.second | Second card role
cards.first | First card
cards.movieTo | Movie card
cards.rawTo | RAW card
cards.playFrom | Playback card
cards.autoSwitch | Automatic card switch
power.sleep | Auto power-off
power.screenOff | Screen auto-off
power.save | Power saving
power.usb | USB power
power.batteryOrder | Grip battery order
power.cleanSensor | Sensor cleaning
network.wireless | Wireless LAN
network.shortRange | Short-range wireless
network.airplane | Airplane mode
network.remote | Remote control
network.transfer | Automatic transfer
network.transferKind | Transferred file type
network.name | Network name
network.infrared | Infrared remote
body.clock | Time zone
body.dateFormat | Date format
body.sounds | Operation sounds
body.volume | Sound volume
body.pixelMap | Pixel mapping
body.lampAll | Lamps
body.fan | Cooling fan
body.region | Sales region
body.keyLighting | Key illumination
controls.touch | Touch operation
controls.touchDoubleTap | Double-tap
controls.dialDirection | Dial direction
controls.dialLayout | Dial layout
controls.wheel | Wheel default
controls.lensRing | Lens ring function
controls.lensRingDirection | Lens ring direction
controls.ringGuard | Lens ring only with half-press
controls.stripGuard | Touch strip lock
controls.lockWhat | Locked controls
controls.stickLock | Stick lock
controls.ownMenuFirst | Own menu first
controls.menuMemory | Menu position memory
controls.functionMenuFinder | Function menu in finder
controls.bankKeeping | Automatic bank update
controls.bankWidth | Bank contents
controls.switchKeeps | Mode switch memory
controls.halfPressFeel | Half-press weight
controls.releaseFeel | Full-press weight
controls.longPress | Long-press time
controls.guide | Help text
controls.dialKeys | Dial keys: hold or press
`)

/** The common functions' standard terms. Columns: id | term. */
export const functionTerms: ReadonlyMap<string, string> = termsOf(`
none | No function
focus.start | AF start
focus.startArea | AF start with AF area
focus.startDetection | AF start with subject detection
focus.startPoint | AF start with single point
focus.startTracking | AF start with tracking
focus.stop | AF stop
focus.lock | AF lock
focus.lockToggle | AF lock on/off
focus.lockBoth | AF and AE lock
focus.areaOnly | AF area while held
focus.chooseArea | Choose AF area
focus.nextArea | Next AF area
focus.recallArea | Recall AF area
focus.chooseMode | Choose AF mode
focus.flipMode | AF/MF
focus.flipModeHold | Manual focus while held
focus.flipContinuous | Single/continuous AF
focus.toggleDetection | Subject detection on/off
focus.holdDetection | Subject detection while held
focus.nextSubject | Next detected subject
focus.chooseSubject | Choose detected subject
focus.otherEye | Other eye
focus.nextFace | Next face
focus.toggleTracking | Tracking on/off
focus.centrePoint | Centre AF point
focus.turnArea | AF area dial
focus.turnMode | AF mode dial
focus.movePoint | Move AF point
focus.pointHome | AF point home
focus.behaviour | Choose AF behaviour
focus.magnify | Magnifier
focus.magnifyHold | Magnifier while held
focus.togglePeaking | Focus peaking on/off
focus.choosePeaking | Choose focus peaking level
focus.rangeLimit | Next focus range limit
focus.ringOverride | Manual override on/off
focus.touch | Touch AF on/off
focus.tap | Touch to focus
focus.motionSpeed | Choose movie AF speed
focus.holdAreaAndMode | AF area and mode with dials
focus.followWhileHeld | Continuous AF while held
focus.recallDistance | Recall focus distance
focus.toggleDepthOverlay | Depth overlay on/off
focus.toggleGuide | Focus guide on/off
focus.toggleTouchPad | Touch pad AF on/off
exposure.lock | AE lock
exposure.lockToggle | AE lock on/off
exposure.meterAndFocus | Metering and AF
exposure.meterOnly | Metering only
exposure.turnShutter | Shutter speed dial
exposure.turnAperture | Aperture dial
exposure.turnIso | ISO dial
exposure.turnCompensation | Exposure compensation dial
exposure.turnProgram | Program shift dial
exposure.holdAndTurnIso | ISO with dial
exposure.holdAndTurnCompensation | Exposure compensation with dial
exposure.holdAndTurnKelvin | Colour temperature with dial
exposure.chooseIso | Choose ISO
exposure.toggleAutoIso | Auto ISO on/off
exposure.nextIsoSet | Next auto ISO preset
exposure.chooseMinimumShutter | Choose minimum shutter speed
exposure.chooseMode | Choose exposure mode
exposure.chooseMetering | Choose metering mode
exposure.spotWhileHeld | Spot metering while held
exposure.highlightWhileHeld | Highlight metering while held
exposure.togglePreview | Exposure preview on/off
exposure.depthPreview | Depth-of-field preview
exposure.bracket | Choose bracketing
exposure.bulb | Bulb/time
exposure.chooseNd | Choose ND filter
flash.toggle | Flash on/off
flash.chooseMode | Choose flash mode
flash.turnCompensation | Flash compensation dial
flash.lock | Flash lock
flash.modellingLight | Modelling light
colour.lockBalance | White balance lock
colour.lockBalanceToggle | White balance lock on/off
colour.chooseBalance | Choose white balance
colour.measureBalance | Measure white balance
colour.turnKelvin | Colour temperature dial
colour.chooseLook | Choose look
colour.nextBalance | Next white balance
image.chooseKind | Choose file type
image.toggleRaw | RAW on/off
image.toggleCrop | Crop mode on/off
image.nextRatio | Next aspect ratio
image.digitalZoom | Next digital zoom
image.shadowLift | Choose shadow lift
drive.choose | Choose drive mode
drive.timer | Self-timer on/off
drive.burstWhileHeld | Burst while held
drive.turnRate | Burst rate dial
drive.preCapture | Pre-capture on/off
drive.startInterval | Start interval series
drive.startSeries | Start focus series
shutter.chooseKind | Choose shutter type
shutter.toggleSilent | Silent shutter on/off
shutter.toggleFlicker | Flicker reduction on/off
stabiliser.toggle | Stabilisation on/off
stabiliser.focal | Enter focal length
movie.record | Movie record
movie.swapSide | Stills/movie
movie.chooseRate | Choose frame rate
movie.chooseSize | Choose movie resolution
movie.chooseProfile | Choose tone curve
movie.toggleSlow | Slow motion on/off
movie.mark | Clip marker
movie.powerZoom | Power zoom
movie.togglePreRecord | Pre-recording on/off
audio.chooseLevel | Choose audio level
audio.toggleMeters | Audio level meters on/off
audio.toggleWind | Wind filter on/off
audio.turnHeadphones | Headphone volume dial
assist.toggleZebra | Zebra on/off
assist.chooseZebra | Choose zebra level
assist.toggleLogPreview | Log view assist on/off
assist.toggleFalseColour | False colour on/off
assist.toggleWaveform | Waveform on/off
assist.toggleLevel | Level on/off
assist.toggleGrid | Grid on/off
assist.toggleHistogram | Histogram on/off
assist.brightView | Brightened view on/off
assist.neutralView | Neutral view on/off
assist.nextLut | Next view LUT
assist.toggleVectorscope | Vectorscope on/off
assist.toggleGuides | Frame guides on/off
assist.nextDesqueeze | Next anamorphic desqueeze
display.nextPage | Next display page
display.switchFinder | Finder/screen switch
display.playback | Playback
display.rate | Rating
display.protect | Protect
display.delete | Delete
display.send | Send to phone
display.brightness | Screen brightness dial
display.nightMode | Dark display on/off
display.zoomToPoint | Zoom to AF point
display.voiceMemo | Voice memo
menu.own | Own menu
menu.functions | Function menu
menu.full | Menu
menu.line | Menu item
bank.choose | Choose bank
bank.next | Next bank
bank.recall | Recall bank
bank.holdSet | Hold set
bank.holdSetToggle | Hold set on/off
controls.modeDial | Mode dial
controls.markedDial | Marked dial
controls.lever | Lever
controls.lock | Operation lock
controls.toggleTouch | Touch operation on/off
controls.swapDials | Swap dials
cards.swap | Swap cards
cards.format | Format card
network.toggleAirplane | Airplane mode on/off
network.pair | Wireless pairing
power.sleepNow | Sleep
`)

/** Ids of the vocabulary that were renamed, and what each is now. */
const renamed: ReadonlyMap<string, string> = new Map([
  ['focus.case', 'focus.behaviour'],
  ['assist.naturalView', 'assist.neutralView'],
  ['image.softSkin', 'image.skinSmoothing'],
])

/** What an id of a former vocabulary is now; an id of this one is itself. */
export function idNow<T extends string | null>(id: T): T | string {
  return (id === null ? undefined : renamed.get(id)) ?? id
}

/** The field's standard term for what a common setting or function is; the id where there is none such. */
export function termOf(what: string): string {
  return settingTerms.get(what) ?? functionTerms.get(what) ?? what
}

function termsOf(text: string): Map<string, string> {
  return new Map(linesOf(text, 2).map(([id = '', term = '']) => [id, term]))
}
