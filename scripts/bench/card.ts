import { newBody } from '@/core/camera/body'
import { carriedRows, memoryOf } from '@/core/camera/memory'
import { readCardFile, writeCardFile } from '@/core/files/card-file'
import type { BodyModel, LensModel } from '@/core/model/types'
import { newestFirmware } from '@/core/resolve/context'
import { must } from '@/core/result'
import { fullPlan } from './contexts'
import { timesAsLong, type Figure } from './measure'

/** A card file of a full plan against the same rows as JSON text: time to write, time to read, bytes. */
export function cardBench(model: BodyModel, lenses: readonly LensModel[]): Figure[] {
  const rows = carriedRows(model, memoryOf(model, fullPlan(model, lenses)))
  const { serial } = newBody(model, 'SIM-1', newestFirmware(model))
  const header = {
    model: { id: model.id, version: model.version },
    formatNumber: model.cardFile.formatNumber,
    firmware: newestFirmware(model),
    serial,
    savedAtSeconds: 0,
  }
  const file = { header, rows }
  const text = JSON.stringify(file)
  const bytes = writeCardFile(model, file)
  const writing = timesAsLong(
    () => void writeCardFile(model, file),
    () => void JSON.stringify(file),
  )
  const reading = timesAsLong(
    () => void must(readCardFile(model, bytes, 'a')),
    () => void JSON.parse(text),
  )
  const size = bytes.length / new TextEncoder().encode(text).length
  const count = Object.keys(rows).length
  const what = `Card file of ${model.name}, ${count} rows`
  return [
    figure(
      `${what}: writing against JSON.stringify`,
      'at most 2 times the time',
      `${writing.toFixed(2)} times`,
      writing <= 2,
    ),
    figure(
      `${what}: reading against JSON.parse`,
      'at most 2 times the time',
      `${reading.toFixed(2)} times`,
      reading <= 2,
    ),
    figure(
      `${what}: bytes against JSON`,
      'at most half',
      `${bytes.length} bytes, ${size.toFixed(3)} of it`,
      size <= 0.5,
    ),
  ]
}

function figure(name: string, wanted: string, measured: string, holds: boolean): Figure {
  return { name, wanted, measured, holds }
}
