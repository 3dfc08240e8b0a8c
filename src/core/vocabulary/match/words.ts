import { linesOf } from '../text-table'

/** Short forms, and what they stand for, in words. Columns: short | words. */
const shortForms = `
wb | white balance
awb | auto white balance
ae | exposure
ael | exposure lock
afl | focus lock
af | focus
mf | manual focus
ev | exposure
exp | exposure
comp | compensation
ss | shutter speed
spd | speed
dof | depth field
nr | noise reduction
ibis | stabilisation
fps | frame rate
vfr | variable frame rate
hfr | slow motion
tc | time code
frm | frame
timecode | time code
ub | user bits
mic | microphone
min | minimum
max | maximum
temp | temperature
evf | finder
lcd | screen
brkt | bracket
meter | metering
hss | high speed sync
osd | information display
wifi | wireless
wlan | wireless
gps | location
ir | infrared
vol | volume
lv | level
pic | picture
img | picture
pos | position
cont | continuous
disp | display
func | function
fn | function
op | operation
corr | correction
compr | compression
adj | adjustment
freq | frequency
pwr | power
intv | interval
lang | language
magn | magnifier
stab | stabilisation
subj | subject
det | detection
dir | direction
dist | distance
res | resolution
rec | record
anam | anamorphic
phones | headphone
selftimer | self timer
autofocus | focus
viewfinder | finder
touchpad | touch pad
touchscreen | touch
slowmo | slow motion
blinkies | highlight warning
datetime | clock
bitrate | bit rate
framerate | frame rate
timelapse | time lapse
intervalometer | interval time
efront | electronic first
fullscreen | whole frame
`

/** Words that mean the same here; the first stands for all of them. Columns: word | the others. */
const sameWords = `
movie | movies video videos film films filming cine footage clip clips motion
picture | pictures photo photos image images shot shots still stills photograph photographs photographic
frame | frames
finder | ocular eyepiece
screen | monitor lcd backscreen
key | button keys buttons
record | recording records recorded recordings
stabilisation | stabilization stabiliser stabilizer stabilise stabilize stabilised steadying shake antishake steady
colour | color colours colors coloured
grey | gray
centre | center centered centred middle recentre recenter
focus | focusing focuses focused focussing
shutter | shutters
release | releases releasing
metering | metered meters measure measured measuring measurement
bracket | bracketing bracketed brackets
tracking | track tracks tracked following follows
peaking | peak peaks
detection | detect detected detects detecting recognition recognise recognised find finding
subject | subjects
magnifier | magnify magnified magnification magnifies enlarge enlarged enlargement enlarges loupe
maximum | highest ceiling upper cap top most
minimum | lowest floor lower least bottom
limit | limits limiter restrict restriction
size | sizes
mode | modes
type | kind types
noise | noises
reduction | reduce reducing reduced suppression suppress
correction | correct corrected corrections corrects
compensation | compensate compensated
direction | rotation reverse
brightness | bright brighten brightened luminance
warning | alert alarm warnings
mark | marker markers marks mark
guide | guides guideline guidelines
grid | gridlines grids
level | levels
horizon | horizontal
headphone | headphones earphone earphones
microphone | microphones mics
sound | sounds audio acoustic
beep | beeps tone tones
volume | loudness
card | cards slot slots media
first | primary 1st
second | secondary 2nd
file | files
name | naming names
numbering | number numbers
prefix | letters
folder | directory folders
owner | photographer author artist creator
automatic | auto automatically
power | powered
off | shutoff
time | times timer duration
delay | delayed wait lag
speed | speeds fast faster
rate | rates
start | starts starting begin begins activate activates started
stop | stops stopping pause suspend
lock | locks locked locking hold holds holding
tune | tuning tuned
touch | touches tap tapped taps touching
playback | play playing
delete | erase remove bin trash
protect | protection
send | transfer transmit upload share sending transferred
menu | menus
bank | banks memory memories
wireless | radio radios
infrared | ir
language | words
sensor | sensors
clean | cleaning dust
lens | lenses objective
electronic | e
mechanical | mech
silent | silence quiet mute muted noiseless hush
curtain | curtains
interval | intervals
burst | bursts
continuous | ongoing
saturation | vividness
sharpness | sharpening
look | rendering
smoothing | smooth softening soft
zebra | zebras stripes stripe hatching
histogram | histo
waveform | waveforms scope
log | logarithmic
view | viewing
assist | assistance help
preview | previewing
display | displays displayed
information | info
switch | switching swap exchange switches
angle | angles degrees
aperture | iris diaphragm opening
iso | sensitivity asa
temperature | kelvin
flash | strobe flashes
sync | synchronisation synchronization
dial | dials
wheel | wheels
ring | rings
stick | joystick
lamp | lamps illuminator led light lights illuminate illumination illuminated lit backlit backlight
register | registered registration store stored saved keep kept memorised
recall | recalls
response | responsiveness responsive readiness
position | positions place location
orientation | upright vertical
area | areas field fields region regions
zone | zones
point | points
distance | distances
eye | eyes
face | faces
ratio | proportions
quality | qualities
compression | packing packed coding compressed
raw | raws
processed | jpeg jpegs
bits | bit
duplicate | backup mirror
clock | date
format | container
codec | codecs
rating | ratings star stars
set | preset presets
layout | assignment assign assigned
hot | dead
fan | cooling
region | country
sales | market
`

/** Words that say nothing of what a thing is. */
export const empty = new Set(
  'a an the of in to for with by and or at is it its be been this that which what when while where how if as from into on per set setting settings use used using setup your my you adjust choose select pick show shown shows turn turns turned toggle enable enter allow whether go goes only through while'.split(
    ' ',
  ),
)

const forms = new Map(
  linesOf(shortForms, 2).map(([short = '', words = '']) => [short.replace('.', ''), words.split(' ')]),
)

const same = new Map(
  linesOf(sameWords, 2).flatMap(([word = '', others = '']) =>
    others.split(' ').map((other): [string, string] => [other, word]),
  ),
)

/** What a word stands for: one word, or those a short form is short for; every one in the form that stands for its kin. */
export function standsFor(word: string): string[] {
  return (forms.get(word) ?? [word]).map((one) => same.get(one) ?? one)
}
