import type { Product, ProductKind } from './catalogue'
import type { Canvas } from './consultation'
import type { CutLine, HairState } from './hair'
import type { HeadMeasures } from './head'
import type { BoundaryStep, Layout } from './layout'
import type { Placement, TakeKind } from './placement'

export const PLAN_FORMAT = 'falto-plan'
export const PLAN_SCHEMA_VERSION = 2
/** Changes whenever a constant of the core changes; a document remembers under which it was made. */
export const CONSTANTS_VERSION = '2026.11.30.2'

export const TONES = ['cool', 'neutral', 'warm'] as const
export const STAGE_KINDS = [
  'clarify',
  'prepare',
  'base',
  'lighten',
  'dropoutPaint',
  'primer',
  'shadowRoot',
  'melt',
  'gloss',
  'blockTone',
  'treat',
  'wash',
  'skinWipe',
  'cut',
  'style',
] as const
export const WORKS_ON = ['everything', 'took', 'dropped'] as const

/** When a stage begins: with an earlier one rinsed off, on its sections as they are done, or so long after it began. */
export const BEGINS = ['afterRinse', 'asApplied', 'sectionBySection', 'minutesAfter'] as const
/** How a stage comes off: with a rinse of its own, in one with another stage, or not at all. */
export const COMES_OFF = ['ownRinse', 'together', 'stays'] as const
/** What the time under product counts from: the end of the application, or each piece's own start. */
export const COUNTS_FROM = ['endOfApplication', 'eachPiece'] as const
/** How product goes on. It decides the film, the grams and the seconds. */
export const METHODS = ['foil', 'brushOnScalp', 'brush', 'bottleAndComb', 'painting', 'sprayOrMassage'] as const
/** How thick a mix is: its developer is a liquid or a cream, or a thickener went in. */
export const CONSISTENCIES = ['liquid', 'cream', 'thick'] as const

export type Tone = (typeof TONES)[number]
export type CountsFrom = (typeof COUNTS_FROM)[number]
export type Method = (typeof METHODS)[number]
export type Consistency = (typeof CONSISTENCIES)[number]
export type StageKind = (typeof STAGE_KINDS)[number]

/** A mix, told apart by its letter. */
export interface Formula {
  /** One capital letter. */
  id: string
  name: string
  productId: string
  /** Strength of the developer, vol. */
  developerVol: number
  /** Parts of developer to one part of product. */
  ratio: number
  /** Level the hair is meant to show when the visit ends. */
  level: number
  tone: Tone
  /** A lightener's: level it is to lift to before anything is toned. Left out: the level that is to show. */
  liftGoal?: number | undefined
  /** What is mixed, where it is more than `productId` alone; that one then leads: it decides kind, times and rules. */
  shades?: FormulaShade[] | undefined
  additives?: FormulaAdditive[] | undefined
  /** Strength of the first bowl, vol; the others rise to `developerVol` evenly, or at once. */
  firstBowlVol?: number | undefined
  /** Only the first bowl is weaker. */
  firstBowlOnly?: boolean | undefined
  /** How many bowls it is mixed in, where that was chosen by hand. */
  bowls?: number | undefined
  consistency?: Consistency | undefined
  note?: string | undefined
}

/** Level that the hair comes to under a formula before anything else goes on it. */
export const liftGoalOf = ({ liftGoal, level }: Pick<Formula, 'level' | 'liftGoal'>): number => liftGoal ?? level

export const SHADE_UNITS = ['parts', 'grams', 'dash'] as const

/** One shade of a mix. Grams count as parts; a dash is what one adds by eye. */
export interface FormulaShade {
  productId: string
  amount: number
  unit: (typeof SHADE_UNITS)[number]
}

export interface FormulaAdditive {
  productId: string
  /** Of the shades' mass, %. */
  percent: number
}

/** What the salon charges and pays, in the smallest unit of its money. */
export interface Rates {
  /** ISO 4217. */
  currency: string
  taxPercent: number
  /** A colourist's hour, as charged. */
  hourMinor: number
  foilMinor: number
  /** Mix that the price of the time covers, g; what goes over it is charged at cost times `productFactor`. */
  allowanceG: number
  productFactor: number
  extraBowlMinor: number
  /** What a colourist's hour costs the salon. */
  hourCostMinor: number
}

/** What was learned from this colourist's own figures; 1 is the starting value. */
export interface LearnedFactors {
  load: number
  seconds: number
  /** Beside these, context by context, as they were when the plan was made; what is not named is 1. */
  factors?: LearnedFactor[] | undefined
}

/** Figures of her own that a plan can be made with. */
export const LEARNED_OF = ['load', 'pace'] as const

/** One figure of her own: product on the hair of a kind of product, or time of hands of a kind of take. */
export interface LearnedFactor {
  of: (typeof LEARNED_OF)[number]
  context: ProductKind | TakeKind
  /** × the starting value, with its 80 % range, and the jobs it rests on. */
  mean: number
  low: number
  high: number
  jobs: number
}

