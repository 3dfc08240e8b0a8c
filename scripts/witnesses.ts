import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { parseModel } from '@/core/model/parse'
import { witnessesOf } from '@/core/resolve/witnesses'
import { must } from '@/core/result'

/** `npm run witnesses`: searches a case in which each rule of the shipped models acts, and one in which it does not, and keeps them. */
const files = readdirSync('models').filter((name) => name.endsWith('.json'))
const kept = files.map((name) => {
  const model = must(parseModel(new Uint8Array(readFileSync(`models/${name}`)), name))
  const lines = model.rules.map((rule) => {
    const { acts, rests } = witnessesOf(model, rule)
    return `    ${JSON.stringify(rule.id)}: ${JSON.stringify({ acts, rests })}`
  })
  return `  ${JSON.stringify(model.id)}: {\n${lines.join(',\n')}\n  }`
})
writeFileSync('tests/fixtures/witnesses.json', `{\n${kept.join(',\n')}\n}\n`)
console.log(`Written to tests/fixtures/witnesses.json`)
