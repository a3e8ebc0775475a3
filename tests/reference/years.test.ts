import { checkCanvas } from '@/core/hair/hairRecord'
import { startingGoal } from '@/core/judgement/feasibility'
import type { Band, Canvas } from '@/core/model'
import type { Lock } from '@/core/time/fold'
import { sum } from '@/core/numeric'
import { checkEntry, ConsultationDto } from '@/dto'
import { visitsOf, type Regular } from '../support/regular'

/**
 * Clients who come again and again: however many visits a record tells of, it stays one that can be kept, opened and
 * worked from, and says of the hair what the last visit left. No outside source: figures are what a record may be.
 */
const REGULARS: Record<string, Regular> = {
  topAndSides: { weeks: 8, visits: 9, trimmedCm: 2.3, hair: { naturalLevel: 6, lengthCm: 25 } },
  foilRetouch: { weeks: 10, visits: 7, trimmedCm: 0, hair: { naturalLevel: 6, lengthCm: 25 } },
  tieredCorrection: { weeks: 8, visits: 5, trimmedCm: 2, hair: { naturalLevel: 5, lengthCm: 40 } },
  onScalpRetouch: { weeks: 4, visits: 30, trimmedCm: 0, hair: { naturalLevel: 6, lengthCm: 25 } },
}

/** What a record may come to as text: a request may bring two million. Our choice. */
const MOST_CHARACTERS = 1_500_000

/** How light hair is from root to tip, level. */
const meanLevel = (bands: readonly Band[]): number =>
  sum(bands.map(({ level, fromCm, toCm }) => level * (toCm - fromCm))) / bands.at(-1)!.toCm

const foldedLevel = (locks: readonly Lock[]): number => sum(locks.map(({ share, bands }) => share * meanLevel(bands)))
const recordedLevels = ({ strands, cells }: Canvas): number[] => {
  const levels = new Map(strands.map(({ id, bands }) => [id, meanLevel(bands)]))
  return cells.map(({ populations }) => sum(populations.map(({ share, strandId }) => share * levels.get(strandId)!)))
}

it.each(Object.entries(REGULARS))('%s, again and again, leaves records that stay records', (kind, regular) => {
  for (const { visit, on, hair, fold, canvas } of visitsOf(kind, regular)) {
    const entry = { recordedOn: on, hair, canvas, goal: startingGoal(hair), trimmedCm: 0 }
    expect([visit, checkCanvas(canvas, on), checkEntry(ConsultationDto, entry)]).toMatchObject([
      visit,
      [],
      { ok: true },
    ])
    expect(JSON.stringify(entry).length).toBeLessThan(MOST_CHARACTERS)
    const left = fold.stages.at(-1)!.map(foldedLevel)
    recordedLevels(canvas).forEach((level, cell) => expect(Math.abs(level - left[cell]!)).toBeLessThan(0.25))
  }
})
