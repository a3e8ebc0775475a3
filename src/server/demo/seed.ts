import { count } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { account, client, database, plan, planVersion, salon, staff, user } from '@/db'
import { auth } from '../auth'
import { log } from '../http'
import { DEMO_CLIENTS, DEMO_SALON, DEMO_STAFF } from './scenario'

/** Fills an empty database with the demo salon, once. @returns what happened, as a sentence */
export async function seedDemo(password: string): Promise<string> {
  const [existing] = await database().select({ salons: count() }).from(salon)
  if (existing!.salons > 0) return 'Demo data is there already; left as it is.'
  const { password: hashing } = await auth().$context
  const salonId = newId()
  const staffIds = DEMO_STAFF.map(() => newId())
  const hashes = await Promise.all(DEMO_STAFF.map(() => hashing.hash(password)))
  await database().transaction(async (tx) => {
    await tx.insert(salon).values({ id: salonId, name: DEMO_SALON })
    for (const [i, member] of DEMO_STAFF.entries()) {
      const userId = newId()
      await tx.insert(user).values({ id: userId, name: member.name, email: member.email, emailVerified: true })
      await tx.insert(account).values({ id: newId(), accountId: userId, providerId: 'credential', userId, password: hashes[i]! })
      await tx.insert(staff).values({ salonId, id: staffIds[i]!, userId, name: member.name, role: member.role })
    }
    for (const demo of DEMO_CLIENTS) {
      const clientId = newId()
      const planId = newId()
      const document = demo.plan(newId)
      await tx.insert(client).values({ salonId, id: clientId, name: demo.name, note: demo.note, head: demo.head, hair: demo.hair })
      await tx.insert(plan).values({ salonId, id: planId, clientId, name: document.name, document })
      await tx.insert(planVersion).values({ salonId, planId, number: 1, label: 'Demo', document, staffId: staffIds[0]! })
    }
  })
  log.info({ salonId }, 'demo data made')
  return `Made demo data: ${DEMO_SALON}, ${DEMO_STAFF.length} people, ${DEMO_CLIENTS.length} clients.`
}
