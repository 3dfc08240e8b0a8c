import { table } from '../text-table'

/** Colour, image files, drive, shutter and stabiliser. Columns: id | term | unit | touches | plain words. */
export const pictureSettings = table(`
colour.balanceMode | White balance | - | still movie preview | How white is decided: by the camera, by a preset, or by kelvin.
colour.kelvin | Colour temperature | K | still movie preview | The colour temperature taken for white.
colour.balanceShift | White balance shift | - | still movie preview | A lean towards amber, blue, green or magenta.
colour.autoPriority | Auto white balance priority | - | still movie preview | Whether automatic balance keeps the warmth of lamps.
colour.balanceLockShutter | White balance lock on half-press | - | still | Keeps the automatic balance while the shutter is half pressed.
colour.customBalance | Custom white balance | K | still movie preview | A balance measured from a grey card.
colour.balanceSmooth | Smooth white balance | - | movie | How slowly automatic balance changes while filming.
colour.look | Rendering | - | still movie histogram | The rendering of processed pictures and film; raw files ignore it.
colour.contrast | Contrast | - | still movie histogram | Contrast of the look.
colour.highlights | Highlights | - | still movie histogram | Brightness of the light tones of the look.
colour.shadows | Shadows | - | still movie histogram | Brightness of the dark tones of the look.
colour.saturation | Saturation | - | still movie | Strength of the colours of the look.
colour.hue | Hue | - | still movie | A turn of all colours of the look.
colour.sharpness | Sharpness | - | still movie | Edge contrast of the look.
colour.clarity | Clarity | - | still movie | Contrast of larger structures; it can slow the burst.
colour.grain | Grain effect | - | still | Adds grain to processed pictures.
colour.filter | Monochrome filter | - | still movie | A colour filter in front of a monochrome look.
colour.space | Colour space | - | still | The range of colours a processed picture can hold.
colour.effect | Creative effect | - | still movie | A stronger treatment of processed pictures; some effects forbid raw.
image.kind | File type | - | raw still | Raw files, processed files, or both.
image.rawKind | Raw compression | - | raw | How raw files are packed: untouched, without loss, or with loss.
image.rawBits | Raw bit depth | bit | raw | Levels each colour is recorded in.
image.quality | Image quality | - | still | How hard processed files are compressed.
image.size | Image size | px | still | Pixels of processed files.
image.rawSize | Raw size | px | raw | Pixels of raw files.
image.ratio | Aspect ratio | - | still preview | Shape of the picture; raw files keep the whole frame.
image.crop | Crop mode | - | raw movie | Uses the middle of the sensor only.
image.digitalZoom | Digital zoom | × | still movie | Enlarges the middle; nothing is gained that cropping later would not give.
image.format | Processed file format | - | still | The container of processed pictures.
image.hdr | High dynamic range picture | - | still | A processed picture with more range between dark and light.
image.shadowLift | Shadow lift | - | still histogram | Brightens shadows in processed files.
image.noiseReduction | High ISO noise reduction | - | still | Smooths noise in processed files.
image.shading | Shading correction | - | still movie | Takes out the dark corners of the lens.
image.aberration | Aberration correction | - | still movie | Takes out the coloured edges of the lens.
image.distortion | Distortion correction | - | still movie preview | Straightens lines that the lens bends.
image.diffraction | Diffraction correction | - | still | Sharpens what a small aperture softens.
image.lensCorrection | Lens corrections | - | still movie | Which faults of the lens are taken out of processed files.
image.softSkin | Soft skin | - | still movie | Smooths skin in processed files.
image.multiShot | Pixel shift | - | raw | Several pictures, the sensor moved between them, put together later.
image.composite | Multiple exposure | - | raw still | Several exposures in one picture.
drive.mode | Drive mode | - | hand | One picture, a burst, or the self-timer.
drive.rate | Burst rate | frames/s | hand | Pictures each second in a burst.
drive.rateHigh | Burst rate, high | frames/s | hand | What the fast burst means.
drive.rateLow | Burst rate, low | frames/s | hand | What the slow burst means.
drive.burstLimit | Burst length | frames | hand | The most pictures one press takes.
drive.timer | Self-timer delay | s | hand | The delay of the self-timer.
drive.timerFrames | Self-timer frames | frames | hand | How many pictures the self-timer takes.
drive.preCapture | Pre-capture | s | raw | Keeps what was seen just before you pressed.
drive.interval | Interval | s | hand | Time between the pictures of an interval series.
drive.intervalFrames | Interval frames | frames | hand | How many pictures an interval series takes.
drive.intervalSmoothing | Interval exposure smoothing | - | raw | Evens out brightness from picture to picture.
drive.releaseDelay | Anti-shock delay | s | hand | Waits for the camera to come to rest before it exposes.
shutter.kind | Shutter type | - | raw sound | Mechanical, first curtain electronic, or all electronic and silent.
shutter.firstCurtain | Electronic first curtain | - | raw | Less shock; clips blur at short times and wide apertures.
shutter.silentMode | Silent mode | - | sound hand | Everything that makes a noise or a light is off.
shutter.flickerReduction | Flicker reduction | - | raw | Waits for the bright moment of pulsing lamps.
shutter.fineSpeed | Fine shutter speed | s | raw movie | Shutter speeds in tiny steps, to match a lamp's pulse.
shutter.withoutCard | Release without card | - | hand | Lets the shutter go with no card in the body.
shutter.withoutLens | Release without lens | - | hand | Lets the shutter go with a lens that does not talk to the body.
shutter.closeAtPowerOff | Shutter closes at power off | - | hand | Shields the sensor while lenses are changed; not to be touched or pointed at strong light.
shutter.sound | Shutter sound | - | sound | The sound an electronic shutter plays.
stabiliser.mode | Stabilisation | - | raw movie | Steadies the picture against the shake of your hands.
stabiliser.movie | Film stabilisation | - | movie | How strongly film is steadied; the strongest crops the frame.
stabiliser.direction | Stabiliser direction | - | raw movie | Steadies all directions, or leaves pans alone.
stabiliser.when | Stabiliser runs | - | raw preview | Always, from half-press, or only while exposing.
stabiliser.typedFocal | Typed focal length | mm | raw movie | Focal length typed in for a lens that cannot tell it.
stabiliser.lensPriority | Lens stabiliser first | - | raw movie | Whether lens or body does the steadying.
stabiliser.horizon | Automatic levelling | - | raw movie | Turns the sensor to keep the horizon level.
`)
