/** Salons themselves: how one comes into being. */
import { eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { STARTING_RATES } from '@/core/product/money'
import { AS_KEPT } from '@/core/units'
import { account, inTransaction, salon, salonRates, staff, user } from '@/db'
import { auth, type StaffMember } from '../auth'
import { timeZoneHere } from '../days'
import { AppError } from '../errors'

/** Shortest password that an owner may choose, characters. Common practice. */
export const SHORTEST_PASSWORD = 10

export interface NewSalon {
  name: string
  owner: { name: string; email: string; password: string }
}

/**
 * Makes a salon with its owner and an empty shelf. From then on nobody comes into this installation's demo with one
 * tap.
 * @returns the owner, as a member of staff
 * @throws AppError 422 for what cannot be taken, 409 when somebody signs in with that e-mail already
 */
export async function makeSalon({ name, owner }: NewSalon): Promise<StaffMember> {
  const email = owner.email.trim().toLowerCase()
  if (!/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email)) throw refused(`“${owner.email}” is not an e-mail address.`)
  if (owner.password.length < SHORTEST_PASSWORD)
    throw refused(`The password needs at least ${SHORTEST_PASSWORD} characters.`)
  if (!name.trim()) throw refused('The salon needs a name.')
  const password = await (await auth().$context).password.hash(owner.password)
  const member: StaffMember = {
    salonId: newId(),
    id: newId(),
    name: owner.name.trim() || email,
    role: 'owner',
    units: AS_KEPT,
    timeZone: timeZoneHere(),
    demo: false,
  }
  const { salonId, timeZone } = member
  await inTransaction(async (tx) => {
    const [taken] = await tx.select({ id: user.id }).from(user).where(eq(user.email, email))
    if (taken)
      throw new AppError(409, 'taken', `Somebody signs in with ${email} already. Choose another e-mail address.`)
    const userId = newId()
    await tx.insert(salon).values({ id: salonId, name: name.trim(), timeZone })
    await tx.insert(user).values({ id: userId, name: member.name, email, emailVerified: true })
    await tx.insert(account).values({ id: newId(), accountId: userId, providerId: 'credential', userId, password })
    await tx.insert(staff).values({ salonId, id: member.id, userId, name: member.name, role: 'owner' })
    await tx.insert(salonRates).values({ salonId, rates: STARTING_RATES })
  })
  return member
}

const refused = (message: string): AppError => new AppError(422, 'invalid', message)
