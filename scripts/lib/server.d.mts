/** A running application. */
export interface RunningServer {
  readonly address: string
  readonly ended: Promise<unknown>
  kill(signal?: NodeJS.Signals): Promise<unknown>
}

export function startServer(options: {
  port: number
  databaseUrl: string
  quiet?: boolean
}): Promise<RunningServer>
