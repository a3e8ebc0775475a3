import type { HairState, HeadMeasures } from '@/core/model'

/** What the server says about clients (see server/clients). */
export interface ClientSummary {
  id: string
  name: string
  hair: HairState
  plans: number
  lastPlanAt: string | null
}

export interface ClientRecord {
  id: string
  name: string
  note: string
  head: HeadMeasures
  hair: HairState
  revision: number
  plans: { id: string; name: string; updatedAt: string }[]
}

/** A date in words, the same on server and browser. */
export const dateInWords = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
