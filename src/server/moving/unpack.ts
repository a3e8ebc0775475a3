import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { createGunzip } from 'node:zlib'
import { asc, eq, ne, sql } from 'drizzle-orm'
import { inTransaction, salon, schemaVersion, staff, user, type Transaction } from '@/db'
import { refuseEasyPassword } from '../auth'
import { AppError } from '../errors'
import { giveCredential, passwordHash } from '../salons'
import { FORMAT, type Head } from './pack'
import { rowsOf, summing, tablesOfSalon, type SalonTable } from './tables'

/** Rows that are put in at once, and the characters of them. */
const BATCH = { rows: 500, characters: 4_000_000 }

export interface TakenIn {
  name: string
  /** So many rows, by table. */
  rows: Record<string, number>
  /** Whom the password lets in. */
  owner: { name: string; email: string }
}

/**
 * Takes a salon in from its file: all of it or nothing, held against what the file says of it when it is there.
 * @param password with which its owner signs in; everybody else chooses one by a letter (“Password forgotten”)
 * @throws AppError 422 for a file that is none, damaged or of another schema, 409 for a salon or an e-mail that is here
 */
export async function unpackSalon(file: string, password: string): Promise<TakenIn> {
  await refuseEasyPassword(password)
  const hash = await passwordHash(password)
  const schema = await schemaVersion()
  return inTransaction(async (tx) => {
    const tables = new Map((await tablesOfSalon(tx)).map((table) => [table.name, table]))
    const reading = readingOf(tx, tables, schema)
    for await (const line of linesOf(file)) await reading.take(line)
    const { head, sums } = reading.close()
    await compare(tx, tables, head.salon.id, sums)
    const rows = Object.fromEntries([...sums].map(([name, sum]) => [name, Number.parseInt(sum)]))
    return { name: head.salon.name, rows, owner: await letIn(tx, head.salon.id, hash) }
  })
}

/** @throws AppError 422 */
async function* linesOf(file: string): AsyncGenerator<string> {
  const bytes = createReadStream(file).pipe(createGunzip())
  try {
    yield* createInterface({ input: bytes, crlfDelay: Infinity })
  } catch (error) {
    throw error instanceof AppError ? error : damaged('cannot be unpacked')
  }
}

const damaged = (why: string): AppError =>
  new AppError(422, 'damaged', `This file ${why}. Nothing was taken in; fetch it once more.`)

/** Takes lines in as they come. */
function readingOf(tx: Transaction, tables: ReadonlyMap<string, SalonTable>, schema: number) {
  const sums = new Map<string, string>()
  let head: Head | undefined
  let table: SalonTable | undefined
  let sum = summing()
  let batch: string[] = []
  let characters = 0
  let ended = false

  async function putIn(): Promise<void> {
    if (batch.length > 0) await insert(tx, table!, batch)
    batch = []
    characters = 0
  }

  async function takeRow(row: string): Promise<void> {
    if (!table) throw damaged('holds a row of no table')
    sum.add(row)
    batch.push(row)
    characters += row.length
    if (batch.length >= BATCH.rows || characters >= BATCH.characters) await putIn()
  }

  const signs: Record<string, (words: string) => Promise<void>> = {
    async head(words) {
      head = await headOf(tx, words, schema)
    },
    async table(name) {
      if (!head) throw damaged('is no file of a salon')
      table = tables.get(name)
      if (!table || sums.has(name)) throw damaged(`holds a table “${name.slice(0, 60)}” that has no place here`)
      sum = summing()
    },
    async sum(words) {
      await putIn()
      if (!table || sum.close() !== words) throw damaged(`is damaged: ${table?.name ?? 'a table'} is not what it was`)
      sums.set(table.name, words)
      table = undefined
    },
    async end() {
      ended = true
    },
  }

  return {
    async take(line: string): Promise<void> {
      const [, sign, words = ''] = /^#(\w+) ?(.*)$/s.exec(line) ?? []
      if (sign === undefined) return takeRow(line)
      const meant = Object.hasOwn(signs, sign) ? signs[sign] : undefined
      if (!meant) throw damaged('is no file of a salon')
      await meant(words)
    },
    close(): { head: Head; sums: ReadonlyMap<string, string> } {
      if (!head || !ended || sums.size < tables.size) throw damaged('is not whole')
      return { head, sums }
    },
  }
}

/** @throws AppError for a file that has no place here */
async function headOf(tx: Transaction, words: string, schema: number): Promise<Head> {
  let head: Head
  try {
    head = JSON.parse(words) as Head
  } catch {
    throw damaged('is no file of a salon')
  }
  if (head.format !== FORMAT) throw damaged('is no file of a salon, or laid out in a way that this Falto does not know')
  if (head.schema !== schema)
    throw new AppError(
      422,
      'schema',
      `This file is of schema ${head.schema}, and here is ${schema}. Bring both places to the same Falto, and pack it anew.`,
    )
  const [same] = await tx.select({ id: salon.id }).from(salon).where(eq(salon.id, head.salon.id))
  if (same) throw new AppError(409, 'taken', 'This salon is kept here already. Nothing was taken in.')
  const [otherKind] = await tx.select({ id: salon.id }).from(salon).where(ne(salon.demo, head.salon.demo)).limit(1)
  if (otherKind)
    throw new AppError(
      409,
      'demo',
      'The invented salon and real ones are never kept beside each other. Set FALTO_DATA to another folder.',
    )
  return head
}

async function insert(tx: Transaction, { name, columns }: SalonTable, rows: readonly string[]): Promise<void> {
  const text = `[${rows.join(',')}]`
  if (name === 'user') await refuseTaken(tx, text)
  const list = sql.join(
    columns.map((column) => sql.identifier(column)),
    sql`, `,
  )
  const table = sql.identifier(name)
  await tx.execute(
    sql`insert into ${table} (${list}) select ${list} from jsonb_populate_recordset(null::${table}, ${text}::jsonb)`,
  )
}

/** @throws AppError 409 naming who signs in here already */
async function refuseTaken(tx: Transaction, users: string): Promise<void> {
  const { rows } = await tx.execute<{ email: string }>(
    sql`select email from ${user} where email in (select value->>'email' from jsonb_array_elements(${users}::jsonb))`,
  )
  if (rows.length > 0)
    throw new AppError(
      409,
      'taken',
      `Somebody signs in here with ${rows.map(({ email }) => email).join(', ')} already. Nothing was taken in.`,
    )
}

/** Reads everything back. @throws Error where it is not what the file says */
async function compare(
  tx: Transaction,
  tables: ReadonlyMap<string, SalonTable>,
  salonId: string,
  sums: ReadonlyMap<string, string>,
): Promise<void> {
  for (const [name, table] of tables) {
    const sum = summing()
    for await (const rows of rowsOf(tx, table, salonId)) rows.forEach(sum.add)
    if (sum.close() !== sums.get(name)) throw damaged(`does not read back as it was: ${name}`)
  }
}

/** Gives the salon's owner a password. @throws AppError 422 where nobody owns it */
async function letIn(tx: Transaction, salonId: string, hash: string): Promise<TakenIn['owner']> {
  const [owner] = await tx
    .select({ userId: user.id, name: staff.name, email: user.email })
    .from(staff)
    .innerJoin(user, eq(user.id, staff.userId))
    .where(sql`${staff.salonId} = ${salonId} and ${staff.role} = 'owner' and ${staff.deactivatedAt} is null`)
    .orderBy(asc(staff.name), asc(staff.id))
  if (!owner) throw damaged('names nobody who owns the salon')
  await giveCredential(tx, owner.userId, hash)
  return { name: owner.name, email: owner.email }
}
