/**
 * The facts conditions may ask for, by name:
 *
 *     side                    stills or motion
 *     run                     idle, standby, recording, menu, playback
 *     setting/<id>            the value in force, rules that feed this one included
 *     bank/<family>           slot in force, or plain
 *     position                position of the mode dial
 *     lens/contacts           whether lens and body can talk
 *     lens/focal              longest focal length in millimetres
 *     lens/widest             widest aperture at the short end; lens/widest-long at the long end
 *     lens/narrowest          smallest aperture at the short end; lens/narrowest-long at the long end
 *     lens/stabiliser         whether the lens has one; lens/ring and lens/switch likewise
 *     lens/clicked            whether the aperture ring clicks
 *     attached/<what>         whether it is on: grip, adapter, flash, microphone, recorder, remote, teleconverter
 *     posture                 finder, screen, grip, tripod
 *     orientation             level, upright-left, upright-right
 *     eye                     whether an eye is at the finder
 *     firmware                version, such as 1.2
 *     held/<function>         whether a function is held now
 *     latched/<function>      whether a toggle is on now
 *     assigned/<function>     whether any key of this side has it
 *     situation/<name>        what the owner says of the work: lamps, subject, silence
 */
export const factPattern =
  /^(side|run|position|posture|orientation|eye|firmware|lens\/(contacts|focal|widest|widest-long|narrowest|narrowest-long|stabiliser|ring|clicked|switch)|attached\/(grip|adapter|flash|microphone|recorder|remote|teleconverter)|(bank|held|latched|assigned|situation)\/[a-z][a-z0-9-]*|setting\/[A-Za-z0-9.]+)$/

/** A firmware version as a number to compare by: major · 1000 + minor; undefined when it is no version. */
export function firmwareNumber(version: unknown): number | undefined {
  const parts = typeof version === 'string' ? /^(\d{1,3})\.(\d{1,3})$/.exec(version) : null
  return parts ? Number(parts[1]) * 1000 + Number(parts[2]) : undefined
}

/** Whether something that came with one firmware and went with another is there in `firmware`; unknown where nobody says which. */
export function thereIn(
  range: { readonly since?: string; readonly until?: string },
  firmware: string | undefined,
): 'yes' | 'no' | 'unknown' {
  if (range.since === undefined && range.until === undefined) return 'yes'
  const here = firmwareNumber(firmware)
  if (here === undefined) return 'unknown'
  const from = firmwareNumber(range.since) ?? 0
  const to = firmwareNumber(range.until) ?? Infinity
  return here >= from && here <= to ? 'yes' : 'no'
}
