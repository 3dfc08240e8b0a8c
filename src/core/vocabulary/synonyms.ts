import { functionTerms, settingTerms } from './terms'
import { linesOf } from './text-table'

/**
 * What else photographers and film makers call the common settings: other cameras' plain words, older words, cinema's
 * words, short forms. Columns: id | wordings, parted by semicolons.
 */
export const settingSynonyms: ReadonlyMap<string, readonly string[]> = wordingsOf(`
exposure.mode | exposure program; shooting mode; PASM mode; exposure control; camera mode
exposure.shutter | exposure time; shutter time; time value; shutter duration; exposure length
exposure.shutterAngle | angle of the shutter; shutter in degrees; shutter opening angle; angle value
exposure.shutterInAngle | shutter unit angle or time; shutter display in degrees; show shutter as angle; shutter notation; shutter angle display
exposure.aperture | f-number; f-stop; iris; lens opening; aperture value; diaphragm
exposure.iso | ISO sensitivity; film speed; sensitivity; gain; ASA; sensor speed; ISO value; exposure index; EI
exposure.isoAuto | automatic ISO; ISO auto; automatic sensitivity; auto sensitivity control; auto gain
exposure.isoAutoFloor | auto ISO lower limit; lowest auto ISO; auto ISO floor; minimum sensitivity; auto ISO minimum sensitivity
exposure.isoAutoCeiling | auto ISO upper limit; highest auto ISO; auto ISO ceiling; maximum sensitivity; auto ISO limit; ISO cap; gain limit
exposure.minimumShutter | slowest shutter speed in auto ISO; auto ISO minimum shutter speed; longest exposure time in auto ISO; slowest auto shutter; auto ISO shutter limit
exposure.minimumShutterMode | minimum shutter speed mode; slowest shutter by focal length; auto ISO shutter speed rule; minimum shutter fixed or by focal length
exposure.isoSet | ISO range preset; auto ISO profile; kept ISO ranges; ISO set
exposure.isoExtended | ISO expansion; extended sensitivity range; ISO boost; expanded ISO; ISO beyond the normal range
exposure.isoStep | ISO increments; sensitivity steps; ISO step size; ISO in thirds or full stops
exposure.baseIso | native ISO; dual base ISO; base sensitivity; native sensitivity; dual native ISO; low or high base ISO
exposure.step | exposure increments; exposure step size; exposure level increments; steps in thirds or halves
exposure.compensation | exposure correction; EV compensation; EV shift; brightness correction; plus minus correction; exposure bias
exposure.compensationInManual | compensation in manual with auto ISO; exposure correction in manual mode; EV compensation in M
exposure.easyCompensation | direct exposure compensation; exposure compensation by dial alone; easy compensation; compensation without pressing a key
exposure.programShift | flexible program; shift the program; program flex; shifted program
exposure.metering | light metering; meter pattern; metering pattern; light meter mode; exposure metering method
exposure.spotSize | spot meter size; spot circle size; size of the metered spot
exposure.spotFollowsPoint | spot linked to AF point; spot metering at the focus point; link spot metering to focus area; spot meter follows
exposure.meterFollowsSubject | meter on the subject; face metering; face priority in metering; subject weighted metering
exposure.meteringOffset | meter calibration; fine-tune exposure meter; optimal exposure adjustment; metering trim; exposure fine-tuning
exposure.halfPressLock | half-press locks exposure; AE lock by shutter button; exposure kept on half-press; lock exposure when half-pressed
exposure.lockHold | AE lock behaviour; exposure lock hold or toggle; AEL operation; AE lock stays until pressed again
exposure.preview | live view shows exposure; preview of exposure; WYSIWYG view; final exposure display
exposure.bracketKind | bracket mode; auto bracketing; bracket type; what a bracket varies; bracketing set
exposure.bracketFrames | number of bracketed shots; bracket count; shots in a bracket
exposure.bracketStep | bracketing increment; EV between bracketed shots; bracket spacing
exposure.bracketOrder | bracketing sequence; order of bracketed frames
exposure.dynamicRange | dynamic range expansion; highlight headroom; extended dynamic range; DR expansion
exposure.longNoise | long exposure NR; dark frame subtraction; noise reduction for long exposures; slow shutter noise reduction
exposure.bulbTimer | bulb timer; timed bulb; long exposure countdown; exposure length timer
exposure.meterTimer | meter stays on; standby timer of the meter; meter off delay; metering duration; meter sleep
exposure.burstLock | exposure locked in burst; AE fixed while shooting bursts; exposure per burst; keep exposure of the first frame
exposure.ndFilter | built-in neutral density filter; grey filter; internal ND; ND strength; density filter
flash.mode | flash firing; strobe mode; flash sync mode; flash setting; fill flash
flash.compensation | flash exposure compensation; flash correction; flash EV; flash output level; FEC; strobe power correction
flash.syncSpeed | sync speed; flash sync time; X-sync; fastest sync speed; flash synchronisation speed; maximum sync shutter
flash.highSpeed | HSS; flash at fast shutter speeds; high speed synchronisation
flash.wireless | remote flash; off-camera flash; flash commander; flash control by radio or light; wireless strobe
flash.slowestShutter | slowest sync speed; minimum shutter speed with flash; flash shutter speed limit; longest time with flash
flash.isoCeiling | highest ISO with flash; auto ISO limit with flash; maximum sensitivity with flash; ISO cap for flash
focus.mode | focus mode; autofocus mode; focusing mode; single, continuous or manual focus; focus drive
focus.autoSwitch | automatic AF; auto switching AF; AF auto; automatic single or continuous focus; switches between single and continuous
focus.area | focus area; AF field; autofocus area; focusing area mode; AF pattern; focus zone mode
focus.areaLimit | limit AF areas; AF area selection limit; focus areas to choose from; available AF areas; AF area restriction
focus.zoneWidth | width of the AF zone; focus zone columns
focus.zoneHeight | height of the AF zone; focus zone rows
focus.pointSize | AF frame size; focus point size; size of the AF point
focus.pointGrid | number of AF points; AF point density; focus points used; selectable focus points; every other point
focus.pointWrap | focus point loops; AF point wraps; focus frame circulates; focus point runs round the edge; point wrap round
focus.pointMemory | AF point per orientation; vertical and horizontal AF points; focus point stored by orientation; orientation linked AF point; separate point for upright
focus.pointDisplay | focus point shown; AF frame display; show AF point; AF point illumination; focus frame visible
focus.point | position of the AF point; focus point location; where the focus point is; AF frame position
focus.pointLock | lock the focus point; AF point fixed; prevent AF point from moving
focus.pointReset | focus point recentres; AF point returns to centre; auto recentre focus point
focus.detection | subject recognition; face and eye detection; face detection; subject detect; human detection; face priority AF; eye priority
focus.detectionSubject | subject to detect; recognition target; subject type; detection target; what to detect; people, animals or birds; animal detection
focus.detectionSubjects | subjects to choose from; subject selection limit; recognition targets available; subject switching set
focus.detectionEye | right or left eye; eye selection; which eye first; eye priority left right
focus.detectionZone | area in which subjects are detected; recognition area; subject detection area
focus.detectionMark | face frame display; subject frame; show detected subject; recognition frame display
focus.faceMemory | registered people first; face registration; personal recognition; priority faces
focus.tracking | subject tracking; follow the subject; AF tracking; subject following; keep tracking
focus.trackingStart | where tracking begins; initial tracking point; tracking start area; initial AF point for tracking
focus.trackingByTouch | tap to track; tracking by tapping; track what is tapped; touch to track
focus.halfPress | shutter button AF; autofocus with shutter button; AF with shutter; half-press focuses; shutter AF; half-press activates AF
focus.halfPressMotion | half-press focuses in movies; shutter button AF while filming; movie AF with shutter button
focus.preAf | pre-focus; focuses before half-press; permanent AF; full-time AF before pressing; continuous pre-autofocus
focus.priorityOnce | focus or release in single AF; single AF release priority; shutter waits in single AF
focus.priorityFollow | focus or release in continuous AF; continuous AF release priority; shutter waits in continuous AF
focus.behaviour | tracking preset; AF scenario; AF characteristics preset; subject movement preset
focus.persistence | lock-on time; tracking sensitivity; AF stickiness; stay on subject when something crosses; AF hold time; focus hold
focus.acceleration | acceleration tracking; acceleration and deceleration; subject speed changes; speed tracking sensitivity; AF response to speed
focus.areaSwitching | AF point switching; zone area switching; readiness to change AF points; AF area shift
focus.motionMode | video AF mode; focus mode while filming; continuous movie focus; AF during recording; film focus mode
focus.motionSpeed | video AF speed; autofocus speed while filming; AF transition speed; rack focus speed; focus pull speed; focus speed in film
focus.motionResponse | video AF sensitivity; movie AF tracking sensitivity; AF subject shift sensitivity; film focus readiness; focus response in video
focus.motionSpeedWhen | when AF speed applies; AF speed active; movie AF speed always or while recording
focus.breathing | breathing compensation; lens breathing; focus breathing; hold framing while focusing
focus.lamp | AF illuminator; focus assist light; autofocus lamp; AF beam; helper light for focus; AF light
focus.lowLight | autofocus in the dark; low-light focusing; night AF; starlight focusing
focus.fineTune | fine-tune AF; AF calibration; focus correction of a lens; autofocus fine-tuning; front and back focus correction
focus.rangeLimit | focus limiter; distance limiter; AF range; focus distance range; autofocus range limiter
focus.ringDirection | focus ring rotation; direction of the focus ring; reverse focus ring; ring turns left or right; manual focus direction
focus.ringResponse | linear or progressive focus ring; focus by wire response; focus ring linearity; manual focus ring response; non-linear focus ring
focus.ringThrow | focus throw; rotation angle of the focus ring; focus ring angle; ring rotation range
focus.ringOverride | full-time manual focus; AF with manual override; AF+MF; manual focus during AF; ring override
focus.magnifyStart | first magnification; magnifier ratio; focus magnification; zoom level of the focus magnifier; start enlargement
focus.magnifyTime | magnifier duration; focus zoom time; how long the magnifier stays; magnification time; loupe time
focus.magnifyOnTurn | magnify when the ring turns; auto magnification in manual focus; enlarge while focusing by hand; loupe by ring
focus.magnifyAf | autofocus while magnified; AF in magnified view; focusing in enlarged view
focus.magnifyExit | leave the magnifier on half-press; cancel magnification with shutter; loupe ends by half-press
focus.peaking | edge highlighting; peaking display; focus edges marked; outline emphasis; sharp edges in colour; peaking assist
focus.peakingLevel | peaking strength; peaking sensitivity; strength of edge highlighting; peaking intensity
focus.peakingColour | peaking color; colour of edge highlighting; peaking tint
focus.distanceScale | distance display; focus distance indicator; depth of field scale; show distance; MF distance scale
focus.distanceUnit | metres or feet; distance in feet; focus scale units; units of distance
focus.depthOverlay | depth map; depth of field overlay; colour overlay near and far
focus.confirmBeep | AF beep; focus confirmation sound; in-focus tone; autofocus sound; beep when sharp
focus.seriesFrames | focus bracketing frames; number of shots in a focus stack; focus stacking shots
focus.seriesStep | focus bracketing step; focus stacking step width; focus step size; focus increment
focus.touch | touch focus; touch focusing; tap to focus setting; touch shutter; what a tap does; focus by touch
focus.touchPad | touch pad at the viewfinder; move AF point with the screen; touch and drag AF; screen as touchpad
focus.touchPadZone | touch pad zone; touch pad region; active touch area; touchpad operation area; part of the screen that responds
focus.starAf | focus on stars; astro focus; night sky focusing
focus.priorityFirst | first picture of a burst waits for focus; first shot focus priority
focus.priorityNext | later frames wait for focus; following shots priority; burst focus or speed priority
focus.guide | manual focus guide; focusing arrows; focus indicator arrows; rangefinder guide
focus.pointSpeed | speed of the AF point; joystick speed; focus point movement speed; AF point scrolling speed
focus.storedDistance | memorised focus distance; preset focus distance; focus memory; saved focus position; distance kept for recall
colour.balanceMode | WB; white balance mode; white point; white balance preset; balance mode
colour.kelvin | Kelvin; colour temperature in kelvin; white balance temperature; K value
colour.balanceShift | WB shift; white balance fine-tuning; tint; colour compensation; amber-blue magenta-green; white balance correction
colour.autoPriority | AWB priority; keep warm colours; auto white balance warm or neutral
colour.balanceLockShutter | AWB lock on shutter; lock white balance with half-press; white balance held on half-press
colour.customBalance | preset white balance by hand; measured white balance; manual white balance; grey card balance
colour.balanceSmooth | shockless white balance; white balance transition speed; AWB speed in film; smooth white balance change
colour.look | picture look; look of the picture; rendering; image style; colour profile; colour mode; tone set
colour.contrast | contrast adjustment; image contrast
colour.highlights | highlight tone; bright tones; highlight adjustment
colour.shadows | shadow tone; dark tones; shadow adjustment
colour.saturation | colour saturation; colour strength; vividness; chroma of the look
colour.hue | colour tone; hue shift; colour rotation
colour.sharpness | sharpening; edge sharpness; image sharpness
colour.clarity | structure; midtone contrast; local contrast; texture
colour.grain | film grain; grain effect; noise effect
colour.filter | black and white filter; B&W filter; yellow or red filter effect; monochrome colour filter
colour.space | colour gamut of stills; sRGB or wide gamut; colour range of pictures
colour.effect | special effect; toy camera effect; creative filter
image.kind | image format; RAW or JPEG; RAW plus JPEG; recording format of stills; files written; still file format; save as RAW; RAW recording
image.rawKind | RAW recording type; RAW file type; lossless or lossy RAW; RAW compressed; RAW packing; uncompressed RAW; raw coding
image.rawBits | RAW bits; 12 or 14 bit RAW; bits per RAW pixel; RAW colour depth
image.quality | JPEG quality; JPEG compression; picture quality; fine or normal; compression of processed files
image.size | image dimensions; picture dimensions; dimensions in pixels; picture size; JPEG size; resolution of stills; pixel count; image pixels; megapixels
image.rawSize | RAW resolution; small RAW; RAW image size; reduced RAW
image.ratio | frame shape; picture format 3:2 or 16:9; image proportions; frame ratio; aspect
image.crop | sensor crop; crop to small format; cropped sensor area; crop shooting; use middle of the sensor
image.digitalZoom | digital teleconverter; zoom by enlarging; crop zoom; electronic zoom
image.format | JPEG or HEIF; still codec; HEIF format; container of stills; file format for processed stills
image.hdr | HDR shooting; high dynamic range picture; HDR photo; tone mapped picture
image.shadowLift | shadow brightening; auto tone; open shadows; shadow boost; shadow compensation
image.noiseReduction | high ISO NR; noise filter; noise smoothing; high sensitivity noise reduction; luminance noise reduction
image.shading | vignetting correction; vignette compensation; peripheral illumination correction; corner shading; light falloff correction
image.aberration | chromatic aberration correction; lateral colour correction; colour fringing correction; purple fringe correction
image.distortion | distortion compensation; barrel distortion correction; straighten lens distortion; geometric correction
image.diffraction | diffraction compensation; small aperture softness correction; diffraction reduction
image.lensCorrection | lens compensation; lens aberration correction; lens profile; optical corrections; correct lens faults
image.skinSmoothing | soft skin; skin softening; beauty mode; skin retouching; portrait retouch
image.multiShot | pixel shift shooting; high resolution mode; sensor shift multi shot; pixel shift multi shooting
image.composite | double exposure; overlay of frames; multi exposure; image overlay; several exposures in one
image.cropWarning | crop mark; crop mode indicator; sign for crop mode; crop alert
image.zoomKind | zoom setting; optical zoom or digital; zoom range; zoom method
drive.mode | release mode; shooting drive; burst or single; frame advance mode; shutter drive; continuous shooting mode; drive setting; advance
drive.rate | frames per second; continuous shooting speed; burst speed; shooting rate; fps of bursts; continuous rate
drive.rateHigh | high speed burst; continuous high rate; fast burst speed; high-speed continuous rate
drive.rateLow | low speed burst; continuous low rate; slow burst speed; low-speed continuous rate
drive.burstLimit | maximum burst; max. continuous shots; burst frame limit; maximum frames per burst; longest burst
drive.timer | self-timer; timer seconds; delayed release time; self-timer duration; countdown seconds; self timer time
drive.timerFrames | number of self-timer shots; self-timer shots; timer pictures
drive.preCapture | pre-shooting; shooting before full press; pre-burst; frames before release; past frames; capture before the press
drive.interval | intervalometer; interval time; interval between shots; time between shots; interval shooting; time-lapse interval
drive.intervalFrames | number of intervals; interval shots; interval count; number of shots in interval shooting
drive.intervalSmoothing | exposure smoothing; AE tracking in interval; smooth exposure in time-lapse; flicker-free time-lapse
drive.releaseDelay | delay before release; exposure delay; release time lag; shutter lag delay; mirror lock-up delay; delay before exposure
drive.modeLimit | limit drive modes; release modes to choose from; drive modes available; drive mode restriction
shutter.kind | shutter mechanism; mechanical or electronic shutter; shutter method; shutter unit; e-shutter; shutter mode
shutter.firstCurtain | front curtain electronic shutter; electronic front curtain shutter; e-front curtain
shutter.silentMode | silent shooting; quiet mode; mute everything; noiseless mode; silence; silent operation
shutter.flickerReduction | anti-flicker; flicker suppression; anti-flicker shooting; flickerless; avoid lamp flicker; LED flicker shooting
shutter.fineSpeed | high resolution shutter speed; variable shutter; fine shutter adjustment; decimal shutter speeds
shutter.withoutCard | shoot without card; slot empty release; release lock without card; no card release; shutter release without memory card
shutter.withoutLens | shoot without lens; no lens release; release with lens not attached; adapted lens release
shutter.closeAtPowerOff | close shutter when off; shutter curtain closed at power-off; sensor shield; protect sensor when changing lenses; shutter when power off
shutter.sound | electronic shutter sound; shutter volume; artificial shutter noise; release sound; click sound
shutter.releaseIndicator | blackout mark; release sign in the finder; shooting indicator; visual release confirmation; shutter blink; frame flash at release
stabiliser.mode | image stabilisation; IBIS; anti-shake; shake reduction; shake correction; optical stabiliser; IS
stabiliser.movie | video stabilisation; digital stabilisation; movie IS; electronic stabilisation; film steady
stabiliser.direction | panning stabilisation; vertical or horizontal stabilisation; pan mode of the stabiliser
stabiliser.when | stabilisation only while shooting; when the stabiliser works; stabilise always or at release; IS activation
stabiliser.typedFocal | focal length input; manual focal length; lens focal length for stabiliser; IS focal length
stabiliser.lensPriority | lens IS priority; lens stabilisation first; body or lens stabiliser
stabiliser.horizon | auto level; horizon correction; level correction; keep the horizon straight; roll correction
movie.frameRate | frames per second of video; recording frame rate; video frame rate; fps of film; project frame rate; picture rate
movie.size | video resolution; movie image size; 4K or Full HD; recording size; film size; frame size of video; recording resolution
movie.format | video format; container; MOV or MP4; movie file type; recording format; video file container
movie.quality | bit rate; recording bitrate; movie quality; data rate; Mbps; video quality
movie.compression | codec; all-intra or long GOP; video codec; intra or inter frame; movie compression method
movie.region | PAL or NTSC; video system; system frequency; 50 or 60 Hz; TV system; broadcast system
movie.profile | gamma curve; log profile; video gamma; log recording; log gamma; movie tone curve; log shooting
movie.profileSlot | profile number; custom profile slot
movie.blackLevel | black level of the profile; master black; pedestal; black setup
movie.gamma | gamma of the profile; gamma type; gamma setting
movie.knee | highlight compression; knee point; knee setting
movie.gamut | colour space of film; recording gamut; wide gamut film; colour primaries
movie.bits | bits of video; 8 or 10 bit; recording bits; colour depth of film; 10 bit recording
movie.chroma | colour sampling; 4:2:2 or 4:2:0; chroma sampling; colour subsampling
movie.raw | RAW video; raw film; video recorded as RAW; internal RAW recording; RAW movie recording
movie.proxy | proxy file; proxy movie; low resolution copy; sub recording; offline copy for editing
movie.slowRate | variable frame rate; VFR; off-speed rate; capture frame rate; overcrank; sensor frame rate; varispeed
movie.slowPlayback | slow motion in camera; slow-motion movie; high frame rate played slowly; HFR; slow-mo
movie.crop | video crop; sensor crop in movies; Super 35 crop; movie crop factor; movie cropping
movie.oversampling | oversampled video; full pixel readout; line skipping; pixel binning; video readout quality
movie.recordByShutter | film with the shutter button; shutter button starts recording; shutter as record button; start movie by release
movie.recordUsesSlot | which bank the record button uses; movie bank for record key; record button settings in stills
movie.standby | recording standby; video standby; standby mode for filming; rec standby
movie.tally | tally light; recording lamp; rec lamp; lamp that shows recording; red light while filming
movie.frameMark | red border while recording; rec frame; recording emphasis; red frame; recording indicator border; REC frame display
movie.timeCode | timecode; TC; SMPTE time code; time code settings
movie.timeCodeMode | free run or rec run; timecode run mode; TC run; timecode count up
movie.userBits | user bit; UB; user bits in timecode
movie.preRecord | pre-rec; cache recording; pre-roll; loop cache; seconds before recording; prerecording
movie.interval | time-lapse film; interval movie; timelapse video
movie.autoSlowShutter | slow shutter in dark; automatic slow shutter; auto slow shutter in video; lengthens shutter in low light
movie.heatLimit | overheating limit; power off temperature; heat warning level; temperature shut-off; auto power off temp.; thermal limit
movie.output | external output; HDMI out; clean HDMI; HDMI resolution; monitor output
movie.outputInfo | HDMI overlay; HDMI info display; on-screen display over HDMI; clean output; OSD on external monitor
movie.outputTrigger | external recorder trigger; HDMI rec trigger; rec control over HDMI; remote start of the recorder
movie.webcam | webcam mode; live streaming; stream over USB; USB video class; use as webcam
audio.recording | audio recording; record sound; movie sound; sound on or off; microphone on; audio rec
audio.levelMode | automatic audio gain; AGC; audio level auto or manual; automatic sound level; sound level control
audio.level | microphone level; mic gain; recording level; input level; audio gain; sound level; mic sensitivity; recording volume
audio.limiter | limiter; audio limit; peak limiter; sound limiter
audio.windFilter | wind noise reduction; wind cut; wind noise filter; wind noise suppression; reduce wind
audio.attenuator | pad; -20 dB pad; input attenuator; mic attenuation
audio.lowCut | high-pass filter; low frequency cut; bass cut; rumble filter; HPF
audio.source | audio input; mic source; internal or external microphone; line or mic; input select; sound source
audio.plugPower | plug-in power; microphone power supply; mic power; phantom power
audio.channels | audio tracks; channel assignment; 2 or 4 channels; track layout
audio.format | sound format; audio quality; audio sample rate; audio bit depth; PCM format; 24 bit audio
audio.meters | VU meter; audio level display; sound level meter; audio meters; mic level display; audio bars
audio.monitor | headphone level; phones volume; monitoring volume; earphone volume; audio monitoring level
audio.monitorDelay | audio monitoring delay; lip sync; live or lip sync; audio delay; monitor timing
audio.shutterNoise | operation noise in movies; lens and dial noise reduction; quiet dials while recording; mute dial clicks
assist.zebra | zebra stripes; overexposure stripes; zebra pattern; stripes; highlight stripes; exposure stripes; hatching
assist.zebraLevel | zebra threshold; stripes from; zebra IRE; zebra percentage; zebra brightness
assist.zebraRange | zebra band; lower and upper zebra limit; skin tone zebra range; zebra width
assist.logPreview | view assist; log preview; LUT preview; show log graded; log display assist; gamma assist
assist.viewLut | monitoring LUT; display LUT; preview LUT; user LUT; viewing look; LUT for monitoring
assist.falseColour | false color; exposure false colours; false colour monitor; exposure colour map
assist.waveform | waveform monitor; WFM; luma waveform; scope; brightness scope
assist.vectorscope | colour scope; vector scope; chroma scope
assist.histogram | live histogram; tonal graph; RGB histogram; brightness histogram; tone histogram
assist.highlightWarning | blinkies; highlight alert; overexposure warning; highlight clipping warning; blinking highlights; clipped highlights display
assist.grid | grid lines; framing grid; rule of thirds lines; guide lines; composition grid; gridlines
assist.level | electronic level; virtual horizon; spirit level; level gauge; horizon display; digital level; tilt indicator
assist.centreMark | centre marker; center cross; crosshair; centre point marker
assist.safeArea | aspect marker; safe area; frame lines; safety zone; framing markers; aspect guides; marker display; crop marks
assist.desqueeze | anamorphic view; de-squeeze; anamorphic desqueeze display; squeeze factor; anamorphic preview
assist.neutralView | live view without effects; view without settings; optical viewfinder simulation; view mode without look
assist.brightView | night view; low-light view; boosted view; bright finder; bright display in the dark
display.finderSwitch | EVF/LCD switching; viewfinder or monitor; eye sensor; automatic display switch; finder or screen; finder and monitor selection; eye sensor switching
display.brightness | EVF brightness; viewfinder brightness; brightness of the viewfinder
display.screenBrightness | monitor brightness; LCD brightness; display brightness; rear screen brightness
display.finderColour | viewfinder colour; EVF colour balance; finder tint; viewfinder colour temperature
display.finderRate | EVF frame rate; viewfinder refresh rate; finder fps; high-fps viewfinder; finder smoothness
display.finderQuality | EVF resolution; viewfinder display quality; viewfinder quality; finder resolution
display.finderSize | viewfinder magnification; EVF size; small finder for glasses; finder picture size
display.review | auto review; picture review; playback after shooting; instant review; show picture after shooting; postview; preview time
display.blackout | blackout-free shooting; no blackout; live view in bursts; viewfinder without blackout
display.pages | info display pages; display button pages; information screens; custom display settings
display.finderPages | viewfinder info pages; EVF display pages; viewfinder information screens
display.rotate | auto rotate finder display; vertical finder display; rotate info; vertical UI; viewfinder rotation
display.playRotate | auto rotate pictures; image rotation in playback; auto image rotation; upright pictures
display.nightMode | red display; night mode of the screen; warm display colours; red night view; dark theme; dim red display
display.exposureScale | reverse exposure indicator; meter scale direction; plus minus direction; reverse indicators; exposure meter direction
display.language | menu language; interface language; words of the menu
display.dioptre | diopter; eyepiece correction; viewfinder dioptre; eyesight adjustment
display.finderLimit | finder modes to choose from; limit viewfinder switching
display.pageContents | customise display pages; contents of info pages; what each display page shows; info display customisation
files.numbering | file number sequence; continuous numbering; file number reset; file no. mode; picture numbering; number series
files.prefix | file name; filename prefix; file naming; image file name; name code; letters of the file name; first letters of file names
files.moviePrefix | video file name; movie file name; clip name; clip naming; movie prefix
files.folder | folder naming; directory name; new folder; storage folder; folder code
files.owner | photographer's name; author; creator name; owner name; artist
files.copyright | copyright info; copyright details; rights notice; copyright holder; copyright text
files.embedRating | write rating to file; star rating in metadata; rating in EXIF; ratings embedded
files.location | GPS; geotagging; location recording; position data; place in the file; GPS tagging
files.verify | image authentication; digital signature; tamper proof data; authenticity signature
cards.second | role of slot 2; slot 2 function; backup or overflow; dual slot recording; second slot use; secondary slot
cards.first | primary slot; slot selection; card to write first; main card; primary card
cards.movieTo | movie slot; video destination; films recorded to; movie recording card; record video to slot
cards.rawTo | RAW slot; RAW destination; slot for RAW files; RAW recorded to
cards.playFrom | playback slot; playback media; view card; card to look at
cards.autoSwitch | auto switch media; switch slot when full; overflow to other slot; automatic slot change; relay recording
power.sleep | sleep timer; standby time; auto power-off delay; power save start time; energy saving time; turns off after; sleep after
power.screenOff | monitor off; LCD off; auto LCD off; screen off timer; backlight off; monitor off delay; display off time
power.save | eco mode; economy mode; battery saving; low power mode; energy saver
power.usb | USB charging; USB power supply; power delivery; charge by cable; power from USB
power.batteryOrder | battery order in the grip; grip battery first; order of batteries; which battery first
power.cleanSensor | dust removal; sensor dust off; automatic sensor cleaning; clean image sensor; dust reduction
network.wireless | Wi-Fi; WLAN; wireless connection; wireless network; wireless function; radio link
network.shortRange | Bluetooth; low-energy wireless; phone link radio; short range radio; always-on phone connection
network.airplane | flight mode; all radios off; aeroplane mode; wireless off
network.remote | remote shooting; tethered shooting; PC remote; phone remote control; remote release by app; computer control
network.transfer | auto transfer; automatic upload; send while shooting; auto send pictures; upload automatically
network.transferKind | transfer RAW or JPEG; transfer file format; type of files sent; files to send
network.name | device name; camera nickname; Wi-Fi name; hostname; network ID; SSID
network.infrared | IR remote; infrared receiver; remote release by infrared
body.clock | date and time; clock; time zone; area and date; world time; date/time setting; set clock
body.dateFormat | date order; day month year; format of the date; date display format
body.sounds | beeps; camera sounds; audio signals; electronic sound; tones; beep on or off
body.volume | beep volume; speaker volume; sound volume; loudness of beeps; volume
body.pixelMap | pixel remapping; hot pixel removal; dead pixels; sensor mapping
body.lampAll | all indicator lamps; status lights; lamps off; LED lights of the camera; indicator lights
body.fan | fan control; cooling fan mode; fan speed; ventilator
body.region | market region; sales area; country version
body.keyLighting | illuminated buttons; button illumination; backlit keys; key backlight; lit buttons
controls.touch | touch screen; touch panel; touch function; touchscreen operation; touch sensitivity; screen touch
controls.touchDoubleTap | double-tap; two taps; double tap function; double touch
controls.dialDirection | reverse dial; dial rotation; dial turning direction; direction of dials; reverse rotation
controls.dialLayout | dial assignment; dial functions; swap front and rear dials; dial set-up; dial customisation
controls.wheel | control wheel function; rear wheel; thumb wheel function; wheel job; wheel assignment
controls.lensRing | control ring; lens ring function; ring assignment; ring job; custom lens ring
controls.lensRingDirection | control ring direction; direction of the lens ring; reverse lens ring; ring rotation
controls.ringGuard | control ring works with half-press; ring only while metering; lens ring safety
controls.stripGuard | touch bar lock; touch strip guard; touch bar safety; unlock the touch strip
controls.lockWhat | lock parts; what the lock covers; operation lock settings; controls that are locked; lock options; dial lock
controls.stickLock | joystick lock; lock the joystick; disable stick
controls.ownMenuFirst | start in own menu; open favourites first; custom menu first
controls.menuMemory | menu cursor memory; return to the last menu position; remember last menu item; menu opens where left; menu start position
controls.functionMenuFinder | quick menu in viewfinder; function menu display in EVF; panel in the finder
controls.bankKeeping | auto update custom settings; custom mode auto update; save changes to bank; banks updated by themselves; update set automatically; live banks
controls.bankWidth | extended banks; what custom modes store; bank coverage; how much banks keep; contents of custom settings
controls.switchKeeps | stills and movie remember mode; different set for still and movie; mode switch memory; settings kept when switching to movie
controls.halfPressFeel | half-press depth; shutter button first stage; half-press stroke; shutter button sensitivity half
controls.releaseFeel | full press depth; shutter button stroke; release stroke; shutter button second stage; release pressure
controls.longPress | press and hold time; long press duration; hold time of buttons; button hold delay
controls.guide | help display; guide display; menu help; in-camera guide; hints; explanations
controls.dialKeys | button and dial operation; button-dial hold or release; release button to use dial; press and turn behaviour; key with dial
`)

