import { appendFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, it } from 'vitest'
import { namedModels } from '@tests/fixtures/models'
import { properties } from './properties'

/** Seconds for each property on each model, and where to write how many cases were tried; a few cases where nobody says. */
const seconds = Number(process.env.DEEP_SECONDS ?? 0)
const tally = process.env.DEEP_TALLY

describe.each(namedModels)('on the %s', (model_, model) => {
  it.each(properties.map((one) => [one.name, one] as const))(
    '%s',
    (name, { of, few }) => {
      const parameters =
        seconds > 0 ? { numRuns: 1_000_000, interruptAfterTimeLimit: seconds * 1000 } : { numRuns: few }
      const details = fc.check(of(model), parameters)
      if (tally !== undefined)
        appendFileSync(
          tally,
          `${JSON.stringify({ model: model_, name, cases: details.numRuns, failed: details.failed && !details.interrupted })}\n`,
        )
      if (details.failed && (details.counterexample !== null || !details.interrupted))
        throw new Error(`${fc.defaultReportMessage(details) ?? 'failed'}\n${String(details.errorInstance)}`)
    },
    seconds * 1000 + 30_000,
  )
})
