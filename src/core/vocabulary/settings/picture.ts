import { settingTable } from '../setting-table'

/** Colour, image files, drive, shutter and stabiliser. Columns: id | unit | touches | plain words. */
export const pictureSettings = settingTable(`
colour.balanceMode | - | still movie preview | How white is decided: by the camera, by a preset, or by kelvin.
colour.kelvin | K | still movie preview | The colour temperature taken for white.
colour.balanceShift | - | still movie preview | A lean towards amber, blue, green or magenta.
colour.autoPriority | - | still movie preview | Whether automatic balance keeps the warmth of lamps.
colour.balanceLockShutter | - | still | Keeps the automatic balance while the shutter is half pressed.
colour.customBalance | K | still movie preview | A balance measured from a grey card.
colour.balanceSmooth | - | movie | How slowly automatic balance changes while filming.
colour.look | - | still movie histogram | The rendering of processed pictures and film; raw files ignore it.
colour.contrast | - | still movie histogram | Contrast of the look.
colour.highlights | - | still movie histogram | Brightness of the light tones of the look.
colour.shadows | - | still movie histogram | Brightness of the dark tones of the look.
colour.saturation | - | still movie | Strength of the colours of the look.
colour.hue | - | still movie | A turn of all colours of the look.
colour.sharpness | - | still movie | Edge contrast of the look.
colour.clarity | - | still movie | Contrast of larger structures; it can slow the burst.
colour.grain | - | still | Adds grain to processed pictures.
colour.filter | - | still movie | A colour filter in front of a monochrome look.
colour.space | - | still | The range of colours a processed picture can hold.
colour.effect | - | still movie | A stronger treatment of processed pictures; some effects forbid raw.
image.kind | - | raw still | Raw files, processed files, or both.
image.rawKind | - | raw | How raw files are packed: untouched, without loss, or with loss.
image.rawBits | bit | raw | Levels each colour is recorded in.
image.quality | - | still | How hard processed files are compressed.
image.size | px | still | Pixels of processed files.
image.rawSize | px | raw | Pixels of raw files.
image.ratio | - | still preview | Shape of the picture; raw files keep the whole frame.
image.crop | - | raw movie | Uses the middle of the sensor only.
image.digitalZoom | × | still movie | Enlarges the middle; nothing is gained that cropping later would not give.
image.format | - | still | The container of processed pictures.
image.hdr | - | still | A processed picture with more range between dark and light.
image.shadowLift | - | still histogram | Brightens shadows in processed files.
image.noiseReduction | - | still | Smooths noise in processed files.
image.shading | - | still movie | Takes out the dark corners of the lens.
image.aberration | - | still movie | Takes out the coloured edges of the lens.
image.distortion | - | still movie preview | Straightens lines that the lens bends.
image.diffraction | - | still | Sharpens what a small aperture softens.
image.lensCorrection | - | still movie | Which faults of the lens are taken out of processed files.
image.skinSmoothing | - | still movie | Smooths skin in processed files.
image.multiShot | - | raw | Several pictures, the sensor moved between them, put together later.
image.composite | - | raw still | Several exposures in one picture.
image.cropWarning | - | preview | A sign in the finder while only the middle of the sensor is used.
image.zoomKind | - | still movie | How zooming goes on where the lens ends: not at all, by the middle of the sensor, or by enlarging.
drive.mode | - | hand | One picture, a burst, or the self-timer.
drive.rate | frames/s | hand | Pictures each second in a burst.
drive.rateHigh | frames/s | hand | What the fast burst means.
drive.rateLow | frames/s | hand | What the slow burst means.
drive.burstLimit | frames | hand | The most pictures one press takes.
drive.timer | s | hand | The delay of the self-timer.
drive.timerFrames | frames | hand | How many pictures the self-timer takes.
drive.preCapture | s | raw | Keeps what was seen just before you pressed.
drive.interval | s | hand | Time between the pictures of an interval series.
drive.intervalFrames | frames | hand | How many pictures an interval series takes.
drive.intervalSmoothing | - | raw | Evens out brightness from picture to picture.
drive.releaseDelay | s | hand | Waits for the camera to come to rest before it exposes.
drive.modeLimit | - | hand | Which drive modes can be chosen; one left out cannot be called by a key.
shutter.kind | - | raw sound | Mechanical, first curtain electronic, or all electronic and silent.
shutter.firstCurtain | - | raw | Less shock; clips blur at short times and wide apertures.
shutter.silentMode | - | sound hand | Everything that makes a noise or a light is off.
shutter.flickerReduction | - | raw | Waits for the bright moment of pulsing lamps.
shutter.fineSpeed | s | raw movie | Shutter speeds in tiny steps, to match a lamp's pulse.
shutter.withoutCard | - | hand | Lets the shutter go with no card in the body.
shutter.withoutLens | - | hand | Lets the shutter go with a lens that does not talk to the body.
shutter.closeAtPowerOff | - | hand | Shields the sensor while lenses are changed; not to be touched or pointed at strong light.
shutter.sound | - | sound | The sound an electronic shutter plays.
shutter.releaseIndicator | - | preview | A sign in the finder for each picture that is taken without a sound.
stabiliser.mode | - | raw movie | Steadies the picture against the shake of your hands.
stabiliser.movie | - | movie | How strongly film is steadied; the strongest crops the frame.
stabiliser.direction | - | raw movie | Steadies all directions, or leaves pans alone.
stabiliser.when | - | raw preview | Always, from half-press, or only while exposing.
stabiliser.typedFocal | mm | raw movie | Focal length typed in for a lens that cannot tell it.
stabiliser.lensPriority | - | raw movie | Whether lens or body does the steadying.
stabiliser.horizon | - | raw movie | Turns the sensor to keep the horizon level.
`)
