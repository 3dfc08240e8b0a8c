import { settingTable } from '../setting-table'

/** Files, cards, power, network, body and controls. Columns: id | unit | touches | plain words. */
export const cameraSettings = settingTable(`
files.numbering | - | hand | Whether file numbers run on from card to card.
files.prefix | - | hand | The letters each file name begins with; give each body its own.
files.moviePrefix | - | hand | The letters each film's name begins with.
files.folder | - | hand | How folders on the card are named.
files.owner | - | hand | The name written into every file.
files.copyright | - | hand | The notice written into every file.
files.embedRating | - | hand | Stars given in playback are written into the file.
files.location | - | hand | Writes where a picture was taken.
files.verify | - | hand | Signs files so that changes can be found.
cards.second | - | hand | What the second card is for: overflow, mirror, or kinds apart.
cards.first | - | hand | Which card is written to first.
cards.movieTo | - | hand | Which card takes films.
cards.rawTo | - | hand | Which card takes raw files.
cards.playFrom | - | hand | Which card playback and delete act on.
cards.autoSwitch | - | hand | Goes on at the other card when one is full.
power.sleep | min | hand | Idle time before the camera sleeps.
power.screenOff | min | hand | Idle time before the screen goes dark.
power.save | - | hand preview | Dims and slows the display to save the battery.
power.usb | - | hand | Takes power from the cable.
power.batteryOrder | - | hand | Which battery of a grip is used first.
power.cleanSensor | - | hand | Shakes dust off the sensor when switched on or off.
network.wireless | - | hand | The radio for remote control and transfer.
network.shortRange | - | hand | The small radio that keeps a phone connected.
network.airplane | - | hand | All radios off.
network.remote | - | hand | Lets a phone or a computer release the shutter.
network.transfer | - | hand | Sends pictures as they are taken.
network.transferKind | - | hand | Which files are sent.
network.name | - | hand | The camera's own name in a network.
network.infrared | - | hand | Listens for a small remote release.
body.clock | h | hand | Date and time of this one camera.
body.dateFormat | - | preview | Order of day, month and year.
body.sounds | - | sound | Beeps of the camera.
body.volume | - | sound | Loudness of what the camera plays.
body.pixelMap | - | raw movie | Hides pixels that have failed.
body.lampAll | - | hand | All lamps of the body on or off.
body.fan | - | sound | When a fan runs.
body.region | - | hand | Which languages and rates the body offers.
body.keyLighting | - | hand | Lights the keys in the dark.
controls.touch | - | hand | Lets the screen answer to touch.
controls.touchDoubleTap | - | hand | What two taps do.
controls.dialDirection | - | hand | Which way a dial turns to brighten.
controls.dialLayout | - | hand | Which dial changes shutter, aperture, ISO and compensation.
controls.wheel | - | hand | What the rear wheel changes.
controls.lensRing | - | hand | What the lens's free ring changes.
controls.lensRingDirection | - | hand | Which way the lens ring turns to raise.
controls.ringGuard | - | hand | The ring answers only while the shutter is half pressed.
controls.stripGuard | - | hand | The touch strip works only after it was unlocked by a double tap.
controls.lockWhat | - | hand | Which controls the lock switch holds.
controls.stickLock | - | hand | The stick does nothing.
controls.ownMenuFirst | - | hand | The menu key opens your own menu first.
controls.menuMemory | - | hand | The menu opens where you left it.
controls.functionMenuFinder | - | preview | Shows the grid with the eye at the finder.
controls.bankKeeping | - | raw movie | Whether changes made in a bank stay or vanish.
controls.bankWidth | - | raw movie | How much banks store: exposure, focus too, or all.
controls.switchKeeps | - | raw movie | Whether the switch between stills and motion remembers where it was.
controls.halfPressFeel | - | hand | How deep half-press lies.
controls.releaseFeel | - | hand | How deep the release lies.
controls.longPress | s | hand | How long a key must be held to count as held.
controls.guide | - | preview | Explains menu lines on the screen.
controls.dialKeys | - | hand | Whether a key that lends a dial is held, or pressed once before and after.
`)
