/** The stages of a transfer, in order. */
export const carryStages = [
  'preflight',
  'backup',
  'write',
  'load',
  'restart',
  'readBack',
  'compare',
  'handWork',
] as const

/** The stages as people call them. */
export const stageNames: Readonly<Record<CarryStage, string>> = {
  preflight: 'Preflight',
  backup: 'Backup',
  write: 'Write',
  load: 'Load',
  restart: 'Restart',
  readBack: 'Read back',
  compare: 'Compare',
  handWork: 'Hand work',
}

/** One stage of a transfer. */
export type CarryStage = (typeof carryStages)[number]
