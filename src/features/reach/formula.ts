import type { Part } from '@/core/reach/moves'
import { operators } from '@/core/reach/operators'

/** A price as its formula: "2 × press + look for it = 1.91 s". */
export function formula(parts: readonly Part[], seconds: number): string {
  const words = parts.map(({ operator, count }) => {
    const move = operators.find((one) => one.id === operator)?.words ?? operator
    return count === 1 ? move : `${count} × ${move}`
  })
  return `${words.join(' + ')} = ${seconds.toFixed(2)} s`
}
