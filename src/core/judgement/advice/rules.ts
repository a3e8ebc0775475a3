/* eslint-disable max-lines -- one table: rules of thumb, to be read beside one another */
import type { Look } from '../look'
import { haircutParting, newGrowthCm, partX } from '../../hair/fibre'
import { sideBegun } from '../../placement/layout'
import {
  isLightener,
  liftGoalOf,
  type Advice,
  type AdviceSchool,
  type FaltoPlan,
  type Formula,
  type Placement,
  type Product,
  type Stage,
  type Zone,
} from '../../model'
import { isDiagonal, isStitched } from '../../placement/foils'
import type { ComputedStages, ZoneResult } from '../../placement/quantity'
import { OVERLAP_CM } from './constants'

/** What a rule looks at: the plan, what was computed, and every worked zone with its stage. */
export interface Ground {
  plan: FaltoPlan
  computed: ComputedStages
  look: Look
  stages: readonly Stage[]
  worked: readonly Worked[]
}

/** A zone in which something is applied. */
export interface Worked {
  stage: Stage
  zone: Zone
  result: ZoneResult
  /** Formulas used in it, with their products. */
  used: readonly { formula: Formula; product: Product }[]
  lightens: boolean
}

interface Finding {
  text: string
  zoneIds?: readonly string[]
  suggestion?: { label: string; set: (placement: Placement) => Record<string, unknown> }
}

/** A rule of thumb of the trade. All: common practice, no source; bounds the same, or our estimate where it says so. */
export interface Rule<Id extends string = string> {
  id: Id
  school: AdviceSchool
  /** Says nothing where the rule has nothing to say. */
  find: (ground: Ground) => Finding | undefined
}

const rule = <Id extends string>(id: Id, find: Rule['find'], school: AdviceSchool = 'common'): Rule<Id> => ({
  id,
  school,
  find,
})

/** A rule about zones: those for which it holds are named together. */
const zoneRule = <Id extends string>(
  id: Id,
  holds: (worked: Worked, ground: Ground) => boolean,
  finding: Omit<Finding, 'zoneIds'> | ((ground: Ground) => Omit<Finding, 'zoneIds'>),
  school?: AdviceSchool,
): Rule<Id> =>
  rule(
    id,
    (ground) => {
      const zoneIds = ground.worked.filter((one) => holds(one, ground)).map(({ zone }) => zone.id)
      return zoneIds.length > 0
        ? { ...(typeof finding === 'function' ? finding(ground) : finding), zoneIds }
        : undefined
    },
    school,
  )

const placementOf = ({ zone }: Worked): Placement => zone.placement
const meanY = ({ result }: Worked): number => result.shape.meanPoint.y
const meanZ = ({ result }: Worked): number => result.shape.meanPoint.z
/** A section at the back of the head, on top of it, at its hairline. Our estimate of the bounds. */
const isBack = (one: Worked): boolean => meanY(one) < -3
const isTop = ({ result }: Worked): boolean =>
  result.shape.meanNormal.z /
    Math.hypot(result.shape.meanNormal.x, result.shape.meanNormal.y, result.shape.meanNormal.z) >
  0.75
const isNape = (one: Worked): boolean => meanY(one) < 0 && meanZ(one) < -1.5
/** Reaches the front hairline, which lies about 7 cm before the ears. */
function isFront({ result }: Worked): boolean {
  const { space } = result.shape.mesh
  for (let at = 1; at < space.length; at += 3) if (space[at]! > 6) return true
  return false
}
const stitched = (one: Worked): boolean => isStitched(placementOf(one).take)
const foiled = ({ result }: Worked): boolean => result.placement.pieces.some(({ kind }) => kind === 'foil')
const onScalp = (one: Worked): boolean => placementOf(one).take.kind === 'onScalp'
const coarseness = (one: Worked): number => placementOf(one).take.stitchMm
const colours = ({ used }: Worked): boolean => used.some(({ product }) => product.kind === 'permanentColour')

const slanting = (one: Worked): boolean => isDiagonal(placementOf(one).direction)
const glosses = ({ used }: Worked): boolean => used.some(({ product }) => product.kind === 'gloss')
const formulasUsed = ({ worked }: Ground) => [
  ...new Map(worked.flatMap(({ used }) => used).map((one) => [one.formula.id, one])).values(),
]
const wants = (
  formulas: readonly { formula: Formula; product: Product }[],
  test: (one: { formula: Formula; product: Product }) => boolean,
): string | undefined => {
  const letters = formulas.filter(test).map(({ formula }) => formula.id)
  return letters.length > 0 ? letters.join(', ') : undefined
}
const lightener = ({ product }: { product: Product }): boolean => isLightener(product.kind)

