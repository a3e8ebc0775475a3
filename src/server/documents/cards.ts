import PDFDocument from 'pdfkit'
import type { MixingCards } from '@/core/plan/sheets'
import { A4_MARGIN, bufferOf } from './pdf'

const GAP = 14
const COLUMNS = 2

/** Mixing cards on A4, two columns of them, in the order in which bowls are mixed. Black and white. */
export function pdfOfCards({ title, cards }: MixingCards): Promise<Buffer<ArrayBuffer>> {
  const document = new PDFDocument({ size: 'A4', margin: A4_MARGIN, info: { Title: `Mixing cards: ${title}` } })
  const done = bufferOf(document)
  const width = (document.page.width - 2 * A4_MARGIN - GAP) / COLUMNS
  const bottom = document.page.height - A4_MARGIN
  document.font('Helvetica-Bold').fontSize(15).text(`Mixing cards: ${title}`, A4_MARGIN, A4_MARGIN)
  if (cards.length === 0) document.font('Helvetica').fontSize(10).text('No zone uses a formula yet.')
  let top = document.y + GAP
  for (let i = 0; i < cards.length; i += COLUMNS) {
    const row = cards.slice(i, i + COLUMNS)
    const height = Math.max(...row.map((card) => drawCard(document, card, 0, 0, width, 'measure')))
    if (top + height > bottom) {
      document.addPage()
      top = A4_MARGIN
    }
    row.forEach((card, k) => {
      const x = A4_MARGIN + k * (width + GAP)
      drawCard(document, card, x, top, width, 'draw')
      document.roundedRect(x, top, width, height, 4).lineWidth(0.7).stroke('#000')
    })
    top += height + GAP
  }
  document.end()
  return done
}

const PAD = 8
const LINE = 18

/** @returns the height it takes */
function drawCard(
  document: PDFKit.PDFDocument,
  { heading, formula, lines, total, notes }: MixingCards['cards'][number],
  x: number,
  y: number,
  width: number,
  how: 'measure' | 'draw',
): number {
  const inner = width - 2 * PAD
  const left = x + PAD
  let at = y + PAD
  const write = (words: string, size: number, font: string, options: PDFKit.Mixins.TextOptions = {}) => {
    document.font(font).fontSize(size)
    const height = document.heightOfString(words, { width: inner, ...options })
    if (how === 'draw') document.fill('#000').text(words, left, at, { width: inner, ...options })
    return height
  }
  at += write(heading, 14, 'Helvetica-Bold') + 2
  at += write(formula, 8.5, 'Helvetica') + 6
  for (const { name, grams, ml } of [...lines, { name: 'In the bowl', grams: total, ml: '' }]) {
    const bold = ml === '' ? 'Helvetica-Bold' : 'Helvetica'
    if (how === 'draw') {
      document
        .moveTo(left, at - 4)
        .lineTo(left + inner, at - 4)
        .lineWidth(0.3)
        .stroke('#000')
      document
        .fill('#000')
        .font(bold)
        .fontSize(10)
        .text(name, left, at, { width: inner - 110, lineBreak: false, ellipsis: true })
      document
        .font('Helvetica-Bold')
        .text(grams, left + inner - 110, at, { width: 60, align: 'right', lineBreak: false })
      document
        .font('Helvetica')
        .fontSize(8.5)
        .text(ml, left + inner - 48, at + 1, { width: 48, align: 'right', lineBreak: false })
    }
    at += LINE
  }
  at += 2
  for (const note of notes) at += write(note, 8.5, 'Helvetica') + 2
  return at - y + PAD
}