/** What was learned in one context, where anything was. */
export const learnedIn = (
  { factors }: LearnedFactors,
  of: LearnedFactor['of'],
  context: LearnedFactor['context'],
): LearnedFactor | undefined => factors?.find((factor) => factor.of === of && factor.context === context)

export interface Zone {
  id: string
  /** Which section of the template this is; lets a change of parameters keep the zone. */
  role: string
  name: string
  boundary: BoundaryStep[]
  placement: Placement
  note?: string | undefined
}

/** Which hair a stage works on: everything, what an earlier stage took, or what it dropped. */
export interface WorksOn {
  kind: (typeof WORKS_ON)[number]
  stageId?: string | undefined
}

/** What is known about hair place by place, %, in the fixed order of the core's scalp cells. */
export interface HairMap {
  whitePercent: number[]
  /** Of the hair, what carries an earlier treatment. */
  earlierPercent: number[]
}

/** Left out: after the stage before it is rinsed. */
export interface Begins {
  kind: (typeof BEGINS)[number]
  /** The earlier stage it follows. */
  stageId: string
  /** `minutesAfter`: how long after that one's application began, min. */
  minutes?: number | undefined
}

/** Left out: a rinse of its own, or none where nothing is put on. */
export interface ComesOff {
  kind: (typeof COMES_OFF)[number]
  /** `together`: the other stage. */
  stageId?: string | undefined
}

/** Planned time under product. Left out: as the label and the goal have it. */
export interface Lasts {
  minutes: number
  /** Left out: bleach counts from each piece, everything else from the end of the application. */
  from?: CountsFrom | undefined
}

/** What a cut leaves, cm as stretched at the crown, and the line it is cut on. */
export interface Cut {
  lengthCm: number
  cutLine?: CutLine | undefined
}

export interface Stage {
  id: string
  kind: StageKind
  name: string
  worksOn?: WorksOn | undefined
  begins?: Begins | undefined
  comesOff?: ComesOff | undefined
  lasts?: Lasts | undefined
  /** How product goes on where it lies in no foil. Left out: as is usual for the kind of stage and product. */
  method?: Method | undefined
  /** `cut`: what is left. */
  cut?: Cut | undefined
  layout: Layout
  zones: Zone[]
  /** Zone ids in the order of application. */
  order: string[]
}

/**
 * Sections as a salon keeps them, in the order of application: zones have roles instead of ids, which every plan gives
 * its own.
 */
export interface SavedSections {
  layout: Layout
  zones: Omit<Zone, 'id'>[]
}

/** Sections of a salon's own. */
export interface OwnLayout extends SavedSections {
  id: string
  name: string
  by: string
  at: string
}

export interface Variant {
  id: string
  name: string
  stages: Stage[]
}

/** The variant a plan is computed for. @throws Error when the document names one that is not there */
export function activeVariant(plan: Pick<FaltoPlan, 'variants' | 'activeVariantId'>): Variant {
  const variant = plan.variants.find(({ id }) => id === plan.activeVariantId)
  if (!variant) throw new Error('The plan names an active variant that it does not hold.')
  return variant
}

/** Foils as a salon has them, cm. */
export interface FoilSizes {
  widthCm: number
  /** Ready-cut lengths, shortest first; none where foil is cut to measure. */
  lengthsCm: number[]
}

/** The plan document `falto-plan` v2: everything that is needed to compute it. */
export interface FaltoPlan {
  format: typeof PLAN_FORMAT
  schemaVersion: typeof PLAN_SCHEMA_VERSION
  constantsVersion: string
  name: string
  head: HeadMeasures
  hair: HairState
  hairMap?: HairMap | undefined
  /** The hair as it was recorded, where the document has to say so alone. */
  canvas?: Canvas | undefined
  products: Product[]
  formulas: Formula[]
  learned: LearnedFactors
  rates?: Rates | undefined
  foils?: FoilSizes | undefined
  note?: string | undefined
  /** Why the plan was proposed as it was, choice by choice. */
  proposal?: string[] | undefined
  activeVariantId: string
  variants: Variant[]
}

/** Hair after a cut: nothing is longer than what the cut leaves. */
export const hairAfterCut = (hair: HairState, { lengthCm, cutLine }: Cut): HairState => {
  const shortened = Math.min(hair.lengthCm, lengthCm)
  const regions = hair.regionLengthsCm
  return {
    ...hair,
    lengthCm: shortened,
    ...(cutLine && { cutLine }),
    ...(regions && {
      regionLengthsCm: Object.fromEntries(
        Object.entries(regions).map(([region, cm]) => [region, Math.min(cm, lengthCm)]),
      ),
    }),
  }
}

/** The hair that a stage of the active variant finds: as it came in, less what was cut before. */
export function hairAt(plan: Pick<FaltoPlan, 'hair' | 'variants' | 'activeVariantId'>, stage: Stage): HairState {
  let hair = plan.hair
  for (const { id, cut } of activeVariant(plan).stages) {
    if (id === stage.id) break
    if (cut) hair = hairAfterCut(hair, cut)
  }
  return hair
}
