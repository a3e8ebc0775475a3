import { createHash } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { Transaction } from '@/db'
import { bytesOf } from '../pictures'

/**
 * What lets somebody in stays where it is: links, PINs, shared devices. They are made anew at the other place. And so
 * does what is still to be taken out of a store.
 */
const STAYS = ['invitation', 'calendar_feed', 'shared_tablet', 'staff_pin', 'picture_leaving']

export interface SalonTable {
  name: string
  /** What is written into it; a column that the database works out itself is not. */
  columns: string[]
  /** By which its rows are put in an order that is the same everywhere. */
  key: string[]
  /** Rows that are read at once: fewer where they hold pictures. */
  atOnce: number
}

type TableRow = {
  name: string
  columns: string[]
  key: string[]
  /** Tables that it points at. */
  needs: string[]
  pictures: boolean
}

const ROWS_AT_ONCE = 500
const PICTURES_AT_ONCE = 4

/**
 * Every table with rows of a salon, from the database's own catalogue, so that a new one cannot be forgotten: what
 * points at something comes after it.
 */
export async function tablesOfSalon(tx: Transaction): Promise<SalonTable[]> {
  const { rows: tables } = await tx.execute<TableRow>(sql`
    select cl.relname::text as name,
      (select array_agg(attname::text order by attnum) from pg_attribute
        where attrelid = cl.oid and attnum > 0 and not attisdropped and attgenerated = '') as columns,
      (select array_agg(att.attname::text order by place)
        from pg_constraint con, unnest(con.conkey) with ordinality as k(number, place)
        join pg_attribute att on att.attnum = k.number
        where con.conrelid = cl.oid and con.contype = 'p' and att.attrelid = cl.oid) as key,
      coalesce((select array_agg(distinct target.relname::text) from pg_constraint con
        join pg_class target on target.oid = con.confrelid
        where con.conrelid = cl.oid and con.contype = 'f' and con.confrelid <> cl.oid), '{}') as needs,
      exists (select from pg_attribute where attrelid = cl.oid and atttypid = 'bytea'::regtype) as pictures
    from pg_class cl join pg_namespace ns on ns.oid = cl.relnamespace
    where ns.nspname = 'public' and cl.relkind = 'r' and (cl.relname = 'salon' or exists (
      select from pg_attribute where attrelid = cl.oid and attname = 'salon_id'))
    order by 1`)
  const moved = tables.filter(({ name }) => !STAYS.includes(name))
  const ordered: typeof moved = []
  while (ordered.length < moved.length) {
    const ready = moved.filter(
      (table) =>
        !ordered.includes(table) &&
        table.needs.every(
          (needed) => ordered.some(({ name }) => name === needed) || !moved.some(({ name }) => name === needed),
        ),
    )
    if (ready.length === 0) throw new Error('Tables point at each other in a circle.')
    ordered.push(...ready)
  }
  return ordered.map(({ name, columns, key, pictures }) => ({
    name,
    columns,
    key,
    atOnce: pictures ? PICTURES_AT_ONCE : ROWS_AT_ONCE,
  }))
}

/** Rows of one table as JSON, a line each, in the order of their keys; without what lets somebody in. */
export async function* rowsOf(tx: Transaction, table: SalonTable, salonId: string): AsyncGenerator<string[]> {
  const { name, key, atOnce } = table
  const whose = sql.identifier(name === 'salon' ? 'id' : 'salon_id')
  // The second factor is read with a secret that stays behind.
  const row = name === 'user' ? sql`to_jsonb(t) || '{"two_factor_enabled": false}'` : sql`to_jsonb(t)`
  const order = sql.join(
    key.map((column) => sql`t.${sql.identifier(column)}`),
    sql`, `,
  )
  await tx.execute(
    sql`declare moving no scroll cursor for select (${row})::text as row from ${sql.identifier(name)} t
      where t.${whose} = ${salonId} order by ${order}`,
  )
  for (;;) {
    const { rows } = await tx.execute<{ row: string }>(sql.raw(`fetch ${atOnce} from moving`))
    if (rows.length === 0) break
    yield await Promise.all(rows.map(async (one) => (name === 'picture_bytes' ? withBytes(one.row) : one.row)))
  }
  await tx.execute(sql`close moving`)
}

const AWAY = '"data": null'

/** The row of a picture with its bytes, as the database would write them. */
async function withBytes(row: string): Promise<string> {
  if (!row.includes(AWAY)) return row
  const { salon_id: salonId, picture_id: pictureId, size, sha256 } = JSON.parse(row) as Record<string, string>
  const data = await bytesOf({ data: null, sha256: sha256! }, { salonId: salonId!, pictureId: pictureId!, size: size! })
  return row.replace(AWAY, `"data": "\\\\x${data.toString('hex')}"`).replace(`"sha256": "${sha256}"`, '"sha256": null')
}

/** What a table's rows come to: how many, and the SHA-256 of all of them. */
export function summing() {
  const hash = createHash('sha256')
  let rows = 0
  return {
    add(row: string): void {
      hash.update(row).update('\n')
      rows += 1
    },
    close: () => `${rows} ${hash.digest('hex')}`,
  }
}
