'use client'

import { pressTests, type BankFocus } from '@/core/focus/sheet'
import { heldWords, outcomeWords } from '@/core/focus/words'
import type { BodyModel } from '@/core/model/types'

/** The keys to hold, in their order. */
function stepsWords(model: BodyModel, held: readonly string[]): string {
  const [first, ...more] = held.map((key) => heldWords(model, [key]))
  if (first === undefined) return 'Hold no key'
  return [`Hold ${first}`, ...more.map((key) => `keep it held and press ${key}`)].join(', then ')
}

/** What only the body can tell: hold these keys there, and see which of these it does. */
export function PressTestList({ model, banks }: { model: BodyModel; banks: readonly BankFocus[] }) {
  const tests = pressTests(banks)
  if (tests.length === 0)
    return <p className="text-silt">Everything on this side is known: there is nothing to press and see.</p>
  return (
    <>
      <p className="text-small text-silt">
        What the body does here is not known. Hold the keys in this order, half-press where the shutter button
        is among them, and note which of these it does.
      </p>
      <ol className="mt-2 grid gap-2">
        {tests.map(({ bank, held, row }) => (
          <li key={`${bank} ${held.join()}`} className="border bg-sheet px-3 py-2">
            <p className="font-semibold">{stepsWords(model, held)}</p>
            <p className="text-small text-silt">in {bank}; one of</p>
            <ul className="list-disc pl-5">
              {row.outcomes.map((outcome) => {
                const words = outcomeWords(model, outcome)
                return (
                  <li key={JSON.stringify(outcome)}>
                    {words.does}
                    {words.by && ` by ${words.by}`}, {words.area}, detection {words.detection}
                  </li>
                )
              })}
            </ul>
          </li>
        ))}
      </ol>
    </>
  )
}
