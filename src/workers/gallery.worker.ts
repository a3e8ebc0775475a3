import { expose as serve, transfer } from 'comlink'
import { createStudio, SEED, takePicture } from '@/core/appearance/look'
import { VIEWS, type Picture } from '@/core/appearance/picture'
import { COARSE_STRANDS } from '@/core/appearance/strands'
import { hairMapOf } from '@/core/hair/hairRecord'
import type { Canvas, FaltoPlan, Goal, HairState, HeadMeasures } from '@/core/model'
import { createPlanner } from '@/core/plan/planner'
import { planFromService, proposePlan, wishedIn, type Person } from '@/core/plan/serviceKinds'
import { mapDrawing, type MapDrawing } from '@/core/plan/sheets'
import { foldPlan } from '@/core/time/fold'

/** Whom plans are to be shown on; the wish where one is recorded. */
export interface Sitter {
  head: HeadMeasures
  hair: HairState
  canvas: Canvas | undefined
  goal: Goal | undefined
}

/** A plan that could be started from, small: its map, and what will be seen from behind. */
export interface Thumbnail {
  map: ImageBitmap
  look: Picture
}

/** Pixels of either picture: twice what they are shown in. Our choice. */
const SIZE = { width: 96, height: 128 } as const
/** Colour of lines on the small map. */
const INK = '#555'

const planner = createPlanner()
const studio = createStudio()

function planOf(start: string, { head, hair, canvas, goal }: Sitter): FaltoPlan {
  let id = 0
  const person: Person = { head, hair, hairMap: canvas && hairMapOf(canvas), newId: () => `thumb-${id++}` }
  if (start !== 'proposed') return planFromService(start, person)
  if (!canvas || !goal) throw new Error('There is nothing to propose from.')
  return proposePlan(planner, wishedIn(head, { hair, canvas, goal }), person).plan
}

/** The map, as large as there is room. */
function drawnMap({ hairline, extent, zones, swatches }: MapDrawing): ImageBitmap {
  const sheet = new OffscreenCanvas(SIZE.width, SIZE.height)
  const pen = sheet.getContext('2d')!
  const [width, height] = [extent.right - extent.left, extent.bottom - extent.top]
  const scale = Math.min((SIZE.width - 4) / width, (SIZE.height - 4) / height)
  pen.translate(SIZE.width / 2, SIZE.height / 2)
  pen.scale(scale, scale)
  pen.translate(-(extent.left + extent.right) / 2, -(extent.top + extent.bottom) / 2)
  for (const { pieces } of zones)
    for (const { stitches, formulaId } of pieces) {
      pen.fillStyle = swatches[formulaId]!
      pen.fill(new Path2D(stitches))
    }
  pen.strokeStyle = INK
  pen.lineWidth = 1.2 / scale
  for (const outline of [hairline, ...zones.map((zone) => zone.outline)]) pen.stroke(new Path2D(outline))
  return sheet.transferToImageBitmap()
}

const api = {
  /** @param start id of a kind of service, or `proposed` */
  thumbnail(start: string, sitter: Sitter): Thumbnail {
    const plan = planOf(start, sitter)
    const computed = planner.computeStages(plan)
    const fold = foldPlan(plan, computed, { canvas: sitter.canvas })
    const { picture: look } = takePicture(
      studio,
      { plan, computed, fold },
      {
        wear: 'straight',
        count: COARSE_STRANDS,
        seed: SEED,
        view: VIEWS.back,
        moment: { stages: fold.stages.length - 1, weeks: 0 },
        ...SIZE,
        fine: true,
      },
    )
    const map = drawnMap(mapDrawing(plan, computed))
    return transfer({ map, look }, [map, look.rgba.buffer])
  },
}
export type GalleryWorker = typeof api

serve(api)
