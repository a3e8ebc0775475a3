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
import type { Roots, Strands } from '../strands'
import { SEED, type Drawn, type Scene, type Studio } from './scene'

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

/** Sizes of the views that figures are counted in, pixels: at leisure, and while a hand still edits. Our choice. */
export const COUNTED: Size = { width: 480, height: 640 }
export const COUNTED_COARSELY: Size = { width: 180, height: 240 }

/** Moments of a subject whose colours are kept. Our choice: before and after, and two more. */
const MOMENTS_KEPT = 4

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

/** Takers by roots and paints by strands, as long as their subject lives: a turn of the head changes neither. */
const known = new WeakMap<Subject, { takers: WeakMap<Roots, Takers>; paints: WeakMap<Strands, Map<string, Paint>> }>()

export function colourStrands(subject: Subject, strands: Strands, moment: Moment, seed = SEED): Coloured {
  const { plan, computed, fold } = subject
  const own = known.get(subject) ?? { takers: new WeakMap(), paints: new WeakMap() }
  known.set(subject, own)
  const takers = own.takers.get(strands.roots) ?? takersOf(plan, computed, fold, strands.roots, seed)
  own.takers.set(strands.roots, takers)
  const paints = own.paints.get(strands) ?? new Map<string, Paint>()
  own.paints.set(strands, paints)
  const name = `${moment.stages} ${moment.weeks} ${moment.glossed ?? false}`
  const paint = paints.get(name) ?? paintStrands(plan, fold, strands, takers, moment, seed)
  if (paints.size >= MOMENTS_KEPT) paints.delete(paints.keys().next().value!)
  paints.set(name, paint)
  return { takers, paint }
}

/** The head of a subject with its hair as it falls at a moment. */
export const sceneAt = (studio: Studio, { plan, computed }: Subject, drawn: Drawn, moment: Moment): Scene =>
  studio.scene(computed.head, hairThen(plan, moment), drawn)

/** A picture of a plan, and what is seen at its pixels. */
export function takePicture(
  studio: Studio,
  subject: Subject,
  shot: Shot,
): { picture: Picture; exposure: Exposure } & Coloured {
  const { plan, computed } = subject
  const hair = hairThen(plan, shot.moment)
  const { strands } = sceneAt(studio, subject, shot, shot.moment)
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
  { names = VIEW_NAMES, size = COUNTED }: { names?: readonly ViewName[]; size?: Size } = {},
): LookFigures & { takers: Takers } {
  const { plan, computed } = subject
  const hair = hairThen(plan, moment)
  const { strands } = sceneAt(studio, subject, drawn, moment)
  const { takers, paint } = colourStrands(subject, strands, moment, drawn.seed)
  const before = colourStrands(subject, strands, { stages: 0, weeks: 0 }, drawn.seed).paint
  const exposures = Object.fromEntries(
    names.map((name) => [name, studio.exposure(computed.head, hair, drawn, VIEWS[name], size)]),
  )
  return { ...countSeen({ strands, exposures }, { paint, before, takers, hair }), takers }
}
