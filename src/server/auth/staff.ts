import { eq } from 'drizzle-orm'
import { getSessionCookie } from 'better-auth/cookies'
import type { ReadingUnits } from '@/core/units'
import { database, salon, staff, type StaffRole } from '@/db'
import { AppError } from '../errors'
import { auth, COOKIE_PREFIX } from './auth'
import { isOnThisMachine } from './hosts'
import { remember, remembered } from './remembered'

/** Who is asking. The salon comes from the session and from nowhere else. */
export interface StaffMember {
  salonId: string
  id: string
  name: string
  role: StaffRole
  /** As the salon reads figures. */
  units: ReadingUnits
  /** Where the salon is, IANA name. */
  timeZone: string
  /** Whether it is the invented salon, whose clocks may run faster. */
  demo: boolean
}

/** What each role may do. */
const MAY = {
  write: ['owner', 'colourist'],
  acknowledge: ['owner', 'colourist', 'assistant'],
  mix: ['owner', 'colourist', 'assistant'],
  stock: ['owner', 'colourist', 'assistant'],
  prices: ['owner'],
  units: ['owner'],
} as const satisfies Record<string, readonly StaffRole[]>
export type Permission = keyof typeof MAY

/**
 * The signed-in member of staff, or undefined. Told from the session cookie while that was asked about a moment ago,
 * see {@link remembered}.
 */
export async function staffFrom(headers: Headers): Promise<StaffMember | undefined> {
  const cookie = getSessionCookie(headers, { cookiePrefix: COOKIE_PREFIX })
  if (!cookie) return undefined
  const known = remembered().get(cookie)
  if (known) return known.member
  const session = await auth().api.getSession({ headers })
  if (!session) return undefined
  const [member] = await database()
    .select({
      salonId: staff.salonId,
      id: staff.id,
      name: staff.name,
      role: staff.role,
      units: salon.units,
      timeZone: salon.timeZone,
      demo: salon.demo,
    })
    .from(staff)
    .innerJoin(salon, eq(salon.id, staff.salonId))
    .where(eq(staff.userId, session.user.id))
  if (!member) return undefined
  remember(cookie, member, session.session)
  return member
}

export const may = (member: { role: StaffRole }, permission: Permission): boolean =>
  (MAY[permission] as readonly StaffRole[]).includes(member.role)

/** @throws AppError 403 */
export function requirePermission(member: StaffMember, permission: Permission): void {
  if (!may(member, permission))
    throw new AppError(
      403,
      'forbidden',
      `Your role (${member.role}) may look but not do this. Ask an owner or colourist.`,
    )
}

/**
 * Whether anybody on this machine may come in with one tap: only where nothing but the demo's data is kept, and only on
 * the machine itself. What comes through a proxy says so in its headers, so a salon's network does not count as it.
 */
export async function demoIsOpen(headers: Headers): Promise<boolean> {
  if (!process.env['FALTO_DEMO_PASSWORD'] || !isOnThisMachine(headers)) return false
  const kinds = await database().selectDistinct({ demo: salon.demo }).from(salon)
  return kinds.length === 1 && kinds[0]!.demo
}
