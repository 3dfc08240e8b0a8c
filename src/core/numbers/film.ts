/** How slow a film is, and how long it lasts. */
export interface SlowMotion {
  /** Frames captured for each one played. */
  readonly factor: number
  /** Seconds of film that ten seconds of the scene give. */
  readonly secondsOfTen: number
}

/** Slow factor = frames captured a second / frames played a second; a scene lasts that many times as long. */
export function slowMotion(capturedRate: number, playedRate: number): SlowMotion {
  const factor = capturedRate / playedRate
  return { factor, secondsOfTen: 10 * factor }
}

/** What is left of a picture that is cut. */
export interface Cropped {
  /** Millimetres of a lens that would see as little on the whole sensor. */
  readonly equivalentMm: readonly [number, number]
  /** Part of the pixels that is left: 1 / factor². */
  readonly pixelsLeft: number
  readonly widthPixels: number
  /** How far it can still be cut for the width delivered; below 1 it has to be blown up. */
  readonly headroom: number
}

/** Crop: f · factor; width / factor; pixels / factor²; headroom = width left / width delivered. */
export function cropped(
  factor: number,
  focalMm: readonly [number, number],
  sensorWidth: number,
  deliveryWidth: number,
): Cropped {
  const widthPixels = Math.round(sensorWidth / factor)
  return {
    equivalentMm: [focalMm[0] * factor, focalMm[1] * factor],
    pixelsLeft: 1 / factor ** 2,
    widthPixels,
    headroom: widthPixels / deliveryWidth,
  }
}