/** What else the common functions are called, where it does not follow from the setting they change. Columns: id | wordings. */
export const functionSynonyms: ReadonlyMap<string, readonly string[]> = wordingsOf(`
none | nothing; not assigned; unassigned; off; no operation; disabled; empty key
focus.start | AF on; start focus; start autofocus; autofocus now; back-button focus; activate AF; focus now
focus.startArea | AF start on zone; AF start on whole frame; AF start with zone; start focus with another area; start AF with whole frame
focus.startDetection | start focus on eyes; AF on with eye detection; face detection AF
focus.startPoint | start focus on the point; spot AF on; AF on with single point; focus on the point
focus.startTracking | tracking on plus AF on; start tracking; AF on with tracking; track and focus; follow subject with AF on
focus.stop | AF-OFF; stop autofocus; AF off while held; focus hold; AF pause; interrupt AF; suspend AF; focus stop
focus.lock | focus lock; AFL; lock focus; hold focus
focus.lockToggle | AF lock toggle; AFL toggle; focus lock until pressed again; focus lock toggle
focus.lockBoth | AEL/AFL; lock exposure and focus; AF/AE lock; exposure and focus hold
focus.areaOnly | AF area while held: point; hold AF area zone; small AF point while held; switch AF area while pressed; temporary AF area; area change while held; direct AF area
focus.chooseArea | AF area selection; focus area menu; select focus area
focus.nextArea | cycle AF areas; change focus area; step through AF areas; next focus field
focus.recallArea | recall focus position; registered AF point; recall registered AF area; go to saved AF point; AF home position while held
focus.chooseMode | focus mode selection; select AF mode; AF mode list; change focus mode
focus.flipMode | AF/MF selector; autofocus or manual focus; AF/MF switch; toggle manual focus; MF toggle
focus.flipModeHold | manual focus while pressed; AF/MF hold; hold for MF; MF hold
focus.flipContinuous | single or continuous; switch single and continuous AF
focus.holdDetection | face detection while pressed; eye detection hold; momentary subject detection
focus.nextSubject | next subject type; switch recognition target; cycle subjects; change detection subject; animal or human switch
focus.otherEye | switch eye; other eye; left or right eye switch; change eye; left/right eye toggle
focus.nextFace | next face; switch faces; select another face; change face; other face
focus.centrePoint | recentre AF point; reset focus point; focus point to the middle; centre focus frame; reset point; AF point reset
focus.turnArea | dial for AF area; AF area by dial; turn through focus areas
focus.turnMode | dial for focus mode; AF mode by dial; turn through focus modes
focus.movePoint | focus point selection; AF point selection; direct AF point selection; focus point shift; steer focus point; joystick moves focus point; move focus frame; touch pad AF move
focus.pointHome | home position of the AF point; AF point to saved place; return to home point; focus point home
focus.magnify | focus magnifier; magnify; enlarge view; zoom in to check focus; focus zoom; punch in; loupe; live view zoom; magnified view
focus.magnifyHold | magnify while pressed; magnifier hold; momentary loupe; punch in while held
focus.ringOverride | full-time manual toggle; allow ring override; ring override
focus.tap | tap focus; touch AF; focus where tapped; touch shutter; tap to focus
focus.holdAreaAndMode | AF area and mode by button and dial; hold and turn for AF mode and area; AF mode and area with dials
focus.followWhileHeld | hold for continuous AF; momentary continuous AF
focus.recallDistance | focus preset recall; go to stored distance; recall focus position of the lens; preset focus
focus.toggleTouchPad | touchpad on/off; touch and drag on/off
exposure.lock | exposure lock; AEL hold; hold exposure; keep exposure; AE lock hold; lock metering
exposure.lockToggle | AEL toggle; exposure lock toggle; AE lock stays; AE lock until pressed again; keep exposure until pressed again
exposure.meterAndFocus | half-press; half-press meters and focuses; metering and autofocus start; shutter half-press
exposure.meterOnly | metering start; meter without focus; half-press meters only; metering on; wake the meter
exposure.turnProgram | program shift; shift program with dial; flexible program dial
exposure.toggleAutoIso | ISO auto/manual switch; automatic sensitivity on and off
exposure.chooseMode | exposure mode selection; select exposure program; shooting mode selection
exposure.spotWhileHeld | spot meter while pressed; momentary spot metering; spot metering hold
exposure.highlightWhileHeld | highlight-weighted metering while pressed; momentary highlight metering; highlight meter hold
exposure.togglePreview | live view exposure on/off
exposure.depthPreview | depth of field preview; DOF preview; stop down; aperture preview; lens closed down; preview; depth of field check
exposure.bracket | bracketing menu; auto bracketing button
exposure.bulb | bulb; bulb or time; B/T switch; bulb exposure; long exposure by hand; T exposure
flash.toggle | flash off; disable flash; flash enable; strobe on/off; fire flash or not
flash.lock | flash exposure lock; flash metered and held
flash.modellingLight | modeling flash; modelling flash; preview flash; test pulse of the flash
colour.lockBalance | AWB lock; hold white balance; WB lock; lock white balance; freeze white balance
colour.lockBalanceToggle | AWB lock toggle; WB lock toggle; white balance lock until pressed again
colour.measureBalance | custom white balance capture; set white balance from a card; grey card reading; take white reading; WB set; measure custom WB; pick white
colour.chooseLook | select image style; colour mode selection
image.toggleRaw | RAW plus JPEG toggle; one-touch RAW; add RAW; RAW once; temporary RAW; RAW too
image.digitalZoom | digital teleconverter button; digital zoom; crop zoom steps
image.toggleCrop | switch to crop; crop toggle; full frame or crop; sensor crop on and off
drive.timer | self-timer; toggle self-timer; delayed release; timer on and off
drive.burstWhileHeld | burst while pressed; momentary burst; continuous shooting while held; high-speed burst hold
drive.preCapture | pre-shooting on/off; pre-burst toggle
drive.startInterval | start intervalometer; begin time-lapse; interval shooting start; run interval shooting
drive.startSeries | start focus stacking; focus bracketing start; begin focus stack; focus stack go
shutter.toggleSilent | silent shutter toggle; silence on/off; quiet shooting on/off; electronic shutter toggle; mute shutter; silent mode toggle; e-shutter switch
stabiliser.focal | focal length entry; lens data entry; input focal length; set lens focal length
movie.record | record; start filming; movie recording button; REC; record button; start/stop recording; video recording; film now; start recording
movie.swapSide | photo/video switch; stills or motion; switch to video; still/movie switch; change to movie mode; photo or film
movie.toggleSlow | slow-mo toggle; high frame rate on/off; HFR switch
movie.mark | mark clip; good take mark; circle take; clip flag; in/out marker; mark moment
movie.powerZoom | zoom rocker; zoom drive; motor zoom; zoom tele/wide; servo zoom; power zoom dial
movie.togglePreRecord | pre-roll toggle; cache rec on/off
display.nextPage | display switch; change info display; info; cycle information; display button; next info page; information pages; switch display
display.switchFinder | EVF/LCD switch; finder/monitor switch; viewfinder toggle; toggle finder and screen; monitor switch; swap finder and screen
display.playback | play; review pictures; show pictures; view images; playback button; image playback
display.rate | star rating; rate picture; rate image; stars; give stars
display.protect | protect image; lock picture; key lock of picture; write-protect; image protection; protect from deletion
display.delete | erase; trash; delete image; delete picture; remove image; bin; throw away; erase picture
display.send | transfer picture; send image; upload image; share; transmit; send to smartphone; transfer to phone
display.zoomToPoint | zoom to where it was focused; enlarge at focus point; playback zoom to AF point; check focus in playback; 100 % view at focus
display.voiceMemo | audio note; spoken note; record a memo; voice note; voice annotation; sound memo
menu.own | favourites; custom menu; personal menu; user menu; own list
menu.functions | quick menu; control panel; function panel; quick settings; Fn; info panel; on-screen controls
menu.full | menu button; main menu; open menu; camera menu; all settings; full menu
menu.line | menu shortcut; jump to a menu item; one menu item; shortcut to menu item; menu entry
bank.choose | custom mode selection; select bank; memory selection; bank list; user settings; choose memory; camera set-up memory
bank.next | next memory; cycle banks; next custom mode; step through banks; next user mode; switch bank
bank.recall | recall custom mode; go to bank; recall settings; call up a memory; direct recall of a memory; load bank
bank.holdSet | temporary settings while held; custom set while pressed; override set; temporary override; momentary settings
bank.holdSetToggle | custom set toggle; override until pressed again; latch set; hold set stays
controls.modeDial | mode selector; PASM dial; program dial; exposure mode dial; shooting mode dial
controls.markedDial | engraved dial; dial with marks; dedicated dial; dial with engravings; top dial with numbers
controls.lever | function lever; lever; lever switch; second function lever
controls.lock | lock controls; control lock; hold switch; key lock; dial and button lock; lock all controls; lock keys
controls.swapDials | exchange dials; swap front and rear dial; dial exchange; change over dials
cards.swap | switch slot; change recording card; swap slots; swap card slots; other card; change primary card
cards.format | format memory card; initialise card; erase card; format media; wipe card; format slot
network.pair | pairing; connect to phone; phone connection; connect smartphone; connect to smartphone; Bluetooth pairing; link a phone
power.sleepNow | sleep; standby now; power off display; go to sleep; rest; enter sleep mode
`)

/** Everything a common setting or function can be looked for by: its term, and what else it is called. */
export function searchWords(kind: 'setting' | 'function', means: string | null): string {
  if (means === null) return ''
  const [terms, synonyms] =
    kind === 'setting' ? [settingTerms, settingSynonyms] : [functionTerms, functionSynonyms]
  return [terms.get(means) ?? '', ...(synonyms.get(means) ?? [])].join(' ')
}

function wordingsOf(text: string): Map<string, readonly string[]> {
  return new Map(linesOf(text, 2).map(([id = '', wordings = '']) => [id, wordings.split('; ')]))
}
