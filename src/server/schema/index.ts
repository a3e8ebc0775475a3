import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js'
import { ValidationTypes } from 'class-validator'
import { validationMetadatasToSchemas } from 'class-validator-jsonschema'
import { FaltoPlanDto, LETTERS_OR, LiftQuestionDto, PlanClientDto } from '@/dto'

type Schema = { properties?: Record<string, unknown>; required?: string[]; [key: string]: unknown }

/** The published JSON Schemas (2020-12), by file name. Run where class names are kept (tests and scripts). */
export const publishedSchemas = (): Record<string, Schema> => ({
  'falto-plan-2': schemaOf(FaltoPlanDto, 'falto-plan', 2),
  'falto-client-1': schemaOf(PlanClientDto, 'falto-client', 1),
  'falto-lift-1': schemaOf(LiftQuestionDto, 'falto-lift', 1),
})

/** The schema of a document, made from its DTO class and those it leans on. */
function schemaOf(type: { name: string }, title: string, version: number): Schema {
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/$defs/',
    additionalConverters: {
      [LETTERS_OR]: ({ constraints }) => ({
        items: { anyOf: [{ type: 'string', pattern: constraints[0] as string }, { $ref: '#/$defs/RhythmEntryDto' }] },
      }),
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
  collect(type.name)
  needed.delete(type.name)
  const closed = (schema: Schema): Schema => ({ ...schema, additionalProperties: false })
  const document = {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: `urn:falto:${title}:${version}`,
    title,
    ...closed(all[type.name]!),
    $defs: Object.fromEntries([...needed].sort().map((name) => [name, closed(all[name]!)])),
  }
  return JSON.parse(JSON.stringify(document).replaceAll(/(\w+)Dto"/g, '$1"')) as Schema
}
