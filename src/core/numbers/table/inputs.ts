import type { Input } from '../form'

/** What several figures ask for: the same thing has the same name, and comes from the same place, in all of them. */
export const inputs = {
  ev: { name: 'Light', quantity: 'ev', from: 'work.light' },
  aperture: { name: 'Aperture', quantity: 'aperture', from: 'exposure.aperture' },
  shutter: { name: 'Shutter speed', quantity: 'time', from: 'exposure.shutter' },
  iso: { name: 'ISO', quantity: 'iso', from: 'exposure.iso' },
  focal: { name: 'Focal length', quantity: 'millimetres', from: 'lens.focal' },
  rate: { name: 'Frame rate', quantity: 'rate', from: 'film.rate' },
  played: { name: 'Played', quantity: 'rate', from: 'owner.playedRate', usual: ['25p', 'usual'] },
  bitrate: { name: 'Bitrate', quantity: 'megabitsPerSecond', from: 'film.bitrate', aboveZero: true },
  file: { name: 'One picture', quantity: 'megabytes', from: 'file.size' },
  card: { name: 'Card', quantity: 'gigabytes', from: 'card.size' },
  write: { name: 'Card keeps up', quantity: 'megabytesPerSecond', from: 'card.rate' },
  slot: {
    name: 'Slot takes',
    quantity: 'megabytesPerSecond',
    from: 'slot.rate',
    none: 'no limit known',
  },
  burstRate: { name: 'Pictures a second', quantity: 'perSecond', from: 'burst.rate' },
  sensorWidth: {
    name: 'Sensor width',
    quantity: 'millimetres',
    usual: ['36 mm', 'a full-size sensor; divide by the crop'],
  },
} as const satisfies Readonly<Record<string, Input>>
