import type { WrittenRows } from '@/core/plan/rows'

/**
 * Interviews at 50p built from base, scene changes at 100p varied from the interviews (whose shutter stayed in), the
 * copy stand at the remembered position, cropped; the record key films with the interviews.
 */
export const duetRows: WrittenRows = {
  title: 'Film and copy stand',
  purpose: 'Scene changes at 100p, interviews, and flat costume pieces under a fixed light.',
  'lens/varn-60': true,
  'base/exposure.mode@motion': 'manual',
  'base/exposure.isoAuto@motion': false,
  'base/exposure.shutter@motion': '1/50',
  'base/exposure.aperture@motion': 'f/4',
  'base/exposure.iso@motion': 'ISO 800',
  'base/movie.recordUsesSlot': 'river',
  'bank/set/river/side': 'motion',
  'bank/set/river/name': 'Interviews',
  'bank/set/river/purpose': 'Talks with the players at 50p.',
  'bank/set/river/startedFrom': 'base',
  'bank/set/river/meant': ['exposure.shutter', 'movie.frameRate', 'movie.crop'],
  'bank/set/river/movie.frameRate': '50p',
  'bank/set/river/exposure.shutter': '1/100',
  'bank/set/river/movie.crop': 'middle',
  'bank/set/brook/side': 'motion',
  'bank/set/brook/name': 'Changes',
  'bank/set/brook/purpose': 'Scene changes in slow motion at 100p.',
  'bank/set/brook/startedFrom': 'river',
  'bank/set/brook/meant': ['movie.frameRate'],
  'bank/set/brook/movie.frameRate': '100p',
  'bank/set/brook/exposure.shutter': '1/100',
  'position/by-hand/image.crop': true,
  'position/by-hand/exposure.shutter': '1/60',
  'position/by-hand/exposure.aperture': 'f/8',
  'position/by-hand/exposure.iso': 'ISO 100',
  'position/by-hand/exposure.isoAuto': false,
}
