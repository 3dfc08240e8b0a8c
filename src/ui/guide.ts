/** Under which name the browser keeps that somebody is led through a new plan. */
const keptAs = (planId: string) => `salt-shelf guide ${planId}`

/** Leads through a plan that was just started: each station says once what it is for. */
export function guideThrough(planId: string): void {
  write(planId, [])
}

/** The stations that said already what they are for; null where nobody is led through the plan. */
export function guidedPast(planId: string): readonly string[] | null {
  try {
    const kept = localStorage.getItem(keptAs(planId))
    const past = kept === null ? null : (JSON.parse(kept) as unknown)
    return Array.isArray(past) ? past.filter((one) => typeof one === 'string') : null
  } catch {
    return null
  }
}

/** Remembers that a station has said what it is for. */
export function guidePast(planId: string, station: string): void {
  const past = guidedPast(planId)
  if (past && !past.includes(station)) write(planId, [...past, station])
}

/** Leads no further. */
export function endGuide(planId: string): void {
  try {
    localStorage.removeItem(keptAs(planId))
  } catch {
    // A browser that keeps nothing leads nobody.
  }
}

function write(planId: string, past: readonly string[]): void {
  try {
    localStorage.setItem(keptAs(planId), JSON.stringify(past))
  } catch {
    // A browser that keeps nothing leads nobody.
  }
}
