import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'playwright-core'

/** Serious and critical findings of the accessibility rules, each with where it stands; a second theme differs in its colours only. */
export async function barriers(page: Page, rules: 'all' | 'colours' = 'all'): Promise<string[]> {
  const isThere = await page.evaluate(() => 'axe' in globalThis)
  if (!isThere)
    await page.evaluate(readFileSync(join(process.cwd(), 'node_modules/axe-core/axe.min.js'), 'utf8'))
  return page.evaluate(async (which) => {
    const { axe } = globalThis as unknown as {
      axe: {
        run(options: object): Promise<{
          violations: { id: string; impact: string; nodes: { html: string }[] }[]
        }>
      }
    }
    const { violations } = await axe.run(
      which === 'all' ? { resultTypes: ['violations'] } : { runOnly: ['color-contrast'] },
    )
    return violations
      .filter((one) => one.impact === 'serious' || one.impact === 'critical')
      .map((one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
  }, rules)
}
