import { and, eq, gt, isNull, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { database, inTransaction, invitation, salon, user } from '@/db'
import type { InvitationDto, JoinDto } from '@/dto'
import { refuseEasyPassword, requirePermission, type StaffMember } from '../auth'
import { AppError, invalidAt, notFound } from '../errors'
import { isUuid } from '../http'
import { sendMail } from '../mail'
import { addPerson, passwordHash } from '../salons'
import { setting } from '../settings'
import { newWord, partsOf } from '../words'

/** An invitation is good for so long, days. Common practice. */
const GOOD_DAYS = 7
const DAY_MS = 86_400_000

/**
 * Asks somebody to join: a letter goes out with a link that works once.
 * @returns the link too, to be handed over where there is no mail
 * @throws AppError 422 at the e-mail where somebody signs in with it already
 */
export async function invite(
  member: StaffMember,
  { name, email, role }: InvitationDto,
): Promise<{ id: string; link: string }> {
  requirePermission(member, 'team')
  const to = email.trim().toLowerCase()
  const [taken] = await database().select({ id: user.id }).from(user).where(eq(user.email, to))
  if (taken) throw invalidAt('email', 'signs in to Falto already; choose another address')
  const { word, hash } = newWord(member.salonId)
  const id = newId()
  await database()
    .insert(invitation)
    .values({
      salonId: member.salonId,
      id,
      tokenHash: hash,
      email: to,
      name,
      role,
      invitedBy: member.id,
      expiresAt: new Date(Date.now() + GOOD_DAYS * DAY_MS),
    })
  const [{ salonName }] = (await database()
    .select({ salonName: salon.name })
    .from(salon)
    .where(eq(salon.id, member.salonId))) as [{ salonName: string }]
  const link = `${new URL(`/join?token=${word}`, setting('BETTER_AUTH_URL'))}`
  await sendMail({
    to,
    subject: `${member.name} asks you to join ${salonName} on Falto`,
    text: [
      `Dear ${name},`,
      `${member.name} asks you to join ${salonName} on Falto as ${role}. Choose your password here within ${GOOD_DAYS} days:`,
      link,
      'The link works once.',
    ],
  })
  return { id, link }
}

/** Takes an invitation back. */
export async function closeInvitation(member: StaffMember, id: string): Promise<object> {
  requirePermission(member, 'team')
  const closed = isUuid(id)
    ? await database()
        .update(invitation)
        .set({ closedAt: new Date() })
        .where(and(eq(invitation.salonId, member.salonId), eq(invitation.id, id), isNull(invitation.closedAt)))
        .returning({ id: invitation.id })
    : []
  if (closed.length === 0) throw notFound('invitation')
  return {}
}

const gone = (): AppError =>
  new AppError(404, 'not-found', 'This invitation is not good any more. Ask the salon’s owner for a new one.')

/** @throws AppError 404 for a word that never was one */
function stillGood(word: string) {
  const parts = partsOf(word)
  if (!parts) throw gone()
  return and(
    eq(invitation.salonId, parts.salonId),
    eq(invitation.tokenHash, parts.hash),
    isNull(invitation.closedAt),
    gt(invitation.expiresAt, sql`now()`),
  )
}

/** What an invitation says to whom it was sent. @throws AppError 404 */
export async function invitationOf(
  token: string,
): Promise<{ salon: string; name: string; email: string; role: string }> {
  const [found] = await database()
    .select({ salon: salon.name, name: invitation.name, email: invitation.email, role: invitation.role })
    .from(invitation)
    .innerJoin(salon, eq(salon.id, invitation.salonId))
    .where(stillGood(token))
  if (!found) throw gone()
  return found
}

/**
 * Whoever was invited becomes a member of staff, once.
 * @returns the e-mail to sign in with
 * @throws AppError 404 for an invitation that is used, taken back, too old or made up, 422 for an easy password
 */
export async function join({ token, name, password }: JoinDto): Promise<{ email: string }> {
  // A made-up word costs its sender more than us.
  const { salon: salonName, email } = await invitationOf(token)
  await refuseEasyPassword(password, [salonName, name, email])
  const hash = await passwordHash(password)
  return inTransaction(async (tx) => {
    const [used] = await tx.update(invitation).set({ closedAt: new Date() }).where(stillGood(token)).returning()
    if (!used) throw gone()
    const { salonId, email, role } = used
    await addPerson(tx, { salonId, id: newId(), name, email, role, passwordHash: hash })
    return { email }
  })
}
