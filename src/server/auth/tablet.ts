import { and, eq, gt } from 'drizzle-orm'
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

const FIELDS = {
  salonId: sharedTablet.salonId,
  id: sharedTablet.id,
  name: sharedTablet.name,
  lockAfterMin: sharedTablet.lockAfterMin,
}
const stillShared = () => gt(sharedTablet.expiresAt, new Date())

/** The shared tablet that asks, or undefined for any other device. */
export async function tabletOf(headers: Headers): Promise<Tablet | undefined> {
  const parts = partsOf(parseCookies(headers.get('cookie') ?? '').get(TABLET_COOKIE) ?? '')
  if (!parts) return undefined
  const [found] = await database()
    .select(FIELDS)
    .from(sharedTablet)
    .where(and(eq(sharedTablet.salonId, parts.salonId), eq(sharedTablet.tokenHash, parts.hash), stillShared()))
  return found
}

/** The tablet that a session was begun on, while it is shared. */
export async function tabletBy(salonId: string, id: string): Promise<Tablet | undefined> {
  const [found] = await database()
    .select(FIELDS)
    .from(sharedTablet)
    .where(and(eq(sharedTablet.salonId, salonId), eq(sharedTablet.id, id), stillShared()))
  return found
}
