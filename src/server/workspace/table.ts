import { and, eq, isNull, sql } from 'drizzle-orm'
import type { CatalogueItem, ImportProblem, TableReport } from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { client, database, inTransaction } from '@/db'
import { checkEntry, ToldVisitDto } from '@/dto'
import { requirePermission, type StaffMember } from '../auth'
import { foreseeInOrder } from '../consultations'
import { AppError } from '../errors'
import { catalogueOf } from '../shelf'
import { numberIn, readTable, textIn, type TableRow } from '../tables'
import { keepTold, prepareTold, type PreparedVisit } from './told'

/** Most visits in one table: each is laid out as a plan. Our estimate: a year of a colourist's regulars in a few. */
const MOST_VISITS = 200

/** What one row says of its visit, and of a formula that was mixed for it. */
const OF_VISIT = ['client', 'on', 'service', 'name', 'minutes', 'change']
const OF_FORMULA = {
  product: 'productId',
  developer_vol: 'developerVol',
  level: 'level',
  tone: 'tone',
  grams: 'grams',
  left: 'left',
}
const COLUMNS = [...OF_VISIT, ...Object.keys(OF_FORMULA)]
const NUMBERS = ['minutes', 'developer_vol', 'level', 'grams', 'left']

/** Rows that tell of the same visit, one after the other: a formula each. */
type Told = TableRow[]

/**
 * Visits that were done without Falto out of a table: all of them or, where something is wrong in it, none.
 * @throws AppError 413 for a table of too many
 */
export async function importVisits(
  member: StaffMember,
  text: string,
  mode: 'preview' | 'commit',
): Promise<TableReport> {
  requirePermission(member, 'write')
  const rows = readTable(text, {
    known: COLUMNS,
    needed: ['client', 'on', 'service'],
    hint: `One formula of a visit a row; further columns, all of which may be left out: ${COLUMNS.slice(3).join(', ')}.`,
  })
  if (!Array.isArray(rows)) return { rows: 0, problems: [rows], committed: false }
  const visits = together(rows)
  if (visits.length > MOST_VISITS)
    throw new AppError(413, 'too-large', `More than ${MOST_VISITS} visits at once. Take them in with several tables.`)
  const catalogue = await catalogueOf(member)
  const prepared: PreparedVisit[] = []
  const problems: ImportProblem[] = []
  for (const visit of visits) {
    const read = await visitIn(member, visit, catalogue)
    if ('problems' in read) problems.push(...read.problems)
    else prepared.push(read)
  }
  if (problems.length > 0 || mode === 'preview') return { rows: visits.length, problems, committed: false }
  // One client after the other, so that two tables at once do not wait for each other; hers from the oldest on.
  const inOrder = prepared.sort((a, b) => compare(a.clientId, b.clientId) || compare(a.on, b.on))
  const foreseen = await foreseeInOrder(member, inOrder)
  await inTransaction(async (tx) => {
    for (const [i, one] of inOrder.entries()) await keepTold(tx, member, one, foreseen[i])
  })
  return { rows: visits.length, problems: [], committed: true }
}

const compare = (a: string, b: string): number => (a < b ? -1 : Number(a > b))

const SAME = ['client', 'on', 'service', 'name'] as const

function together(rows: readonly TableRow[]): Told[] {
  const visits: Told[] = []
  for (const row of rows) {
    const last = visits.at(-1)
    if (last && SAME.every((column) => row.record[column] === last[0]!.record[column])) last.push(row)
    else visits.push([row])
  }
  return visits
}

/** A visit laid out, or what is wrong with its rows, each at its line and column. */
async function visitIn(
  member: StaffMember,
  rows: Told,
  catalogue: readonly CatalogueItem[],
): Promise<PreparedVisit | { problems: ImportProblem[] }> {
  const [{ record, line }] = rows as [TableRow]
  const wrong = rows.flatMap(notNumbers)
  if (wrong.length > 0) return { problems: wrong }
  const clients = await clientsNamed(member, textIn(record['client'] ?? ''))
  if (clients.length !== 1) {
    const message = clients.length === 0 ? 'Nobody of this name is here.' : 'Several clients have this name.'
    return { problems: [{ line, column: 'client', message }] }
  }
  const service = serviceNamed(record['service'] ?? '')
  const told = {
    on: record['on'],
    service: service?.id ?? record['service'],
    name: textIn(record['name'] ?? '') || service?.name || record['service'],
    ...(filled(record, 'minutes') && { minutes: numberIn(record['minutes']!) }),
    formulas: rows.filter(({ record: one }) => filled(one, 'product')).map((row) => formulaIn(row, catalogue)),
    change: textIn(record['change'] ?? ''),
  }
  const checked = checkEntry(ToldVisitDto, told)
  const at = (path: string, message: string): ImportProblem => ({ ...placeOf(path, rows), message })
  if (!checked.ok) return { problems: checked.problems.map(({ path, message }) => at(path, message)) }
  try {
    return await prepareTold(member, clients[0]!, checked.value)
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    const [first] = error.details.problems ?? []
    return { problems: [at(first?.path ?? '', first?.message ?? error.message)] }
  }
}

const filled = (record: TableRow['record'], column: string): boolean => (record[column] ?? '') !== ''

const notNumbers = ({ record, line }: TableRow): ImportProblem[] =>
  NUMBERS.filter((column) => filled(record, column) && numberIn(record[column]!) === undefined).map((column) => ({
    line,
    column,
    message: `“${record[column]}” is not a number`,
  }))

async function clientsNamed({ salonId }: StaffMember, name: string): Promise<string[]> {
  const found = await database()
    .select({ id: client.id })
    .from(client)
    .where(and(eq(client.salonId, salonId), isNull(client.deletedAt), sql`lower(${client.name}) = lower(${name})`))
    .limit(2)
  return found.map(({ id }) => id)
}

/** A kind of service by its id or its name. */
const serviceNamed = (words: string) =>
  SERVICES.find(({ id, name }) => id === words || name.toLowerCase() === words.toLowerCase())

function formulaIn({ record }: TableRow, catalogue: readonly CatalogueItem[]) {
  const words = textIn(record['product']!).toLowerCase()
  const item = catalogue.find(({ id, line, name }) =>
    [id, name, `${line} ${name}`].some((one) => one.toLowerCase() === words),
  )
  const number = (column: string) => (filled(record, column) ? numberIn(record[column]!) : undefined)
  const [grams, left] = [number('grams'), number('left')]
  return {
    productId: item?.id ?? record['product'],
    developerVol: number('developer_vol') ?? 0,
    level: number('level'),
    tone: record['tone'] || 'neutral',
    ...(grams !== undefined && { grams }),
    ...(left !== undefined && { left }),
  }
}

/** Where in the table a field of the entry stands. */
function placeOf(path: string, rows: readonly TableRow[]): Pick<ImportProblem, 'line' | 'column'> {
  const [, at, field] = /^formulas\[(\d+)\]\.?(\w*)/.exec(path) ?? []
  if (at === undefined) return { line: rows[0]!.line, column: OF_VISIT.includes(path) ? path : '' }
  const mixed = rows.filter(({ record }) => filled(record, 'product'))
  const column = Object.entries(OF_FORMULA).find(([, name]) => name === field)?.[0] ?? 'product'
  return { line: (mixed[Number(at)] ?? rows[0]!).line, column }
}
