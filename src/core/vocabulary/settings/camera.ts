import { table } from '../text-table'

/** Files, cards, power, network, body and controls. Columns: id | term | unit | touches | plain words. */
export const cameraSettings = table(`
files.numbering | File numbering | - | hand | Whether file numbers run on from card to card.
files.prefix | File name prefix | - | hand | The letters each file name begins with; give each body its own.
files.moviePrefix | Film name prefix | - | hand | The letters each film's name begins with.
files.folder | Folder name | - | hand | How folders on the card are named.
files.owner | Artist name | - | hand | The name written into every file.
files.copyright | Copyright | - | hand | The notice written into every file.
files.embedRating | Rating in the file | - | hand | Stars given in playback are written into the file.
files.location | Location in the file | - | hand | Writes where a picture was taken.
files.verify | Authenticity data | - | hand | Signs files so that changes can be found.
cards.second | Second card | - | hand | What the second card is for: overflow, mirror, or kinds apart.
cards.first | First card | - | hand | Which card is written to first.
cards.movieTo | Films go to | - | hand | Which card takes films.
cards.rawTo | Raw files go to | - | hand | Which card takes raw files.
cards.playFrom | Playback card | - | hand | Which card playback and delete act on.
cards.autoSwitch | Switch when full | - | hand | Goes on at the other card when one is full.
power.sleep | Power save | min | hand | Idle time before the camera sleeps.
power.screenOff | Screen off | min | hand | Idle time before the screen goes dark.
power.save | Economy mode | - | hand preview | Dims and slows the display to save the battery.
power.usb | USB power | - | hand | Takes power from the cable.
power.batteryOrder | Grip battery order | - | hand | Which battery of a grip is used first.
power.cleanSensor | Sensor cleaning | - | hand | Shakes dust off the sensor when switched on or off.
network.wireless | Wireless | - | hand | The radio for remote control and transfer.
network.shortRange | Short-range radio | - | hand | The small radio that keeps a phone connected.
network.airplane | Airplane mode | - | hand | All radios off.
network.remote | Remote control | - | hand | Lets a phone or a computer release the shutter.
network.transfer | Automatic transfer | - | hand | Sends pictures as they are taken.
network.transferKind | Files transferred | - | hand | Which files are sent.
network.name | Network name | - | hand | The camera's own name in a network.
network.infrared | Infrared remote | - | hand | Listens for a small remote release.
body.clock | Time zone | h | hand | Date and time of this one camera.
body.dateFormat | Date format | - | preview | Order of day, month and year.
body.sounds | Operation sounds | - | sound | Beeps of the camera.
body.volume | Sound volume | - | sound | Loudness of what the camera plays.
body.pixelMap | Pixel mapping | - | raw movie | Hides pixels that have failed.
body.lampAll | Lamps | - | hand | All lamps of the body on or off.
body.fan | Cooling fan | - | sound | When a fan runs.
body.region | Sales region | - | hand | Which languages and rates the body offers.
controls.touch | Touch operation | - | hand | Lets the screen answer to touch.
controls.touchDoubleTap | Double tap | - | hand | What two taps do.
controls.dialDirection | Dial direction | - | hand | Which way a dial turns to brighten.
controls.dialLayout | Dial layout | - | hand | Which dial changes shutter, aperture, ISO and compensation.
controls.dialFront | Front dial | - | hand | What the front dial changes.
controls.dialRear | Rear dial | - | hand | What the rear dial changes.
controls.wheel | Rear wheel | - | hand | What the rear wheel changes.
controls.lensRing | Lens ring | - | hand | What the lens's free ring changes.
controls.lensRingDirection | Lens ring direction | - | hand | Which way the lens ring turns to raise.
controls.ringGuard | Ring only with half-press | - | hand | The ring answers only while the shutter is half pressed.
controls.stripGuard | Strip needs a hold | - | hand | The touch strip answers only after a held tap.
controls.lock | Operation lock | - | hand | What a locked dial, wheel or strip no longer does.
controls.lockWhat | Lock covers | - | hand | Which controls the lock switch holds.
controls.stickLock | Stick lock | - | hand | The stick does nothing.
controls.ownMenuFirst | Own menu first | - | hand | The menu key opens your own menu first.
controls.menuMemory | Menu position kept | - | hand | The menu opens where you left it.
controls.functionMenuSides | Function menu per side | - | hand | Stills and motion have grids of their own.
controls.functionMenuFinder | Function menu in the finder | - | preview | Shows the grid with the eye at the finder.
controls.bankKeeping | Bank keeping | - | raw movie | Whether changes made in a bank stay or vanish.
controls.bankWidth | Bank width | - | raw movie | Whether banks keep more than the usual rows.
controls.stillsMotionSplit | Settings apart for stills and motion | - | raw movie | Which rows stills and motion share.
controls.switchKeeps | Mode switch remembers | - | raw movie | Whether the switch between stills and motion remembers where it was.
controls.halfPressFeel | Half-press force | - | hand | How deep half-press lies.
controls.releaseFeel | Release force | - | hand | How deep the release lies.
controls.longPress | Long press time | s | hand | How long a key must be held to count as held.
controls.guide | Help texts | - | preview | Explains menu lines on the screen.
`)
