import { and, asc, eq, isNull } from 'drizzle-orm'
import { verifyPassword } from 'better-auth/crypto'
import type { TabletPerson } from '@/core/model'
import { database, session, staff, staffPin } from '@/db'
import type { TakeOverDto } from '@/dto'
import { auth, countTry, forget, forgetTries, tabletOf, type Tablet } from '../auth'
import { AppError, invalidAt } from '../errors'

const withPin = (salonId: string) =>
  database()
    .select({ id: staff.id, name: staff.name, role: staff.role, userId: staff.userId, hash: staffPin.hash })
    .from(staff)
    .innerJoin(staffPin, and(eq(staffPin.salonId, staff.salonId), eq(staffPin.staffId, staff.id)))
    .where(and(eq(staff.salonId, salonId), isNull(staff.deactivatedAt)))
    .orderBy(asc(staff.name), asc(staff.id))

/** The shared tablet that asks, and who can take it over; nobody, and no name, on any other device. */
export async function peopleOf(headers: Headers): Promise<{ tablet: string | null; people: TabletPerson[] }> {
  const tablet = await tabletOf(headers)
  if (!tablet) return { tablet: null, people: [] }
  const people = await withPin(tablet.salonId)
  return { tablet: tablet.name, people: people.map(({ id, name, role }) => ({ id, name, role })) }
}

/**
 * Somebody takes the tablet over by her PIN; whoever was signed in on it before is not any longer.
 * @returns the answer, with the cookies of her session
 * @throws AppError 404 on a device that is not shared, 422 at a PIN that is wrong, 429 after too many
 */
export async function takeOver(headers: Headers, { staffId, pin }: TakeOverDto): Promise<Response> {
  const tablet = await tabletOf(headers)
  if (!tablet) throw new AppError(404, 'not-found', 'This device is not shared any more. Sign in with your e-mail.')
  const userId = await recognised(tablet, staffId, pin)
  const before = await auth().api.getSession({ headers })
  const answer = await auth().api.beginSession({ body: { userId }, headers, asResponse: true })
  if (before) {
    await database().delete(session).where(eq(session.id, before.session.id))
    forget('session', before.session.id)
  }
  return answer
}

/** @returns the user whose PIN it is */
async function recognised({ salonId }: Tablet, staffId: string, pin: string): Promise<string> {
  const who = `${salonId} ${staffId}`
  await countTry('pin', who)
  const person = (await withPin(salonId)).find(({ id }) => id === staffId)
  if (!person || !(await verifyPassword({ hash: person.hash, password: pin })))
    throw invalidAt('pin', 'is not the PIN of who was chosen')
  await forgetTries('pin', who)
  return person.userId
}
