/**
 * What is recorded before the hair is touched. Dates are calendar days, `YYYY-MM-DD`; bands are measured along the
 * stretched strand from the scalp, cm.
 */
export const TONE_HUES = [
  'neutral',
  'ash',
  'green',
  'violet',
  'pearl',
  'silver',
  'beige',
  'gold',
  'copper',
  'red',
] as const
export const TREATMENTS = [
  'lightened',
  'permanent',
  'demi',
  'boxDye',
  'henna',
  'unknown',
  'metallic',
  'sun',
  'mineral',
] as const
export const POROSITIES = ['low', 'normal', 'high'] as const
export const INTEGRITIES = ['sound', 'worn', 'fragile', 'breaking'] as const
export const LENGTH_REGIONS = ['fringe', 'front', 'sides', 'crown', 'back', 'nape'] as const

export type ToneHue = (typeof TONE_HUES)[number]
export type TreatmentKind = (typeof TREATMENTS)[number]
export type Porosity = (typeof POROSITIES)[number]
export type Integrity = (typeof INTEGRITIES)[number]
export type LengthRegion = (typeof LENGTH_REGIONS)[number]

/** Something that was done to a band, or happened to it. A band without any is virgin. */
export interface Treatment {
  kind: TreatmentKind
  on?: string | undefined
}

/** A stretch of the strand with one history. */
export interface Band {
  fromCm: number
  toCm: number
  /** As seen, in quarter steps. */
  level: number
  hue: ToneHue
  /** How strongly the tone shows, 0…1. */
  strength: number
  /** Level the hair has under its dye: where it fades to. Left out where there is no dye or nobody knows. */
  beneathLevel?: number | undefined
  /** Oldest first. */
  treatments: Treatment[]
  porosity: Porosity
  integrity: Integrity
}

/** A kind of strand on this head: bands that tile it from the scalp (0) to the tip. */
export interface Strand {
  id: string
  bands: Band[]
}

/** Part of the hair of one scalp cell that shares a strand and a past. */
export interface Population {
  strandId: string
  /** Of the cell's hairs, 0…1. */
  share: number
  /** Of this population's hairs that grow white, 0…1. */
  white: number
  /** What the last visit that treated it put on it, as `visit/formula`, in order; its plan says in which foils. */
  sources: string[]
}

export interface CellHair {
  populations: Population[]
}

/** The hair on all scalp cells as it was on one day. */
export interface Canvas {
  recordedOn: string
  strands: Strand[]
  /** In the fixed order of the core's scalp cells. */
  cells: CellHair[]
}

/** Where a colourist saw something else than was predicted. */
export interface Correction {
  region: LengthRegion
  /** `length`, `bands`, `white`, or a band's figure such as `1.level` (bands counted from 0 at the scalp). */
  what: string
  predicted: string
  seen: string
}

export const WARMTH_TOLERANCES = ['none', 'some', 'welcome'] as const
export const CONTRASTS = ['subtle', 'clear', 'bold'] as const
export const FACE_FRAMES = ['none', 'soft', 'bold'] as const
export const ROOT_WISHES = ['toScalp', 'rooted', 'melt'] as const
export const WHITE_WISHES = ['cover', 'blend', 'keep'] as const
export const MEANS = ['open', 'depositOnly', 'permanentOnly'] as const
export const SCHOOLS = ['lowAndSlow', 'stepUp'] as const
export const TARGET_REGIONS = ['all', ...LENGTH_REGIONS] as const

export type WarmthTolerance = (typeof WARMTH_TOLERANCES)[number]
export type Contrast = (typeof CONTRASTS)[number]
export type FaceFrame = (typeof FACE_FRAMES)[number]
export type RootWish = (typeof ROOT_WISHES)[number]
export type WhiteWish = (typeof WHITE_WISHES)[number]
export type Means = (typeof MEANS)[number]
export type School = (typeof SCHOOLS)[number]
export type TargetRegion = (typeof TARGET_REGIONS)[number]

/** The colour the light pieces of a region are meant to show. */
export interface Target {
  region: TargetRegion
  level: number
  hue: ToneHue
  strength: number
}

/** Shares of the week; they need not add up, only their proportions count. */
export interface Wear {
  straight: number
  waved: number
  tiedLow: number
  tiedHigh: number
}

/** What the client wants. */
export interface Goal {
  /** One for `all`, others where a region differs. */
  targets: Target[]
  warmth: WarmthTolerance
  contrast: Contrast
  /** Of all hair, %. */
  lightPercent: number
  faceFrame: FaceFrame
  root: RootWish
  shadowCm: number
  white: WhiteWish
  wear: Wear
  upkeepWeeks: number
  /** What may be used. */
  means: Means
  school: School
  /** Lighter again in so many months: lasting dark pigment is avoided until then. */
  lighterInMonths?: number | undefined
  /** For one visit. */
  timeLimitMinutes?: number | undefined
  /** For one visit, in the smallest unit of the salon's money. */
  moneyLimitMinor?: number | undefined
}

export const CARE_KINDS = ['allergyAlert', 'strandTest', 'scalp', 'age', 'metallicHenna', 'reactions'] as const
export const CARE_RESULTS = ['clear', 'concern'] as const
export type CareKind = (typeof CARE_KINDS)[number]
export type CareResult = (typeof CARE_RESULTS)[number]

/** A check that was made. Never changed; a later one of the same kind replaces it. */
export interface CareCheck {
  id: string
  kind: CareKind
  on: string
  result: CareResult
  /** What it was made with. */
  product: string
  note: string
  by: string
  /** Last day on which it counts, where that is known. */
  expiresOn?: string | undefined
}

/** Consent by hand. Strokes are lists of x, y in 0…1 of the field, x first. */
export interface Consent {
  id: string
  on: string
  textVersion: string
  /** Empty where a name was typed instead. */
  strokes: number[][]
  /** The client's name, typed before a witness by one who cannot sign. */
  typedName?: string | undefined
  by: string
}

export interface CareRecord {
  checks: CareCheck[]
  consents: Consent[]
}

export const CONSULTATION_KINDS = ['seen', 'done'] as const
/** `seen`: what a colourist found. `done`: what a plan that was carried out should have left. */
export type ConsultationKind = (typeof CONSULTATION_KINDS)[number]
