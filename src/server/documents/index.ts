import { stringify } from 'csv-stringify/sync'
import { activeVariant, type Canvas, type FaltoPlan } from '@/core/model'
import { mixPlan } from '@/core/product/bowls'
import { planFigures, type Planner } from '@/core/plan/planner'
import { foilList, headSheet, mixingCards, svgOfSheet, type HeadSheet, type MixingCards } from '@/core/plan/sheets'
import { readIn, type ReadingUnits } from '@/core/units'
import { pdfOfCards } from './cards'
import { looksOf } from './look'
import { pdfOfSheet } from './pdf'

export { pdfOfAfterCare } from './afterCare'
export { appointmentMinutes, calendarOf, feedOf, type BookedVisit, type FollowedVisit } from './calendar'
export { calendarOfDue } from './dueCalendar'
export { pdfOfVisit } from './visit'

/**
 * Plans on paper and in tables: the head sheet as SVG and PDF, the list of foils as CSV, mixing cards as PDF, visits as
 * calendars.
 */

/** What is made of a plan, by the ending of its file. */
export const DOCUMENTS = ['json', 'svg', 'pdf', 'csv', 'cards'] as const
export type DocumentKind = (typeof DOCUMENTS)[number]

const TYPES: Record<DocumentKind, string> = {
  json: 'application/json',
  svg: 'image/svg+xml',
  pdf: 'application/pdf',
  csv: 'text/csv; charset=utf-8',
  cards: 'application/pdf',
}
/** Endings of the files, where they are not the kind itself. */
export const ENDINGS: Record<DocumentKind, string> = {
  json: 'falto.json',
  svg: 'svg',
  pdf: 'pdf',
  csv: 'csv',
  cards: 'mixing-cards.pdf',
}

/** A plan and the hair as it was recorded last, which its look begins with. */
export interface Documented {
  plan: FaltoPlan
  canvas: Canvas | undefined
}

/** @param units in which paper is read; files with data keep theirs */
export async function documentOf(
  planner: Planner,
  documented: Documented,
  kind: DocumentKind,
  units: ReadingUnits,
): Promise<{ type: string; body: string | Buffer<ArrayBuffer> }> {
  return { type: TYPES[kind], body: await bodyOf(planner, documented, kind, (text) => readIn(units, text)) }
}

async function bodyOf(
  planner: Planner,
  { plan, canvas }: Documented,
  kind: DocumentKind,
  read: (text: string) => string,
): Promise<string | Buffer<ArrayBuffer>> {
  switch (kind) {
    case 'json':
      return JSON.stringify(plan, null, 2)
    case 'svg':
      return svgOfSheet(sheetOf(planner, plan, read))
    case 'pdf':
      return pdfOfSheet(sheetOf(planner, plan, read), await looksOf(planner, plan, canvas))
    case 'cards':
      return pdfOfCards(cardsOf(planner, plan, read))
    case 'csv':
      // RFC 4180; a leading sign that a spreadsheet would take for a formula is defused.
      return stringify(foilList(plan, planner.computePlan(plan)), {
        header: true,
        record_delimiter: 'windows',
        escape_formulas: true,
      })
  }
}

function sheetOf(planner: Planner, plan: FaltoPlan, read: (text: string) => string): HeadSheet {
  const computed = planner.computePlan(plan)
  const { grams } = planFigures(plan, computed)
  const sheet = headSheet(
    plan,
    activeVariant(plan).stages,
    computed,
    Object.fromEntries(
      Object.entries(grams).map(([id, { expected, low, high }]) => [
        id,
        expected > 0 ? `${expected} g (${low}–${high})` : '0 g',
      ]),
    ),
  )
  return {
    ...sheet,
    hair: read(sheet.hair),
    formulas: sheet.formulas.map((formula) => ({ ...formula, words: read(formula.words) })),
  }
}

function cardsOf(planner: Planner, plan: FaltoPlan, read: (text: string) => string): MixingCards {
  const { title, cards } = mixingCards(plan, mixPlan(plan, planner.computeStages(plan)))
  const lineIn = ({ name, grams, ml }: MixingCards['cards'][number]['lines'][number]) => ({
    name: read(name),
    grams: read(grams),
    ml: read(ml),
  })
  return {
    title,
    cards: cards.map((card) => ({
      ...card,
      formula: read(card.formula),
      lines: card.lines.map(lineIn),
      total: read(card.total),
      notes: card.notes.map(read),
    })),
  }
}
