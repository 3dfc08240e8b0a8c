import { main } from './lib/say.mjs'
import { withDemo } from './lib/with-demo.mjs'

/**
 * `npm run bench`: measures what was promised, in Node.js and in Chromium, and writes docs/performance.md; `-- settings`
 * measures the Settings station alone, and writes nothing.
 */
await main(() => withDemo('bench', 'scripts/bench.ts', process.argv.slice(2)))
