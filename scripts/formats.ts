import { writeFileSync } from 'node:fs'
import { publishedSchemas } from '@/core/model/schema'

/** Writes the JSON Schemas of model and lens files, made of the same shapes that read them. */
for (const [name, schema] of Object.entries(publishedSchemas)) {
  writeFileSync(`docs/formats/${name}`, `${JSON.stringify(schema, null, 2)}\n`)
}
