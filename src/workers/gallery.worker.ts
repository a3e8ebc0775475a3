import { expose as serve, transfer } from 'comlink'
import { createStudio, SEED, takePicture } from '@/core/appearance/look'
import { VIEWS, type Picture } from '@/core/appearance/picture'
import { COARSE_STRANDS } from '@/core/appearance/strands'
import { hairMapOf } from '@/core/hair/hairRecord'
import type { Canvas, FaltoPlan, Goal, HairState, HeadMeasures, LayoutTemplate } from '@/core/model'
import { layoutFor } from '@/core/placement/layout'
import { createPlanner } from '@/core/plan/planner'
import { newPlanDocument, planFromService, proposePlan, wishedIn, type Person } from '@/core/plan/serviceKinds'
import { mapDrawing, type MapDrawing } from '@/core/plan/sheets'
import type { ComputedStages } from '@/core/placement/quantity'
import { foldPlan } from '@/core/time/fold'
import { THUMBNAIL } from './thumbnail'

/** Whom plans are to be shown on; the wish where one is recorded. */
export interface Sitter {
  head: HeadMeasures
  hair: HairState
  canvas: Canvas | undefined
  goal: Goal | undefined
}

/** What is drawn small: a start, by its kind of service or `proposed`; a plan that there is; or sections alone. */
export type ThumbnailOf =
  | { start: string; sitter: Sitter }
  | { plan: FaltoPlan; canvas: Canvas | undefined }
  | { template: LayoutTemplate; of: Pick<Sitter, 'head' | 'hair'> }

/** A plan, small: its map, and what will be seen from behind. */
export interface Thumbnail {
  map: ImageBitmap
  /** Missing of sections alone. */
  look: Picture | undefined
}

/** Colour of lines on the small map. */
const INK = '#555'

const planner = createPlanner()
const studio = createStudio()

function personOf({ head, hair, canvas }: Pick<Sitter, 'head' | 'hair'> & Partial<Sitter>): Person {
  let id = 0
  return { head, hair, hairMap: canvas && hairMapOf(canvas), newId: () => `thumb-${id++}` }
}

function planOf(start: string, sitter: Sitter): FaltoPlan {
  const { head, hair, canvas, goal } = sitter
  const person = personOf(sitter)
  if (start !== 'proposed') return planFromService(start, person)
  if (!canvas || !goal) throw new Error('There is nothing to propose from.')
  return proposePlan(planner, wishedIn(head, { hair, canvas, goal }), person).plan
}

/** The map, as large as there is room. */
function drawnMap({ hairline, extent, zones, swatches }: MapDrawing, shows: 'pieces' | 'sections'): ImageBitmap {
  const sheet = new OffscreenCanvas(THUMBNAIL.width, THUMBNAIL.height)
  const pen = sheet.getContext('2d')!
  const [width, height] = [extent.right - extent.left, extent.bottom - extent.top]
  const scale = Math.min((THUMBNAIL.width - 4) / width, (THUMBNAIL.height - 4) / height)
  pen.translate(THUMBNAIL.width / 2, THUMBNAIL.height / 2)
  pen.scale(scale, scale)
  pen.translate(-(extent.left + extent.right) / 2, -(extent.top + extent.bottom) / 2)
  for (const { pieces } of shows === 'pieces' ? zones : [])
    for (const { stitches, formulaId } of pieces) {
      pen.fillStyle = swatches[formulaId]!
      pen.fill(new Path2D(stitches))
    }
  pen.strokeStyle = INK
  pen.lineWidth = 1.2 / scale
  for (const outline of [hairline, ...zones.map((zone) => zone.outline)]) pen.stroke(new Path2D(outline))
  return sheet.transferToImageBitmap()
}

/** What will be seen once all of a plan is done, from behind. */
function drawnLook(plan: FaltoPlan, computed: ComputedStages, canvas: Canvas | undefined): Picture {
  const fold = foldPlan(plan, computed, { canvas })
  const shot = {
    wear: 'straight',
    count: COARSE_STRANDS,
    seed: SEED,
    view: VIEWS.back,
    moment: { stages: fold.stages.length - 1, weeks: 0 },
    ...THUMBNAIL,
    fine: true,
  } as const
  return takePicture(studio, { plan, computed, fold }, shot).picture
}

function drawnSections({ template, of }: Extract<ThumbnailOf, { template: LayoutTemplate }>): Thumbnail {
  const plan = newPlanDocument('', personOf(of), layoutFor(template, of.hair))
  const map = drawnMap(mapDrawing(plan, planner.computeStages(plan), 'strips'), 'sections')
  return transfer({ map, look: undefined }, [map])
}

const api = {
  thumbnail(of: ThumbnailOf): Thumbnail {
    if ('template' in of) return drawnSections(of)
    const [plan, canvas] = 'plan' in of ? [of.plan, of.canvas] : [planOf(of.start, of.sitter), of.sitter.canvas]
    const computed = planner.computeStages(plan)
    const look = drawnLook(plan, computed, canvas)
    const map = drawnMap(mapDrawing(plan, computed), 'pieces')
    return transfer({ map, look }, [map, look.rgba.buffer])
  },
}
export type GalleryWorker = typeof api

serve(api)
