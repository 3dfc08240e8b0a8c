'use client'

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

/** What a setting is, in a sentence, and what it touches. */
export function LinePlain({ setting: { means } }: { setting: Setting }) {
  const common = means === null ? undefined : commonSettings.get(means)
  if (!common) return <p className="text-small text-silt">A setting of this model alone.</p>
  return (
    <p className="text-small text-silt">
      {common.plain} Touches {common.touches.map((one) => touchWords[one]).join(', ')}.
    </p>
  )
}
