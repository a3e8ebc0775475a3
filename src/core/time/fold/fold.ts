import { directionOf, SCALP_CELLS, toBandEdge } from '../../hair/hairRecord'
import { rootLength } from '../../hair/fibre'
import { memoised } from '../../numeric'
import type { Head } from '../../scalp/head'
import type { Recipe } from '../../product/formula'
import {
  activeVariant,
  byId,
  hairAfterCut,
  hairAt,
  liftGoalOf,
  STRAND_SPOTS,
  type Canvas,
  type FaltoPlan,
  type HairState,
  type Selection,
  type StrandSpot,
  type Stage,
} from '../../model'
import { hairsByCell, hairsOfCells, takesAll, type Piece } from '../../placement/foils'
import type { ComputedStages, ZoneResult } from '../../placement/quantity'
import { foldCell, type CellFold, type Taken, type Work } from './cell'
import { STRETCH_STEP_CM } from './constants'
import { canvasFrom, canvasOf, locksOf, type FoldedCells, type Lock } from './locks'
import { sharedBy, type FoldMemory, type Shared } from './memory'
import type { Application } from './treat'

export interface Fold {
  stages: readonly FoldedCells[]
  /** The hair as a record says it, after so many stages (0: before the visit; left out: after all of them). */
  canvas: (stages?: number) => Canvas
}

export interface FoldOptions {
  /** The hair as it was recorded; left out: virgin hair, white where the plan's map says so. */
  canvas?: Canvas | undefined
  /** Names the visit in the sources of what it treats. */
  visitId?: string | undefined
  /** The day of the visit. */
  on?: string | undefined
  /** What came of it otherwise than meant: levels of a zone's hair under a formula, and pieces that were left out. */
  came?: { levels: readonly CameLevel[]; leftOut: ReadonlySet<string> } | undefined
  /** Of the folds before; left out: nothing is remembered. */
  memory?: FoldMemory | undefined
}

export interface CameLevel {
  zoneId: string
  formulaId: string
  level: number
  /** Where the strand came out uneven: its thirds from the scalp on. */
  bands?: readonly { spot: StrandSpot; level: number }[] | undefined
}

/**
 * The fold: the hair after every stage of a visit, one stage after another on what the one before left. A stage on
 * everything takes each kind of hair in proportion; a stage on what another took or dropped takes exactly that. What is
 * taken is treated along its stretch as it then is.
 */
export function foldPlan(plan: FaltoPlan, computed: ComputedStages, options: FoldOptions = {}): Fold {
  const { canvas = plan.canvas, visitId = 'this visit', on = canvas?.recordedOn ?? '' } = options
  const before = canvas ?? canvasOf(plan, computed)
  const { treat, cut, apart, recipes, works } = sharedBy(plan, { ...options, canvas, visitId, on })
  const { stages } = activeVariant(plan)
  const folded: FoldedCells[] = [locksOf(before)]
  stages.forEach((stage, index) => {
    if (stage.cut)
      folded.push(afterCut(folded.at(-1)!, computed.head, hairAfterCut(hairAt(plan, stage), stage.cut), cut))
    else folded.push(afterProducts(stage, index))
  })
  return {
    stages: folded,
    canvas: (count = stages.length) => canvasFrom(folded[count]!, before, count > 0 ? on : before.recordedOn),
  }

  function afterProducts(stage: Stage, index: number): FoldedCells {
    const { byCell, selections } = takesByCell(plan, stage, computed, { ...options, on, recipes, works, visitId })
    const everywhere = stage.zones.every(({ placement }) => takesAll(placement)) && !options.came?.leftOut.size
    const eligible = worksOnLock(stage, stages)
    const past = pastsOf(index)
    return folded.at(-1)!.map((locks, cell) => {
      const taken = byCell[cell]!
      return taken.length === 0
        ? locks
        : foldCell({ locks, taken, selections, everywhere, eligible, past, treat, apart })
    })
  }
}

/** Every strand cut to what the cut leaves where it grows; strands that are shorter already stay as they are. */
function afterCut(cells: FoldedCells, head: Head, hair: HairState, cut: Shared['cut']): FoldedCells {
  const lengthAt = rootLength(head, hair)
  return cells.map((locks, cell) => {
    const { theta, psi } = directionOf(head, SCALP_CELLS[cell]!.centre)
    const cm = toBandEdge(lengthAt(theta, psi))
    return locks.map((lock) => ({ ...lock, bands: cut(lock.bands, cm), was: cut(lock.was, cm) }))
  })
}

