import { createHash } from 'node:crypto'
import { eq, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { database, rateLimit } from '@/db'
import { AppError } from '../errors'

/** So many wrong passwords in a row are taken for mistyped. Common practice. */
const FREE_TRIES = 5
/** After that one waits, twice as long each time, min. Our estimate: long for a machine, short for its owner. */
const FIRST_WAIT_MIN = 1
const LONGEST_WAIT_MIN = 30
/** Tries are forgotten after so long, h. */
const FORGOTTEN_H = 24

const MINUTE_MS = 60_000

/** What is tried for whom. The name itself is not kept: who has no account leaves no trace of an e-mail. */
const WAYS = {
  'e-mail': (minutes: number) =>
    `Too many wrong passwords for this e-mail. Wait ${minutes} min and try again, or have a new password sent to you.`,
  pin: (minutes: number) => `Too many wrong PINs. Wait ${minutes} min, or sign in with your e-mail and password.`,
} as const
type Way = keyof typeof WAYS

const keyOf = (way: Way, name: string): string =>
  `${way} ${createHash('sha256').update(name.trim().toLowerCase()).digest('hex')}`

/**
 * Counts a try before it is made, so that many at once are many, and refuses it where too many went wrong. The address
 * that tries is counted apart; this one cannot be got round by changing it.
 * @throws AppError 429 with how long to wait
 */
export async function countTry(way: Way, name: string, now: number = Date.now()): Promise<void> {
  const { count, lastRequest } = rateLimit
  const waitMs = sql`least(${LONGEST_WAIT_MIN * MINUTE_MS}, ${FIRST_WAIT_MIN * MINUTE_MS} * power(2, least(${count} - ${FREE_TRIES}, 20)))`
  const waits = sql`(${count} >= ${FREE_TRIES} and ${now} - ${lastRequest} < ${waitMs})`
  const [kept] = await database()
    .insert(rateLimit)
    .values({ id: newId(), key: keyOf(way, name), count: 1, lastRequest: now })
    .onConflictDoUpdate({
      target: rateLimit.key,
      set: {
        count: sql`case when ${now} - ${lastRequest} > ${FORGOTTEN_H * 60 * MINUTE_MS} then 1
          when ${waits} then ${count} else ${count} + 1 end`,
        lastRequest: sql`case when ${waits} then ${lastRequest} else ${now} end`,
      },
    })
    .returning({ count, lastRequest, waitMs: sql<number>`(${waitMs})::float8` })
  if (kept!.lastRequest === now) return
  const minutes = Math.ceil((kept!.waitMs - (now - kept!.lastRequest)) / MINUTE_MS)
  throw new AppError(429, 'too-many-tries', WAYS[way](minutes))
}

/** It was the right one. */
export const forgetTries = (way: Way, name: string): Promise<unknown> =>
  database()
    .delete(rateLimit)
    .where(eq(rateLimit.key, keyOf(way, name)))
