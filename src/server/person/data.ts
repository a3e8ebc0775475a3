import { eq } from 'drizzle-orm'
import { database, staff } from '@/db'
import { PERSON_PARTS, type PersonPart } from './parts'
import { bound } from './rows'

/** How the file is laid out; counted up when it changes. */
const FORMAT = 'falto-person-1'
/** Rows are put together to pieces of about so many characters: few steps, and none that keeps others waiting. */
const PIECE = 64 * 1024

/**
 * `data.json` of a client piece by piece: the rows of every table that are hers, a line each, as the database writes
 * them (nothing here reads them, so that thousands keep nobody waiting), and the names of who works here by their ids.
 */
export async function* dataOfClient(salonId: string, clientId: string): AsyncGenerator<string> {
  const people = await database()
    .select({ id: staff.id, name: staff.name })
    .from(staff)
    .where(eq(staff.salonId, salonId))
  const names = Object.fromEntries(people.map(({ id, name }) => [id, name]))
  yield `{"format":"${FORMAT}","made":"${new Date().toISOString()}",\n"staff":${JSON.stringify(names)},\n"tables":{`
  for (const [i, part] of PERSON_PARTS.entries()) {
    yield `${i === 0 ? '' : ','}\n"${part.table}":[`
    yield* pieces(await rowsOf(part, salonId, clientId))
    yield ']'
  }
  yield '}}\n'
}

/** Rows of one table as JSON, unread. */
async function rowsOf({ table, rows, apart = [] }: PersonPart, salonId: string, clientId: string): Promise<string[]> {
  const without = apart.map((column) => ` - '${column}'`).join('')
  const words = `select (to_jsonb(t)${without})::text as row from ${table} t where salon_id = $1 and ${rows}`
  const found = await database().execute<{ row: string }>(bound(words, salonId, clientId))
  return found.rows.map(({ row }) => row)
}

function* pieces(rows: readonly string[]): Generator<string> {
  let piece = ''
  for (const [i, row] of rows.entries()) {
    piece += `${i === 0 ? '' : ','}\n${row}`
    if (piece.length < PIECE) continue
    yield piece
    piece = ''
  }
  yield piece
}
