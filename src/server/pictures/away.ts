import { and, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { database, inTransaction, pictureBytes, pictureLeaving, type Transaction } from '@/db'
import { AppError } from '../errors'
import { sha256 } from './sha256'
import { lost, pictureStore, type PictureKey, type PictureStore } from './store'

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
  throw lost()
}

/** Does a thing for one after the other, each in a transaction of its own, until there is none. @returns how many */
async function oneByOne(next: (tx: Transaction) => Promise<'done' | 'none'>): Promise<number> {
  for (let done = 0; ; done++) if ((await inTransaction(next)) === 'none') return done
}

type Bytes = typeof pictureBytes.$inferSelect

const rowOf = ({ salonId, clientId, pictureId, size }: Bytes) =>
  and(
    eq(pictureBytes.salonId, salonId),
    eq(pictureBytes.clientId, clientId),
    eq(pictureBytes.pictureId, pictureId),
    eq(pictureBytes.size, size),
  )

const keyOf = ({ salonId, pictureId, size }: Bytes): PictureKey => ({ salonId, pictureId, size })
const placeOf = ({ salonId, pictureId, size }: PictureKey): string => `${salonId}/${pictureId}/${size}`

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
  const inDatabase = and(isNotNull(pictureBytes.data), salonId ? eq(pictureBytes.salonId, salonId) : undefined)
  return oneByOne(async (tx) => {
    // While it is on its way nobody else can have it.
    const [row] = await tx.select().from(pictureBytes).where(inDatabase).limit(1).for('update', { skipLocked: true })
    if (!row) return 'none'
    await store.put(keyOf(row), row.mime, row.data!)
    await tx
      .update(pictureBytes)
      .set({ data: null, sha256: sha256(row.data!) })
      .where(rowOf(row))
    return 'done'
  })
}

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

/** How many were found as they were, and where those should be that were not. */
export interface Found {
  good: number
  lost: string[]
}

/**
 * Reads what the store should have of a salon, and does something with each that is as it was.
 * @throws AppError 503 where the store cannot be reached
 */
async function readStored(salonId: string, act: (row: Bytes, data: Buffer) => Promise<unknown>): Promise<Found> {
  const inStore = and(isNull(pictureBytes.data), eq(pictureBytes.salonId, salonId))
  const rows = await database().select().from(pictureBytes).where(inStore)
  const found: Found = { good: 0, lost: [] }
  for (const row of rows)
    try {
      await act(row, await bytesOf(row, keyOf(row)))
      found.good++
    } catch (error) {
      if (!(error instanceof AppError && error.code === lost().code)) throw error
      found.lost.push(placeOf(keyOf(row)))
    }
  return found
}

/** Whether the store has a salon's pictures as they were. */
export const checkStored = (salonId: string): Promise<Found> => readStored(salonId, () => Promise.resolve())

/** Brings a salon's pictures back into the database; the store keeps what it has. */
export const bringBack = (salonId: string): Promise<Found> =>
  readStored(salonId, (row, data) => database().update(pictureBytes).set({ data, sha256: null }).where(rowOf(row)))
