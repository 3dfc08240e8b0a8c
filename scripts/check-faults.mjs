import { ensureBuild, ensureNpm } from './lib/build.mjs'
import { main } from './lib/say.mjs'
import { ensureDebian, runTypeScript } from './lib/system.mjs'

/** `npm run check:faults`: attacks a Salt Shelf of its own; see docs/reliability.md. */
await main(async () => {
  await ensureDebian(['postgresql'])
  await ensureNpm()
  const build = await ensureBuild()
  await runTypeScript('scripts/check-faults.ts', process.argv.slice(2), { SALT_SHELF_BUILD: build })
})
