import {
  carriesWork,
  directionOf,
  fitBands,
  SCALP_CELLS,
  strandDistances,
  strandLength,
  toBandEdge,
} from '../../hair/hairRecord'
import { rootLength } from '../../hair/fibre'
import { memoised, sameElements } from '../../numeric'
import type { Head } from '../../scalp/head'
import { recipeOf, type Recipe } from '../../product/formula'
import {
  activeVariant,
  byId,
  hairAfterCut,
  hairAt,
  liftGoalOf,
  STRAND_SPOTS,
  type Band,
  type Canvas,
  type FaltoPlan,
  type HairState,
  type Selection,
  type StrandSpot,
  type Stage,
} from '../../model'
import { hairsByCell, hairsOfCells, takesAll, type Piece } from '../../placement/foils'
import type { ComputedStages, ZoneResult } from '../../placement/quantity'
import { LEAST_SHARE, MOST_LOCKS, STRETCH_STEP_CM, UNLIKE_LEVELS, WHOLLY_FROM } from './constants'
import { canvasFrom, canvasOf, locksOf, withShare, type FoldedCells, type Lock } from './locks'
import { treatStrand, type Application } from './treat'

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
  const treat = treatments(plan)
  const apart = strandDistances()
  const recipes = new Map(plan.formulas.map((formula) => [formula.id, recipeOf(formula, plan.products)]))
  const { stages } = activeVariant(plan)
  const folded: FoldedCells[] = [locksOf(before)]
  stages.forEach((stage, index) => {
    if (stage.cut) folded.push(afterCut(folded.at(-1)!, computed.head, hairAfterCut(hairAt(plan, stage), stage.cut)))
    else folded.push(afterProducts(stage, index))
  })
  return {
    stages: folded,
    canvas: (count = stages.length) => canvasFrom(folded[count]!, before, count > 0 ? on : before.recordedOn),
  }

  function afterProducts(stage: Stage, index: number): FoldedCells {
    const { byCell, selections } = takesByCell(plan, stage, computed, { ...options, on, recipes, visitId })
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
function afterCut(cells: FoldedCells, head: Head, hair: HairState): FoldedCells {
  const lengthAt = rootLength(head, hair)
  const cut = new Map<string, readonly Band[]>()
  const shortened = (bands: readonly Band[], cm: number): readonly Band[] => {
    if (strandLength(bands) <= cm) return bands
    const key = `${cm} ${JSON.stringify(bands)}`
    const known = cut.get(key) ?? fitBands(bands, cm)
    cut.set(key, known)
    return known
  }
  return cells.map((locks, cell) => {
    const { theta, psi } = directionOf(head, SCALP_CELLS[cell]!.centre)
    const cm = toBandEdge(lengthAt(theta, psi))
    return locks.map((lock) => ({ ...lock, bands: shortened(lock.bands, cm), was: shortened(lock.was, cm) }))
  })
}

/** What pieces do to hair: all that goes along their strands, and which hair they may take. One object for each. */
interface Work {
  applications: readonly Application[]
  /** `visit/formula` of each, as the record says it. */
  sources: readonly string[]
  select: Selection
  /** Their sections are taken whole. */
  whole: boolean
}

/** What is taken of a cell for one kind of work. */
interface Taken {
  work: Work
  /** Of the cell's hairs, 0…1. */
  share: number
}

/** Whether a take that is limited to some hair may take a lock. */
export const selects = (lock: Lock, select: Selection): boolean => SELECTS[select](lock)

const SELECTS: Record<Selection, (lock: Lock) => boolean> = {
  all: () => true,
  copyWhite: () => true,
  white: ({ white }) => white,
  dark: ({ white }) => !white,
  earlier: ({ sources, bands }) => carriesWork(sources, bands),
  notEarlier: ({ sources, bands }) => !carriesWork(sources, bands),
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
  { on, came, recipes, visitId }: FoldOptions & { on: string; recipes: ReadonlyMap<string, Recipe>; visitId: string },
): { byCell: readonly (readonly Taken[])[]; selections: readonly Selection[] } {
  const hairs = hairsOfCells(head, plan.hair)
  const works = new Map<string, Work>()
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
      const { cells, hairs: taken } = hairsByCell(head, piece)
      for (let i = 0; i < cells.length; i++) {
        const cell = cells[i]!
        const share = taken[i]! / hairs[cell]!
        addTaken(byCell[cell]!, work, share)
      }
    }
  }
  return { byCell, selections: [...new Set([...works.values()].map(({ select }) => select))] }

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

interface CellFold {
  locks: readonly Lock[]
  taken: readonly Taken[]
  /** Which hair the stage's takes choose from, each once. */
  selections: readonly Selection[]
  /** The stage takes all hair of the head that it may take. */
  everywhere: boolean
  eligible: (lock: Lock) => boolean
  past: (lock: Lock, work: Work) => Past
  treat: (lock: Lock, work: Work) => readonly Band[]
  apart: ReturnType<typeof strandDistances>
}

