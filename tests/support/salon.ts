import { eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { STAFF_ROLES, type StaffRole } from '@/core/model'
import { database, inTransaction, salon, user } from '@/db'
import { auth } from '@/server/auth'
import { addPerson, passwordHash } from '@/server/salons'
import { call, deviceWith, type Device } from './server'

export const SALON_PASSWORD = 'a word for everybody here'

export interface TestSalon {
  id: string
  devices: Record<StaffRole, Device>
  emails: Record<StaffRole, string>
}

/**
 * A salon of a test's own with one person of each role, signed in. It counts as invented, so that the demo stays open.
 */
export async function newSalon(): Promise<TestSalon> {
  const id = newId()
  const hash = await passwordHash(SALON_PASSWORD)
  const emails = Object.fromEntries(STAFF_ROLES.map((role) => [role, `${role}-${id}@salon.invalid`]))
  await inTransaction(async (tx) => {
    await tx.insert(salon).values({ id, name: `Salon ${id}`, demo: true })
    for (const role of STAFF_ROLES)
      await addPerson(tx, {
        salonId: id,
        id: newId(),
        name: `The ${role}`,
        email: emails[role]!,
        role,
        passwordHash: hash,
      })
  })
  const devices = await Promise.all(STAFF_ROLES.map((role) => deviceFor(emails[role]!)))
  return {
    id,
    emails: emails as TestSalon['emails'],
    devices: Object.fromEntries(STAFF_ROLES.map((role, i) => [role, devices[i]!])) as TestSalon['devices'],
  }
}

/**
 * A device on which somebody is signed in already. Signing in by the door is counted by address, and all tests have the
 * same one.
 */
async function deviceFor(email: string): Promise<Device> {
  const [found] = await database().select({ id: user.id }).from(user).where(eq(user.email, email))
  const begun = await auth().api.beginSession({ body: { userId: found!.id }, headers: new Headers(), asResponse: true })
  return deviceWith(begun)
}

/** Signs in with e-mail and password. @throws Error with the answer */
export async function signInAs(email: string, password = SALON_PASSWORD): Promise<Device> {
  const answer = await call('POST', '/api/auth/sign-in/email', { email, password })
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  return deviceWith(answer)
}

export const closeDatabase = () => database().$client.end()
