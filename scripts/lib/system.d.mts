/** The project's folder. */
export const root: string
export const isRoot: boolean
/** A loopback port that is free now. */
export function freePort(): Promise<number>
export function runTypeScript(
  file: string,
  args: readonly string[],
  env: Record<string, string>,
): Promise<void>
export function postgresPrograms(version?: string | null): string | null
