import { byId } from '@/core/model'
import PDFDocument from 'pdfkit'
import type { HeadSheet, SideView } from '@/core/plan/sheets'
import { SIMULATION } from '@/words'
import type { StageLook } from './look'

const MM = 72 / 25.4
export const A4_MARGIN = 14 * MM

/** The bytes of a document, once it has ended. */
export function bufferOf(document: PDFKit.PDFDocument): Promise<Buffer<ArrayBuffer>> {
  const chunks: Buffer[] = []
  document.on('data', (chunk: Buffer) => chunks.push(chunk))
  return new Promise((resolve, reject) => {
    document.on('end', () => resolve(Buffer.concat(chunks)))
    document.on('error', reject)
  })
}

/**
 * The head sheet on A4, one page a stage. Vector, black and white; formulas are told apart by letter and hatch.
 * @param looks how it is meant to look after each stage
 */
export function pdfOfSheet(
  { title, hair, map, stages, formulas }: HeadSheet,
  looks: readonly StageLook[],
): Promise<Buffer<ArrayBuffer>> {
  const document = new PDFDocument({ size: 'A4', margin: A4_MARGIN, info: { Title: title }, autoFirstPage: false })
  const done = bufferOf(document)
  const { left, right, top, bottom } = map.extent
  for (const [k, { name, zones, order, views }] of stages.entries()) {
    document.addPage()
    const width = document.page.width - 2 * A4_MARGIN
    // The map takes the page's width less a column for the order, or 150 mm of its height.
    const scale = Math.min((0.66 * width) / (right - left), (150 * MM) / (bottom - top))
    document.font('Helvetica-Bold').fontSize(15).text(title, A4_MARGIN, A4_MARGIN)
    document.font('Helvetica').fontSize(9).text(hair).moveDown(0.4)
    document
      .font('Helvetica-Bold')
      .fontSize(12)
      .text(`${k + 1} ${name}`)
    const y = document.y + 8
    document
      .save()
      .translate(A4_MARGIN - left * scale, y - top * scale)
      .scale(scale)
    document.path(map.hairline).lineWidth(0.1).stroke('#000')
    for (const zone of zones) {
      for (const { stitches, formulaId } of zone.pieces) {
        if (!stitches) continue
        const { hatch } = byId(formulas, formulaId)
        document.save().path(stitches).clip()
        hatched(document, map.extent, hatch)
        document.restore().path(stitches).lineWidth(0.02).stroke('#000')
      }
      document.path(zone.outline).lineWidth(0.07).stroke('#000')
    }
    zones.forEach(({ label }, i) => {
      document.circle(label.x, label.y, 0.6).lineWidth(0.05).fillAndStroke('#fff', '#000')
      document
        .fill('#000')
        .font('Helvetica-Bold')
        .fontSize(0.8)
        .text(String(i + 1), label.x - 1, label.y - 0.29, { width: 2, align: 'center', lineBreak: false })
    })
    document.restore()
    document.fill('#000').font('Helvetica').fontSize(9)
    const column = A4_MARGIN + (right - left) * scale + 14
    order.forEach(({ turn, name: zone, words }, i) =>
      document.text(`${turn}  ${zone}: ${words}`, column, y + 14 * i, {
        width: document.page.width - A4_MARGIN - column,
        lineBreak: false,
        ellipsis: true,
      }),
    )
    const [listed, mapped] = [y + 14 * order.length, y + (bottom - top) * scale]
    if (mapped - listed > LOOK.height + 2 * LOOK.word) drawLook(document, looks[k]!, column, mapped - LOOK.height)
    document.fontSize(9)
    document.y = Math.max(mapped, listed) + 16
    drawViews(document, views, width)
    for (const { id, words } of formulas) document.text(`${id}   ${words}`, A4_MARGIN, document.y, { width })
  }
  document.end()
  return done
}

/** Size of either picture beside the map, and of the words over both, pt. Our choice. */
const LOOK = { width: 81, height: 108, word: 22 } as const

/** How it is meant to look, from behind and from in front, at the foot of the column beside the map. */
function drawLook(document: PDFKit.PDFDocument, { back, front }: StageLook, x: number, y: number): void {
  document.fontSize(7).text(SIMULATION, x, y - LOOK.word, { width: 2 * LOOK.width })
  for (const [i, picture] of [back, front].entries())
    document.image(picture, x + i * (LOOK.width + 4), y, { width: LOOK.width, height: LOOK.height })
}

/** Height of the views from four sides on paper, with the word over each, pt. Our choice. */
const VIEW_HEIGHT = 84
const VIEW_WORD = 12

/** The head from four sides, side by side under what was drawn last. */
function drawViews(document: PDFKit.PDFDocument, views: readonly SideView[], width: number): void {
  if (document.y + VIEW_HEIGHT + 2 * VIEW_WORD > document.page.height - A4_MARGIN) {
    document.addPage()
    document.y = A4_MARGIN
  }
  const { y } = document
  document.font('Helvetica').fontSize(8).fill('#000')
  views.forEach(({ side, outline, hairline, bounds, numbers, extent }, i) => {
    const x = A4_MARGIN + (i * width) / views.length
    const scale = VIEW_HEIGHT / (extent.bottom - extent.top)
    document.text(side, x, y, { lineBreak: false })
    document
      .save()
      .translate(x - extent.left * scale, y + VIEW_WORD - extent.top * scale)
      .scale(scale)
    document.path(outline).lineWidth(0.12).stroke('#000')
    if (hairline) document.path(hairline).lineWidth(0.2).stroke('#000')
    if (bounds) document.path(bounds).lineWidth(0.12).stroke('#000')
    document.fontSize(1.3)
    for (const { turn, x: at, y: down } of numbers) {
      document.circle(at, down, 1).lineWidth(0.08).fillAndStroke('#fff', '#000')
      document.fill('#000').text(String(turn), at - 1, down - 0.5, { width: 2, align: 'center', lineBreak: false })
    }
    document.restore().fontSize(8)
  })
  document.fontSize(9)
  document.y = y + VIEW_HEIGHT + 2 * VIEW_WORD
}

/** Lines of a formula over the whole map; what is clipped decides where they show. */
function hatched(
  document: PDFKit.PDFDocument,
  { left, right, top, bottom }: HeadSheet['map']['extent'],
  { angle, gap }: { angle: number; gap: number },
): void {
  const reach = Math.max(right - left, bottom - top)
  document.save().rotate(angle).lineWidth(0.045)
  for (let at = -reach; at <= reach; at += gap) document.moveTo(-reach, at).lineTo(reach, at)
  document.stroke('#000').restore()
}
