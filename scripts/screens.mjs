import { main, say } from './lib/say.mjs'
import { withDemo } from './lib/with-demo.mjs'

/** `npm run screens`: takes the pictures of docs/screenshots from fresh demo data. */
await main(async () => {
  await withDemo('screens', 'scripts/take-screens.ts')
  say('The pictures are in docs/screenshots')
})
