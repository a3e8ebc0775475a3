import sharp from 'sharp'
import { hexFromLab, labFromLevel } from '@/core/hair/colour'
import { activeVariant, rhythmLetters, type FaltoPlan, type PictureOf } from '@/core/model'
import type { Transaction } from '@/db'
import { cleaned, keepPicture, sha256 } from '../pictures'

/** Size of an invented picture, pixels; locks that it shows, and every which of them was treated. Our choice. */
const SIZE = { width: 300, height: 400 } as const
const LOCKS = 20
const TREATED_EVERY = 2

/** A swatch of hair before or after a visit: locks in the base's colour, those that were treated in their formula's. */
function swatch(plan: FaltoPlan, moment: PictureOf['moment']): string {
  const base = hexFromLab(labFromLevel(plan.hair.naturalLevel, 'neutral'))
  const used = new Set(
    activeVariant(plan).stages.flatMap(({ zones }) => zones.flatMap(({ placement }) => rhythmLetters(placement))),
  )
  const colours = plan.formulas
    .filter(({ id }) => used.has(id))
    .map(({ level, tone }) => hexFromLab(labFromLevel(level, tone)))
  const width = SIZE.width / LOCKS
  const locks = Array.from({ length: LOCKS }, (_, i) => {
    const isTreated = moment === 'after' && i % TREATED_EVERY === 0
    const colour = (isTreated && colours[(i / TREATED_EVERY) % colours.length]) || base
    return `<path d="M${i * width} 0q${width} 200 0 400h${width}q${width} -200 0 -400z" fill="${colour}"/>`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}"><rect width="100%" height="100%" fill="${base}"/>${locks.join('')}</svg>`
}

/** Two pictures of an invented visit: as she came, and as she left. */
export async function keepSwatches(
  tx: Transaction,
  facts: { salonId: string; clientId: string; staffId: string; visitId: string; at: Date },
  document: FaltoPlan,
): Promise<void> {
  const { visitId, ...rest } = facts
  for (const moment of ['before', 'after'] as const) {
    const upload = await sharp(Buffer.from(swatch(document, moment)))
      .png()
      .toBuffer()
    await keepPicture(
      tx,
      {
        ...rest,
        name: `Swatch ${moment}`,
        of: { visitId, moment, side: 'back' },
        // Swatches of one kind look alike; each is a picture of its own.
        sourceSha256: sha256(Buffer.from(`${visitId} ${moment}`)),
      },
      await cleaned(upload),
    )
  }
}
