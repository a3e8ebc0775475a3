import { stringify } from 'csv-stringify/sync'
import type { CatalogueItem, ImportProblem } from '@/core/model'
import { CatalogueItemDto, checkEntry } from '@/dto'
import { numberIn, readTable, textIn, type TableRow } from '../tables'

/** How a value stands in a cell, and how it is read back. */
type Kind = 'text' | 'number' | 'yesNo' | 'numbers'

/** Columns of the catalogue's CSV: where in the item each one stands. Units are part of the names. */
const COLUMNS: readonly (readonly [column: string, path: string, kind: Kind])[] = [
  ['code', 'id', 'text'],
  ['line', 'line', 'text'],
  ['name', 'name', 'text'],
  ['kind', 'kind', 'text'],
  ['level', 'shade.level', 'number'],
  ['hue', 'shade.hue', 'text'],
  ['strength', 'shade.strength', 'number'],
  ['base', 'shade.base', 'text'],
  ['white_cover_percent', 'shade.whiteCoverPercent', 'number'],
  ['swatch_l', 'shade.swatch.l', 'number'],
  ['swatch_a', 'shade.swatch.a', 'number'],
  ['swatch_b', 'shade.swatch.b', 'number'],
  ['ratios', 'rules.ratios', 'numbers'],
  ['developer_min_vol', 'rules.developerMinVol', 'number'],
  ['developer_max_vol', 'rules.developerMaxVol', 'number'],
  ['working_life_min', 'rules.workingLifeMinutes', 'number'],
  ['minimum_min', 'rules.minimumMinutes', 'number'],
  ['maximum_min', 'maximumMinutes', 'number'],
  ['maximum_lift', 'rules.maximumLift', 'number'],
  ['heat', 'rules.heat', 'yesNo'],
  ['on_scalp', 'rules.onScalp', 'yesNo'],
  ['damp', 'rules.damp', 'yesNo'],
  ['additive_percent', 'additive.percent', 'number'],
  ['additive_maximum_percent', 'additive.maximumPercent', 'number'],
  ['lift_factor', 'additive.liftFactor', 'number'],
  ['time_factor', 'additive.timeFactor', 'number'],
  ['developer_vol', 'developerVol', 'number'],
  ['pack_g', 'pack.grams', 'number'],
  ['price_minor', 'pack.priceMinor', 'number'],
  ['density_g_per_ml', 'pack.densityGPerMl', 'number'],
  ['reorder_g', 'reorderG', 'number'],
]
const COLUMN_OF = new Map(COLUMNS.map(([column, path]) => [path, column]))

type Tree = { [key: string]: unknown }

const read = (item: object, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => (at as Tree | undefined)?.[key], item)

function put(item: Tree, path: string, value: unknown): void {
  const keys = path.split('.')
  const last = keys.pop()!
  let at = item
  for (const key of keys) at = (at[key] ??= {}) as Tree
  at[last] = value
}

/**
 * A catalogue as CSV (RFC 4180), one product a row; a leading sign that a spreadsheet would take for a formula is
 * defused.
 */
export const csvOfCatalogue = (items: readonly CatalogueItem[]): string =>
  stringify(
    items.map((item) => COLUMNS.map(([, path, kind]) => cellOf(read(item, path), kind))),
    { header: true, columns: COLUMNS.map(([column]) => column), record_delimiter: 'windows', escape_formulas: true },
  )

function cellOf(value: unknown, kind: Kind): string {
  if (value === undefined) return ''
  if (kind === 'yesNo') return value ? 'yes' : 'no'
  return kind === 'numbers' ? (value as number[]).join(' ') : String(value)
}

/** One row of a file: an item, or what is wrong with it. */
export type CatalogueRow = { line: number; item: CatalogueItem } | { line: number; problems: ImportProblem[] }

/** Rows of a file, checked a slice at a time, so that a long one does not hold the server up. */
export interface CatalogueFile {
  count: number
  /** What is wrong with the file as a whole. */
  problems: ImportProblem[]
  check: (from: number, to: number) => CatalogueRow[]
}

/** Reads a catalogue file. Problems name the line, counted from 1 with the heading, and the column. */
export function readCatalogueCsv(text: string): CatalogueFile {
  const rows = readTable(text, {
    known: COLUMNS.map(([column]) => column),
    needed: ['code', 'line', 'name', 'kind'],
    hint: 'Export the catalogue for an example.',
  })
  if (!Array.isArray(rows)) return { count: 0, problems: [rows], check: () => [] }
  const seen = new Map<string, number>()
  return {
    count: rows.length,
    problems: [],
    check: (from, to) => rows.slice(from, to).map((row) => checked(row, seen)),
  }
}

function checked({ record, line }: TableRow, seen: Map<string, number>): CatalogueRow {
  const item: Tree = {}
  const problems: ImportProblem[] = []
  for (const [column, path, kind] of COLUMNS) {
    const cell = record[column] ?? ''
    if (cell === '' && kind !== 'numbers') continue
    const value = valueOf(cell, kind)
    if (value === undefined)
      problems.push({ line, column, message: kind === 'yesNo' ? 'must be yes or no' : `"${cell}" is not a number` })
    else if (kind !== 'numbers' || cell !== '' || read(item, 'rules') !== undefined || hasRules(record))
      put(item, path, value)
  }
  if (problems.length > 0) return { line, problems }
  const verdict = checkEntry(CatalogueItemDto, item)
  if (!verdict.ok)
    return { line, problems: verdict.problems.map(({ path, message }) => ({ line, column: columnAt(path), message })) }
  const before = seen.get(verdict.value.id)
  if (before !== undefined)
    return { line, problems: [{ line, column: 'code', message: `is the same as in line ${before}` }] }
  seen.set(verdict.value.id, line)
  return { line, item: verdict.value }
}

const hasRules = (record: Record<string, string>): boolean =>
  COLUMNS.some(([column, path]) => path.startsWith('rules.') && (record[column] ?? '') !== '')

/** Undefined where the cell does not hold what its column asks for. */
function valueOf(cell: string, kind: Kind): unknown {
  if (kind === 'text') return textIn(cell)
  if (kind === 'yesNo') return { yes: true, no: false }[cell.toLowerCase()]
  const numbers = cell.split(/\s+/).filter(Boolean).map(numberIn)
  if (numbers.includes(undefined)) return undefined
  return kind === 'numbers' ? numbers : numbers.length === 1 ? numbers[0] : undefined
}

/** The column of a field, or the first one of a group of them. */
function columnAt(path: string): string {
  const plain = path.replace(/\[\d+\]/g, '')
  return COLUMN_OF.get(plain) ?? COLUMNS.find(([, other]) => other.startsWith(`${plain}.`))?.[0] ?? plain
}

/** Columns in which two items differ. */
export const changedColumns = (one: CatalogueItem, other: CatalogueItem): string[] =>
  COLUMNS.filter(([, path, kind]) => cellOf(read(one, path), kind) !== cellOf(read(other, path), kind)).map(
    ([column]) => column,
  )
