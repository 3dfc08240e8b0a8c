import type { Standing } from '@/core/procedures/progress'

const signs: Readonly<Record<Standing, readonly [sign: string, word: string, look: string]>> = {
  open: ['○', 'open', 'text-silt'],
  anew: ['◐', 'open again: it asks for something else now', 'text-lichen'],
  done: ['✓', 'done', 'text-samphire'],
  skipped: ['–', 'skipped', 'text-silt'],
  differs: ['≠', 'seen otherwise', 'text-lichen'],
}

/** How an act stands, by a sign and a word. */
export function StandingSign({ standing }: { standing: Standing }) {
  const [sign, word, look] = signs[standing]
  return (
    <span className={`whitespace-nowrap font-semibold ${look}`}>
      <span aria-hidden="true">{sign} </span>
      {word}
    </span>
  )
}
