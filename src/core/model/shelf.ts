import type { CatalogueItem } from './catalogue'
import type { Rates } from './plan'

/** What server and interface say to each other about shelf and mixing. Masses in g to a tenth. */

export interface StockLot {
  id: string
  lot: string
  expiresOn: string | null
  grams: number
}

/** A product on the shelf. */
export interface ShelfItem {
  item: CatalogueItem
  revision: number
  /** Left in all lots, first to expire first. */
  grams: number
  lots: StockLot[]
  /** What plans booked for today and for the week from today on ask for, as expected. */
  todayG: number
  weekG: number
}

export interface ImportChange {
  id: string
  name: string
  kind: 'added' | 'changed'
  /** Columns that change. */
  columns: string[]
}

/** Something wrong in a file, at its line (from 1, with the heading) and column. */
export interface ImportProblem {
  line: number
  column: string
  message: string
}

/** What a file would do or did. With problems nothing is taken over. */
export interface ImportReport {
  rows: number
  unchanged: number
  changes: ImportChange[]
  problems: ImportProblem[]
  committed: boolean
}

/** A line of the answer while a file is read: how far, then what came of it. */
export type ImportStep = { done: number; of: number } | { report: ImportReport } | { failed: string }

export const MIX_STATES = ['weighing', 'done', 'abandoned'] as const
export const POUR_KINDS = ['poured', 'corrected', 'lost', 'back'] as const
export const POUR_SOURCES = ['scale', 'typed'] as const

/** A line of a bowl as it was planned. */
export interface PlannedLine {
  name: string
  productId: string | null
  role: 'product' | 'additive' | 'developer'
  grams: number
}

/** Something that happened while a bowl was weighed. */
export interface PourEvent {
  /** Given by the device, so that one sent twice counts once. */
  id: string
  kind: (typeof POUR_KINDS)[number]
  line: number
  grams: number
  source: (typeof POUR_SOURCES)[number]
}

/** A bowl that is or was mixed. */
export interface MixRecord {
  id: string
  formulaId: string
  bowl: number
  planned: PlannedLine[]
  state: (typeof MIX_STATES)[number]
  by: string
  startedAt: string
  events: (PourEvent & { by: string; at: string })[]
}

export const SCALE_COMMANDS = ['tare', 'pour', 'stop', 'take', 'unplug', 'plug'] as const
/** What a hand does at the simulated scale. */
export type ScaleCommand = (typeof SCALE_COMMANDS)[number]

/** What a scale says, a few times a second. */
export interface ScaleReading {
  grams: number
  /** Whether the figure has come to rest. */
  steady: boolean
}

export interface SalonRates {
  rates: Rates
  revision: number
}
