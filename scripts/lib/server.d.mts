/** A running application. */
export interface RunningServer {
  readonly address: string
  readonly process: number
  readonly ended: Promise<number | string>
  kill(signal?: NodeJS.Signals): Promise<unknown>
}

export function startServer(options: {
  port: number
  databaseUrl: string
  build: string
  home?: string
  quiet?: boolean
}): Promise<RunningServer>
