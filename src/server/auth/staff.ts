import { and, eq, isNull } from 'drizzle-orm'
import { getSessionCookie } from 'better-auth/cookies'
import type { ReadingUnits } from '@/core/units'
import type { StaffRole } from '@/core/model'
import { database, salon, staff, user } from '@/db'
import { setting } from '../settings'
import { auth, COOKIE_PREFIX } from './auth'
import { isOnThisMachine } from './hosts'
import { tabletBy, type Tablet } from './tablet'
import { forgottenSoFar, remember, rememberedAs } from './remembered'

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
  /** Whether nothing else is open to her before she has a second factor. */
  lacksSecondFactor: boolean
  /** The shared tablet that she works on, which locks itself after so long, min; null on a device of her own. */
  tablet: Pick<Tablet, 'id' | 'lockAfterMin'> | null
}

/**
 * The signed-in member of staff, or undefined. Told from the session cookie while that was asked about a moment ago,
 * see {@link rememberedAs}.
 */
export async function staffFrom(headers: Headers): Promise<StaffMember | undefined> {
  const cookie = getSessionCookie(headers, { cookiePrefix: COOKIE_PREFIX })
  if (!cookie) return undefined
  const known = rememberedAs(cookie)
  if (known) return known.member
  const since = forgottenSoFar()
  const found = await auth().api.getSession({ headers })
  if (!found?.user.salonId || isFromTheFuture(found.session)) return undefined
  const member = await readMember(found.user.salonId, found.user.id, found.session.tabletId ?? undefined)
  if (member) remember(cookie, member, found.session, since)
  return member
}

/** A session begun later than this ahead of now, ms, was begun by a clock that was wrong. Our estimate. */
const AHEAD_MS = 10 * 60_000

/** Whether the clock was wrong when a session began: it would be good until long after the day it was meant for. */
const isFromTheFuture = ({ createdAt }: { createdAt: Date }): boolean => createdAt.getTime() > Date.now() + AHEAD_MS

async function readMember(
  salonId: string,
  userId: string,
  tabletId: string | undefined,
): Promise<StaffMember | undefined> {
  const tablet = tabletId ? await tabletBy(salonId, tabletId) : null
  // Whoever was signed in on a tablet that is shared no more is not any longer.
  if (tablet === undefined) return undefined
  const [found] = await database()
    .select({
      salonId: staff.salonId,
      id: staff.id,
      name: staff.name,
      role: staff.role,
      units: salon.units,
      timeZone: salon.timeZone,
      demo: salon.demo,
      ownersNeedSecondFactor: salon.ownersNeedSecondFactor,
      twoFactorEnabled: user.twoFactorEnabled,
    })
    .from(staff)
    .innerJoin(salon, eq(salon.id, staff.salonId))
    .innerJoin(user, eq(user.id, staff.userId))
    .where(and(eq(staff.salonId, salonId), eq(staff.userId, userId), isNull(staff.deactivatedAt)))
  if (!found) return undefined
  const { ownersNeedSecondFactor, twoFactorEnabled, ...member } = found
  const lacksSecondFactor = member.role === 'owner' && ownersNeedSecondFactor && !twoFactorEnabled
  return { ...member, lacksSecondFactor, tablet: tablet && { id: tablet.id, lockAfterMin: tablet.lockAfterMin } }
}

/**
 * Whether anybody on this machine may come in with one tap: only where nothing but the demo's data is kept, and only on
 * the machine itself. What comes through a proxy says so in its headers, so a salon's network does not count as it.
 */
export async function demoIsOpen(headers: Headers): Promise<boolean> {
  if (!setting('FALTO_DEMO_PASSWORD') || !isOnThisMachine(headers)) return false
  const kinds = await database().selectDistinct({ demo: salon.demo }).from(salon)
  return kinds.length === 1 && kinds[0]!.demo
}