/** Whether a stage works on a lock: on all, or on what an earlier stage took or dropped. */
export function worksOnLock({ worksOn }: Stage, stages: readonly Stage[]): (lock: Lock) => boolean {
  if (!worksOn || worksOn.kind === 'everything') return () => true
  const earlier = stages.findIndex(({ id }) => id === worksOn.stageId)
  const wanted = worksOn.kind === 'took'
  return ({ took }) => took.includes(earlier) === wanted
}

/** What the pieces of a stage take, cell by cell: pieces that do the same to hair are one. */
function takesByCell(
  plan: FaltoPlan,
  stage: Stage,
  { head, zones }: ComputedStages,
  { on, came, recipes, works, visitId }: FoldOptions & Pick<Shared, 'recipes' | 'works'> & { on: string },
): { byCell: readonly (readonly Taken[])[]; selections: readonly Selection[] } {
  const hairs = hairsOfCells(head, plan.hair)
  const selections = new Set<Selection>()
  const byCell = SCALP_CELLS.map((): Taken[] => [])
  for (const zone of zones.filter(({ stageId }) => stageId === stage.id)) {
    const whole = takesAll(byId(stage.zones, zone.zoneId).placement) && !came?.leftOut.size
    const { pieces } = zone.placement
    const further = furtherAlong(pieces)
    for (const piece of pieces) {
      if (piece.along || came?.leftOut.has(piece.id)) continue
      const applications = [piece, ...(further.get(piece.id) ?? [])].flatMap((one) =>
        applicationsOf(recipes.get(one.formulaId)!, one, on, cameOf(came, zone, one)),
      )
      const work = workOf(applications, piece.select, whole)
      selections.add(work.select)
      const { cells, hairs: taken } = hairsByCell(head, piece)
      for (let i = 0; i < cells.length; i++) {
        const cell = cells[i]!
        const share = taken[i]! / hairs[cell]!
        addTaken(byCell[cell]!, work, share)
      }
    }
  }
  return { byCell, selections: [...selections] }

  function workOf(applications: readonly Application[], select: Selection, whole: boolean): Work {
    const name = `${applications.map(nameOf).join('+')} ${select} ${whole}`
    const known = works.get(name)
    if (known) return known
    const sources = applications.map(({ recipe }) => `${visitId}/${recipe.formula.id}`)
    const work = { applications, sources, select, whole }
    works.set(name, work)
    return work
  }
}

function addTaken(cell: Taken[], work: Work, share: number): void {
  for (const one of cell) {
    if (one.work !== work) continue
    one.share += share
    return
  }
  cell.push({ work, share })
}

/** Pieces that go on hair which another one holds, under that one's id. */
function furtherAlong(pieces: readonly Piece[]): Map<string, Piece[]> {
  const further = new Map<string, Piece[]>()
  for (const piece of pieces) {
    if (!piece.along) continue
    further.set(piece.along, [...(further.get(piece.along) ?? []), piece])
  }
  return further
}

const nameOf = ({ recipe, goal, fromCm, toCm }: Application): string => `${recipe.formula.id} ${goal} ${fromCm} ${toCm}`

const cameOf = (came: FoldOptions['came'], { zoneId }: ZoneResult, { formulaId }: Piece): CameLevel | undefined =>
  came?.levels.find((one) => one.zoneId === zoneId && one.formulaId === formulaId)

/** What a piece puts on its stretch; where it came out uneven, on each third of it. */
function applicationsOf(recipe: Recipe, piece: Piece, on: string, came: CameLevel | undefined): Application[] {
  const step = (cm: number) => Math.round(cm / STRETCH_STEP_CM) * STRETCH_STEP_CM
  const [from, to] = [piece.fromCm, Math.min(piece.toCm, piece.hairLength)]
  const at = (share: number) => (share === 1 ? step(piece.toCm) : step(from + share * (to - from)))
  const application = (goal: number, first: number, last: number): Application => ({
    recipe,
    goal,
    seen: came !== undefined,
    fromCm: at(first),
    toCm: at(last),
    on,
  })
  if (!came?.bands?.length) return [application(came?.level ?? liftGoalOf(recipe.formula), 0, 1)]
  return STRAND_SPOTS.map((spot, i) => {
    const level = came.bands!.find((band) => band.spot === spot)?.level ?? came.level
    return application(level, i / STRAND_SPOTS.length, (i + 1) / STRAND_SPOTS.length)
  })
}

/** Adds a stage to pasts; the same past with the same work added is the same arrays. */
function pastsOf(index: number): CellFold['past'] {
  const tooks = memoised((took: Lock['took']) => [...took, index])
  const sourcesOf = memoised((work: Work) => memoised((sources: Lock['sources']) => [...sources, ...work.sources]))
  return ({ took, sources }, work) => ({ took: tooks(took), sources: sourcesOf(work)(sources) })
}
