import { createGenerator } from 'ts-json-schema-generator'

/** The published schema of a visit saved as a file, read off its own type. */
export const visitSchema = (): object => ({
  title: 'A visit as Falto saves it',
  ...createGenerator({
    path: 'src/core/record/visit/open.ts',
    tsconfig: 'tsconfig.json',
    type: 'VisitFile',
    topRef: false,
    skipTypeCheck: true,
    additionalProperties: false,
  }).createSchema('VisitFile'),
})
