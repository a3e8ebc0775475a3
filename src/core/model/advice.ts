export const ADVICE_SCHOOLS = ['common', 'backFirst', 'frontFirst', 'lowAndSlow', 'stepUp'] as const
export type AdviceSchool = (typeof ADVICE_SCHOOLS)[number]

/** A rule of thumb that has something to say about a plan. */
export interface Advice {
  /** Id of the rule. */
  id: string
  school: AdviceSchool
  /** What is the case, and why it matters. */
  text: string
  zoneIds: string[]
  /** What could be done about it in one tap; left out where only a person can decide. */
  suggestion?: { label: string; changes: AdviceChange[] } | undefined
}

/** Part of a zone's placement to set; figures of the take under `take`. */
export interface AdviceChange {
  zoneId: string
  set: Record<string, unknown>
}
