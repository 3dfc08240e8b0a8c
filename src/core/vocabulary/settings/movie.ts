import { settingTable } from '../setting-table'

/** Film, sound, assists and display. Columns: id | unit | touches | plain words. */
export const movieSettings = settingTable(`
movie.frameRate | frames/s | movie | Frames each second in the film.
movie.size | px | movie | Frame size of the film, in pixels.
movie.format | - | movie | Codec and container of the film.
movie.quality | Mbit/s | movie | Bits spent on each second of film.
movie.compression | - | movie | Every frame whole, or groups of frames; groups are smaller and harder to edit.
movie.region | Hz | movie | Mains of the country: it decides which frame rates are offered.
movie.profile | - | movie histogram | The tone curve recorded: normal, flat, or log for grading.
movie.profileSlot | - | movie histogram | Which of several kept tone curves is in force.
movie.blackLevel | - | movie | Brightness of black in a profile.
movie.gamma | - | movie histogram | The curve of a profile.
movie.knee | % | movie | Where a profile begins to compress highlights.
movie.gamut | - | movie | The range of colours a profile records.
movie.bits | bit | movie | Levels each colour is recorded in.
movie.chroma | - | movie | How much of the colour detail is kept.
movie.raw | - | movie | Records what the sensor gives, to be developed later.
movie.proxy | - | movie | A small film beside the large one, for editing.
movie.slowRate | frames/s | movie | Frames captured each second, played at another rate.
movie.slowPlayback | - | movie | Writes a fast rate to be played slowly.
movie.crop | × | movie | How much of the sensor's width the film uses.
movie.oversampling | - | movie | Full readout, or skipping lines at fast rates.
movie.recordByShutter | - | hand | Lets the shutter release start and stop recording.
movie.recordUsesSlot | - | movie | Which motion bank the record key films with from stills.
movie.standby | - | hand | Ready to record; some keys answer only outside it.
movie.tally | - | hand | A lamp that shows that the camera records.
movie.frameMark | - | preview | A frame around the picture while recording.
movie.timeCode | - | movie | Running time written into the film.
movie.timeCodeMode | - | movie | Always, or only while recording.
movie.userBits | - | movie | A label of your own in the time code.
movie.preRecord | s | movie | Keeps the seconds before you pressed record.
movie.interval | s | movie | A film from pictures taken at intervals.
movie.autoSlowShutter | - | movie | Lengthens the shutter in the dark, against your choice.
movie.heatLimit | - | hand | How warm the body may get before it stops; a raised limit is warm in the hand.
movie.output | - | movie preview | What an external recorder gets.
movie.outputInfo | - | preview | Whether the finder's signs go out with the picture.
movie.outputTrigger | - | hand | Starts an external recorder together with the camera.
movie.webcam | - | movie | Serves the picture to a computer.
audio.recording | - | sound | Records sound with the film.
audio.levelMode | - | sound | Who sets the sound level: the camera or you.
audio.level | dB | sound | How loud sound is recorded; set it so that peaks stay between −10 and −6 dBFS, or in a band of your own.
audio.limiter | - | sound | Holds loud peaks below the level that breaks up.
audio.windFilter | - | sound | Cuts the low rumble of wind, and of voices.
audio.attenuator | dB | sound | Weakens very loud sound before it is recorded.
audio.lowCut | Hz | sound | Cuts what is below a pitch.
audio.source | - | sound | Which microphone is recorded.
audio.plugPower | - | sound | Feeds a microphone that needs it.
audio.channels | - | sound | How inputs are spread over the tracks.
audio.format | - | sound | Bits and rate of the sound.
audio.meters | - | preview | Shows the sound level; voices should peak at −6 to −10 dB.
audio.monitor | - | sound | Loudness in the headphones only.
audio.monitorDelay | - | sound | Live sound, or sound in step with the picture.
audio.shutterNoise | - | sound | Whether turning dials may be heard in the film.
assist.zebra | - | preview | Stripes over parts brighter than a level.
assist.zebraLevel | % | preview | The brightness at which stripes begin; one set for log misleads in a normal profile.
assist.zebraRange | % | preview | A band of brightness that is striped, for skin.
assist.logPreview | - | preview | Shows log as it will look when graded.
assist.viewLut | - | preview | The look used to show log.
assist.falseColour | - | preview | Colours brightness by level.
assist.waveform | - | preview | A graph of brightness across the frame.
assist.vectorscope | - | preview | A graph of hue and saturation.
assist.histogram | - | preview histogram | A graph of tones; look and shadow lift change it.
assist.highlightWarning | - | preview | Blinks where nothing is left.
assist.grid | - | preview | Lines over the picture to compose by.
assist.level | - | preview | Shows whether the camera stands straight.
assist.centreMark | - | preview | A cross in the middle.
assist.safeArea | - | preview | Shows the part another shape of screen will show.
assist.desqueeze | × | preview | Widens the view of a lens that squeezes.
assist.neutralView | - | preview | Shows the scene without look and exposure.
assist.brightView | - | preview | Brightens the view in the dark, whatever the exposure.
display.finderSwitch | - | preview | Changes between finder and screen when the eye comes near.
display.brightness | - | preview | Brightness of the finder; a bright one hides underexposure.
display.screenBrightness | - | preview | Brightness of the screen.
display.finderColour | K | preview | Tint of the finder.
display.finderRate | frames/s | preview | A faster finder follows movement better and empties the battery.
display.finderQuality | - | preview | Resolution against refresh of the finder.
display.finderSize | - | preview | A smaller picture for those who wear glasses.
display.review | s | preview | Shows each picture for a moment after it is taken.
display.blackout | - | preview | Shows the scene between the pictures of a burst.
display.pages | - | preview | Which pages of information the display key steps through.
display.finderPages | - | preview | The same for the finder.
display.rotate | - | preview | Turns the signs when the camera stands upright.
display.playRotate | - | preview | Shows upright pictures upright.
display.nightMode | - | preview | Red or dim signs that spare eyes used to the dark.
display.exposureScale | - | preview | Whether plus stands left or right.
display.language | - | preview | Language of the menus.
display.dioptre | dpt | preview | Sharpness of the finder for your eye; set on the body.
display.finderLimit | - | preview | Which of finder, screen and by the eye the key steps through.
display.pageContents | - | preview | What stands on each page that the display key steps through.
`)
