import { basename } from 'node:path'
import { lookup } from '@/core/model/lookup'
import { parseLens, parseModel } from '@/core/model/parse'
import type { BodyModel } from '@/core/model/types'
import { missingWitnesses } from '@/core/resolve/witnesses'
import { boundedBytes } from '@/disk/bounded'
import { done, refused, type Command } from './command'
import { definitionsIn } from './disk'
import { modelsFolder } from './options'

/** `models`: what is in the folder of models. */
export const listModels: Command = {
  name: 'models',
  usage: 'models [--models FOLDER]',
  summary: 'list the camera models and lenses',
  options: { models: 'one' },
  operands: 0,
  async run(_operands, options) {
    const found = await definitionsIn(modelsFolder(options))
    if (!found.ok) return refused(found.refusal)
    const { models, lenses, faults } = found.value
    if (faults.length > 0) return refused(...faults)
    const lines = [
      ...models.map((model) => `${model.id}  ${model.maker} ${model.name}, ${sizes(model)}`),
      ...lenses.map(
        (lens) => `${lens.id}  lens ${lens.name}, ${lens.contacts ? 'with' : 'without'} contacts`,
      ),
    ]
    const data = {
      models: models.map((model) => ({ id: model.id, version: model.version, ...counts(model) })),
      lenses: lenses.map((lens) => lens.id),
    }
    return done(lines.join('\n'), data)
  },
}

/** `model check FILE`: every fault of a model or lens file at once; of a sound one, the rules that never act or never rest. */
export const checkModel: Command = {
  name: 'model check',
  usage: 'model check FILE',
  summary: 'check a model or lens file; lists every fault with its place',
  options: {},
  operands: 1,
  async run([path = '']) {
    const bytes = await boundedBytes(path)
    if (!bytes.ok) return refused(bytes.refusal)
    const name = basename(path)
    const isLens = new TextDecoder().decode(bytes.value.subarray(0, 400)).includes('salt-shelf/lens-model')
    if (isLens) {
      const lens = parseLens(bytes.value, name)
      return lens.ok ? done(`${lens.value.name}: sound`, { id: lens.value.id }) : refused(...lens.faults)
    }
    const model = parseModel(bytes.value, name)
    if (!model.ok) return refused(...model.faults)
    const notes = missingWitnesses(model.value)
    const sound = `${model.value.maker} ${model.value.name}: sound, ${sizes(model.value)}`
    return done([sound, ...notes.map(({ words }) => `Note: ${words}`)].join('\n'), {
      id: model.value.id,
      ...counts(model.value),
      notes,
    })
  },
}

function counts(model: BodyModel) {
  return {
    controls: model.controls.length,
    addresses: lookup(model).addresses.size,
    settings: model.settings.length,
    functions: model.functions.length,
    acts: model.acts.length,
    rules: model.rules.length,
  }
}

function sizes(model: BodyModel): string {
  const { controls, settings, functions, acts, rules } = counts(model)
  return `${controls} controls, ${settings} settings, ${functions} functions, ${acts} acts, ${rules} rules`
}
