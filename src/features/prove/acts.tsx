import { standingOf, type Walk } from '@/core/procedures/progress'
import type { PlayedAct } from '@/core/procedures/play'
import type { ProcedureAct } from '@/core/procedures/types'

/** The acts under their headings, with what was ticked of them, and what the simulated body said. */
export function Acts({
  acts,
  walk,
  log,
}: {
  acts: readonly ProcedureAct[]
  walk: Walk | null
  log: readonly PlayedAct[] | null
}) {
  const said = new Map((log ?? []).map(({ act, log: lines }) => [act, lines]))
  if (acts.length === 0)
    return <p className="mt-3">There is nothing to do: what the plan wants here stands already.</p>
  return (
    <ol className="mt-3 grid">
      {acts.map((act, i) => {
        const isNew = act.part !== '' && act.part !== partBefore(acts, i)
        return (
          <li key={act.id}>
            {isNew && <h3 className="mt-3 border-b pb-1 font-head text-lead font-semibold">{act.part}</h3>}
            <div className="grid grid-cols-[2.2rem_minmax(0,1fr)] border-b py-1.5">
              <span className="font-mono text-small/5 text-silt tabular-nums">
                {walk && standingOf(walk, act) === 'done' ? (
                  <span className="font-semibold text-samphire">
                    <span aria-hidden="true">✓</span>
                    <span className="sr-only">done</span>
                  </span>
                ) : (
                  i + 1
                )}
              </span>
              <div className="min-w-0">
                <p className="flex flex-wrap gap-x-3">
                  <span className="min-w-0 flex-1">{act.words}</span>
                  {act.where !== '' && (
                    <span className={`text-small/5 text-silt ${act.control === null ? 'font-mono' : ''}`}>
                      {act.where}
                    </span>
                  )}
                </p>
                <More act={act} />
                {(said.get(act.id) ?? []).map(({ kind, words }, n) => (
                  <p
                    key={n}
                    className={`font-mono text-small ${kind === 'refused' ? 'text-rust' : 'text-samphire'}`}
                  >
                    {words}
                  </p>
                ))}
              </div>
            </div>
          </li>
        )
      })}
    </ol>
  )
}

function partBefore(acts: readonly ProcedureAct[], i: number): string {
  return acts.slice(0, i).findLast(({ part }) => part !== '')?.part ?? ''
}

function More({ act }: { act: ProcedureAct }) {
  return (
    <>
      {act.expect !== undefined && <p className="text-small text-silt">Expect: {act.expect}</p>}
      {act.because !== undefined && <p className="text-small text-silt">{act.because}</p>}
      {act.warning !== undefined && (
        <p className="text-small text-rust">
          <span className="font-semibold">Beware. </span>
          {act.warning}
        </p>
      )}
    </>
  )
}
