/** Salons themselves: how one comes into being. */
import { createHash, timingSafeEqual } from 'node:crypto'
import { count, eq, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import type { StaffRole } from '@/core/model'
import { STARTING_RATES } from '@/core/product/money'
import { AS_KEPT, type ReadingUnits } from '@/core/units'
import { account, database, inTransaction, salon, salonRates, staff, user, type Transaction } from '@/db'
import { PASSWORD, type SetUpDto } from '@/dto'
import { auth, refuseEasyPassword, type StaffMember } from '../auth'
import { timeZoneHere } from '../days'
import { AppError, invalidAt } from '../errors'
import { setting } from '../settings'

export interface NewSalon {
  name: string
  owner: { name: string; email: string; password: string }
  country?: string
  currency?: string
  timeZone?: string
  units?: ReadingUnits
  /** Refuse where a salon is kept already. */
  onlyAsFirst?: boolean
}

/** Name of the lock under which salons are made; any number that nothing else takes. */
const MAKING_LOCK = 431018

/**
 * Makes a salon with its owner and an empty shelf.
 * @returns the owner, as a member of staff
 * @throws AppError 422 for what cannot be taken, 409 beside the demo, and when somebody signs in with that e-mail
 */
export async function makeSalon({
  name,
  owner,
  country = '',
  currency = STARTING_RATES.currency,
  timeZone = timeZoneHere(),
  units = AS_KEPT,
  onlyAsFirst = false,
}: NewSalon): Promise<StaffMember> {
  const email = owner.email.trim().toLowerCase()
  if (!/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email)) throw refused(`“${owner.email}” is not an e-mail address.`)
  if (owner.password.length < PASSWORD.shortest)
    throw refused(`The password needs at least ${PASSWORD.shortest} characters.`)
  if (!name.trim()) throw refused('The salon needs a name.')
  await refuseEasyPassword(owner.password, [name, owner.name, email])
  const hash = await passwordHash(owner.password)
  const member: StaffMember = {
    salonId: newId(),
    id: newId(),
    name: owner.name.trim() || email,
    role: 'owner',
    units,
    timeZone,
    demo: false,
    lacksSecondFactor: false,
    tablet: null,
  }
  const { salonId } = member
  await inTransaction(async (tx) => {
    // One after the other, so that two who set up at once do not both make the first salon.
    await tx.execute(sql`select pg_advisory_xact_lock(${MAKING_LOCK})`)
    if (onlyAsFirst) {
      const [any] = await tx.select({ id: salon.id }).from(salon).limit(1)
      if (any) throw nothingToSetUp()
    }
    const [demo] = await tx.select({ id: salon.id }).from(salon).where(eq(salon.demo, true))
    if (demo)
      throw new AppError(
        409,
        'demo',
        'The invented salon is kept here, and a real one never stands beside it. Set FALTO_DATA to another folder.',
      )
    await tx.insert(salon).values({ id: salonId, name: name.trim(), timeZone, units, country })
    await addPerson(tx, { salonId, id: member.id, name: member.name, email, role: 'owner', passwordHash: hash })
    await tx.insert(salonRates).values({ salonId, rates: { ...STARTING_RATES, currency } })
  })
  return member
}

export const passwordHash = async (password: string): Promise<string> => (await auth().$context).password.hash(password)

/** Somebody who signs in with e-mail and password. @throws AppError 409 when somebody does with that e-mail already */
export async function addPerson(
  tx: Transaction,
  person: { salonId: string; id: string; name: string; email: string; role: StaffRole; passwordHash: string },
): Promise<void> {
  const { salonId, id, name, email, role, passwordHash: password } = person
  const userId = newId()
  const made = await tx
    .insert(user)
    .values({ id: userId, name, email, emailVerified: true, salonId })
    .onConflictDoNothing({ target: user.email })
    .returning({ id: user.id })
  if (made.length === 0)
    throw new AppError(409, 'taken', `Somebody signs in with ${email} already. Choose another e-mail address.`)
  await giveCredential(tx, userId, password)
  await tx.insert(staff).values({ salonId, id, userId, name, role })
}

/** Lets somebody sign in with a password. */
export async function giveCredential(tx: Transaction, userId: string, password: string): Promise<void> {
  await tx.insert(account).values({ id: newId(), accountId: userId, providerId: 'credential', userId, password })
}

const digest = (words: string): Buffer => createHash('sha256').update(words).digest()

/** Whether a key opens the set-up of this installation's first salon: only while there is none. */
export async function maySetUp(key: string): Promise<boolean> {
  const wanted = setting('FALTO_SETUP_KEY')
  if (!wanted || !timingSafeEqual(digest(key), digest(wanted))) return false
  const [{ salons }] = (await database().select({ salons: count() }).from(salon)) as [{ salons: number }]
  return salons === 0
}

/** Whether this installation waits for its first salon. */
export const waitsForSetUp = (): Promise<boolean> => maySetUp(setting('FALTO_SETUP_KEY') ?? '')

/**
 * The first salon of an installation, by who has its key.
 * @throws AppError 404 for another key or where a salon is kept already
 */
export async function setUpSalon({ key, salon: name, owner, email, password, ...facts }: SetUpDto): Promise<void> {
  if (!(await maySetUp(key))) throw nothingToSetUp()
  if (!isCurrency(facts.currency)) throw invalidAt('currency', 'is no currency that is known here')
  await makeSalon({ name, owner: { name: owner, email, password }, ...facts, onlyAsFirst: true })
}

const nothingToSetUp = (): AppError =>
  new AppError(404, 'not-found', 'There is nothing to set up here. Sign in, or open the link of the start again.')

const isCurrency = (code: string): boolean => Intl.supportedValuesOf('currency').includes(code)

const refused = (message: string): AppError => new AppError(422, 'invalid', message)
