import { regrowthCm } from '../../hair/fibre'
import {
  activeVariant,
  CONSTANTS_VERSION,
  COUNTS,
  LIMITS,
  placementLightens,
  type FaltoPlan,
  type HairMap,
  type HairState,
  type HeadMeasures,
  type Placement,
} from '../../model'
import { roundToTenth } from '../../units'

/** A visit to be done again, and what was changed of it, in sentences. */
export interface Repeat {
  plan: FaltoPlan
  changes: string[]
}

/** The client as she comes today. */
interface Today {
  head: HeadMeasures
  hair: HairState
  hairMap?: HairMap | undefined
}

/**
 * A plan for today from an earlier visit: the same map and formulas on today's hair. What lightens or colours the root
 * goes on what has grown since, where it began then; tones are put on everything again.
 * @param weeks since that visit
 */
export function repeatVisit(document: FaltoPlan, { head, hair, hairMap }: Today, weeks: number): Repeat {
  const grownCm = roundToTenth(regrowthCm(weeks, hair.growthCmPerMonth))
  const variant = activeVariant(document)
  const changes: string[] = ['As on the last visit, on the hair of today.']
  const isGrown = grownCm >= Math.max(LIMITS.upToCm.min, LIMITS.bandCm.min)
  const retouched = (placement: Placement): Placement =>
    placement.take.kind === 'onScalp'
      ? { ...placement, take: { ...placement.take, bandCm: Math.min(LIMITS.bandCm.max, grownCm) } }
      : { ...placement, upToCm: Math.min(LIMITS.upToCm.max, roundToTenth(placement.startCm + grownCm)) }
  const stages = variant.stages.map((stage) => ({
    ...stage,
    zones: stage.zones.map((zone) =>
      isGrown && goesOnGrowth(document, zone.placement) ? { ...zone, placement: retouched(zone.placement) } : zone,
    ),
  }))
  changes.push(
    isGrown
      ? `${grownCm} cm have grown in ${Math.round(weeks)} weeks: lightener and root colour go on them alone, from where they began then.`
      : 'Too little has grown to be treated alone, so nothing is limited to it: look whether it is wanted at all.',
  )
  const { proposal: _, hairMap: __, ...kept } = document
  return {
    plan: {
      ...kept,
      constantsVersion: CONSTANTS_VERSION,
      name: `${document.name}, again`.slice(0, COUNTS.nameLength),
      head,
      hair,
      ...(hairMap && { hairMap }),
      activeVariantId: variant.id,
      variants: [{ ...variant, stages }],
      proposal: changes,
    },
    changes,
  }
}

/** Whether a zone is treated again only where hair has grown: it lightens, or it colours the root. */
const goesOnGrowth = (plan: FaltoPlan, placement: Placement): boolean =>
  placement.take.kind === 'onScalp' || placementLightens(plan, placement)
