import { and, asc, eq, gt, isNull, max } from 'drizzle-orm'
import { USUAL_SKILLS, type PersonAtHand, type Team, type WorkDay } from '@/core/model'
import { database, inTransaction, invitation, salon, session, staff, user } from '@/db'
import type { SalonDto, TeamMemberDto } from '@/dto'
import { forget, requirePermission, type StaffMember } from '../auth'
import { hoursOn } from '@/core/time/schedule'
import { AppError, invalidAt, notFound } from '../errors'
import { isUuid } from '../http'

/** Everybody who works or worked here, and who was asked to join. */
export async function teamOf(member: StaffMember): Promise<Team> {
  requirePermission(member, 'team')
  const { salonId } = member
  const members = await database()
    .select({
      id: staff.id,
      name: staff.name,
      email: user.email,
      role: staff.role,
      deactivatedAt: staff.deactivatedAt,
      skills: staff.skills,
      week: staff.week,
      secondFactor: user.twoFactorEnabled,
      lastSeen: max(session.updatedAt),
    })
    .from(staff)
    .innerJoin(user, eq(user.id, staff.userId))
    .leftJoin(session, eq(session.userId, user.id))
    .where(eq(staff.salonId, salonId))
    .groupBy(staff.salonId, staff.id, user.id)
    .orderBy(asc(staff.name), asc(staff.id))
  const invitations = await database()
    .select({
      id: invitation.id,
      name: invitation.name,
      email: invitation.email,
      role: invitation.role,
      expiresAt: invitation.expiresAt,
    })
    .from(invitation)
    .where(and(eq(invitation.salonId, salonId), isNull(invitation.closedAt), gt(invitation.expiresAt, new Date())))
    .orderBy(asc(invitation.expiresAt))
  const [own] = await database()
    .select({ needed: salon.ownersNeedSecondFactor })
    .from(salon)
    .where(eq(salon.id, salonId))
  return {
    members: members.map(({ deactivatedAt, lastSeen, skills, ...row }) => ({
      ...row,
      skills: skills ?? USUAL_SKILLS[row.role],
      active: deactivatedAt === null,
      lastSeen: lastSeen?.toISOString() ?? null,
    })),
    invitations: invitations.map((row) => ({ ...row, expiresAt: row.expiresAt.toISOString() })),
    ownersNeedSecondFactor: own!.needed,
  }
}

/**
 * Names somebody, gives her a role, or lets her in no more; her sessions end with it.
 * @throws AppError 409 where nobody would be left to own the salon
 */
export async function changeMember(
  member: StaffMember,
  id: string,
  { name, role, active, skills, week }: TeamMemberDto,
): Promise<object> {
  requirePermission(member, 'team')
  if (!isUuid(id)) throw notFound('member of staff')
  await inTransaction(async (tx) => {
    const everybody = await tx.select().from(staff).where(eq(staff.salonId, member.salonId)).for('no key update')
    const found = everybody.find((one) => one.id === id)
    if (!found) throw notFound('member of staff')
    const owners = everybody.filter((one) =>
      one.id === id ? active && role === 'owner' : one.deactivatedAt === null && one.role === 'owner',
    )
    if (owners.length === 0)
      throw new AppError(409, 'last-owner', 'Somebody has to own the salon. Make somebody else its owner first.')
    const deactivatedAt = active ? null : (found.deactivatedAt ?? new Date())
    await tx
      .update(staff)
      .set({ name, role, deactivatedAt, ...(skills && { skills }), ...(week && { week: eachDayOnce(week) }) })
      .where(and(eq(staff.salonId, member.salonId), eq(staff.id, id)))
    if (!active) await tx.delete(session).where(eq(session.userId, found.userId))
  })
  forget('staff', id)
  return {}
}

/** @throws AppError 422 where a day of the week is named twice */
function eachDayOnce(week: readonly WorkDay[]): WorkDay[] {
  if (new Set(week.map(({ weekday }) => weekday)).size < week.length)
    throw invalidAt('week', 'names a day of the week twice')
  return [...week].sort((one, other) => one.weekday - other.weekday)
}

/** Everybody who works here and can be at hand on a day, with her hours where somebody has said them. */
export async function atHandOn({ salonId }: StaffMember, on: string): Promise<PersonAtHand[]> {
  const rows = await database()
    .select({ id: staff.id, name: staff.name, role: staff.role, skills: staff.skills, week: staff.week })
    .from(staff)
    .where(and(eq(staff.salonId, salonId), isNull(staff.deactivatedAt)))
    .orderBy(asc(staff.name), asc(staff.id))
  return rows.map(({ id, name, role, skills, week }) => ({
    id,
    name,
    skills: skills ?? USUAL_SKILLS[role],
    hours: week === null ? undefined : hoursOn(week, on),
  }))
}

/** What holds for the whole salon. */
export async function changeSalon(
  member: StaffMember,
  { name, ownersNeedSecondFactor, retentionYears }: SalonDto,
): Promise<object> {
  requirePermission(member, 'team')
  const set = {
    ...(name !== undefined && { name }),
    ...(ownersNeedSecondFactor !== undefined && { ownersNeedSecondFactor }),
    ...(retentionYears !== undefined && { retentionYears }),
  }
  if (Object.keys(set).length > 0) await database().update(salon).set(set).where(eq(salon.id, member.salonId))
  forget('salon', member.salonId)
  return {}
}
