import type { Refusal } from '../../result'
import { firmwareNumber } from '../../rules/facts'
import type { BodyModel, FirmwareRange } from '../types'
import { fault } from './fault'

/** Versions that the model does not have, and ranges that end before they begin. */
export function firmwareFaults(model: BodyModel, range: FirmwareRange, path: string): Refusal[] {
  const known = model.firmware.map((one) => one.version)
  const odd = [range.since, range.until].filter((one) => one !== undefined && !known.includes(one))
  const faults = odd.map((one) => fault('dangling', path, `There is no firmware ${one ?? ''}.`))
  const [from, to] = [firmwareNumber(range.since), firmwareNumber(range.until)]
  if (from !== undefined && to !== undefined && from > to)
    faults.push(
      fault('domain', path, `It goes with ${range.until ?? ''} before it comes with ${range.since ?? ''}.`),
    )
  return faults
}

/** Firmware versions out of order, twice, or reading files of versions that do not exist. */
export function versionFaults(model: BodyModel): Refusal[] {
  const versions = model.firmware.map((one) => one.version)
  return model.firmware.flatMap((one, i) => {
    const path = `firmware[${i}]`
    const before = firmwareNumber(versions[i - 1])
    const late = before !== undefined && before >= (firmwareNumber(one.version) ?? 0)
    const odd = one.readsFilesFrom.filter((version) => !versions.includes(version))
    return [
      ...(late
        ? [fault('order', `${path}.version`, `${one.version} stands behind a later version, or twice.`)]
        : []),
      ...odd.map((version) =>
        fault('dangling', `${path}.readsFilesFrom`, `There is no firmware ${version}.`),
      ),
    ]
  })
}
