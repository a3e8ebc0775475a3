/** Sections that a salon keeps as its own, to lay them out again on any head. */
import { and, asc, eq, isNull } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { createHead, defaultMeasures } from '@/core/scalp/head'
import { checkStage } from '@/core/placement/layout'
import { COUNTS, type OwnLayout, type SavedSections } from '@/core/model'
import { database, salonLayout, staff } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import type { OwnLayoutDto } from '@/dto'
import { AppError, invalidAt, notFound } from '../errors'
import { isUuid } from '../http'

export async function listLayouts(member: StaffMember): Promise<OwnLayout[]> {
  const rows = await database()
    .select({
      id: salonLayout.id,
      name: salonLayout.name,
      sections: salonLayout.sections,
      by: staff.name,
      at: salonLayout.createdAt,
    })
    .from(salonLayout)
    .innerJoin(staff, and(eq(staff.salonId, salonLayout.salonId), eq(staff.id, salonLayout.staffId)))
    .where(and(eq(salonLayout.salonId, member.salonId), isNull(salonLayout.deletedAt)))
    .orderBy(asc(salonLayout.name), asc(salonLayout.id))
    .limit(COUNTS.ownLayouts)
  return rows.map(({ sections, at, ...row }) => ({ ...row, ...sections, at: at.toISOString() }))
}

/** @throws AppError 422 when the sections break a law of layouts, 409 when the name is taken */
export async function saveLayout(member: StaffMember, { name, layout, zones }: OwnLayoutDto): Promise<{ id: string }> {
  requirePermission(member, 'write')
  const sections: SavedSections = { layout, zones }
  const stage = {
    id: 'own',
    kind: 'lighten' as const,
    name,
    layout,
    zones: zones.map((zone) => ({ ...zone, id: zone.role })),
    order: zones.map(({ role }) => role),
  }
  const [problem] = checkStage(createHead(defaultMeasures()), stage)
  if (problem) throw invalidAt(problem.path, problem.message)
  const id = newId()
  await unlessTaken(name, () =>
    database().insert(salonLayout).values({ salonId: member.salonId, id, name, sections, staffId: member.id }),
  )
  return { id }
}

/** @throws AppError 409 when one comes back whose name was taken meanwhile */
export async function setLayoutRemoved(
  member: StaffMember,
  id: string,
  removed: 'removed' | 'present',
): Promise<object> {
  requirePermission(member, 'write')
  if (!isUuid(id)) throw notFound('layout')
  const [changed] = await unlessTaken('', () =>
    database()
      .update(salonLayout)
      .set({ deletedAt: removed === 'removed' ? new Date() : null })
      .where(and(eq(salonLayout.salonId, member.salonId), eq(salonLayout.id, id)))
      .returning({ id: salonLayout.id }),
  )
  if (!changed) throw notFound('layout')
  return {}
}

/** PostgreSQL's code for a value that has to be the only one of its kind. */
const UNIQUE_VIOLATION = '23505'

async function unlessTaken<T>(name: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (!(error instanceof Error && (error.cause as { code?: string } | undefined)?.code === UNIQUE_VIOLATION))
      throw error
    throw new AppError(
      409,
      'name-taken',
      `There are sections${name && ` “${name}”`} of this name already. Choose another name, or remove the others first.`,
    )
  }
}
