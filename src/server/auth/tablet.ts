import { and, eq, gt, type SQL } from 'drizzle-orm'
import { parseCookies } from 'better-auth/cookies'
import { database, sharedTablet } from '@/db'
import { partsOf } from '../words'

/** Which cookie says that a device is a shared tablet, and which one. */
export const TABLET_COOKIE = 'falto.tablet'

export interface Tablet {
  salonId: string
  id: string
  name: string
  lockAfterMin: number
}

/** The shared tablet that asks, or undefined for any other device. */
export async function tabletOf(headers: Headers): Promise<Tablet | undefined> {
  const parts = partsOf(parseCookies(headers.get('cookie') ?? '').get(TABLET_COOKIE) ?? '')
  return parts && stillShared(parts.salonId, eq(sharedTablet.tokenHash, parts.hash))
}

/** The tablet that a session was begun on, while it is shared. */
export const tabletBy = (salonId: string, id: string): Promise<Tablet | undefined> =>
  stillShared(salonId, eq(sharedTablet.id, id))

async function stillShared(of: string, which: SQL): Promise<Tablet | undefined> {
  const { salonId, id, name, lockAfterMin, expiresAt } = sharedTablet
  const [found] = await database()
    .select({ salonId, id, name, lockAfterMin })
    .from(sharedTablet)
    .where(and(eq(salonId, of), which, gt(expiresAt, new Date())))
  return found
}
