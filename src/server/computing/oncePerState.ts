import { LRUCache } from 'lru-cache'
import type { FaltoPlan } from '@/core/model'

/** Plans whose answer is remembered. Our choice: some weeks of a large salon. */
const REMEMBERED_PLANS = 1000

/** A plan as it was kept once. */
export interface KeptPlan {
  planId: string
  revision: number
  document: FaltoPlan
}

/** What is worked out of a plan alone, worked out once for each state that a plan has been kept in. */
export function oncePerState<T>(work: (document: FaltoPlan) => Promise<T>): (kept: KeptPlan) => Promise<T> {
  const known = new LRUCache<string, Promise<T>>({ max: REMEMBERED_PLANS })
  return ({ planId, revision, document }) => {
    const state = `${planId}/${revision}`
    const before = known.get(state)
    if (before) return before
    const answer = work(document)
    known.set(state, answer)
    answer.catch(() => known.delete(state))
    return answer
  }
}