/**
 * Rules that can be decided from a plan. Order: placement, contrast, foils, paint, root, colour, order of work,
 * after-care.
 */
export const RULES = [
  // Placement and what it looks like
  rule('part-line-dark', ({ look }) =>
    look.partLine !== undefined && look.partLine < 0.8
      ? {
          text: 'The part line gets less light than the rest of the top: it will look darker. Work 2.5–5 cm past the part, or closer along it.',
        }
      : undefined,
  ),
  rule('uneven-sides', ({ look, plan }) =>
    look.symmetry < 0.8 && (plan.hair.part === undefined || plan.hair.part === 'none' || plan.hair.part === 'centre')
      ? {
          text: 'Left and right differ by more than a fifth of what is taken, though nothing says that the hair lies to one side.',
        }
      : undefined,
  ),
  rule('shelf-at-the-back', ({ look }) =>
    look.faceToBack !== undefined && look.faceToBack > 3
      ? {
          text: 'The front carries over three times the light of the back: where foils stop a shelf shows. Let the density fall off towards the back, or plan the back next.',
        }
      : undefined,
  ),
  rule('no-light-behind', ({ look }) =>
    look.light > 0.12 && look.faceToBack === undefined
      ? {
          text: 'Much light in front and none at the back. From behind the hair will look cut off; a few pieces below the crown carry it over.',
        }
      : undefined,
  ),
  rule('face-not-brighter', ({ look }) =>
    look.light > 0.08 && look.light < 0.6 && look.faceToBack !== undefined && look.faceToBack < 0.75
      ? { text: 'Light usually rises towards the face; here the back is brighter than the front hairline.' }
      : undefined,
  ),
  rule('one-flat-colour', ({ look, plan }) =>
    look.light > 0.6 && look.light < 0.95 && look.low < 0.05 && plan.hair.naturalLevel >= 7
      ? {
          text: 'With this much light on a light base little contrast is left: it melts into one flat colour. Put a low in the rhythm, or leave more out.',
        }
      : undefined,
  ),
  rule('barely-visible', ({ look }) =>
    look.light + look.low > 0.02 && look.contrast === 'barely'
      ? { text: 'One to two levels apart are barely seen. Subtle dimension needs 2–3.' }
      : undefined,
  ),
  zoneRule(
    'stripes',
    (one, { look, plan }) =>
      stitched(one) && coarseness(one) >= 7 && isTop(one) && look.contrastLevels >= 4 && plan.hair.curl === 'straight',
    {
      text: 'Chunky stitches on top in strong contrast turn to stripes on straight hair. Go finer there; bold pieces belong underneath.',
      suggestion: {
        label: 'Fine weave on top',
        set: ({ take }) => ({ take: { ...take, stitchMm: 2, stitchGapMm: 3 }, subsectionMm: 6 }),
      },
    },
  ),
  zoneRule(
    'bold-above-fine',
    (one, { worked }) =>
      stitched(one) &&
      isTop(one) &&
      worked.some(
        (other) => other.stage === one.stage && isNape(other) && stitched(other) && coarseness(other) < coarseness(one),
      ),
    {
      text: 'The top is bolder than the nape. The other way round the bold pieces are seen only in movement and the top stays soft.',
    },
  ),
  zoneRule(
    'horizontal-on-top',
    (one) => isTop(one) && foiled(one) && placementOf(one).direction === 'vertical' && !placementOf(one).bricklay,
    {
      text: 'Upright partings on top in line with each other open where the hair falls. Bricklay them.',
      suggestion: { label: 'Bricklay', set: () => ({ bricklay: true }) },
    },
  ),
  zoneRule(
    'gaps-line-up',
    (one) => stitched(one) && !placementOf(one).bricklay && placementOf(one).take.stitchGapMm >= 3,
    {
      text: 'Rows in line with each other let their gaps add up to a dark stripe. Offset every other row.',
      suggestion: { label: 'Bricklay', set: () => ({ bricklay: true }) },
    },
  ),
  zoneRule('wide-gaps-on-top', (one) => isTop(one) && stitched(one) && placementOf(one).rowGapMm > 25, {
    text: 'More than 25 mm between foils on top leaves bare rows at the part.',
    suggestion: { label: 'Close the gap to 15 mm', set: () => ({ rowGapMm: 15 }) },
  }),
  // Foils
  zoneRule(
    'thin-lightener',
    (one) =>
      one.lightens && foiled(one) && placementOf(one).subsectionMm > 10 && placementOf(one).take.kind !== 'teased',
    {
      text: 'Lightener in subsections over 10 mm lifts in patches and stays warm inside.',
      suggestion: { label: 'Part at 7 mm', set: () => ({ subsectionMm: 7 }) },
    },
  ),
  zoneRule(
    'thick-babylights',
    (one) => placementOf(one).take.kind === 'babylight' && placementOf(one).subsectionMm > 4,
    {
      text: 'Babylights come from very thin subsections, about 3 mm.',
      suggestion: { label: 'Part at 3 mm', set: () => ({ subsectionMm: 3 }) },
    },
  ),
  zoneRule('thick-on-scalp', (one) => onScalp(one) && one.lightens && placementOf(one).subsectionMm > 4, {
    text: 'On the scalp lightener needs partings of about 3 mm, or it lifts unevenly.',
    suggestion: { label: 'Part at 3 mm', set: () => ({ subsectionMm: 3 }) },
  }),
  zoneRule(
    'white-partings',
    (one, { plan }) =>
      onScalp(one) &&
      colours(one) &&
      placementOf(one).subsectionMm > 5 &&
      (plan.hairMap?.whitePercent.some((percent) => percent >= 30) ?? false),
    {
      text: 'White hair is covered in partings of about 3 mm, fully saturated.',
      suggestion: { label: 'Part at 3 mm', set: () => ({ subsectionMm: 3 }) },
    },
  ),
  zoneRule('teased-to-the-scalp', (one) => placementOf(one).take.kind === 'teased' && placementOf(one).startCm < 1.5, {
    text: 'Back-combed hair is kept for a soft root; product right at the scalp makes a line of it.',
    suggestion: { label: 'Start 3 cm out', set: () => ({ startCm: 3 }) },
  }),
  zoneRule('thin-teased', (one) => placementOf(one).take.kind === 'teased' && placementOf(one).subsectionMm < 10, {
    text: 'A subsection under 10 mm leaves nothing in the hand once it is back-combed. Take 13–20 mm.',
    suggestion: { label: 'Take 13 mm', set: () => ({ subsectionMm: 13 }) },
  }),
  zoneRule(
    'tight-face',
    (one) => isFront(one) && placementOf(one).take.kind === 'teased' && one.result.shape.area < 60,
    {
      text: 'Near the hairline foils go as close to the skin as they can, without back-combing.',
      suggestion: {
        label: 'Slice',
        set: ({ take }) => ({ take: { ...take, kind: 'slice' }, subsectionMm: 6, startCm: 0 }),
      },
    },
  ),
  rule('staggered-root', ({ worked }) => {
    const even = worked.filter(
      (one) =>
        one.lightens &&
        foiled(one) &&
        placementOf(one).startCm >= 1 &&
        !placementOf(one).ramps?.some(({ figure }) => figure === 'startCm') &&
        placementOf(one).take.kind !== 'teased',
    )
    return even.length > 0
      ? {
          text: 'Every foil begins at the same distance from the scalp: a line can form. Stagger it foil by foil.',
          zoneIds: even.map(({ zone }) => zone.id),
          suggestion: {
            label: 'Stagger the root',
            set: ({ startCm, ramps = [] }) => ({
              ramps: [...ramps, { figure: 'startCm', way: 'alternating', to: startCm + 1 }],
            }),
          },
        }
      : undefined
  }),
  // Paint
  zoneRule('painted-to-the-scalp', (one) => placementOf(one).take.kind === 'painted' && placementOf(one).startCm < 2, {
    text: 'Paint that begins at the scalp leaves a blot there. Begin lower, and higher only towards the face.',
    suggestion: { label: 'Start 6 cm out', set: () => ({ startCm: 6 }) },
  }),
  zoneRule(
    'painted-level',
    (one) => placementOf(one).take.kind === 'painted' && (placementOf(one).take.faceLiftCm ?? 0) === 0,
    {
      text: 'Painted panels start higher near the face and lower at the back; here they start alike.',
      suggestion: { label: 'Lift by 6 cm at the face', set: ({ take }) => ({ take: { ...take, faceLiftCm: 6 } }) },
    },
  ),
  zoneRule('thin-painted', (one) => placementOf(one).take.kind === 'painted' && placementOf(one).subsectionMm < 10, {
    text: 'Painting needs a panel to paint on: 13–25 mm.',
    suggestion: { label: 'Panels of 18 mm', set: () => ({ subsectionMm: 18 }) },
  }),
  rule('painted-weak', (ground) => {
    const letters = wants(
      ground.worked.filter((one) => placementOf(one).take.kind === 'painted').flatMap(({ used }) => used),
      (one) => lightener(one) && one.formula.developerVol < 20,
    )
    return letters
      ? {
          text: `Formula ${letters} is painted open-air with less than 20 vol: in the open it dries before it has lifted. Use one step stronger than in foil.`,
        }
      : undefined
  }),
  // Fragile hair
  zoneRule(
    'fragile-nape',
    (one, { plan }) => isNape(one) && one.lightens && (plan.hair.fragile?.includes('nape') ?? false),
    {
      text: 'The nape is recorded as fragile: a lowlight, a weaker mix, or leave it alone.',
      suggestion: { label: 'Leave the nape alone', set: () => ({ sequence: [] }) },
    },
  ),
  zoneRule(
    'fragile-hairline',
    (one, { plan }) =>
      one.lightens &&
      one.result.shape.area < 40 &&
      isFront(one) &&
      (plan.hair.fragile?.some((place) => place === 'hairline' || place === 'temples') ?? false),
    { text: 'The hairline is recorded as fragile. It may stay natural, with the light just behind it.' },
  ),
  zoneRule(
    'light-over-light',
    (one, { plan: { hair } }) =>
      one.lightens &&
      placementOf(one).select === 'earlier' &&
      hair.weeksSinceColour > 0 &&
      (placementOf(one).upToCm ?? Infinity) > newGrowthCm(hair) + OVERLAP_CM,
    ({ plan: { hair } }) => ({
      text: 'Strands that are light already would be lightened again along their length, and that breaks hair. Work the new growth only.',
      suggestion: { label: 'New growth only', set: () => ({ startCm: 0, upToCm: newGrowthCm(hair) }) },
    }),
  ),
  zoneRule(
    'fragile-ends',
    (one, { plan }) =>
      one.lightens &&
      foiled(one) &&
      !placementOf(one).stopBeforeEndsCm &&
      (plan.hair.fragile?.includes('ends') ?? false),
    {
      text: 'The ends are recorded as fragile and would be lightened again. Stop before them, or mask them.',
      suggestion: { label: 'Keep 5 cm of the ends free', set: () => ({ stopBeforeEndsCm: 5 }) },
    },
  ),
  // Colour
  rule('base-meets-light', ({ worked }) => {
    const base = worked.some((one) => onScalp(one) && colours(one))
    const touching = worked.filter(
      (one) =>
        base &&
        one.lightens &&
        foiled(one) &&
        placementOf(one).startCm + (placementOf(one).bufferCm ?? 0) <
          Math.max(
            ...worked
              .filter((other) => onScalp(other) && colours(other))
              .map((other) => placementOf(other).take.bandCm),
          ) +
            1,
    )
    return touching.length > 0
      ? {
          text: 'Base colour and lightener come closer than 1 cm on the strand. Leave 1–2 cm of old colour between them.',
          zoneIds: touching.map(({ zone }) => zone.id),
          suggestion: { label: 'Keep a buffer of 1.5 cm', set: () => ({ bufferCm: 1.5 }) },
        }
      : undefined
  }),
  rule('tone-before-eight', (ground) => {
    const letters = wants(
      formulasUsed(ground),
      (one) => lightener(one) && liftGoalOf(one.formula) < 8 && one.formula.tone === 'cool',
    )
    return letters
      ? {
          text: `Formula ${letters} is meant to be cool below level 8: the canvas has to be lifted to 8 first and toned down, or it turns warm or muddy.`,
        }
      : undefined
  }),
  rule('too-dark-low', (ground) => {
    const letters = wants(
      formulasUsed(ground),
      ({ formula, product }) =>
        product.kind === 'permanentColour' && formula.level < ground.plan.hair.naturalLevel - 2.5,
    )
    return letters && ground.look.light > 0.3
      ? {
          text: `Formula ${letters} lies more than two levels under the natural depth. Prefer demi where she may want to be lighter again.`,
        }
      : undefined
  }),
  rule('gloss-strength', (ground) => {
    const letters = wants(
      formulasUsed(ground),
      ({ formula, product }) => product.kind === 'gloss' && formula.developerVol > 10,
    )
    return letters
      ? { text: `Gloss ${letters} takes 5–10 vol; stronger developer lifts the natural root and lets warmth through.` }
      : undefined
  }),
  rule('colour-strength', (ground) => {
    const letters = wants(
      formulasUsed(ground),
      ({ formula, product }) =>
        product.kind === 'permanentColour' &&
        formula.developerVol > 20 &&
        formula.level <= ground.plan.hair.naturalLevel,
    )
    return letters
      ? { text: `Formula ${letters} deposits with more than 20 vol: it lifts what it is meant to deepen.` }
      : undefined
  }),
  // Root and toning
  rule('no-tone-after-light', ({ worked, stages }) =>
    worked.some(({ lightens }) => lightens) &&
    !stages.some(({ kind }) => kind === 'gloss' || kind === 'melt' || kind === 'shadowRoot')
      ? { text: 'Nothing tones what was lightened. Lifted hair shows its warmth until a gloss calms it.' }
      : undefined,
  ),
  zoneRule(
    'face-frame-swallowed',
    (one) => one.stage.kind === 'shadowRoot' && isFront(one) && placementOf(one).take.bandCm > 1.5,
    {
      text: 'A shadow root deeper than 1.5 cm in front swallows the face frame. Only tap it there.',
      suggestion: { label: 'Tap: 1 cm', set: ({ take }) => ({ take: { ...take, bandCm: 1 } }) },
    },
  ),
  zoneRule(
    'gloss-along-foils',
    (one, { worked }) =>
      glosses(one) &&
      one.stage.kind !== 'lighten' &&
      worked.some(
        (other) =>
          other.lightens &&
          other.zone.role === one.zone.role &&
          placementOf(other).direction === placementOf(one).direction &&
          placementOf(one).direction === 'horizontal' &&
          foiled(other),
      ) &&
      one.stage.kind === 'shadowRoot',
    {
      text: 'The shadow is laid along the foils. Partings across them blend better.',
      suggestion: { label: 'Upright partings', set: () => ({ direction: 'vertical' }) },
    },
  ),
  zoneRule(
    'against-the-haircut',
    (one, { plan: { hair } }) =>
      slanting(one) && (haircutParting(hair)?.direction ?? placementOf(one).direction) !== placementOf(one).direction,
    ({ plan: { hair } }) => ({
      text: 'The partings slant against the line of the haircut. Along it colour and cut say the same.',
      suggestion: { label: 'Along the haircut', set: () => ({ ...haircutParting(hair) }) },
    }),
  ),
  // Order of work
  rule('fuller-side-first', ({ plan: { hair }, worked, stages }) => {
    const side = Math.sign(partX(hair))
    const begun = (stage: Stage) =>
      sideBegun({ ...stage, order: stage.order.filter((id) => worked.some(({ zone }) => zone.id === id)) })
    return side !== 0 && stages.some((stage) => begun(stage) === -side)
      ? {
          text: `The part lies on the ${side > 0 ? 'left' : 'right'}, where there is less hair: begin on that side and work 2.5–5 cm past the part, so that the whole part line is worked together.`,
        }
      : undefined
  }),
  rule(
    'hairline-before-back',
    ({ worked }) => {
      const first = worked.filter((one) => onScalp(one) && one.lightens)
      const front = first.findIndex((one) => isFront(one))
      const back = first.findIndex((one) => isBack(one))
      return front >= 0 && back > front
        ? {
            text: 'On the scalp the back is densest and slowest: begin there and do the hairline last.',
            zoneIds: [first[front]!.zone.id],
          }
        : undefined
    },
    'backFirst',
  ),
  rule(
    'back-before-front',
    ({ worked }) => {
      const first = worked.filter((one) => foiled(one))
      return first.length > 2 && isBack(first[0]!) && first.some(isFront)
        ? {
            text: 'Another school starts on top and in front, because that is what everyone sees, and leaves the back for last.',
            zoneIds: [first[0]!.zone.id],
          }
        : undefined
    },
    'frontFirst',
  ),
  rule(
    'strong-developer',
    (ground) => {
      const letters = wants(formulasUsed(ground), (one) => lightener(one) && one.formula.developerVol > 20)
      return letters
        ? {
            text: `Formula ${letters}: strength only sets the speed. 20 vol and more time, or more visits, spare the hair.`,
          }
        : undefined
    },
    'lowAndSlow',
  ),
] as const
export type RuleId = (typeof RULES)[number]['id']

/** Everything the rules have to say, in their order. */
export function adviceFrom(ground: Ground): Advice[] {
  const zones = new Map(ground.worked.map(({ zone }) => [zone.id, zone]))
  return RULES.flatMap(({ id, school, find }) => {
    const finding = find(ground)
    if (!finding) return []
    const zoneIds = [...(finding.zoneIds ?? [])]
    const { suggestion } = finding
    return [
      {
        id,
        school,
        text: finding.text,
        zoneIds,
        ...(suggestion && {
          suggestion: {
            label: suggestion.label,
            changes: zoneIds.map((zoneId) => ({ zoneId, set: suggestion.set(zones.get(zoneId)!.placement) })),
          },
        }),
      },
    ]
  })
}
