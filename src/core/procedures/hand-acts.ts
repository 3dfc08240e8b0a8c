/** The ids of the acts at which a carry by hand takes files in, writes them and holds them against each other. */
export const handActs = {
  source: 'take/source',
  again: 'take/again',
  before: (tag: string) => `take/${tag}/before`,
  put: (tag: string) => `put/${tag}`,
  load: (tag: string) => `load/${tag}`,
  restart: (tag: string) => `restart/${tag}`,
  after: (tag: string) => `take/${tag}/after`,
  compare: (tag: string) => `compare/${tag}`,
  set: (tag: string) => `set/${tag}`,
  press: (tag: string) => `press/${tag}`,
  /** The body of an act at which two files are held against each other; null for another act. */
  comparedTag: (act: string) => (act.startsWith('compare/') ? act.slice('compare/'.length) : null),
} as const
