import sharp from 'sharp'
import { createStudio, SEED, takePicture } from '@/core/appearance/look'
import { VIEWS } from '@/core/appearance/picture'
import { FINE_STRANDS } from '@/core/appearance/strands'
import type { Canvas, FaltoPlan } from '@/core/model'
import type { Planner } from '@/core/plan/planner'
import { foldPlan } from '@/core/time/fold'

/** How the hair is meant to look after a stage, from behind and from in front, as PNG. */
export interface StageLook {
  back: Buffer
  front: Buffer
}

/** Pixels of a picture on paper: 300 to the inch at the size it is printed in. Our choice. */
const SIZE = { width: 300, height: 400 } as const

const studio = createStudio()

/** The look after each stage of a plan. @param canvas the hair as it was recorded last */
export async function looksOf(planner: Planner, plan: FaltoPlan, canvas: Canvas | undefined): Promise<StageLook[]> {
  const computed = planner.computeStages(plan)
  const fold = foldPlan(plan, computed, { canvas })
  const subject = { plan, computed, fold }
  const pictured = (side: keyof StageLook, stages: number) => {
    const { picture } = takePicture(studio, subject, {
      wear: 'straight',
      count: FINE_STRANDS,
      seed: SEED,
      view: VIEWS[side],
      moment: { stages, weeks: 0 },
      fine: true,
      ...SIZE,
    })
    return sharp(picture.rgba, { raw: { width: picture.width, height: picture.height, channels: 4 } })
      .png()
      .toBuffer()
  }
  const looks: StageLook[] = []
  for (let stages = 1; stages < fold.stages.length; stages++)
    looks.push({ back: await pictured('back', stages), front: await pictured('front', stages) })
  return looks
}
