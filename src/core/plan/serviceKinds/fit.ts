import { newGrowthCm } from '../../hair/fibre'
import { LIMITS, placementLightens, type FaltoPlan, type Goal, type Placement } from '../../model'
import type { Planner } from '../planner'
import { isStitched } from '../../placement/foils'
import { FACE_PANEL_CM, SOFT_FRAME, CLOSEST_ROWS, WIDEST_ROWS, FIT_STEPS, LIGHT_NEAR_ENOUGH } from './constants'

/** Zones that end at the face. */
const AT_FACE: readonly string[] = ['frontLeft', 'frontRight', 'leftSide', 'rightSide']

const placements = (plan: FaltoPlan): { role: string; placement: Placement }[] =>
  plan.variants[0]!.stages.flatMap(({ zones }) => zones)

/** Gives the zones at the face what is wished for there. @returns the reason, or nothing where nothing is changed */
export function fitFaceFrame(plan: FaltoPlan, { faceFrame }: Pick<Goal, 'faceFrame'>): string | undefined {
  const atFace = placements(plan).filter(
    ({ role, placement }) => AT_FACE.includes(role) && placementLightens(plan, placement) && isStitched(placement.take),
  )
  if (faceFrame === 'none' || atFace.length === 0) return undefined
  for (const { placement } of atFace) {
    if (faceFrame === 'bold') placement.panel = { widthCm: FACE_PANEL_CM, take: 'slice', rest: 'same' }
    else {
      const behind = placement.take.stitchGapMm
      placement.take = { ...placement.take, stitchGapMm: Math.max(LIMITS.stitchGapMm.min, behind * SOFT_FRAME) }
      placement.ramps = [...(placement.ramps ?? []), { figure: 'stitchGapMm', way: 'alongRow', to: behind }]
    }
  }
  return faceFrame === 'bold'
    ? `A bold face frame: the first ${FACE_PANEL_CM} cm of every row at the face are slices.`
    : 'A soft face frame: stitches lie closer at the hairline and open up further back.'
}

/**
 * Lays the light rows closer together or further apart until as much hair gets lighter as is wished for.
 * @returns the reason, or nothing where rows are not what decides the amount
 */
export function fitAmount(
  planner: Planner,
  plan: FaltoPlan,
  { lightPercent }: Pick<Goal, 'lightPercent'>,
): string | undefined {
  const rows = placements(plan).filter(
    ({ placement }) =>
      placementLightens(plan, placement) &&
      placement.select !== 'copyWhite' &&
      placement.take.kind !== 'onScalp' &&
      placement.upToCm === undefined &&
      placement.take.kind !== 'block',
  )
  if (rows.length === 0) return undefined
  const usual = rows.map(({ placement }) => placement.rowGapMm)
  const lay = (factor: number) =>
    rows.forEach(({ placement }, i) => {
      const gap = (placement.subsectionMm + usual[i]!) * factor - placement.subsectionMm
      placement.rowGapMm = Math.min(LIMITS.rowGapMm.max, Math.max(0, Math.round(2 * gap) / 2))
    })
  const light = () => 100 * planner.computePlan(plan).look.light
  const before = light()
  if (Math.abs(before - lightPercent) < LIGHT_NEAR_ENOUGH)
    return `About ${Math.round(before)} % of the hair gets lighter, as wished.`
  // The further apart rows lie, the less hair is light. Whole half millimetres and whole rows make steps of it, so the
  // best that was tried is kept.
  let [close, wide] = [Math.log(CLOSEST_ROWS), Math.log(WIDEST_ROWS)]
  let best = { factor: 1, off: Math.abs(before - lightPercent) }
  for (let step = 0; step < FIT_STEPS; step++) {
    const middle = (close + wide) / 2
    lay(Math.exp(middle))
    const now = light()
    if (Math.abs(now - lightPercent) < best.off) best = { factor: Math.exp(middle), off: Math.abs(now - lightPercent) }
    if (now > lightPercent) close = middle
    else wide = middle
  }
  lay(best.factor)
  const after = light()
  const gaps = rows.map(({ placement }) => placement.rowGapMm)
  const range =
    Math.min(...gaps) === Math.max(...gaps) ? `${gaps[0]} mm` : `${Math.min(...gaps)}–${Math.max(...gaps)} mm`
  return Math.abs(after - lightPercent) <= 3
    ? `Row gaps of ${range}, so that about ${Math.round(after)} % of the hair gets lighter, as wished.`
    : `Row gaps of ${range}: about ${Math.round(after)} % of the hair gets lighter, as near to the wished ${lightPercent} % as this kind of work comes.`
}

/** Gives the shadow root the wished depth. @returns the reason, or nothing without a shadow root */
export function fitShadow(plan: FaltoPlan, { shadowCm }: Pick<Goal, 'shadowCm'>): string | undefined {
  const stages = plan.variants[0]!.stages.filter(({ kind }) => kind === 'shadowRoot')
  if (stages.length === 0 || shadowCm < LIMITS.bandCm.min || shadowCm > LIMITS.bandCm.max) return undefined
  for (const { zones } of stages)
    for (const { placement } of zones) placement.take = { ...placement.take, bandCm: shadowCm }
  return `The shadow root is ${shadowCm} cm deep, as wished.`
}

/** Lets an on-scalp retouch reach as far as the hair has grown. @returns the reason, or nothing without one */
export function fitRegrowth(plan: FaltoPlan): string | undefined {
  const retouched = placements(plan).filter(
    ({ placement }) => placement.take.kind === 'onScalp' && placementLightens(plan, placement),
  )
  const { min, max } = LIMITS.bandCm
  const cm = Math.min(max, Math.max(min, newGrowthCm(plan.hair)))
  if (retouched.length === 0 || plan.hair.weeksSinceColour === 0) return undefined
  for (const { placement } of retouched) placement.take = { ...placement.take, bandCm: cm }
  return `${plan.hair.weeksSinceColour} weeks since the last colour: ${cm} cm have grown, and lightener goes on them alone.`
}
