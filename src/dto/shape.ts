import type { FieldProblem } from './validate'

/**
 * Bounds of an entry before anything else looks at it; our estimates, several times what the largest plan has. What
 * turns entries into classes takes a time that grows with the square of an object's fields.
 */
const MOST = { fields: 500, depth: 40, values: 400_000 } as const

/** Names that mean something to the language itself. */
const RESERVED = new Set(['__proto__', 'constructor', 'prototype'])

/** What no database takes as text: NUL, and halves of characters of two halves. */
// oxlint-disable-next-line no-control-regex -- it is what is looked for
const UNKEEPABLE = /[\u0000\p{Surrogate}]/u

/** A place in an entry that is still to be looked at. */
interface Place {
  value: unknown
  path: string
  depth: number
}

/**
 * What makes an entry unfit to be looked at any further: too many fields or values, too deep, text that no database
 * takes, names that mean something to the language.
 * @param entry what JSON.parse gave
 */
export function shapeProblem(entry: unknown): FieldProblem | undefined {
  const waiting: Place[] = [{ value: entry, path: '', depth: 0 }]
  let values = 0
  for (let place = waiting.pop(); place; place = waiting.pop()) {
    const { value, path, depth } = place
    values++
    if (values > MOST.values) return { path: '', message: 'holds more values than anything Falto takes' }
    if (typeof value === 'string' && UNKEEPABLE.test(value))
      return { path, message: 'holds a character (NUL, or half of one) that cannot be kept' }
    if (typeof value !== 'object' || value === null) continue
    if (depth > MOST.depth) return { path, message: 'goes deeper than anything Falto takes' }
    if (Array.isArray(value)) {
      for (const [i, item] of value.entries()) waiting.push({ value: item, path: `${path}[${i}]`, depth: depth + 1 })
      continue
    }
    const fields = Object.entries(value)
    if (fields.length > MOST.fields)
      return { path, message: `has ${fields.length} fields; no more than ${MOST.fields} are taken` }
    for (const [name, item] of fields) {
      const own = path ? `${path}.${name}` : name
      if (RESERVED.has(name)) return { path: own, message: 'is not a field Falto knows' }
      waiting.push({ value: item, path: own, depth: depth + 1 })
    }
  }
  return undefined
}
