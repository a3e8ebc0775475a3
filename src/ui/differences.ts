import type { PlanPatch } from '@/core/model'

/**
 * Patches that lead from one JSON document to another, at the deepest places that differ, so that two people's changes
 * clash only where they must. Lists of different length are replaced whole.
 */
export function differences(before: unknown, after: unknown, path: PlanPatch['path'] = []): PlanPatch[] {
  if (before === after) return []
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length)
    return after.flatMap((item, i) => differences(before[i], item, [...path, i]))
  if (isRecord(before) && isRecord(after)) {
    const keys = new Set([...Object.keys(before), ...Object.keys(after)])
    return [...keys].flatMap((key): PlanPatch[] => {
      if (!(key in after)) return [{ op: 'remove', path: [...path, key] }]
      if (!(key in before)) return [{ op: 'add', path: [...path, key], value: after[key] }]
      return differences(before[key], after[key], [...path, key])
    })
  }
  return [{ op: 'replace', path, value: after }]
}

/** Whether two changes touch the same place: one path begins with the other. */
export function clash(one: PlanPatch, other: PlanPatch): boolean {
  const shorter = Math.min(one.path.length, other.path.length)
  return one.path.slice(0, shorter).every((step, i) => step === other.path[i])
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
