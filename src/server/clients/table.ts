import { v7 as newId } from 'uuid'
import { STARTING_HAIR, STARTING_HEAD, type ImportProblem, type TableReport } from '@/core/model'
import { client, inTransaction } from '@/db'
import { checkEntry, ClientDto } from '@/dto'
import { requirePermission, type StaffMember } from '../auth'
import { AppError } from '../errors'
import { numberIn, readTable, textIn, type TableRow } from '../tables'
import { checkPlanHead } from './head'

/** Most clients in one table; more come in several. Our estimate: more than one salon looks after. */
const MOST_ROWS = 5_000
/** Rows that go in with one statement. */
const AT_ONCE = 500

/** Columns of a table of clients, and where in the record each stands. What is left empty begins as for anybody. */
const COLUMNS = {
  name: { path: ['name'], number: false },
  note: { path: ['note'], number: false },
  head_circumference_cm: { path: ['head', 'circumferenceCm'], number: true },
  length_cm: { path: ['hair', 'lengthCm'], number: true },
  natural_level: { path: ['hair', 'naturalLevel'], number: true },
  density: { path: ['hair', 'density'], number: false },
  texture: { path: ['hair', 'texture'], number: false },
  curl: { path: ['hair', 'curl'], number: false },
} as const satisfies Record<string, { path: readonly string[]; number: boolean }>
type Column = keyof typeof COLUMNS

/**
 * Clients out of a table: all of them or, where something is wrong in it, none.
 * @throws AppError 413 for a table of too many rows
 */
export async function importClients(
  member: StaffMember,
  text: string,
  mode: 'preview' | 'commit',
): Promise<TableReport> {
  requirePermission(member, 'write')
  const names = Object.keys(COLUMNS)
  const rows = readTable(text, {
    known: names,
    needed: ['name'],
    hint: `One client a row; further columns, all of which may be left out: ${names.slice(1).join(', ')}.`,
  })
  if (!Array.isArray(rows)) return { rows: 0, problems: [rows], committed: false }
  if (rows.length > MOST_ROWS)
    throw new AppError(413, 'too-large', `More than ${MOST_ROWS} clients at once. Take them in with several tables.`)
  const read = rows.map(clientIn)
  const problems = read.flatMap((row) => row.problems ?? [])
  if (problems.length > 0 || mode === 'preview') return { rows: rows.length, problems, committed: false }
  const values = read.map(({ entry }) => ({ salonId: member.salonId, id: newId(), ...entry! }))
  await inTransaction(async (tx) => {
    for (let from = 0; from < values.length; from += AT_ONCE)
      await tx.insert(client).values(values.slice(from, from + AT_ONCE))
  })
  return { rows: rows.length, problems: [], committed: true }
}

function clientIn({ record, line }: TableRow): { entry?: ClientDto; problems?: ImportProblem[] } {
  const entry = { name: '', note: '', head: { ...STARTING_HEAD }, hair: { ...STARTING_HAIR } }
  for (const [column, { path, number }] of Object.entries(COLUMNS)) {
    const cell = record[column] ?? ''
    if (cell === '') continue
    const value = number ? numberIn(cell) : textIn(cell)
    if (value === undefined) return { problems: [{ line, column, message: `“${cell}” is not a number` }] }
    const [first, second] = path
    if (second === undefined) Object.assign(entry, { [first]: value })
    else Object.assign(entry[first as 'head' | 'hair'], { [second]: value })
  }
  const checked = checkEntry(ClientDto, entry)
  if (!checked.ok)
    return { problems: checked.problems.map(({ path, message }) => ({ line, column: columnAt(path), message })) }
  try {
    checkPlanHead(checked.value.head)
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    return { problems: [{ line, column: 'head_circumference_cm', message: error.message }] }
  }
  return { entry: checked.value }
}

const columnAt = (path: string): string =>
  (Object.keys(COLUMNS) as Column[]).find((column) => COLUMNS[column].path.join('.') === path) ?? path
