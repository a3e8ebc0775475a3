import { expose as serve, transfer } from 'comlink'
import {
  checkWish,
  colourStrands,
  createStudio,
  hairThen,
  lookFigures,
  lookReport,
  pickAt,
  sceneAt,
  seenOf,
  takePicture,
  wearsOf,
  worthOf,
  type LookReport,
  type Subject,
  type WishCheck,
  type Worth,
} from '@/core/appearance/look'
import type { Moment } from '@/core/appearance/paint'
import { VIEW_NAMES, type Exposure, type Picture, type View } from '@/core/appearance/picture'
import { FINE_STRANDS, type Wear } from '@/core/appearance/strands'
import type { Canvas, FaltoPlan, Goal } from '@/core/model'
import { checkPlan, createPlanner } from '@/core/plan/planner'
import { foldPlan } from '@/core/time/fold'

/** A picture that is asked for. Of several on one lane only the newest is made. */
export interface PictureWish {
  lane: string
  ideaId: string
  wear: Wear
  view: View
  moment: Moment
  width: number
  height: number
  /** `quick`: drawn once, while something still changes. `fine`: drawn at twice the size and averaged down. */
  quality: 'quick' | 'fine'
}

/** Red, green, blue, opacity of a picture, row by row; undefined where a newer one was asked for. */
export type PictureAnswer = Picture | undefined

/** What lies under a tap. */
export interface Tapped {
  level: number
  alongCm: number
  /** The foil or panel of the newest stage that took the strand. */
  pieceId: string | undefined
  zoneId: string | undefined
  stageId: string | undefined
}

export interface Figures {
  report: LookReport
  worth: Worth[]
}

/** Beside what is pointed out the picture is veiled this much, 0…255. Our choice. */
const VEIL = 150

const planner = createPlanner()
const studio = createStudio()
let plan: FaltoPlan | undefined
let canvas: Canvas | undefined
/** Ideas of the plan in hand as they were last worked out. */
const subjects = new Map<string, Subject>()
const newest = new Map<string, number>()
/** What was last exposed on each lane, for taps. */
const shown = new Map<string, { wish: PictureWish; exposure: Exposure }>()

function subjectOf(ideaId: string): Subject | undefined {
  if (!plan) return undefined
  const known = subjects.get(ideaId)
  if (known) return known
  const idea = { ...plan, activeVariantId: ideaId }
  if (checkPlan(idea).length > 0) return undefined
  const computed = planner.computeStages(idea)
  const subject = { plan: idea, computed, fold: foldPlan(idea, computed, { canvas }) }
  subjects.set(ideaId, subject)
  return subject
}

/** Lets what was asked meanwhile come in. */
const breathe = () => new Promise((done) => setTimeout(done))

/** Takes the next turn on a lane. @returns whether a newer one was taken since */
function turnOn(lane: string): () => boolean {
  const turn = (newest.get(lane) ?? 0) + 1
  newest.set(lane, turn)
  return () => newest.get(lane) !== turn
}

/** A picture whose pixels go over instead of being copied. */
const handedOver = (picture: Picture): Picture => transfer(picture, [picture.rgba.buffer])

