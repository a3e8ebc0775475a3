/** Tables of text (CSV, RFC 4180) as they come from elsewhere. */
import { CsvError, parse } from 'csv-parse/sync'
import type { ImportProblem } from '@/core/model'

export interface TableRow {
  record: Record<string, string>
  /** Counted from 1 with the heading. */
  line: number
}

interface Columns {
  known: readonly string[]
  needed: readonly string[]
  /** How somebody finds out what is asked for. */
  hint: string
}

interface Parsed {
  record: Record<string, string>
  info: { lines: number }
}

/** Rows of a table whose heading names known columns, or what is wrong with it as a whole. */
export function readTable(text: string, { known, needed, hint }: Columns): TableRow[] | ImportProblem {
  let rows: Parsed[]
  let doubled: string | undefined
  try {
    rows = parse(text, {
      columns: (heading: string[]) => {
        const names = heading.map((name) => name.trim().toLowerCase())
        doubled = names.find((name, i) => name !== '' && names.indexOf(name) < i)
        return names
      },
      bom: true,
      info: true,
      skip_empty_lines: true,
      trim: true,
      delimiter: [',', ';'],
    }) as unknown as Parsed[]
  } catch (error) {
    if (!(error instanceof CsvError)) throw error
    return {
      line: Number(error['lines'] ?? 1),
      column: '',
      message: `This is not a table Falto can read: ${error.message}`,
    }
  }
  // What was kept in an older encoding comes out as this sign where it was no plain letter.
  const broken = text.slice(0, text.indexOf('\uFFFD') + 1).split('\n').length
  if (text.includes('\uFFFD'))
    return { line: broken, column: '', message: 'There are letters that cannot be read. Save the table as UTF-8.' }
  if (rows.length === 0) return { line: 1, column: '', message: 'There are no rows below the heading.' }
  if (doubled !== undefined)
    return { line: 1, column: doubled, message: 'stands in the heading twice; which one counts cannot be told' }
  const names = Object.keys(rows[0]!.record)
  const missing = needed.filter((name) => !names.includes(name))
  if (missing.length > 0)
    return { line: 1, column: missing[0]!, message: `The heading lacks ${missing.join(', ')}. ${hint}` }
  const unknown = names.find((name) => !known.includes(name))
  if (unknown !== undefined)
    return {
      line: 1,
      column: unknown,
      message: `There is no column of this name. Known ones: ${known.join(', ')}.`,
    }
  return rows.map(({ record, info }) => ({ record, line: info.lines }))
}

/** A cell as text: an apostrophe that an export put before a sign is not part of it. */
export const textIn = (cell: string): string => cell.replace(/^'(?=[=+\-@])/, '')

/** A cell as a number, with a comma or a point; undefined where it is none. */
export function numberIn(cell: string): number | undefined {
  const number = Number(cell.replace(/^'/, '').replace(',', '.'))
  return Number.isFinite(number) ? number : undefined
}
