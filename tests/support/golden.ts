import { readFileSync, writeFileSync } from 'node:fs'

/**
 * What Falto made before, by key; a test file's own, beside it. `FALTO_GOLDEN=write` writes the file anew.
 * @returns a check that a value is to the digit what is known under its key
 */
export function goldenIn(name: string): (key: string, value: unknown) => void {
  const file = `tests/reference/${name}`
  const write = process.env['FALTO_GOLDEN'] === 'write'
  const known = write ? {} : (JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>)
  if (write) afterAll(() => writeFileSync(file, `${JSON.stringify(known, null, 2)}\n`))
  return (key, value) => {
    const now = JSON.parse(JSON.stringify(value)) as unknown
    if (write) known[key] = now
    expect(now).toEqual(known[key])
  }
}
