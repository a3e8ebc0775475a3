import PDFDocument from 'pdfkit'
import type { Upkeep } from '@/core/record/upkeep'
import { A4_MARGIN, bufferOf } from './pdf'

/** A sheet that a client takes home, in large plain words on A4. */
export interface AfterCare {
  salon: string
  client: string
  visit: string
  /** Its day. */
  on: string
  upkeep: Pick<Upkeep, 'next' | 'gloss' | 'home'>
}

export function pdfOfAfterCare({ salon, client, visit, on, upkeep }: AfterCare): Promise<Buffer<ArrayBuffer>> {
  const document = new PDFDocument({ size: 'A4', margin: 2 * A4_MARGIN, info: { Title: `For ${client}` } })
  const done = bufferOf(document)
  document.font('Helvetica').fontSize(11).text(salon).moveDown(1.5)
  document.font('Helvetica-Bold').fontSize(20).text(`For ${client}`).moveDown(0.3)
  document
    .font('Helvetica')
    .fontSize(12)
    .text(`${visit}, ${inWords(on)}`)
    .moveDown(1)
  document.font('Helvetica-Bold').fontSize(14).text('Come again')
  document
    .font('Helvetica')
    .fontSize(13)
    .text(`Between ${inWords(upkeep.next.from)} and ${inWords(upkeep.next.to)}.`)
  if (upkeep.gloss)
    document.text(`For a gloss in between: ${inWords(upkeep.gloss.from)} to ${inWords(upkeep.gloss.to)}.`)
  document.moveDown(1).font('Helvetica-Bold').fontSize(14).text('At home').moveDown(0.3)
  document.font('Helvetica').fontSize(13).list(upkeep.home, { bulletRadius: 2, paragraphGap: 6 })
  document.end()
  return done
}

/** A day as it is read on paper. */
export const inWords = (day: string): string =>
  new Date(day).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
