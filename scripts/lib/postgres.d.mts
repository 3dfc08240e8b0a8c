/** A private cluster. */
export interface Cluster {
  readonly url: string
  readonly data: string
  readonly port: number
  stop(): void
  revive(): Promise<boolean>
}

export function startThrowAwayCluster(home?: string): Promise<Cluster & { readonly home: string }>
export function ensureDatabase(serverUrl: string, name: string): Promise<string>

export function copyDatabase(serverUrl: string, databaseUrl: string): Promise<string>
