/** Who works in a salon, and what is said of it between server and screen. */

export const STAFF_ROLES = ['owner', 'colourist', 'assistant', 'apprentice'] as const
export type StaffRole = (typeof STAFF_ROLES)[number]

/** What work at a client asks of somebody. */
export const SKILLS = ['colour', 'mix', 'rinse', 'dry'] as const
export type Skill = (typeof SKILLS)[number]

/** What each role is usually trusted with, until somebody says otherwise of a person. Common practice. */
export const USUAL_SKILLS: Record<StaffRole, readonly Skill[]> = {
  owner: SKILLS,
  colourist: SKILLS,
  assistant: ['mix', 'rinse', 'dry'],
  apprentice: ['rinse', 'dry'],
}

/** When somebody works on a day of the week, min after midnight. */
export interface WorkDay {
  /** 1 for Monday to 7 for Sunday (ISO 8601). */
  weekday: number
  from: number
  to: number
}

/** Who is at hand on a day. */
export interface PersonAtHand {
  id: string
  name: string
  skills: readonly Skill[]
  /** Min after midnight; nothing where she does not work that day, undefined where it is not known. */
  hours: Pick<WorkDay, 'from' | 'to'> | null | undefined
}

export interface TeamMember {
  skills: readonly Skill[]
  /** Days that she works; null where nobody has said. */
  week: WorkDay[] | null
  id: string
  name: string
  email: string
  role: StaffRole
  active: boolean
  secondFactor: boolean
  /** ISO 8601, or null for who has no session. */
  lastSeen: string | null
}

export interface OpenInvitation {
  id: string
  name: string
  email: string
  role: StaffRole
  /** ISO 8601. */
  expiresAt: string
}

/** Records that are kept no longer than they are needed. */
export interface Retention {
  /** Years after which somebody who was not there any more is proposed for erasure; 0 for never. */
  years: number
  /** Those who are proposed, longest away first, and the last day that anything was done for each (ISO 8601). */
  due: { id: string; name: string; last: string }[]
}

export interface Team {
  members: TeamMember[]
  invitations: OpenInvitation[]
  ownersNeedSecondFactor: boolean
}

/** A tablet that several people use in turn. */
export interface SharedTablet {
  id: string
  name: string
  /** It locks itself where nobody has touched it for so long, min. */
  lockAfterMin: number
  /** ISO 8601. */
  since: string
  /** Whether it is the device that asks. */
  here: boolean
}

/** Digits of a PIN. Four are enough beside the tablet itself and a wait after five wrong ones: our estimate. */
export const PIN_DIGITS = { fewest: 4, most: 8 } as const

/** Who can take a shared tablet over. */
export interface TabletPerson {
  id: string
  name: string
  role: StaffRole
}

/** A device that somebody is signed in on. */
export interface OwnSession {
  id: string
  device: string
  from: string
  /** ISO 8601. */
  since: string
  until: string
  current: boolean
}

export interface AuditEntry {
  id: string
  /** ISO 8601. */
  at: string
  by: string
  what: string
  /** The id of what it was about, or nothing. */
  about: string
  /** Her name, where it was about a client who is still here. */
  client: string | null
  from: string
}

export interface AuditPage {
  entries: AuditEntry[]
  /** Where the next page begins, or null on the last one. */
  next: string | null
}