/** One stage on one cell. No hair is taken twice by a stage; hair that may not be taken stays as it is. */
function foldCell({ locks, taken, selections, everywhere, eligible, past, treat, apart }: CellFold): readonly Lock[] {
  const after: CellLock[] = []
  let left: Lock[] = []
  for (const lock of locks) {
    if (eligible(lock)) left.push(lock)
    else gather(after, withShare(lock, lock.share))
  }
  for (const select of selections) {
    const own = selections.length > 1 ? taken.filter(({ work }) => work.select === select) : taken
    const may: Lock[] = []
    const other: Lock[] = []
    for (const lock of left) (SELECTS[select](lock) ? may : other).push(lock)
    const available = sumOf(may)
    if (own.length === 0 || available <= 0) continue
    const asked = sumOf(own)
    const takesRest = everywhere || (own.every(({ work }) => work.whole) && asked > WHOLLY_FROM * available)
    const fit = takesRest ? 1 / asked : Math.min(1 / available, 1 / asked)
    const rest = 1 - asked * fit
    left = other
    for (const lock of may) {
      for (const { work, share } of own) {
        const { took, sources } = past(lock, work)
        const { was, white } = lock
        gather(after, { bands: treat(lock, work), was, share: lock.share * share * fit, white, sources, took })
      }
      if (rest > LEAST_SHARE) left.push(withShare(lock, lock.share * rest))
    }
  }
  for (const lock of left) gather(after, withShare(lock, lock.share))
  return settled(after, apart)
}

function sumOf(shares: readonly { share: number }[]): number {
  let sum = 0
  for (const { share } of shares) sum += share
  return sum
}

/** A lock of the cell in hand, which no other cell or stage holds yet. */
type CellLock = Lock & { share: number }

/** Adds a lock to a cell; one that is the same in everything as one that is there goes up in it. */
function gather(cell: CellLock[], lock: CellLock): void {
  for (const one of cell) {
    if (!areSame(one, lock)) continue
    one.share += lock.share
    return
  }
  cell.push(lock)
}

/** The greatest share first, no more locks than are held, and their shares come to 1 again. */
function settled(cell: CellLock[], apart: CellFold['apart']): readonly Lock[] {
  putGreatestFirst(cell)
  while (cell.length > MOST_LOCKS) joinRarest(cell, apart)
  const whole = sumOf(cell)
  for (const lock of cell) lock.share /= whole
  return cell
}

/** By insertion, in place: a cell has few locks, and there are some hundred cells at every edit. */
function putGreatestFirst(cell: CellLock[]): void {
  for (let i = 1; i < cell.length; i++) {
    const lock = cell[i]!
    let to = i
    for (; to > 0 && cell[to - 1]!.share < lock.share; to--) cell[to] = cell[to - 1]!
    cell[to] = lock
  }
}

/** The same hair with the same past; hair that the same was done to has the same array. */
const areSame = (a: Lock, b: Lock): boolean =>
  a.bands === b.bands &&
  a.was === b.was &&
  a.white === b.white &&
  sameElements(a.took, b.took) &&
  sameElements(a.sources, b.sources)

/** The rarest lock joins the one that looks most like it: white hair white hair, and of those the same stages took. */
function joinRarest(cell: CellLock[], apart: CellFold['apart']): void {
  const rarest = cell.pop()!
  const unlike = (lock: Lock) =>
    apart(lock.bands)(rarest.bands) +
    (lock.white === rarest.white ? 0 : UNLIKE_LEVELS) +
    (sameElements(lock.took, rarest.took) ? 0 : UNLIKE_LEVELS)
  const distances = cell.map(unlike)
  cell[distances.indexOf(Math.min(...distances))]!.share += rarest.share
}

/** What was done to a lock, and by which stages. */
type Past = Pick<Lock, 'took' | 'sources'>

/** Adds a stage to pasts; the same past with the same work added is the same arrays. */
function pastsOf(index: number): CellFold['past'] {
  const tooks = memoised((took: Lock['took']) => [...took, index])
  const sourcesOf = memoised((work: Work) => memoised((sources: Lock['sources']) => [...sources, ...work.sources]))
  return ({ took, sources }, work) => ({ took: tooks(took), sources: sourcesOf(work)(sources) })
}

/** Treats locks, each kind of hair once for each kind of work. */
function treatments({ hair: { naturalLevel } }: FaltoPlan): CellFold['treat'] {
  const treated = (white: boolean) =>
    memoised((work: Work) =>
      memoised((bands: readonly Band[]) =>
        work.applications.reduce(
          (strand, application) => treatStrand(strand, application, { naturalLevel, white }),
          bands,
        ),
      ),
    )
  const [ofPigmented, ofWhite] = [treated(false), treated(true)]
  return ({ bands, white }, work) => (white ? ofWhite : ofPigmented)(work)(bands)
}
