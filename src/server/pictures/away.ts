import { and, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { database, inTransaction, pictureBytes, pictureLeaving, type Transaction } from '@/db'
import { AppError } from '../errors'
import { sha256 } from './sha256'
import { pictureStore, type PictureKey, type PictureStore } from './store'

/*
 * A picture is taken into the database, all of it or nothing; where there is a store, its bytes go there afterwards.
 * They are in one place or the other: a row without bytes says that the store has them.
 */

/** @throws AppError 503 where none is set */
function neededStore(): PictureStore {
  const store = pictureStore()
  if (store) return store
  const message = 'Pictures are kept in a store that this Falto was not told of (FALTO_PICTURES_URL).'
  throw new AppError(503, 'pictures-away', message)
}

/** What a row says of where bytes are: here, or with which SHA-256 they were given away. */
export type Whereabouts = Pick<typeof pictureBytes.$inferSelect, 'data' | 'sha256'>

/** The bytes of a picture, wherever they are. @throws AppError 503 where they cannot be reached, or are others */
export async function bytesOf({ data, sha256: was }: Whereabouts, key: PictureKey): Promise<Buffer> {
  if (data) return data
  const kept = await neededStore().get(key)
  if (sha256(kept) === was) return kept
  throw new AppError(503, 'picture-damaged', 'This picture is not as it was kept. Tell whoever runs Falto here.')
}

/** Does a thing for one after the other, each in a transaction of its own, until there is none. @returns how many */
async function oneByOne(next: (tx: Transaction) => Promise<'done' | 'none'>): Promise<number> {
  for (let done = 0; ; done++) if ((await inTransaction(next)) === 'none') return done
}

type Bytes = typeof pictureBytes.$inferSelect

/** Gives each row with bytes, or without, what it should have, while nobody else can. */
const changeEach = (
  which: typeof isNull,
  salonId: string | undefined,
  change: (row: Bytes, key: PictureKey) => Promise<Whereabouts>,
): Promise<number> =>
  oneByOne(async (tx) => {
    const ofSalon = salonId ? eq(pictureBytes.salonId, salonId) : undefined
    const chosen = tx
      .select()
      .from(pictureBytes)
      .where(and(which(pictureBytes.data), ofSalon))
    const [row] = await chosen.limit(1).for('update', { skipLocked: true })
    if (!row) return 'none'
    const own = and(
      eq(pictureBytes.salonId, row.salonId),
      eq(pictureBytes.clientId, row.clientId),
      eq(pictureBytes.pictureId, row.pictureId),
      eq(pictureBytes.size, row.size),
    )
    const { salonId: salon, pictureId, size } = row
    await tx
      .update(pictureBytes)
      .set(await change(row, { salonId: salon, pictureId, size }))
      .where(own)
    return 'done'
  })

/**
 * Brings the bytes of pictures from the database into the store, where there is one.
 * @param salonId of this salon; else of all
 * @returns how many
 */
export function moveOut(salonId?: string): Promise<number> {
  const moved = going.then(() => moveAll(salonId))
  going = moved.catch(() => undefined)
  return moved
}

/** One process sends pictures one after the other, whoever asked for it. */
let going: Promise<unknown> = Promise.resolve()

async function moveAll(salonId: string | undefined): Promise<number> {
  const store = pictureStore()
  if (!store) return 0
  return changeEach(isNotNull, salonId, async ({ data, mime }, key) => {
    await store.put(key, mime, data!)
    return { data: null, sha256: sha256(data!) }
  })
}

/** Brings them back into the database; the store keeps what it has. @returns how many */
export const bringBack = (salonId?: string): Promise<number> =>
  changeEach(isNull, salonId, async (row, key) => ({ data: await bytesOf(row, key), sha256: null }))

/** Takes the pictures of a client away. What the store may have of them is noted, for {@link letGo}. */
export async function removePictureBytes(tx: Transaction, salonId: string, clientId: string): Promise<void> {
  const mayBeAway = pictureStore() !== undefined
  await tx.execute(sql`
    with gone as (
      delete from picture_bytes where salon_id = ${salonId} and client_id = ${clientId}
      returning salon_id, picture_id, size, data is null as away
    )
    insert into picture_leaving (salon_id, picture_id, size)
    select salon_id, picture_id, size from gone where away or ${mayBeAway}`)
}

/** Takes out of the store what was erased. @returns how many */
export async function letGo(): Promise<number> {
  const store = pictureStore()
  if (!store) return 0
  return oneByOne(async (tx) => {
    const [key] = await tx.select().from(pictureLeaving).limit(1).for('update', { skipLocked: true })
    if (!key) return 'none'
    await store.remove(key)
    await tx
      .delete(pictureLeaving)
      .where(
        and(
          eq(pictureLeaving.salonId, key.salonId),
          eq(pictureLeaving.pictureId, key.pictureId),
          eq(pictureLeaving.size, key.size),
        ),
      )
    return 'done'
  })
}

/** How many files of pictures are in the database, in the store, and erased but still in it. */
export async function countPictures(): Promise<{ here: number; away: number; leaving: number }> {
  const db = database()
  return {
    here: await db.$count(pictureBytes, isNotNull(pictureBytes.data)),
    away: await db.$count(pictureBytes, isNull(pictureBytes.data)),
    leaving: await db.$count(pictureLeaving),
  }
}

/** Reads what the store should have of a salon. @returns how much of it is as it was, and the keys of what is not */
export async function checkStored(salonId: string): Promise<{ good: number; lost: string[] }> {
  const rows = await database()
    .select()
    .from(pictureBytes)
    .where(and(isNull(pictureBytes.data), eq(pictureBytes.salonId, salonId)))
  const lost: string[] = []
  for (const { pictureId, size, ...where } of rows) {
    const asItWas = await bytesOf(where, { salonId, pictureId, size }).catch(() => undefined)
    if (!asItWas) lost.push(`${salonId}/${pictureId}/${size}`)
  }
  return { good: rows.length - lost.length, lost }
}
