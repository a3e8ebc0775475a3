import { eq } from 'drizzle-orm'
import { getSessionCookie } from 'better-auth/cookies'
import { database, staff, type StaffRole } from '@/db'
import { AppError } from '../errors'
import { auth, COOKIE_PREFIX } from './auth'
import { remember, remembered } from './remembered'

/** Who is asking. The salon comes from the session and from nowhere else. */
export interface StaffMember {
  salonId: string
  id: string
  name: string
  role: StaffRole
}

/** What each role may do. */
const MAY = {
  write: ['owner', 'colourist'],
  acknowledge: ['owner', 'colourist', 'assistant'],
  mix: ['owner', 'colourist', 'assistant'],
  stock: ['owner', 'colourist', 'assistant'],
  prices: ['owner'],
} as const satisfies Record<string, readonly StaffRole[]>
export type Permission = keyof typeof MAY

/** The signed-in member of staff, or undefined. Told from the session cookie while that was asked about a moment ago, see {@link remembered}. */
export async function staffFrom(headers: Headers): Promise<StaffMember | undefined> {
  const cookie = getSessionCookie(headers, { cookiePrefix: COOKIE_PREFIX })
  if (!cookie) return undefined
  const known = remembered().get(cookie)
  if (known) return known.member
  const session = await auth().api.getSession({ headers })
  if (!session) return undefined
  const [found] = await database().select().from(staff).where(eq(staff.userId, session.user.id))
  if (!found) return undefined
  const member = { salonId: found.salonId, id: found.id, name: found.name, role: found.role }
  remember(cookie, member, session.session)
  return member
}

export const may = (member: { role: StaffRole }, permission: Permission): boolean =>
  (MAY[permission] as readonly StaffRole[]).includes(member.role)

/** @throws AppError 403 */
export function require(member: StaffMember, permission: Permission): void {
  if (!may(member, permission))
    throw new AppError(403, 'forbidden', `Your role (${member.role}) may look but not do this. Ask an owner or colourist.`)
}

/** Whether this is a demo: one-tap sign-in, and clocks that may run faster. */
export const isDemo = (): boolean => Boolean(process.env['FALTO_DEMO_PASSWORD'])
