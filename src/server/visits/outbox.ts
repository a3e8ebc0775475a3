import { and, desc, eq } from 'drizzle-orm'
import { STARTING_TEMPLATES, unknownWords } from '@/core/record/upkeep'
import type { Outbox } from '@/core/record/visit'
import { client, database, message, messageTemplate, salon, staff } from '@/db'
import type { MessageDto, MessageTemplateDto } from '@/dto'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { invalidAt, notFound } from '../errors'
import { isUuid } from '../http'

/** Messages in one answer, the newest. Our choice. */
const NEWEST = 100

/** What messages of a salon begin with: its name and its own words. */
export async function messageWords(member: StaffMember): Promise<Pick<Outbox, 'salon' | 'templates'>> {
  const [own, [home]] = await Promise.all([
    database()
      .select({ kind: messageTemplate.kind, text: messageTemplate.text })
      .from(messageTemplate)
      .where(eq(messageTemplate.salonId, member.salonId)),
    database().select({ name: salon.name }).from(salon).where(eq(salon.id, member.salonId)),
  ])
  return {
    salon: home!.name,
    templates: { ...STARTING_TEMPLATES, ...Object.fromEntries(own.map(({ kind, text }) => [kind, text])) },
  }
}

/** What was written to clients. Nothing is sent: somebody does that by her own means and says so here. */
export async function outboxOf(member: StaffMember): Promise<Outbox> {
  const [rows, words] = await Promise.all([
    database()
      .select({ message, clientName: client.name, by: staff.name })
      .from(message)
      .innerJoin(client, and(eq(client.salonId, message.salonId), eq(client.id, message.clientId)))
      .innerJoin(staff, and(eq(staff.salonId, message.salonId), eq(staff.id, message.staffId)))
      .where(eq(message.salonId, member.salonId))
      .orderBy(desc(message.at), desc(message.id))
      .limit(NEWEST),
    messageWords(member),
  ])
  return {
    ...words,
    messages: rows.map(({ message: { id, clientId, kind, text, at, sentAt }, clientName, by }) => ({
      ...{ id, kind, text, by },
      client: { id: clientId, name: clientName },
      at: at.toISOString(),
      sentAt: sentAt?.toISOString() ?? null,
    })),
  }
}

/** Puts a message into the outbox. Sent twice it counts once. */
export async function writeMessage(
  member: StaffMember,
  { id, clientId, kind, text }: MessageDto,
): Promise<{ id: string }> {
  requirePermission(member, 'write')
  if (text.trim() === '') throw invalidAt('text', 'There is nothing in it yet.')
  await findClient(member, clientId)
  await database()
    .insert(message)
    .values({ salonId: member.salonId, id, clientId, kind, text, staffId: member.id })
    .onConflictDoNothing()
  return { id }
}

const isMessage = (member: StaffMember, id: string) => and(eq(message.salonId, member.salonId), eq(message.id, id))

/** Somebody says that a message went out, or that it did not. */
export async function setMessageSent(member: StaffMember, id: string, sent: boolean): Promise<object> {
  requirePermission(member, 'write')
  const [changed] = isUuid(id)
    ? await database()
        .update(message)
        .set({ sentAt: sent ? new Date() : null })
        .where(isMessage(member, id))
        .returning({ id: message.id })
    : []
  if (!changed) throw notFound('message')
  return {}
}

export async function dropMessage(member: StaffMember, id: string): Promise<object> {
  requirePermission(member, 'write')
  const [dropped] = isUuid(id)
    ? await database().delete(message).where(isMessage(member, id)).returning({ id: message.id })
    : []
  if (!dropped) throw notFound('message')
  return {}
}

/** Keeps a salon's own words for a kind of message. @throws AppError 422 for a word in braces that there is not */
export async function saveTemplate(member: StaffMember, { kind, text }: MessageTemplateDto): Promise<object> {
  requirePermission(member, 'write')
  const [unknown] = unknownWords(text)
  if (unknown !== undefined)
    throw invalidAt('text', `There is no {${unknown}}. Known are {name}, {salon}, {last}, {from} and {to}.`)
  const set = { text, staffId: member.id, at: new Date() }
  await database()
    .insert(messageTemplate)
    .values({ salonId: member.salonId, kind, ...set })
    .onConflictDoUpdate({ target: [messageTemplate.salonId, messageTemplate.kind], set })
  return {}
}