const api = {
  /** The hair as it was recorded last, for all plans from now on: a record is too long to come with every edit. */
  knowHair(recorded: Canvas): void {
    canvas = recorded
    subjects.clear()
  },
  /** The plan in hand; pictures of it that are kept stay where only colours changed. */
  load(next: FaltoPlan): void {
    plan = next
    subjects.clear()
  },
  /** @param onProgress 0…1; a newer wish on the same lane ends what is under way */
  async picture(wish: PictureWish, onProgress: (share: number) => void): Promise<PictureAnswer> {
    const isOld = turnOn(wish.lane)
    await breathe()
    if (isOld()) return undefined
    const subject = subjectOf(wish.ideaId)
    if (!subject) return undefined
    const drawn = { wear: wish.wear, count: FINE_STRANDS }
    const steps: (() => unknown)[] = [
      () => sceneAt(studio, subject, drawn, wish.moment),
      () => colourStrands(subject, sceneAt(studio, subject, drawn, wish.moment).strands, wish.moment),
    ]
    for (const [i, step] of steps.entries()) {
      onProgress((i + 1) / 4)
      await breathe()
      if (isOld()) return undefined
      step()
    }
    onProgress(3 / 4)
    await breathe()
    if (isOld()) return undefined
    const { picture, exposure } = takePicture(studio, subject, { ...wish, ...drawn, fine: wish.quality === 'fine' })
    shown.set(wish.lane, { wish, exposure })
    return handedOver(picture)
  },
  /** Makes ready what a hand will see when it turns the picture of a lane; gives way to whatever is asked for next. */
  async warm(wish: PictureWish, steps: number): Promise<void> {
    const turn = newest.get(wish.lane)
    const subject = subjectOf(wish.ideaId)
    if (!subject) return
    const drawn = { wear: wish.wear, count: FINE_STRANDS }
    const hair = hairThen(subject.plan, wish.moment)
    for (let step = 1; step < steps; step++) {
      // To either side in turn, the nearest first.
      const away = (step % 2 === 1 ? 1 : -1) * Math.ceil(step / 2)
      await breathe()
      if (newest.get(wish.lane) !== turn || subjects.get(wish.ideaId) !== subject) return
      const view = { turn: wish.view.turn + (away * 2 * Math.PI) / steps, tilt: wish.view.tilt }
      studio.exposure(subject.computed.head, hair, drawn, view, wish)
    }
  },
  /** What is counted from all sides. */
  async figures(ideaId: string, wear: Wear, moment: Moment): Promise<Figures | undefined> {
    const isOld = turnOn('figures')
    await breathe()
    const subject = isOld() ? undefined : subjectOf(ideaId)
    if (!subject) return undefined
    const figures = lookFigures(studio, subject, { wear, count: FINE_STRANDS }, moment, { names: VIEW_NAMES })
    return { report: lookReport(figures), worth: worthOf(subject.computed, figures, figures.takers) }
  },
  /** The wish against what is seen, worn as she wears it. */
  async wish(ideaId: string, goal: Goal): Promise<WishCheck[] | undefined> {
    const isOld = turnOn('wish')
    await breathe()
    const subject = isOld() ? undefined : subjectOf(ideaId)
    if (!subject) return undefined
    const moment = { stages: subject.fold.stages.length - 1, weeks: 0 }
    const worn = []
    for (const { wear, share } of wearsOf(goal.wear)) {
      await breathe()
      if (isOld()) return undefined
      worn.push({ wear, share, figures: lookFigures(studio, subject, { wear, count: FINE_STRANDS }, moment) })
    }
    return checkWish(goal, worn)
  },
  /** What lies at a place of the picture last made on a lane. @param x @param y share of its width and height */
  tap(lane: string, x: number, y: number): Tapped | undefined {
    const last = shown.get(lane)
    const subject = last && subjectOf(last.wish.ideaId)
    if (!last || !subject) return undefined
    const { strands } = sceneAt(studio, subject, { wear: last.wish.wear, count: FINE_STRANDS }, last.wish.moment)
    const picked = pickAt(last.exposure, { strands, ...colourStrands(subject, strands, last.wish.moment) }, x, y)
    if (!picked) return undefined
    const placed = picked.pieces.findLast(({ piece }) => piece.kind === 'foil') ?? picked.pieces.at(-1)
    return {
      level: picked.level,
      alongCm: picked.alongCm,
      pieceId: placed?.piece.id,
      zoneId: placed?.zoneId,
      stageId: placed?.stageId,
    }
  },
  /**
   * A veil over all but the hair of some zones or pieces, for the picture last made on a lane: pixels as in a picture.
   */
  veil(lane: string, ids: readonly string[]): PictureAnswer {
    const last = shown.get(lane)
    const subject = last && subjectOf(last.wish.ideaId)
    if (!last || !subject) return undefined
    const { wish, exposure } = last
    const { strands } = sceneAt(studio, subject, { wear: wish.wear, count: FINE_STRANDS }, wish.moment)
    const { takers } = colourStrands(subject, strands, wish.moment)
    const mask = seenOf(exposure, strands, takers, new Set(ids))
    const { width, height } = wish
    const times = exposure.camera.width / width
    const rgba = new Uint8ClampedArray(4 * width * height).fill(255)
    for (let y = 0, to = 3; y < height; y++)
      for (let x = 0; x < width; x++, to += 4) rgba[to] = mask[times * (y * exposure.camera.width + x)] === 1 ? 0 : VEIL
    return handedOver({ width, height, rgba })
  },
}

export type LookWorker = typeof api
serve(api)
