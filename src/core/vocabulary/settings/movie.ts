import { table } from '../text-table'

/** Film, sound, assists and display. Columns: id | term | unit | touches | plain words. */
export const movieSettings = table(`
movie.frameRate | Frame rate | frames/s | movie | Frames each second in the film.
movie.size | Resolution | px | movie | Frame size of the film, in pixels.
movie.format | Recording format | - | movie | Codec and container of the film.
movie.quality | Bit rate | Mbit/s | movie | Bits spent on each second of film.
movie.compression | Compression | - | movie | Every frame whole, or groups of frames; groups are smaller and harder to edit.
movie.region | Region | Hz | movie | Mains of the country: it decides which frame rates are offered.
movie.profile | Tone curve | - | movie histogram | The tone curve recorded: normal, flat, or log for grading.
movie.profileSlot | Profile slot | - | movie histogram | Which of several kept tone curves is in force.
movie.blackLevel | Black level | - | movie | Brightness of black in a profile.
movie.gamma | Gamma | - | movie histogram | The curve of a profile.
movie.knee | Knee | % | movie | Where a profile begins to compress highlights.
movie.gamut | Colour gamut | - | movie | The range of colours a profile records.
movie.bits | Bit depth | bit | movie | Levels each colour is recorded in.
movie.chroma | Chroma subsampling | - | movie | How much of the colour detail is kept.
movie.raw | Raw film | - | movie | Records what the sensor gives, to be developed later.
movie.proxy | Proxy recording | - | movie | A small film beside the large one, for editing.
movie.slowRate | Slow-and-quick capture rate | frames/s | movie | Frames captured each second, played at another rate.
movie.slowPlayback | Slow motion in camera | - | movie | Writes a fast rate to be played slowly.
movie.crop | Film crop | × | movie | How much of the sensor's width the film uses.
movie.oversampling | High frame rate quality | - | movie | Full readout, or skipping lines at fast rates.
movie.recordByShutter | Record with shutter button | - | hand | Lets the shutter release start and stop recording.
movie.recordKeyInStills | Record key in stills | - | hand | What the record key does while the camera stands in stills.
movie.recordUsesSlot | Record key uses bank | - | movie | Which motion bank the record key films with from stills.
movie.standby | Standby | - | hand | Ready to record; some keys answer only outside it.
movie.tally | Tally lamp | - | hand | A lamp that shows that the camera records.
movie.frameMark | Recording frame | - | preview | A frame around the picture while recording.
movie.timeCode | Time code | - | movie | Running time written into the film.
movie.timeCodeMode | Time code runs | - | movie | Always, or only while recording.
movie.userBits | User bits | - | movie | A label of your own in the time code.
movie.preRecord | Pre-recording | s | movie | Keeps the seconds before you pressed record.
movie.interval | Time-lapse | s | movie | A film from pictures taken at intervals.
movie.autoSlowShutter | Auto slow shutter | - | movie | Lengthens the shutter in the dark, against your choice.
movie.heatLimit | Auto power-off temperature | - | hand | How warm the body may get before it stops; a raised limit is warm in the hand.
movie.output | HDMI output | - | movie preview | What an external recorder gets.
movie.outputInfo | HDMI information | - | preview | Whether the finder's signs go out with the picture.
movie.outputTrigger | HDMI record control | - | hand | Starts an external recorder together with the camera.
movie.webcam | USB streaming | - | movie | Serves the picture to a computer.
audio.recording | Sound recording | - | sound | Records sound with the film.
audio.levelMode | Level mode | - | sound | Who sets the sound level: the camera or you.
audio.level | Recording level | dB | sound | The sound level set by hand.
audio.limiter | Limiter | - | sound | Holds loud peaks below the level that breaks up.
audio.windFilter | Wind filter | - | sound | Cuts the low rumble of wind, and of voices.
audio.attenuator | Attenuator | dB | sound | Weakens very loud sound before it is recorded.
audio.lowCut | Low cut | Hz | sound | Cuts what is below a pitch.
audio.source | Microphone input | - | sound | Which microphone is recorded.
audio.plugPower | Plug-in power | - | sound | Feeds a microphone that needs it.
audio.channels | Channels | - | sound | How inputs are spread over the tracks.
audio.format | Audio format | - | sound | Bits and rate of the sound.
audio.meters | Level meters | - | preview | Shows the sound level; voices should peak at −6 to −10 dB.
audio.monitor | Headphone volume | - | sound | Loudness in the headphones only.
audio.monitorDelay | Headphone timing | - | sound | Live sound, or sound in step with the picture.
audio.shutterNoise | Sound of dials | - | sound | Whether turning dials may be heard in the film.
assist.zebra | Zebra | - | preview | Stripes over parts brighter than a level.
assist.zebraLevel | Zebra level | % | preview | The brightness at which stripes begin; one set for log misleads in a normal profile.
assist.zebraRange | Zebra range | % | preview | A band of brightness that is striped, for skin.
assist.logPreview | Log view assist | - | preview | Shows log as it will look when graded.
assist.viewLut | Preview look | - | preview | The look used to show log.
assist.falseColour | False colour | - | preview | Colours brightness by level.
assist.waveform | Waveform | - | preview | A graph of brightness across the frame.
assist.vectorscope | Vectorscope | - | preview | A graph of hue and saturation.
assist.histogram | Histogram | - | preview histogram | A graph of tones; look and shadow lift change it.
assist.highlightWarning | Highlight warning | - | preview | Blinks where nothing is left.
assist.grid | Grid | - | preview | Lines over the picture to compose by.
assist.level | Level | - | preview | Shows whether the camera stands straight.
assist.centreMark | Centre mark | - | preview | A cross in the middle.
assist.safeArea | Frame guides | - | preview | Shows the part another shape of screen will show.
assist.desqueeze | Anamorphic desqueeze | × | preview | Widens the view of a lens that squeezes.
assist.naturalView | Natural view | - | preview | Shows the scene without look and exposure.
assist.brightView | Bright monitoring | - | preview | Brightens the view in the dark, whatever the exposure.
display.finderSwitch | Finder and screen | - | preview | Changes between finder and screen when the eye comes near.
display.brightness | Finder brightness | - | preview | Brightness of the finder; a bright one hides underexposure.
display.screenBrightness | Screen brightness | - | preview | Brightness of the screen.
display.finderColour | Finder colour | K | preview | Tint of the finder.
display.finderRate | Finder refresh rate | frames/s | preview | A faster finder follows movement better and empties the battery.
display.finderQuality | Finder quality | - | preview | Resolution against refresh of the finder.
display.finderSize | Finder magnification | - | preview | A smaller picture for those who wear glasses.
display.review | Image review | s | preview | Shows each picture for a moment after it is taken.
display.blackout | Blackout-free view | - | preview | Shows the scene between the pictures of a burst.
display.pages | Display pages | - | preview | Which pages of information the display key steps through.
display.finderPages | Finder pages | - | preview | The same for the finder.
display.rotate | Finder display rotates | - | preview | Turns the signs when the camera stands upright.
display.playRotate | Pictures rotate in playback | - | preview | Shows upright pictures upright.
display.nightMode | Dark display | - | preview | Red or dim signs that spare eyes used to the dark.
display.exposureScale | Exposure scale direction | - | preview | Whether plus stands left or right.
display.language | Language | - | preview | Language of the menus.
display.dioptre | Finder dioptre | dpt | preview | Sharpness of the finder for your eye; set on the body.
`)
