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
exposure.minimumShutter | Auto ISO minimum shutter speed
exposure.minimumShutterMode | Minimum shutter speed by
exposure.isoSet | ISO range set
exposure.isoExtended | Extended ISO
exposure.isoStep | ISO step
exposure.baseIso | Base ISO
exposure.step | Exposure step
exposure.compensation | Exposure compensation
exposure.compensationInManual | Compensation in manual with auto ISO
exposure.easyCompensation | Compensation without a key
exposure.programShift | Program shift
exposure.metering | Metering mode
exposure.spotSize | Spot size
exposure.spotFollowsPoint | Spot follows focus point
exposure.meterFollowsSubject | Metering on the tracked subject
exposure.meteringOffset | Metering adjustment
exposure.halfPressLock | AE lock on half-press
exposure.lockHold | AE lock stays
exposure.preview | Exposure preview
exposure.bracketKind | Bracketing
exposure.bracketFrames | Bracket frames
exposure.bracketStep | Bracket step
exposure.bracketOrder | Bracket order
exposure.dynamicRange | Highlight protection
exposure.longNoise | Long exposure noise reduction
exposure.bulbTimer | Long exposure timer
exposure.meterTimer | Meter stays on
exposure.burstLock | AE lock in a burst
exposure.ndFilter | ND filter
flash.mode | Flash mode
flash.compensation | Flash compensation
flash.syncSpeed | Flash sync speed
flash.highSpeed | High-speed sync
flash.wireless | Wireless flash
flash.slowestShutter | Slowest shutter speed with flash
flash.isoCeiling | Auto ISO maximum with flash
focus.mode | Focus mode
focus.autoSwitch | Automatic single or continuous
focus.area | AF area
focus.areaLimit | AF area selection
focus.zoneWidth | Zone width
focus.zoneHeight | Zone height
focus.pointSize | AF point size
focus.pointGrid | AF points used
focus.pointWrap | AF point wrap-around
focus.pointMemory | AF point by orientation
focus.pointDisplay | AF point display
focus.point | AF point position
focus.pointLock | AF point lock
focus.pointReset | AF point returns
focus.detection | Subject detection
focus.detectionSubject | Detected subject
focus.detectionSubjects | Subjects that can be chosen
focus.detectionEye | Eye preferred
focus.detectionZone | Detection zone
focus.detectionMark | Detection frame shown
focus.faceMemory | Registered faces
focus.tracking | Subject tracking
focus.trackingStart | Tracking starts at
focus.trackingByTouch | Tracking by touch
focus.halfPress | AF on half-press
focus.halfPressMotion | AF on half-press while filming
focus.preAf | Pre-focus
focus.priorityOnce | Release priority, single AF
focus.priorityFollow | Release priority, continuous AF
focus.case | AF behaviour preset
focus.persistence | AF persistence
focus.acceleration | Speed change tracking
focus.areaSwitching | Area switching
focus.motionMode | Film focus mode
focus.motionSpeed | Film AF speed
focus.motionResponse | Film AF responsiveness
focus.motionSpeedWhen | Film AF speed applies
focus.breathing | Breathing correction
focus.lamp | AF assist lamp
focus.lowLight | Low-light AF
focus.fineTune | AF fine adjustment
focus.rangeLimit | Focus range limit
focus.ringDirection | Focus ring direction
focus.ringResponse | Focus ring response
focus.ringThrow | Focus ring throw
focus.ringOverride | Manual override of AF
focus.magnifyStart | Magnifier starts at
focus.magnifyTime | Magnifier time-out
focus.magnifyOnTurn | Magnify when the ring turns
focus.magnifyAf | AF inside the magnifier
focus.magnifyExit | Magnifier ends on half-press
focus.peaking | Focus peaking
focus.peakingLevel | Peaking level
focus.peakingColour | Peaking colour
focus.distanceScale | Focus distance scale
focus.distanceUnit | Distance unit
focus.depthOverlay | Depth overlay
focus.confirmBeep | Focus beep
focus.seriesFrames | Focus series frames
focus.seriesStep | Focus series step
focus.touch | Touch AF
focus.touchPad | Touch pad while at the finder
focus.touchPadZone | Touch pad zone
focus.starAf | Star focus
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
colour.balanceSmooth | Smooth white balance
colour.look | Rendering
colour.contrast | Contrast
colour.highlights | Highlights
colour.shadows | Shadows
colour.saturation | Saturation
colour.hue | Hue
colour.sharpness | Sharpness
colour.clarity | Clarity
colour.grain | Grain effect
colour.filter | Monochrome filter
colour.space | Colour space
colour.effect | Creative effect
image.kind | File type
image.rawKind | Raw compression
image.rawBits | Raw bit depth
image.quality | Image quality
image.size | Image size
image.rawSize | Raw size
image.ratio | Aspect ratio
image.crop | Crop mode
image.digitalZoom | Digital zoom
image.format | Processed file format
image.hdr | High dynamic range picture
image.shadowLift | Shadow lift
image.noiseReduction | High ISO noise reduction
image.shading | Shading correction
image.aberration | Aberration correction
image.distortion | Distortion correction
image.diffraction | Diffraction correction
image.lensCorrection | Lens corrections
image.softSkin | Skin smoothing
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
drive.interval | Interval
drive.intervalFrames | Interval frames
drive.intervalSmoothing | Interval exposure smoothing
drive.releaseDelay | Shutter delay
drive.modeLimit | Drive mode selection
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
stabiliser.movie | Film stabilisation
stabiliser.direction | Stabiliser direction
stabiliser.when | Stabiliser runs
stabiliser.typedFocal | Typed focal length
stabiliser.lensPriority | Lens stabiliser first
stabiliser.horizon | Automatic levelling
movie.frameRate | Frame rate
movie.size | Resolution
movie.format | Recording format
movie.quality | Bit rate
movie.compression | Compression
movie.region | Region
movie.profile | Tone curve
movie.profileSlot | Profile slot
movie.blackLevel | Black level
movie.gamma | Gamma
movie.knee | Knee
movie.gamut | Colour gamut
movie.bits | Bit depth
movie.chroma | Chroma subsampling
movie.raw | Raw film
movie.proxy | Proxy recording
movie.slowRate | Slow-and-quick capture rate
movie.slowPlayback | Slow motion in camera
movie.crop | Film crop
movie.oversampling | High frame rate quality
movie.recordByShutter | Record with shutter button
movie.recordUsesSlot | Record key uses bank
movie.standby | Standby
movie.tally | Tally lamp
movie.frameMark | Recording frame
movie.timeCode | Time code
movie.timeCodeMode | Time code runs
movie.userBits | User bits
movie.preRecord | Pre-recording
movie.interval | Time-lapse
movie.autoSlowShutter | Auto slow shutter
movie.heatLimit | Auto power-off temperature
movie.output | HDMI output
movie.outputInfo | HDMI information
movie.outputTrigger | HDMI record control
movie.webcam | USB streaming
audio.recording | Sound recording
audio.levelMode | Level mode
audio.level | Recording level
audio.limiter | Limiter
audio.windFilter | Wind filter
audio.attenuator | Attenuator
audio.lowCut | Low cut
audio.source | Microphone input
audio.plugPower | Plug-in power
audio.channels | Channels
audio.format | Audio format
audio.meters | Level meters
audio.monitor | Headphone volume
audio.monitorDelay | Headphone timing
audio.shutterNoise | Dial noise in film
assist.zebra | Zebra
assist.zebraLevel | Zebra level
assist.zebraRange | Zebra range
assist.logPreview | Log view assist
assist.viewLut | Preview look
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
assist.naturalView | Natural view
assist.brightView | Bright monitoring
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
display.rotate | Finder display rotates
display.playRotate | Pictures rotate in playback
display.nightMode | Dark display
display.exposureScale | Exposure scale direction
display.language | Language
display.dioptre | Finder dioptre
display.finderLimit | Finder mode selection
display.pageContents | Display page contents
files.numbering | File numbering
files.prefix | File name prefix
files.moviePrefix | Film name prefix
files.folder | Folder name
files.owner | Artist name
files.copyright | Copyright
files.embedRating | Rating in the file
files.location | Location in the file
files.verify | Authenticity data
cards.second | Second card
cards.first | First card
cards.movieTo | Films go to
cards.rawTo | Raw files go to
cards.playFrom | Playback card
cards.autoSwitch | Switch when full
power.sleep | Power save
power.screenOff | Screen off
power.save | Economy mode
power.usb | USB power
power.batteryOrder | Grip battery order
power.cleanSensor | Sensor cleaning
network.wireless | Wireless
network.shortRange | Short-range radio
network.airplane | Airplane mode
network.remote | Remote control
network.transfer | Automatic transfer
network.transferKind | Files transferred
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
controls.touchDoubleTap | Double tap
controls.dialDirection | Dial direction
controls.dialLayout | Dial layout
controls.wheel | Rear wheel
controls.lensRing | Lens ring
controls.lensRingDirection | Lens ring direction
controls.ringGuard | Ring only with half-press
controls.stripGuard | Strip needs a hold
controls.lockWhat | Lock covers
controls.stickLock | Stick lock
controls.ownMenuFirst | Own menu first
controls.menuMemory | Menu position kept
controls.functionMenuFinder | Function menu in the finder
controls.bankKeeping | Bank keeping
controls.bankWidth | Bank width
controls.switchKeeps | Mode switch remembers
controls.halfPressFeel | Half-press force
controls.releaseFeel | Release force
controls.longPress | Long press time
controls.guide | Help texts
controls.dialKeys | Key with dial
`)

/** The common functions' standard terms. Columns: id | term. */
export const functionTerms: ReadonlyMap<string, string> = termsOf(`
none | Nothing
focus.start | AF start
focus.startArea | AF start with area
focus.startDetection | AF start with detection
focus.startPoint | AF start, single point
focus.startTracking | AF start with tracking
focus.stop | AF stop
focus.lock | AF lock
focus.lockToggle | AF lock, stays
focus.lockBoth | AF and AE lock
focus.areaOnly | AF area while held
focus.chooseArea | AF area
focus.nextArea | Next AF area
focus.recallArea | Recall AF area
focus.chooseMode | Focus mode
focus.flipMode | AF or MF
focus.flipModeHold | Manual focus while held
focus.flipContinuous | Single or continuous AF
focus.toggleDetection | Detection on or off
focus.holdDetection | Detection while held
focus.nextSubject | Next detected subject
focus.chooseSubject | Detected subject
focus.otherEye | Other eye
focus.nextFace | Next face
focus.toggleTracking | Tracking on or off
focus.centrePoint | Centre the AF point
focus.turnArea | AF area on a dial
focus.turnMode | Focus mode on a dial
focus.movePoint | Move the AF point
focus.pointHome | AF point to its home
focus.case | AF behaviour preset
focus.magnify | Magnifier
focus.magnifyHold | Magnifier while held
focus.togglePeaking | Peaking on or off
focus.choosePeaking | Peaking level
focus.rangeLimit | Focus range limit
focus.ringOverride | Ring override
focus.touch | Touch AF on or off
focus.tap | Touch to focus
focus.motionSpeed | Film AF speed
focus.holdAreaAndMode | AF area and mode with dials
focus.followWhileHeld | Continuous AF while held
focus.recallDistance | Recall focus distance
focus.toggleDepthOverlay | Depth overlay on or off
focus.toggleGuide | Focus guide on or off
focus.toggleTouchPad | Touch pad on or off
exposure.lock | AE lock
exposure.lockToggle | AE lock, stays
exposure.meterAndFocus | Meter and focus
exposure.meterOnly | Meter
exposure.turnShutter | Shutter speed
exposure.turnAperture | Aperture
exposure.turnIso | ISO
exposure.turnCompensation | Exposure compensation
exposure.turnProgram | Program shift
exposure.holdAndTurnIso | ISO while turned
exposure.holdAndTurnCompensation | Compensation while turned
exposure.holdAndTurnKelvin | Kelvin while turned
exposure.chooseIso | ISO
exposure.toggleAutoIso | Auto ISO on or off
exposure.nextIsoSet | Next ISO range
exposure.chooseMinimumShutter | Minimum shutter speed
exposure.chooseMode | Exposure mode
exposure.chooseMetering | Metering mode
exposure.spotWhileHeld | Spot metering while held
exposure.highlightWhileHeld | Highlight metering while held
exposure.togglePreview | Exposure preview on or off
exposure.depthPreview | Depth-of-field preview
exposure.bracket | Bracketing
exposure.bulb | Bulb or time
exposure.chooseNd | ND filter
flash.toggle | Flash on or off
flash.chooseMode | Flash mode
flash.turnCompensation | Flash compensation
flash.lock | Flash lock
flash.modellingLight | Modelling light
colour.lockBalance | White balance lock
colour.lockBalanceToggle | White balance lock, stays
colour.chooseBalance | White balance
colour.measureBalance | Measure white balance
colour.turnKelvin | Colour temperature
colour.chooseLook | Rendering
colour.nextBalance | Next white balance
image.chooseKind | File type
image.toggleRaw | Raw added or not
image.toggleCrop | Crop on or off
image.nextRatio | Next aspect ratio
image.digitalZoom | Digital zoom
image.shadowLift | Shadow lift
drive.choose | Drive mode
drive.timer | Self-timer
drive.burstWhileHeld | Burst while held
drive.turnRate | Burst rate
drive.preCapture | Pre-capture on or off
drive.startInterval | Start interval series
drive.startSeries | Start focus series
shutter.chooseKind | Shutter type
shutter.toggleSilent | Silent shutter on or off
shutter.toggleFlicker | Flicker reduction on or off
stabiliser.toggle | Stabiliser on or off
stabiliser.focal | Typed focal length
movie.record | Record
movie.swapSide | Stills or motion
movie.chooseRate | Frame rate
movie.chooseSize | Resolution
movie.chooseProfile | Tone curve
movie.toggleSlow | Slow motion on or off
movie.mark | Shot mark
movie.powerZoom | Power zoom
movie.togglePreRecord | Pre-recording on or off
audio.chooseLevel | Recording level
audio.toggleMeters | Level meters on or off
audio.toggleWind | Wind filter on or off
audio.turnHeadphones | Headphone volume
assist.toggleZebra | Zebra on or off
assist.chooseZebra | Zebra level
assist.toggleLogPreview | Log view assist on or off
assist.toggleFalseColour | False colour on or off
assist.toggleWaveform | Waveform on or off
assist.toggleLevel | Level on or off
assist.toggleGrid | Grid on or off
assist.toggleHistogram | Histogram on or off
assist.brightView | Bright monitoring
assist.naturalView | Natural view
assist.nextLut | Next view LUT
assist.toggleVectorscope | Vectorscope on or off
assist.toggleGuides | Frame guides on or off
assist.nextDesqueeze | Next anamorphic desqueeze
display.nextPage | Next display page
display.switchFinder | Finder or screen
display.playback | Playback
display.rate | Rate the picture
display.protect | Protect the picture
display.delete | Delete
display.send | Send to phone
display.brightness | Screen brightness
display.nightMode | Dark display on or off
display.zoomToPoint | Zoom to the focus point
display.voiceMemo | Voice memo
menu.own | Own menu
menu.functions | Function menu
menu.full | Menu
menu.line | Menu line
bank.choose | Choose a bank
bank.next | Next bank
bank.recall | Recall a bank
bank.holdSet | Use a hold set
bank.holdSetToggle | Use a hold set, stays
controls.modeDial | Mode dial
controls.markedDial | Marked dial
controls.lever | Lever
controls.lock | Operation lock
controls.toggleTouch | Touch on or off
controls.swapDials | Swap dials
cards.swap | Swap cards
cards.format | Format the card
network.toggleAirplane | Airplane mode on or off
network.pair | Pair
power.sleepNow | Sleep
`)

/** The field's standard term for what a common setting or function is; the id where there is none such. */
export function termOf(what: string): string {
  return settingTerms.get(what) ?? functionTerms.get(what) ?? what
}

function termsOf(text: string): Map<string, string> {
  return new Map(linesOf(text, 2).map(([id = '', term = '']) => [id, term]))
}
