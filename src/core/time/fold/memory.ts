import { fitBands, strandDistances, strandLength } from '../../hair/hairRecord'
import { memoised, sameElements } from '../../numeric'
import type { Band, FaltoPlan } from '../../model'
import { recipeOf, type Recipe } from '../../product/formula'
import type { CellFold, Work } from './cell'
import type { FoldOptions } from './fold'
import { treatStrand } from './treat'

/** Strands that a memory has made when it begins anew: fifty folds that have nothing alike, 30 MB. Our choice. */
const MOST_STRANDS = 20_000

/** What folds of the same recorded hair with the same formulas share: whoever folds a plan edit after edit owns one. */
export interface FoldMemory {
  about: readonly unknown[]
  shared: Shared | undefined
}

export const createFoldMemory = (): FoldMemory => ({ about: [], shared: undefined })

/** What does not depend on where anything is taken. */
export interface Shared {
  recipes: ReadonlyMap<string, Recipe>
  /** By what is said of them. */
  works: Map<string, Work>
  treat: CellFold['treat']
  /** A strand as long as a cut leaves it, or as short as it is. */
  cut: (bands: readonly Band[], cm: number) => readonly Band[]
  apart: CellFold['apart']
  /** How many strands it has made. */
  made: () => number
}

/** From the folds before, where they were about the same; else anew, and so when hands have led to too many strands. */
export function sharedBy(plan: FaltoPlan, { memory, canvas, visitId, on, came }: FoldOptions): Shared {
  const { formulas, products, hair } = plan
  const about = [formulas, products, hair.naturalLevel, canvas, visitId, on, came]
  if (memory?.shared && memory.shared.made() <= MOST_STRANDS && sameElements(memory.about, about)) return memory.shared
  const shared = startShared(plan)
  // Hair that is not recorded is made anew for every fold: nothing of it would be met again.
  if (memory && canvas) Object.assign(memory, { about, shared })
  return shared
}

function startShared({ formulas, products, hair: { naturalLevel } }: FaltoPlan): Shared {
  let made = 0
  const counted = <T>(strand: T): T => (made++, strand)
  // Each kind of hair once for each kind of work.
  const treated = (white: boolean) =>
    memoised((work: Work) =>
      memoised((bands: readonly Band[]) =>
        counted(
          work.applications.reduce(
            (strand, application) => treatStrand(strand, application, { naturalLevel, white }),
            bands,
          ),
        ),
      ),
    )
  const [ofPigmented, ofWhite] = [treated(false), treated(true)]
  // Strands that were made apart but are alike are one from there on.
  const alike = new Map<string, readonly Band[]>()
  const shortened = memoised((cm: number) =>
    memoised((bands: readonly Band[]) => {
      const key = `${cm} ${JSON.stringify(bands)}`
      const known = alike.get(key) ?? counted(fitBands(bands, cm))
      alike.set(key, known)
      return known
    }),
  )
  return {
    recipes: new Map(formulas.map((formula) => [formula.id, recipeOf(formula, products)])),
    works: new Map(),
    treat: ({ bands, white }, work) => (white ? ofWhite : ofPigmented)(work)(bands),
    cut: (bands, cm) => (strandLength(bands) <= cm ? bands : shortened(cm)(bands)),
    apart: strandDistances(),
    made: () => made,
  }
}
