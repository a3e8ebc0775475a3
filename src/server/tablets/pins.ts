import { and, eq } from 'drizzle-orm'
import { database, staffPin } from '@/db'
import type { OwnPinDto } from '@/dto'
import { auth, countTry, forgetTries, type StaffMember } from '../auth'
import { invalidAt } from '../errors'
import { passwordHash } from '../salons'

const ofMember = ({ salonId, id }: StaffMember) => and(eq(staffPin.salonId, salonId), eq(staffPin.staffId, id))

/** Since when somebody has a PIN. */
export async function hasPin(member: StaffMember): Promise<{ since: string | null }> {
  const [found] = await database().select({ since: staffPin.createdAt }).from(staffPin).where(ofMember(member))
  return { since: found?.since.toISOString() ?? null }
}

/**
 * Keeps one's PIN, or another in its place.
 * @param headers of the request, by whose session the password is asked
 * @throws AppError 422 at the password where it is wrong, 429 after too many
 */
export async function setPin(member: StaffMember, headers: Headers, { password, pin }: OwnPinDto): Promise<object> {
  // Whoever stands at an open tablet may try passwords here as well as at the door.
  await countTry('e-mail', member.id)
  const right = await auth()
    .api.verifyPassword({ body: { password }, headers })
    .then(
      ({ status }) => status,
      () => false,
    )
  if (!right) throw invalidAt('password', 'is not your password')
  await forgetTries('e-mail', member.id)
  const set = { hash: await passwordHash(pin), createdAt: new Date() }
  await database()
    .insert(staffPin)
    .values({ salonId: member.salonId, staffId: member.id, ...set })
    .onConflictDoUpdate({ target: [staffPin.salonId, staffPin.staffId], set })
  return {}
}

/** Takes one's PIN away: on shared tablets she signs in by her password. */
export async function removePin(member: StaffMember): Promise<object> {
  await database().delete(staffPin).where(ofMember(member))
  return {}
}
