/**
 * The facts conditions may ask for, by name:
 *
 *     side                    stills or motion
 *     run                     idle, standby, recording, menu, playback
 *     setting/<id>            the value in force, rules that feed this one included
 *     bank/<family>           slot in force, or plain
 *     lens/contacts           whether lens and body can talk
 *     lens/focal              longest focal length in millimetres
 *     posture                 finder, screen, grip, tripod
 *     orientation             level, upright-left, upright-right
 *     firmware                version, such as 1.2
 *     held/<function>         whether a function is held now
 *     latched/<function>      whether a toggle is on now
 *     assigned/<function>     whether any key of this side has it
 *     situation/<name>        what the owner says of the work: lamps, subject, silence
 */
export const factPattern =
  /^(side|run|posture|orientation|firmware|lens\/(contacts|focal)|(bank|held|latched|assigned|situation)\/[a-z][a-z0-9-]*|setting\/[A-Za-z0-9.]+)$/

/** A firmware version as a number to compare by: major · 1000 + minor; undefined when it is no version. */
export function firmwareNumber(version: unknown): number | undefined {
  const parts = typeof version === 'string' ? /^(\d{1,3})\.(\d{1,3})$/.exec(version) : null
  return parts ? Number(parts[1]) * 1000 + Number(parts[2]) : undefined
}
