import { commonFunctions, commonSettings } from './catalogue'
import { functionSynonyms, settingSynonyms } from './synonyms'

/** More other wordings than this help nobody. */
const most = 4

/** The standard term of a common setting or function, one plain sentence, and what else it is called; null for unknown ids. */
export function explained(kind: 'setting' | 'function', id: string) {
  const common = kind === 'setting' ? commonSettings.get(id) : commonFunctions.get(id)
  if (!common) return null
  const others = (kind === 'setting' ? settingSynonyms : functionSynonyms).get(id) ?? []
  return { term: common.term, plain: common.plain, others: others.slice(0, most) }
}
