import { SCALP_CELLS } from '@/core/hair/hairRecord'
import type { HairMap, HairState, HeadMeasures } from '@/core/model'
import { planFromService } from '@/core/plan/serviceKinds'
import { MEDIUM_HAIR } from './plan'

/** The head that each kind of service is expected on, as `services.expected.ts` says it. */
export const SAMPLE_HAIR: Record<string, Partial<HairState>> = {
  fullBabylights: { naturalLevel: 6 },
  topAndSides: { naturalLevel: 6 },
  boldSlices: { cutLine: 'oneLength', lengthCm: 42 },
  hairlineAndPart: { naturalLevel: 7 },
  onScalpRetouch: { naturalLevel: 6 },
  foilRetouch: { naturalLevel: 6, weeksSinceColour: 6 },
  scalpToTip: { naturalLevel: 7, texture: 'fine' },
  deeperAgain: { naturalLevel: 9 },
  whiteCopied: { naturalLevel: 6, texture: 'fine', density: 'low' },
  paintedSurface: { lengthCm: 50 },
  curlByCurl: { naturalLevel: 3, curl: 'coily', density: 'high', lengthCm: 25 },
  triangleFan: { naturalLevel: 6, lengthCm: 22, cutLine: 'oneLength' },
  crossedPanels: { lengthCm: 8 },
  knotAndNape: { naturalLevel: 4, lengthCm: 60 },
  haloBrightness: { naturalLevel: 6, density: 'high' },
}

/** White 80 % at the left temple, 15 % elsewhere. */
const TEMPLE: HairMap = {
  whitePercent: SCALP_CELLS.map(({ centre: { psi, s } }) => (psi > 0.6 && psi < 1.5 && s > 0.55 ? 80 : 15)),
  earlierPercent: SCALP_CELLS.map(() => 0),
}

export function counting(): () => string {
  let n = 0
  return () => `id-${n++}`
}

/** The plan of a kind of service on its sample head; zone ids are counted. */
export function servicePlan(id: string, newId = counting()) {
  return planFromService(id, {
    head: { circumferenceCm: 55 },
    hair: { ...MEDIUM_HAIR, ...SAMPLE_HAIR[id] },
    hairMap: id === 'whiteCopied' ? TEMPLE : undefined,
    newId,
  })
}

interface SampleHead {
  head: HeadMeasures
  hair: Partial<HairState>
  hairMap?: HairMap
}

/** The head that a kind of service is expected on. */
export const OWN_HEAD = 'its own head'

/** Four heads on which every kind of service is computed to the digit. */
export const GOLDEN_HEADS: Record<string, SampleHead> = {
  [OWN_HEAD]: { head: { circumferenceCm: 55 }, hair: {} },
  'a dark, dense, long head': {
    head: { circumferenceCm: 58, frontToNapeCm: 38 },
    hair: {
      naturalLevel: 3,
      density: 'high',
      texture: 'coarse',
      curl: 'wavy',
      lengthCm: 60,
      cutLine: 'oneLength',
      part: 'left',
      fragile: ['ends'],
    },
  },
  'a fair, fine, short head': {
    head: { circumferenceCm: 53.5, earToEarCm: 33 },
    hair: {
      naturalLevel: 7.5,
      density: 'low',
      texture: 'fine',
      lengthCm: 14,
      cutLine: 'graduatedForward',
      part: 'right',
      weeksSinceColour: 4,
      fragile: ['nape', 'hairline'],
    },
  },
  'a curly head with a white temple': {
    head: { circumferenceCm: 56, frontHairlineOffsetCm: 0.8 },
    hair: {
      naturalLevel: 5,
      curl: 'curly',
      lengthCm: 30,
      weeksSinceColour: 12,
      regionLengthsCm: { nape: 22 },
      growthCmPerMonth: 1.4,
    },
    hairMap: TEMPLE,
  },
}

/** The plan of a kind of service on one of the golden heads. */
export function goldenPlan(id: string, name: string) {
  const { head, hair, hairMap } = GOLDEN_HEADS[name]!
  if (name === OWN_HEAD) return servicePlan(id)
  return planFromService(id, { head, hair: { ...MEDIUM_HAIR, ...hair }, hairMap, newId: counting() })
}

/** A head worked as densely as anybody would: babylights of 3 mm with 1 mm between, more than two hundred foils. */
export function densePlan(newId?: () => string) {
  const plan = servicePlan('fullBabylights', newId)
  for (const { zones } of plan.variants[0]!.stages)
    for (const { placement } of zones) placement.rowGapMm = Math.min(placement.rowGapMm, 1)
  return { ...plan, name: 'Dense babylights' }
}
