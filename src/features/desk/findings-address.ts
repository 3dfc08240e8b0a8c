/** Where the server says what it has found in a plan; pages ask for it before their scripts are there. */
export function findingsAddress(planId: string): string {
  return `/api/plans/${planId}/findings`
}
