import { mkdirSync, writeFileSync } from 'node:fs'
import { v7 } from 'uuid'
import { DEMO_CLIENTS } from '@/demo'
import { publishedSchemas } from '@/server/schema'
import { visitSchema } from './visitSchema'

/**
 * Writes docs/examples and docs/schema from the code, or into another folder that is named. Ids are counted, so that a
 * second run changes nothing.
 */
const folder = process.argv[2] ?? 'docs'
const written = Date.UTC(2026, 10, 24)
let counted = 0
const newId = () => v7({ msecs: written, seq: counted++, random: new Uint8Array(16).fill(7) })

mkdirSync(`${folder}/examples`, { recursive: true })
for (const demo of DEMO_CLIENTS)
  writeFileSync(`${folder}/examples/${demo.key}.json`, `${JSON.stringify(demo.plan(newId), null, 2)}\n`)
mkdirSync(`${folder}/schema`, { recursive: true })
for (const [name, schema] of Object.entries({ ...publishedSchemas(), 'falto-visit-1': visitSchema() }))
  writeFileSync(`${folder}/schema/${name}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`)
