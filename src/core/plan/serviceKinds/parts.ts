import { newGrowthCm } from '../../hair/fibre'
import type { Formula, HairState, StageKind } from '../../model'
import type { Change, Design, StageDesign } from './design'

/** What a kind of service looks at in the hair it is made for. */
export type ServiceHair = Pick<
  HairState,
  'naturalLevel' | 'density' | 'weeksSinceColour' | 'growthCmPerMonth' | 'lengthCm'
>

/** A kind of service to start a plan from. */
export interface Service<Id extends string = string> {
  id: Id
  name: string
  /** When one would choose it. */
  help: string
  design: (hair: ServiceHair) => Design
}

// Parts that services share. Figures: common practice, unless it says otherwise.

export const light = (level: number, rest: Partial<Formula> = {}): Partial<Formula> => ({
  name: 'Light',
  level: Math.min(10, level),
  ...rest,
})
export const low = (level: number, rest: Partial<Formula> = {}): Partial<Formula> => ({
  name: 'Low',
  productId: 'fathom',
  developerVol: 10,
  ratio: 1,
  level: Math.max(1, level),
  ...rest,
})
export const gloss = (level: number, rest: Partial<Formula> = {}): Partial<Formula> => ({
  name: 'Gloss',
  productId: 'lull',
  developerVol: 7,
  ratio: 1.5,
  level,
  ...rest,
})

/** How far from the scalp a retouch reaches, cm. Where nothing is recorded, as after eight weeks. */
export const retouched = (hair: ServiceHair): number =>
  newGrowthCm({ ...hair, weeksSinceColour: hair.weeksSinceColour || 8 })

export const stage = (kind: StageKind, name: string, rest: Omit<StageDesign, 'kind' | 'name'>): StageDesign => ({
  kind,
  name,
  ...rest,
})
/** Quadrants over a nape, worked nape to top, back before front: as most heads of foils are. */
export const QUADRANTS = {
  template: 'fourQuadrants',
  parameters: { separateNape: true },
  order: ['nape', 'backLeft', 'backRight', 'frontLeft', 'frontRight'],
} satisfies Partial<StageDesign>
export const STRIP = { template: 'topStrip' } as const

/** Fine above, bolder below: bold pieces are seen only in movement, fine ones on top stay soft. */
export const throughout = (change: Change, nape: Change = change): StageDesign['zones'] => ({ '*': change, nape })

/** Toned after lightening: at the level it was lightened to. */
export const tone = (level: number, rest: Partial<Formula> = {}): Partial<Formula> =>
  gloss(Math.min(10, level), { name: 'Tone', ...rest })

/** A formula over everything, from where it begins to where it ends on the strand. */
export const allOver = (formula: string, change: Change = {}): StageDesign['zones'] => ({
  '*': { preset: 'block', sequence: [formula], rowGapMm: 0, ...change },
})
export const glossAll = (formula: string): StageDesign =>
  stage('gloss', 'Gloss', { template: 'fourQuadrants', zones: allOver(formula) })
/** A gloss on nothing but what an earlier stage took. */
export const glossWhere = (formula: string, earlier: number): StageDesign =>
  stage('gloss', 'Tone', {
    template: 'fourQuadrants',
    worksOn: { kind: 'took', stage: earlier },
    zones: allOver(formula),
  })
/** Work without product. */
export const bare = (kind: StageKind, name: string, minutes: number): StageDesign =>
  stage(kind, name, { template: 'fourQuadrants', zones: {}, lasts: { minutes } })
/** Begun on an earlier stage while that is still on, and rinsed with it. */
export const onto = (earlier: number): Pick<StageDesign, 'begins' | 'comesOff'> => ({
  begins: { kind: 'asApplied', stage: earlier },
  comesOff: { kind: 'together', stage: earlier },
})
export const shadow = (formula: string, bandCm: number): StageDesign =>
  stage('shadowRoot', 'Shadow root', {
    template: 'fourQuadrants',
    zones: {
      '*': {
        preset: 'onScalp',
        take: { bandCm },
        subsectionMm: 20,
        rowGapMm: 0,
        direction: 'vertical',
        sequence: [formula],
      },
    },
  })
