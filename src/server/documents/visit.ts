import PDFDocument from 'pdfkit'
import { STARTING_RATES } from '@/core/product/money'
import type { OpenVisit } from '@/core/record/visit'
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

  for (const [title, columns, rows] of tablesOf(visit, read)) {
    if (rows.length === 0) continue
    page.moveDown(0.8).font('Helvetica-Bold').fontSize(12).text(title, A4_MARGIN).moveDown(0.2)
    page.font('Helvetica').fontSize(9)
    page.table({ defaultStyle: { border: [0, 0, 0.5, 0], padding: 3 }, data: [columns, ...rows] })
  }
  page.end()
  return done
}

/** What stands in tables: title, heads of the columns, rows. */
function tablesOf(visit: OpenVisit, read: (text: string) => string): [string, string[], string[][]][] {
  const { formulas, levels, steps, incidents, changes, bill } = visit.summary
  const currency = visit.document.rates?.currency ?? STARTING_RATES.currency
  const money = (minor: number) => `${(minor / 100).toFixed(2)} ${currency}`
  const grams = (value: number | null) => (value === null ? '-' : read(`${value} g`))
  return [
    [
      'What was mixed',
      ['Formula', 'Product', 'Planned', 'Weighed', 'Left'],
      formulas.map(({ id, name, product, developerVol, ratio, level, tone, planned, weighed, left }) => [
        `${id} ${name}`,
        read(`${product}, ${developerVol} vol, 1 : ${ratio}, level ${level} ${tone}`),
        ...[planned.expected, weighed, left].map(grams),
      ]),
    ],
    [
      'Levels',
      ['Section', 'Meant', 'Expected', 'Seen'],
      levels.map(({ name, formulaId, meant, expected, seen, bands }) => [
        `${name}, ${formulaId}`,
        ...[meant, expected].map(String),
        [seen ?? [], ...bands.map((band) => `${band.spot} ${band.seen}`)].flat().join(', ') || '-',
      ]),
    ],
    [
      'Steps',
      ['Step', 'Who', 'Planned, min', 'Took, min'],
      steps.map(({ about, by: who, planned, actual }) => [about, who, planned.toFixed(1), actual?.toFixed(1) ?? '-']),
    ],
    [
      'What was otherwise',
      ['When', 'What'],
      [
        ...incidents.map(({ incident, note, minute }) => [
          `minute ${minute}`,
          note ? `${incident}: ${note}` : incident,
        ]),
        ...changes.map((change) => ['', read(change)]),
      ],
    ],
    [
      'Products and lots',
      ['Product', 'Lot', 'Used'],
      visit.lots.map(({ product, lot, grams: used }) => [product, lot ?? '-', grams(used)]),
    ],
    [
      'Money',
      ['Of it', 'Amount'],
      [
        ['Net', money(bill.net)],
        ['With tax', money(bill.gross)],
        ['It cost', money(bill.cost)],
      ],
    ],
    [
      'Looking back',
      ['By', 'Worked', 'Otherwise next time', 'Why'],
      visit.reviews.map(({ by, worked, change, why }) => [by, worked, change, why]),
    ],
  ]
}
