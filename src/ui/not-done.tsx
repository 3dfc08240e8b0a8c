import type { Procedure } from '@/core/procedures/types'

/** What the plan wants and no act brings about, and what stays as it is. */
export function NotDone({ undone, leaves }: Pick<Procedure, 'undone' | 'leaves'>) {
  if (undone.length === 0 && leaves.length === 0) return null
  return (
    <section aria-label="Not done by this">
      <h3 className="font-head text-lead font-semibold">Not done by this</h3>
      <ul className="mt-1 grid gap-1">
        {undone.map(({ words, because }) => (
          <li key={words} className="border-l-3 border-lichen pl-3">
            {words}. <span className="text-silt">{because}</span>
          </li>
        ))}
        {leaves.map((one) => (
          <li key={one} className="border-l-3 pl-3 text-silt">
            {one}
          </li>
        ))}
      </ul>
    </section>
  )
}
