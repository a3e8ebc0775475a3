import { dayAfter, hairFromCanvas, hairMapOf, predictCanvas, startingCanvas } from '@/core/hair/hairRecord'
import type { Canvas, FaltoPlan, HairState } from '@/core/model'
import { planFromService } from '@/core/plan/serviceKinds'
import { foldPlan, type Fold } from '@/core/time/fold'
import { createHead } from '@/core/scalp/head'
import { MEDIUM_HAIR } from './plan'
import { computeStages } from './planner'
import { counting } from './samples'

/** A client who has the same done again and again. */
export interface Regular {
  weeks: number
  visits: number
  /** Cut off before each visit. */
  trimmedCm: number
  hair: Partial<HairState>
}

export interface RegularVisit {
  visit: number
  on: string
  hair: HairState
  /** On the hair as the visit finds it. */
  plan: FaltoPlan
  fold: Fold
  /** The record that it leaves. */
  canvas: Canvas
}

const BEGINS = '2023-01-02'
const MEASURES = { circumferenceCm: 55 }

/** Her visits, one after the other, each on the record that the one before left. */
export function* visitsOf(kind: string, regular: Regular): Generator<RegularVisit> {
  let hair: HairState = { ...MEDIUM_HAIR, ...regular.hair }
  let canvas = startingCanvas(createHead(MEASURES), hair, BEGINS)
  const newId = counting()
  for (let visit = 1; visit <= regular.visits; visit++) {
    const on = dayAfter(BEGINS, visit * regular.weeks * 7)
    const found = predictCanvas(canvas, hair, { on, trimmedCm: regular.trimmedCm })
    hair = hairFromCanvas(hair, found)
    const plan = {
      ...planFromService(kind, { head: MEASURES, hair, hairMap: hairMapOf(found), newId }),
      canvas: found,
    }
    const fold = foldPlan(plan, computeStages(plan), { visitId: newId(), on })
    canvas = fold.canvas()
    yield { visit, on, hair, plan, fold, canvas }
  }
}
