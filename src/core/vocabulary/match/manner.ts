import type { FunctionManner } from '../common'

/** How a label says that something is done: in the manner of a function, or as a line of the menu that is set. */
export type Said = 'toggle' | 'choose' | 'turn' | 'cycle' | 'hold' | 'held-and-turn' | 'set'

/** Signs of a manner in a label; the first that fits counts. */
const signs: readonly (readonly [Said, RegExp])[] = [
  ['set', /^set\b/g],
  [
    'held-and-turn',
    /\b(?:held|hold) and turn\b|\bwith (?:a |the )?dials?\b|\bwhile (?:it is )?turned\b|[+] ?dials?\b/g,
  ],
  [
    'toggle',
    /^(?:switch |turn )|\bon\s*(?:\/|,|-|or|and)\s*off\b|\btoggles?\b|\byes (?:or|\/) no\b|\benable\s*\/\s*disable\b/g,
  ],
  ['toggle', /\bstays\b|\buntil pressed again\b|\btoggled?\b/g],
  [
    'hold',
    /\b(?:while|as long as|when) (?:it is )?(?:held|pressed)\b|\(hold\)|\bheld\b|\bmomentar(?:y|ily)\b|\btemporar(?:y|ily)\b|\bhold$|^hold\b/g,
  ],
  ['cycle', /\bnext\b|^cycle(?: through)?\b|^step(?: through)?\b|\bgo to next\b/g],
  ['choose', /^(?:choose|select|pick)\b|\b(?:list|selection|choose)$/g],
  ['turn', /\bdials?$|^dial for\b|\bby (?:dial|turning)\b|^turn\b|\bturn$|\bon (?:a|the) dial\b|\bslide\b/g],
  ['toggle', /^switch\b|\bswitch$/g],
  ['set', /^(?:adjust|use|show|allow|limit|enter|remember|reduce|correct|link)\b/g],
]

/** Signs that say a manner only where something like "on/off" stands, too. */
const alone = /^(?:switch|turn)\b/

/** The manner a label says, and the label without the words that say it; what is set may be said by words of the thing itself. */
export function mannerIn(label: string): { readonly said: Said | null; readonly rest: string } {
  for (const [said, sign] of signs) {
    const found = label.match(sign)
    if (!found || (found.length === 1 && alone.test(found[0]) && sign.source.startsWith('^(?:switch ')))
      continue
    const rest = label.replace(sign, ' ').trim()
    if (rest === '') continue
    const own = said === 'set' && /^(?:allow|limit|remember|reduce|correct|link)/.test(label)
    return { said, rest: own ? label : rest }
  }
  return { said: null, rest: label }
}

/** How well a label that says a manner suits a function done in another, or a setting; 1 is fully. */
export function suits(
  said: Said | null,
  kind: 'setting' | 'function',
  manner: FunctionManner | null,
): number {
  if (kind === 'setting') return said === null || said === 'set' ? 1 : said === 'choose' ? 0.85 : 0.8
  if (said === manner || manner === null) return said === null || said === manner ? 1 : 0.9
  if (said === 'set') return 0.82
  if (said === null) return ['hold', 'press', 'move', 'none'].includes(manner) ? 1 : 0.86
  if ((said === 'toggle' && manner === 'cycle') || (said === 'cycle' && manner === 'toggle')) return 0.92
  if (said === 'choose' && manner === 'press') return 0.95
  return said === 'hold' && manner === 'press' ? 0.85 : 0.78
}
