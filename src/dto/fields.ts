import { plainToInstance } from 'class-transformer'
import { validateSync, type ValidationError } from 'class-validator'

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
