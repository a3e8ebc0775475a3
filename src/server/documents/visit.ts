import PDFDocument from 'pdfkit'
import { STARTING_RATES } from '@/core/product/money'
import type { OpenVisit } from '@/core/record/visit'
import { INCIDENT_WORDS, SPOT_WORDS, taskWords } from '@/words'
import { inWords } from './afterCare'
import { A4_MARGIN, bufferOf } from './pdf'

/** A visit on A4: what was planned beside what was done. @param read puts figures in the salon's units */
export function pdfOfVisit(visit: OpenVisit, read: (text: string) => string): Promise<Buffer<ArrayBuffer>> {
  const { summary, client, on, by } = visit
  const { minutes } = summary
  const page = new PDFDocument({ size: 'A4', margin: A4_MARGIN, info: { Title: `${client.name}, ${on}` } })
  const done = bufferOf(page)
  page
    .font('Helvetica-Bold')
    .fontSize(16)
    .text(`${client.name}, ${inWords(on)}`)
  page.font('Helvetica').fontSize(10)
  page.text(`${summary.name}: ${summary.stages.join(', ')}. ${by}.`)
  page.text(
    `${summary.foils} foils. Planned ${minutes.planned} min, ${minutes.took === null ? 'time not told' : `took ${minutes.took} min`}.`,
  )
  if (visit.wasTold) page.text('Entered afterwards: what stands as planned was reckoned then.')
  if (visit.withdrawn) page.text(`Taken back ${inWords(visit.withdrawn.at)} by ${visit.withdrawn.by}.`)

  for (const { title, columns, figures, rows } of tablesOf(visit, read)) {
    if (rows.length === 0) continue
    page.moveDown(0.8).font('Helvetica-Bold').fontSize(12).text(title, A4_MARGIN).moveDown(0.2)
    page.font('Helvetica').fontSize(9)
    const words = columns.length - figures
    page.table({
      defaultStyle: { border: [0, 0, 0.5, 0], padding: 3 },
      columnStyles: (i) => (i < words ? {} : { width: FIGURE_WIDTH, align: { x: 'right' } }),
      data: [columns, ...rows],
    })
  }
  page.end()
  return done
}

/** Of a column of figures, points. Our choice. */
const FIGURE_WIDTH = 72

interface Table {
  title: string
  columns: string[]
  /** How many columns at the end are figures. */
  figures: number
  rows: string[][]
}

function tablesOf(visit: OpenVisit, read: (text: string) => string): Table[] {
  const { formulas, levels, steps, incidents, changes, bill } = visit.summary
  const currency = visit.document.rates?.currency ?? STARTING_RATES.currency
  const money = (minor: number) => `${(minor / 100).toFixed(2)} ${currency}`
  const grams = (value: number | null) => (value === null ? '-' : read(`${value} g`))
  return [
    {
      title: 'What was mixed',
      columns: ['Formula', 'Product', 'Planned', 'Weighed', 'Left'],
      figures: 3,
      rows: formulas.map(({ id, name, product, developerVol, ratio, level, tone, planned, weighed, left }) => [
        `${id} ${name}`,
        read(`${product}, ${developerVol} vol, 1 : ${ratio}, level ${level} ${tone}`),
        ...[planned.expected, weighed, left].map(grams),
      ]),
    },
    {
      title: 'Levels',
      columns: ['Section', 'Meant', 'Expected', 'Seen'],
      figures: 3,
      rows: levels.map(({ name, formulaId, meant, expected, seen, bands }) => [
        `${name}, ${formulaId}`,
        ...[meant, expected].map(String),
        [seen ?? [], ...bands.map((band) => `${SPOT_WORDS[band.spot]} ${band.seen}`)].flat().join(', ') || '-',
      ]),
    },
    {
      title: 'Steps',
      columns: ['Step', 'Who', 'Planned, min', 'Took, min'],
      figures: 2,
      rows: steps.map((step) => [
        taskWords(step),
        step.by,
        step.planned.toFixed(1),
        step.skipped ? 'skipped' : (step.actual?.toFixed(1) ?? '-'),
      ]),
    },
    {
      title: 'What was otherwise',
      columns: ['When', 'What'],
      figures: 0,
      rows: [
        ...incidents.map(({ incident, note, minute }) => [
          `minute ${minute}`,
          [INCIDENT_WORDS[incident].name, ...(note ? [note] : [])].join(': '),
        ]),
        ...changes.map((change) => ['', read(change)]),
      ],
    },
    {
      title: 'Products and lots',
      columns: ['Product', 'Lot', 'Used'],
      figures: 1,
      rows: visit.lots.map(({ product, lot, grams: used }) => [product, lot ?? '-', grams(used)]),
    },
    {
      title: 'Money',
      columns: ['Of it', 'Amount'],
      figures: 1,
      rows: [
        ['Net', money(bill.net)],
        ['With tax', money(bill.gross)],
        ['It cost', money(bill.cost)],
      ],
    },
    {
      title: 'Looking back',
      columns: ['By', 'Worked', 'Otherwise next time', 'Why'],
      figures: 0,
      rows: visit.reviews.map(({ by, worked, change, why }) => [by, worked, change, why]),
    },
  ]
}
