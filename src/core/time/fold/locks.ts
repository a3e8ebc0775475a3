import { freshStrandId, mergeAlike, startingCanvas } from '../../hair/hairRecord'
import type { Band, Canvas, FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'

/** A kind of hair in one scalp cell while a visit goes on: what it is, and which stages took it. */
export interface Lock {
  /** Root to tip; the same array for the same hair, in every cell. */
  bands: readonly Band[]
  /** What it was before the visit. */
  was: readonly Band[]
  /** Of the cell's hairs, 0…1. */
  share: number
  white: boolean
  /** `visit/formula`, as the record says it. */
  sources: readonly string[]
  /** Stages that took it, by their place in the plan. */
  took: readonly number[]
}

/** The hair before each stage, and at the end: element k is what stage k meets. In the fixed order of scalp cells. */
export type FoldedCells = readonly (readonly Lock[])[]

/** Virgin hair as the plan describes it, white where its map says so. */
export function canvasOf({ hair, hairMap }: FaltoPlan, { head }: ComputedStages): Canvas {
  const virgin = startingCanvas(head, hair, '')
  if (!hairMap) return virgin
  return {
    ...virgin,
    cells: virgin.cells.map(({ populations }, i) => ({
      populations: populations.flatMap((population) => {
        const white = hairMap.whitePercent[i]! / 100
        const earlier = hairMap.earlierPercent[i]! / 100
        // Nobody says what the earlier work was; it can be told apart all the same.
        return [
          { ...population, white, share: population.share * (1 - earlier) },
          { ...population, white, share: population.share * earlier, sources: ['earlier'] },
        ].filter(({ share }) => share > 0)
      }),
    })),
  }
}

/** A record's populations with white hair kept apart, so that every lock is of one kind. */
export function locksOf({ strands, cells }: Canvas): FoldedCells {
  const bandsOf = new Map(strands.map(({ id, bands }) => [id, bands]))
  const took: number[] = []
  return cells.map(({ populations }) => {
    const locks: Lock[] = []
    for (const { strandId, share, white, sources } of populations) {
      const bands = bandsOf.get(strandId)!
      const pigmented = share * (1 - white)
      const whites = share * white
      if (pigmented > 0) locks.push({ bands, was: bands, share: pigmented, white: false, sources, took })
      if (whites > 0) locks.push({ bands, was: bands, share: whites, white: true, sources, took })
    }
    return locks
  })
}

/** A lock of which only so much is left. Written out, because there are thousands. */
export const withShare = ({ bands, was, white, sources, took }: Lock, share: number): Lock => ({
  bands,
  was,
  share,
  white,
  sources,
  took,
})

/** Locks as a record: strands that were there keep their names, white and pigmented hair of one kind is one again. */
export function canvasFrom(cells: FoldedCells, before: Canvas, recordedOn: string): Canvas {
  const strands = new Map(before.strands.map(({ id, bands }) => [bands as readonly Band[], id]))
  const used = new Set(before.strands.map(({ id }) => id))
  const idFor = (bands: readonly Band[]): string => {
    const known = strands.get(bands)
    if (known) return known
    const id = freshStrandId(used)
    used.add(id)
    strands.set(bands, id)
    return id
  }
  const populated = cells.map((locks) => ({
    populations: locks.map(({ bands, share, white, sources }) => ({
      strandId: idFor(bands),
      share,
      white: white ? 1 : 0,
      sources: [...sources],
    })),
  }))
  return mergeAlike({
    recordedOn,
    strands: [...strands].map(([bands, id]) => ({ id, bands: [...bands] })),
    cells: populated,
  })
}
