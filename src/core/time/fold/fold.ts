import {
  carriesWork,
  directionOf,
  fitBands,
  SCALP_CELLS,
  strandDistance,
  strandLength,
  toBandEdge,
} from '../../hair/hairRecord'
import { rootLength } from '../../hair/fibre'
import type { Head } from '../../scalp/head'
import { recipeOf, type Recipe } from '../../product/formula'
import {
  activeVariant,
  byId,
  hairAfterCut,
  hairAt,
  liftGoalOf,
  type Band,
  type Canvas,
  type FaltoPlan,
  type HairState,
  type Selection,
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
    const takes = takesByCell(plan, stage, computed, { ...options, on, recipes, visitId })
    const everywhere = stage.zones.every(({ placement }) => takesAll(placement)) && !options.came?.leftOut.size
    const eligible = worksOnLock(stage, stages)
    const past = pastsOf(index)
    return folded.at(-1)!.map((locks, cell) => {
      const taken = takes[cell]!
      if (taken.length === 0) return locks
      return joined(foldCell({ locks, taken, everywhere, eligible, past, treat }))
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
): readonly (readonly Taken[])[] {
  const hairs = hairsOfCells(head, plan.hair)
  const works = new Map<string, Work>()
  const byCell = SCALP_CELLS.map((): Taken[] => [])
  for (const zone of zones.filter(({ stageId }) => stageId === stage.id)) {
    const whole = takesAll(byId(stage.zones, zone.zoneId).placement) && !came?.leftOut.size
    const { pieces } = zone.placement
    const further = furtherAlong(pieces)
    for (const piece of pieces) {
      if (piece.along || came?.leftOut.has(piece.id)) continue
      const applications = [piece, ...(further.get(piece.id) ?? [])].map((one) =>
        applicationOf(recipes.get(one.formulaId)!, one, on, cameOf(came, zone, one)),
      )
      const work = workOf(applications, piece.select, whole)
      const { cells, hairs: taken } = hairsByCell(head, piece)
      for (let i = 0; i < cells.length; i++) {
        const cell = cells[i]!
        const share = taken[i]! / hairs[cell]!
        const known = byCell[cell]!.find((one) => one.work === work)
        if (known) known.share += share
        else byCell[cell]!.push({ work, share })
      }
    }
  }
  return byCell

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

const cameOf = (came: FoldOptions['came'], { zoneId }: ZoneResult, { formulaId }: Piece): number | undefined =>
  came?.levels.find((one) => one.zoneId === zoneId && one.formulaId === formulaId)?.level

function applicationOf(recipe: Recipe, { fromCm, toCm }: Piece, on: string, came: number | undefined): Application {
  const step = (cm: number) => Math.round(cm / STRETCH_STEP_CM) * STRETCH_STEP_CM
  return {
    recipe,
    goal: came ?? liftGoalOf(recipe.formula),
    seen: came !== undefined,
    fromCm: step(fromCm),
    toCm: step(toCm),
    on,
  }
}

interface CellFold {
  locks: readonly Lock[]
  taken: readonly Taken[]
  /** The stage takes all hair of the head that it may take. */
  everywhere: boolean
  eligible: (lock: Lock) => boolean
  past: (lock: Lock, work: Work) => Past
  treat: (lock: Lock, work: Work) => readonly Band[]
}

/** One stage on one cell. No hair is taken twice by a stage; hair that may not be taken stays as it is. */
function foldCell({ locks, taken, everywhere, eligible, past, treat }: CellFold): Lock[] {
  const after = locks.filter((lock) => !eligible(lock))
  let left = locks.filter(eligible)
  for (const select of new Set(taken.map(({ work }) => work.select))) {
    const own = taken.filter(({ work }) => work.select === select)
    const may = left.filter(SELECTS[select])
    const available = may.reduce((sum, { share }) => sum + share, 0)
    if (available <= 0) continue
    const asked = own.reduce((sum, { share }) => sum + share, 0)
    const takesRest = everywhere || (own.every(({ work }) => work.whole) && asked > WHOLLY_FROM * available)
    const fit = takesRest ? 1 / asked : Math.min(1 / available, 1 / asked)
    const rest = 1 - asked * fit
    left = left.filter((lock) => !SELECTS[select](lock))
    for (const lock of may) {
      for (const { work, share } of own) {
        const { took, sources } = past(lock, work)
        const { was, white } = lock
        after.push({ bands: treat(lock, work), was, share: lock.share * share * fit, white, sources, took })
      }
      if (rest > LEAST_SHARE) left.push(withShare(lock, lock.share * rest))
    }
  }
  return [...after, ...left]
}

/** Locks that are the same in everything are one; the shares of a cell come to 1 again. */
function joined(locks: readonly Lock[]): readonly Lock[] {
  const kept: Lock[] = []
  for (const lock of locks) {
    const same = kept.findIndex((one) => areSame(one, lock))
    if (same < 0) kept.push(lock)
    else kept[same] = withShare(lock, kept[same]!.share + lock.share)
  }
  kept.sort((a, b) => b.share - a.share)
  while (kept.length > MOST_LOCKS) joinRarest(kept)
  const whole = kept.reduce((sum, { share }) => sum + share, 0)
  return kept.map((lock) => withShare(lock, lock.share / whole))
}

/** The same hair with the same past; hair that the same was done to has the same array. */
const areSame = (a: Lock, b: Lock): boolean =>
  a.bands === b.bands &&
  a.was === b.was &&
  a.white === b.white &&
  areEqual(a.took, b.took) &&
  areEqual(a.sources, b.sources)

const areEqual = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a === b || (a.length === b.length && a.every((one, i) => one === b[i]))

/** The rarest lock joins the one that looks most like it: white hair white hair, and of those the same stages took. */
function joinRarest(kept: Lock[]): void {
  const rarest = kept.pop()!
  const apart = (lock: Lock) =>
    strandDistance(lock.bands, rarest.bands) +
    (lock.white === rarest.white ? 0 : UNLIKE_LEVELS) +
    (areEqual(lock.took, rarest.took) ? 0 : UNLIKE_LEVELS)
  const distances = kept.map(apart)
  const host = distances.indexOf(Math.min(...distances))
  kept[host] = withShare(kept[host]!, kept[host]!.share + rarest.share)
}

/** What was done to a lock, and by which stages. */
type Past = Pick<Lock, 'took' | 'sources'>

/** Adds a stage to pasts; the same past with the same work added is the same arrays. */
function pastsOf(index: number): CellFold['past'] {
  const tooks = memoised((took: Lock['took']) => [...took, index])
  const sourcesOf = memoised((work: Work) => memoised((sources: Lock['sources']) => [...sources, ...work.sources]))
  return ({ took, sources }, work) => ({ took: tooks(took), sources: sourcesOf(work)(sources) })
}

/** The same answer, the same object, for the same question as long as it is held. */
function memoised<Q, A>(answer: (question: Q) => A): (question: Q) => A {
  const known = new Map<Q, A>()
  return (question) => {
    let found = known.get(question)
    if (found === undefined) known.set(question, (found = answer(question)))
    return found
  }
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
