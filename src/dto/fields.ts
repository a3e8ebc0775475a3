import { plainToInstance } from 'class-transformer'
import { getMetadataStorage, validateSync, type ValidationError } from 'class-validator'

rememberRules()

/**
 * The library gathers the rules of a class anew for every object of it that it looks at, half of its time. Classes have
 * all their rules from the start, so they are gathered once.
 */
function rememberRules(): void {
  const storage = getMetadataStorage()
  const gather = storage.getTargetValidationMetadatas.bind(storage)
  type Gather = typeof gather
  const known = new Map<Parameters<Gather>[0], Map<string, ReturnType<Gather>>>()
  storage.getTargetValidationMetadatas = (type, schema, ...wanted) => {
    const own = known.get(type) ?? new Map<string, ReturnType<Gather>>()
    known.set(type, own)
    const key = [schema, ...wanted].join('/')
    const rules = own.get(key) ?? gather(type, schema, ...wanted)
    own.set(key, rules)
    return rules
  }
}

/** What an object's class finds wrong with it, field by field: unknown fields too. */
export const fieldProblems = (type: new () => object, entry: object): { path: string; message: string }[] =>
  flatten(
    validateSync(plainToInstance(type, entry), {
      whitelist: true,
      forbidNonWhitelisted: true,
      forbidUnknownValues: true,
      stopAtFirstError: true,
    }),
    '',
  )

function flatten(errors: ValidationError[], parent: string): { path: string; message: string }[] {
  return errors.flatMap((error) => {
    const path = /^\d+$/.test(error.property)
      ? `${parent}[${error.property}]`
      : parent
        ? `${parent}.${error.property}`
        : error.property
    const own = Object.entries(error.constraints ?? {}).map(([name, message]) => ({
      path,
      message: name === 'whitelistValidation' ? 'is not a field Falto knows' : message,
    }))
    return [...own.slice(0, 1), ...flatten(error.children ?? [], path)]
  })
}
