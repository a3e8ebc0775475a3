/** The range a figure may have in a document, and the words for it. Used by the validators, the published schema and the form fields. */
export interface Limit {
  min: number
  max: number
  unit: string
}

const limit = (min: number, max: number, unit: string): Limit => ({ min, max, unit })

/**
 * Allowed ranges. Head measures: adult heads span about 50–62 cm (anthropometric surveys, from memory), widened so that a
 * child's head can be refused by age and not by tape. The rest: our estimate of what a hand can do.
 */
export const LIMITS = {
  circumferenceCm: limit(45, 68, 'cm'),
  frontToNapeCm: limit(26, 46, 'cm'),
  earToEarCm: limit(26, 44, 'cm'),
  frontHairlineOffsetCm: limit(-2, 4, 'cm'),
  naturalLevel: limit(1, 10, 'level'),
  targetLevel: limit(1, 12, 'level'),
  lengthCm: limit(2, 150, 'cm'),
  weeksSinceColour: limit(0, 520, 'weeks'),
  stripWidthCm: limit(0, 12, 'cm'),
  zigzagMm: limit(0, 12, 'mm'),
  radiusCm: limit(3, 10, 'cm'),
  rimCm: limit(0.5, 6, 'cm'),
  pieces: limit(2, 10, ''),
  cutCornersCm: limit(0, 4, 'cm'),
  partOffsetCm: limit(-4, 4, 'cm'),
  angleDeg: limit(10, 80, '°'),
  subsectionMm: limit(2, 30, 'mm'),
  rowGapMm: limit(0, 40, 'mm'),
  stitchMm: limit(0.5, 25, 'mm'),
  stitchGapMm: limit(0.5, 25, 'mm'),
  depthShare: limit(0.1, 1, 'share'),
  bandCm: limit(0.3, 6, 'cm'),
  startCm: limit(0, 60, 'cm'),
  faceLiftCm: limit(0, 20, 'cm'),
  saturation: limit(0, 1, ''),
  rampRows: limit(1, 40, 'rows'),
  rampTo: limit(0, 60, ''),
  panelCm: limit(0.5, 8, 'cm'),
  bufferCm: limit(0, 5, 'cm'),
  stopBeforeEndsCm: limit(0, 60, 'cm'),
  percent: limit(0, 100, '%'),
  developerVol: limit(0, 40, 'vol'),
  ratio: limit(0, 4, 'parts'),
  maximumMinutes: limit(1, 120, 'min'),
  learnedFactor: limit(0.25, 4, '×'),
  bandEdgeCm: limit(0, 150, 'cm'),
  strength: limit(0, 1, ''),
  share: limit(0, 1, ''),
  lightPercent: limit(0, 100, '%'),
  shadowCm: limit(0, 10, 'cm'),
  wearShare: limit(0, 1, ''),
  upkeepWeeks: limit(2, 52, 'weeks'),
  lighterInMonths: limit(1, 60, 'months'),
  timeLimitMinutes: limit(30, 720, 'min'),
  moneyLimitMinor: limit(0, 100_000_000, ''),
  ponytailCm: limit(2, 25, 'cm'),
  growthCmPerMonth: limit(0.5, 2.5, 'cm'),
  washesPerWeek: limit(0, 14, 'a week'),
  trimCm: limit(0, 140, 'cm'),
  psiDeg: limit(-360, 360, '°'),
  s: limit(0, 1, ''),
  bandLevel: limit(1, 12, 'level'),
} as const satisfies Record<string, Limit>

/** How many of a thing a document may hold. Keeps hostile documents small; far above any real plan. */
export const COUNTS = {
  variants: 12,
  stages: 12,
  zones: 60,
  vertices: 400,
  edges: 600,
  via: 200,
  formulas: 12,
  products: 24,
  sequence: 12,
  ramps: 5,
  cells: 192,
  strands: 120,
  bands: 24,
  populations: 6,
  treatments: 12,
  sources: 12,
  targets: 7,
  careChecks: 200,
  consents: 50,
  strokes: 200,
  strokePoints: 2000,
  nameLength: 120,
  noteLength: 500,
} as const
