import { SCALP_CELLS } from '../../hair/hairRecord'
import { STARTING_HAIR, type HairState, type SeenCells, type WearKind } from '../../model'
import { createHead, defaultMeasures, type Head } from '../../scalp/head'
import { mannequinField, sampleField, surfaceNets, type Grid } from '../../scalp/mannequin'
import { VIEW_WEIGHTS, seenPoints } from '../figures'
import { expose, remember, SEED } from '../look'
import { reachOf, skinOf, VIEW_NAMES, VIEWS, type Skin } from '../picture'
import { COARSE_STRANDS, growStrands, spreadRoots, type Wear } from '../strands'
import { COARSE_GRID_CM, COARSE_SIZE, KEPT_HAIRS, LENGTH_STEP_CM } from './constants'

const WEAR_OF: Record<WearKind, Wear> = { straight: 'straight', waved: 'waved', tied: 'low' }

/** The usual head, as coarsely as will do; made when first asked for. */
let usual: { head: Head; grid: Grid; skin: Skin } | undefined
const known = remember<SeenCells>(KEPT_HAIRS)

/**
 * What is seen of the hair of every scalp cell, counted in small pictures of few strands on the usual head: places on
 * the scalp are the same on every head, and how hair falls depends on its length, cut, curl and part far more than on
 * the head. Counted once for a kind of hair, so that figures keep up with every edit of a plan.
 */
export function seenCells(hair: HairState): SeenCells {
  const like = alike(hair)
  return known(kindOfHair(hair), () => ({
    straight: countCells(like, WEAR_OF.straight),
    waved: countCells(like, WEAR_OF.waved),
    tied: countCells(like, WEAR_OF.tied),
  }))
}

/** What `seenCells` says of such hair from now on: it was counted elsewhere, by the same version of Falto. */
export const knowSeen = (hair: HairState, seen: SeenCells): void => void known(kindOfHair(hair), () => seen)

/** The same for hair of which the same is seen. */
export const kindOfHair = (hair: HairState): string => JSON.stringify(alike(hair))

/** The hair as far as it matters here, its length in steps. */
function alike(hair: HairState): HairState {
  const { density, curl, cutLine, lengthCm, part, fall } = hair
  const length = Math.max(LENGTH_STEP_CM, LENGTH_STEP_CM * Math.round(lengthCm / LENGTH_STEP_CM))
  return { ...STARTING_HAIR, density, curl, cutLine, lengthCm: length, part, fall }
}

function usualHead() {
  if (usual) return usual
  const head = createHead(defaultMeasures())
  const grid = sampleField(mannequinField(head), COARSE_GRID_CM)
  usual = { head, grid, skin: skinOf(head, surfaceNets(grid)) }
  return usual
}

function countCells(hair: HairState, wear: Wear): number[] {
  const { head, grid, skin } = usualHead()
  const roots = spreadRoots(head, hair, COARSE_STRANDS, SEED)
  const strands = growStrands(head, grid, hair, roots, { wear, seed: SEED })
  const scene = { strands, skin, reach: reachOf(strands) }
  const seen = new Float64Array(SCALP_CELLS.length)
  for (const view of VIEW_NAMES) {
    const { counts, total } = seenPoints(expose(scene, VIEWS[view], COARSE_SIZE), strands)
    for (let point = 0; point < counts.length; point++)
      if (counts[point]! > 0) seen[roots.cell[strands.owner[point]!]!]! += (VIEW_WEIGHTS[view] * counts[point]!) / total
  }
  const grows = new Float64Array(SCALP_CELLS.length)
  for (const cell of roots.cell) grows[cell]! += 1 / roots.count
  return Array.from(seen, (share, cell) => (grows[cell]! > 0 ? share / grows[cell]! : 0))
}
