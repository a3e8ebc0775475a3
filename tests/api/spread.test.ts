import { database } from '@/db'

/**
 * The schema runs unchanged where its rows are spread over machines by salon: read from the database's own catalogue.
 */
afterAll(() => database().$client.end())

/** Small tables that stand beside the salons' own on every machine: who signs in, before her salon is known. */
const EVERYWHERE = ['user', 'session', 'account', 'verification', 'two_factor', 'rate_limit']
/** The salon itself is found by its own key. */
const ROOT = 'salon'

interface Constraint {
  table: string
  name: string
  kind: 'p' | 'u' | 'f'
  columns: string[]
  target: string | null
}

async function constraints(): Promise<Constraint[]> {
  const { rows } = await database().$client.query<Constraint>(`
    select cl.relname as "table", con.conname as name, con.contype as kind, target.relname as target,
      (select array_agg(att.attname::text order by place) from unnest(con.conkey) with ordinality as key(number, place)
        join pg_attribute att on att.attrelid = con.conrelid and att.attnum = key.number) as columns
    from pg_constraint con join pg_class cl on cl.oid = con.conrelid join pg_namespace ns on ns.oid = cl.relnamespace
    left join pg_class target on target.oid = con.confrelid
    where ns.nspname = 'public' and con.contype in ('p', 'u', 'f')`)
  return rows
}

async function uniqueIndexes(): Promise<{ table: string; name: string; columns: string[] }[]> {
  const { rows } = await database().$client.query(`
    select cl.relname as "table", ix.relname as name,
      (select array_agg(att.attname::text order by place) from unnest(i.indkey::int2[]) with ordinality as key(number, place)
        join pg_attribute att on att.attrelid = i.indrelid and att.attnum = key.number) as columns
    from pg_index i join pg_class cl on cl.oid = i.indrelid join pg_class ix on ix.oid = i.indexrelid
    join pg_namespace ns on ns.oid = cl.relnamespace
    where ns.nspname = 'public' and i.indisunique`)
  return rows as { table: string; name: string; columns: string[] }[]
}

const isSpread = (table: string): boolean => !EVERYWHERE.includes(table) && table !== ROOT

it('every primary key and every unique index of a spread table begins with the salon', async () => {
  const keys = (await constraints()).filter(({ table, kind }) => kind !== 'f' && isSpread(table))
  expect(new Set(keys.map(({ table }) => table)).size).toBeGreaterThan(20)
  const wrong = [...keys, ...(await uniqueIndexes()).filter(({ table }) => isSpread(table))]
    .filter(({ columns }) => columns[0] !== 'salon_id')
    .map(({ table, name }) => `${table}.${name}`)
  expect(wrong).toEqual([])
})

it('every foreign key stays within a salon, or points at a table that is everywhere', async () => {
  const wrong = (await constraints())
    .filter(({ table, kind, target, columns }) => {
      if (kind !== 'f' || !isSpread(table)) return false
      return target !== ROOT && isSpread(target!) && columns[0] !== 'salon_id'
    })
    .map(({ table, name }) => `${table}.${name}`)
  expect(wrong).toEqual([])
})

it('every table has a primary key, without which its rows cannot be told apart on another machine', async () => {
  const { rows } = await database().$client.query<{ relname: string }>(`
    select relname from pg_class cl join pg_namespace ns on ns.oid = cl.relnamespace
    where ns.nspname = 'public' and cl.relkind = 'r'
      and not exists (select 1 from pg_constraint con where con.conrelid = cl.oid and con.contype = 'p')`)
  expect(rows).toEqual([])
})
