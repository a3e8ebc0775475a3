import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js'
import { ValidationTypes } from 'class-validator'
import { validationMetadatasToSchemas } from 'class-validator-jsonschema'
import { FaltoPlanDto } from '@/dto'

type Schema = { properties?: Record<string, unknown>; required?: string[]; [key: string]: unknown }

/**
 * The published JSON Schema (2020-12) of `falto-plan` v1, made from the DTO classes. Run where class names are kept
 * (tests and scripts, not the minified server).
 */
export function planSchema(): Schema {
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: {
      equals: ({ constraints }) => ({ const: constraints[0] as unknown }),
      [ValidationTypes.CONDITIONAL_VALIDATION]: {},
    },
  }) as Record<string, Schema>
  const needed = new Set<string>()
  const collect = (name: string) => {
    if (needed.has(name)) return
    needed.add(name)
    for (const [, reference] of JSON.stringify(all[name]).matchAll(/#\/\$defs\/(\w+)/g)) collect(reference!)
  }
  collect(FaltoPlanDto.name)
  needed.delete(FaltoPlanDto.name)
  const closed = (schema: Schema): Schema => ({ ...schema, additionalProperties: false })
  const document = {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'urn:falto:falto-plan:1',
    title: 'falto-plan',
    ...closed(all[FaltoPlanDto.name]!),
    $defs: Object.fromEntries([...needed].sort().map((name) => [name, closed(all[name]!)])),
  }
  return JSON.parse(JSON.stringify(document).replaceAll(/(\w+)Dto"/g, '$1"')) as Schema
}
