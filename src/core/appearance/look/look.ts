import { activeVariant, hairAfterCut, type FaltoPlan, type HairState } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import type { Fold } from '../../time/fold'
import { countSeen, type LookFigures } from '../figures'
import { paintStrands, takersOf, type Moment, type Paint, type Takers } from '../paint'
import {
  develop,
  VIEW_NAMES,
  VIEWS,
  type Exposure,
  type Picture,
  type Size,
  type View,
  type ViewName,
} from '../picture'
import type { Strands } from '../strands'
import { SEED, type Drawn, type Studio } from './scene'

/** A plan with all that its look is made from. */
export interface Subject {
  plan: FaltoPlan
  computed: ComputedStages
  fold: Fold
}

/** How a picture is asked for. `fine`: drawn at twice the size and averaged down. */
export interface Shot extends Drawn, Size {
  view: View
  moment: Moment
  fine: boolean
}

/** Size of the views that figures are counted in, pixels: two to a strand are enough. Our choice. */
export const COUNTED: Size = { width: 480, height: 640 }

/** The hair as it falls at a moment of the visit: what was cut until then has fallen. */
export const hairThen = (plan: FaltoPlan, { stages }: Moment): HairState =>
  activeVariant(plan)
    .stages.slice(0, stages)
    .reduce((hair, { cut }) => (cut ? hairAfterCut(hair, cut) : hair), plan.hair)

/** What a moment looks like: the strands' colours, and whose work they are. */
export interface Coloured {
  takers: Takers
  paint: Paint
}

export function colourStrands(
  { plan, computed, fold }: Subject,
  strands: Strands,
  moment: Moment,
  seed = SEED,
): Coloured {
  const takers = takersOf(plan, computed, fold, strands.roots, seed)
  return { takers, paint: paintStrands(plan, fold, strands, takers, moment, seed) }
}

/** A picture of a plan, and what is seen at its pixels. */
export function takePicture(
  studio: Studio,
  subject: Subject,
  shot: Shot,
): { picture: Picture; exposure: Exposure } & Coloured {
  const { plan, computed } = subject
  const hair = hairThen(plan, shot.moment)
  const { strands } = studio.scene(computed.head, hair, shot)
  const times = shot.fine ? 2 : 1
  const size = { width: times * shot.width, height: times * shot.height }
  const exposure = studio.exposure(computed.head, hair, shot, shot.view, size)
  const coloured = colourStrands(subject, strands, shot.moment, shot.seed)
  const picture = develop(exposure, strands, coloured.paint, { fine: times, seed: shot.seed ?? SEED })
  return { picture, exposure, ...coloured }
}

/** Figures of a plan counted from all sides at a moment. */
export function lookFigures(
  studio: Studio,
  subject: Subject,
  drawn: Drawn,
  moment: Moment,
  names: readonly ViewName[] = VIEW_NAMES,
): LookFigures & { takers: Takers } {
  const { plan, computed, fold } = subject
  const hair = hairThen(plan, moment)
  const { strands } = studio.scene(computed.head, hair, drawn)
  const { takers, paint } = colourStrands(subject, strands, moment, drawn.seed)
  const before = paintStrands(plan, fold, strands, takers, { stages: 0, weeks: 0 }, drawn.seed ?? SEED)
  const exposures = Object.fromEntries(
    names.map((name) => [name, studio.exposure(computed.head, hair, drawn, VIEWS[name], COUNTED)]),
  )
  return { ...countSeen({ strands, exposures }, { paint, before, takers, hair }), takers }
}
