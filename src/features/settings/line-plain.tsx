'use client'

import { ownerRow, peakBands, rowValue } from '@/core/plan/rows'
import { usePlanPart } from '@/features/desk'
import type { Setting } from '@/core/model/types'
import { commonSettings } from '@/core/vocabulary/catalogue'
import type { Touches } from '@/core/vocabulary/common'

const touchWords: Readonly<Record<Touches, string>> = {
  raw: 'RAW files',
  still: 'processed pictures',
  movie: 'films',
  preview: 'finder and screen',
  histogram: 'histogram',
  meter: 'metering',
  sound: 'sound',
  hand: 'handling',
}

/** The band that the owner keeps the peaks of sound in. */
function Peaks() {
  const band = usePlanPart((plan) => String(rowValue(plan.rows, ownerRow('peaks')) ?? ''))
  if (!isBand(band)) return null
  return <b className="font-semibold text-ink">Yours, {peakBands[band]}. </b>
}

function isBand(text: string): text is keyof typeof peakBands {
  return Object.hasOwn(peakBands, text)
}

/** What a setting is, in a sentence, and what it touches. */
export function LinePlain({ setting: { means } }: { setting: Setting }) {
  const common = means === null ? undefined : commonSettings.get(means)
  if (!common) return <p className="text-small text-silt">A setting of this model alone.</p>
  return (
    <p className="text-small text-silt">
      {common.plain} {(means === 'audio.level' || means === 'audio.meters') && <Peaks />}Touches{' '}
      {common.touches.map((one) => touchWords[one]).join(', ')}.
    </p>
  )
}
