/** A running application. */
export interface RunningServer {
  readonly address: string
  /** Where the door for other devices stands open, or null. */
  readonly door: {
    readonly origin: string
    readonly plain: string
    readonly fingerprint: string
    readonly isNew: boolean
  } | null
  readonly process: number
  readonly ended: Promise<number | string>
  kill(signal?: NodeJS.Signals): Promise<unknown>
}

export function startServer(options: {
  port: number
  databaseUrl: string
  build: string
  home?: string
  share?: { at: { name: string; address: string }; port: number; home: string } | null
  quiet?: boolean
}): Promise<RunningServer>
