/**
 * Remembers the last results of a pure function under a key that says everything its result depends on. Keys are text
 * because plans cross thread and process borders, where object identity is lost.
 */
export function memoByKey<Args extends unknown[], Result>(
  compute: (...args: Args) => Result,
  key: (...args: Args) => string,
  capacity: number,
): { (...args: Args): Result; clear: () => void } {
  let results = new Map<string, Result>()
  const recall = (...args: Args): Result => {
    const name = key(...args)
    const known = results.get(name)
    if (known !== undefined) {
      results.delete(name)
      results.set(name, known)
      return known
    }
    const result = compute(...args)
    results.set(name, result)
    if (results.size > capacity) results.delete(results.keys().next().value!)
    return result
  }
  // A new map and not an emptied one: engines keep a map’s old table pointing at its new one, so that results are
  // held by tables long dead, until the rare and slow collection of everything.
  const clear = () => {
    results = new Map()
  }
  return Object.assign(recall, { clear })
}
