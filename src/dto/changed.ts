/** Lists of objects whose entries are held against their class one by one, with nothing that looks at all of them. */
const LISTS = new Set(['products', 'formulas', 'variants', 'stages', 'zones'])

interface Changed {
  /** The document without what is the very same as before; an empty one stands in its place. */
  light: object
  /** Whether a place lies in what was left out, so that whatever is said of it is not so. */
  isLeftOut: (path: string) => boolean
}

/**
 * What of a document has to be looked at again, where it came out of one that passed by changes that leave everything
 * else in place: most of a plan is the very same object before and after an edit.
 */
export function changedParts(document: object, passed: object): Changed {
  const left: string[] = []
  const light = lightened(document, passed, '', left) as object
  return {
    light,
    isLeftOut: (path) => left.some((one) => path === one || path.startsWith(`${one}.`) || path.startsWith(`${one}[`)),
  }
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function lightened(value: unknown, before: unknown, path: string, left: string[]): unknown {
  if (value === before && typeof value === 'object' && value !== null) {
    left.push(path)
    return Array.isArray(value) ? [] : {}
  }
  if (Array.isArray(value)) {
    const known = new Set<unknown>(Array.isArray(before) ? before : [])
    // Where an entry stood before says nothing of it: it passed wherever that was.
    return value.map((entry, i) =>
      lightened(entry, known.has(entry) ? entry : Array.isArray(before) ? before[i] : undefined, `${path}[${i}]`, left),
    )
  }
  if (!isObject(value) || !isObject(before)) return value
  return Object.fromEntries(
    Object.entries(value).map(([name, own]) => {
      const at = path ? `${path}.${name}` : name
      const looksInside = isObject(own) || LISTS.has(name)
      return [name, looksInside ? lightened(own, before[name], at, left) : own]
    }),
  )
}
