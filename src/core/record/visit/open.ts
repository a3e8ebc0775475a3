import type { Acknowledgement, CareCheck, Consent, FaltoPlan, HairState, PictureSummary } from '../../model'
import type { Days, MessageKind } from '../upkeep'
import type { VisitBowl, VisitFigures, VisitSummary } from './summary'

/** What somebody thinks of a visit. */
export interface Review {
  by: string
  own: boolean
  worked: string
  change: string
  why: string
  shared: boolean
  at: string
}

/** A visit as its page opens it. */
export interface OpenVisit {
  id: string
  on: string
  by: string
  client: { id: string; name: string }
  planId: string
  runId: string | null
  document: FaltoPlan
  summary: VisitSummary
  /** Entered afterwards, so that what stands as planned was reckoned then. */
  wasTold: boolean
  /** Taken back: since when, and by whom. */
  withdrawn: { at: string; by: string } | null
  bowls: VisitBowl[]
  /** Products off the shelf, with the lots that they came from. */
  lots: { product: string; lot: string | null; grams: number }[]
  /** The hair that was confirmed after it, where there is a record. */
  hair: HairState | null
  checks: CareCheck[]
  consents: Pick<Consent, 'id' | 'on' | 'by' | 'textVersion'>[]
  /** Cautions that somebody looked at, with their words. */
  acknowledged: (Acknowledgement & { text: string })[]
  pictures: PictureSummary[]
  /** One's own, and what others share. */
  reviews: Review[]
  /** Visits of the same client before and after it. */
  earlier: string | null
  later: string | null
}

/** A visit as it is saved to a file. */
export interface VisitFile extends OpenVisit {
  format: 'falto-visit'
  schemaVersion: 1
}

/** A line of the log. */
export interface LoggedVisit {
  id: string
  on: string
  client: { id: string; name: string }
  by: string
  name: string
  figures: VisitFigures | null
}

/** What a month came to: sums over its visits. */
export interface LogMonth {
  /** `YYYY-MM`. */
  month: string
  visits: number
  plannedGrams: number
  weighedGrams: number
  leftGrams: number
  plannedMinutes: number
  tookMinutes: number
  netMinor: number
  marginMinor: number
  incidents: number
  /** Mean of what was seen less what was meant, levels. */
  offLevels: number | null
}

/** The log as its page opens it. `next` is where the list goes on. */
export interface OpenLog {
  visits: LoggedVisit[]
  next: string | null
  months: LogMonth[]
  incidents: { incident: string; count: number }[]
  people: { id: string; name: string }[]
}

/** Something that was written to a client. */
export interface WrittenMessage {
  id: string
  client: { id: string; name: string }
  kind: MessageKind
  text: string
  by: string
  at: string
  sentAt: string | null
}

/** What was written, newest first, and the words that messages begin with. */
export interface Outbox {
  salon: string
  messages: WrittenMessage[]
  templates: Record<MessageKind, string>
}

/** Somebody who is due again. */
export interface DueClient {
  client: { id: string; name: string }
  visitId: string
  /** Last visit, and the days between which the next full one is due. */
  on: string
  name: string
  next: Days
  gloss: Days | null
  /** The day for which something is booked, from today on. */
  booked: string | null
  /** Day of the newest allergy test with nothing found; null where there is none. */
  allergyTest: string | null
  /** When she was last written to. */
  writtenAt: string | null
}
