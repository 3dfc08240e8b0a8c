import { main } from './lib/say.mjs'
import { withDemo } from './lib/with-demo.mjs'

/** `npm run bench`: measures what was promised, in Node.js and in Chromium, and writes docs/performance.md. */
await main(() => withDemo('bench', 'scripts/bench.ts'))
