/** Who works in a salon, and what is said of it between server and screen. */

export const STAFF_ROLES = ['owner', 'colourist', 'assistant', 'apprentice'] as const
export type StaffRole = (typeof STAFF_ROLES)[number]

export interface TeamMember {
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
