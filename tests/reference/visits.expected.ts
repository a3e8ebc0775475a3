import type { Band, HairState } from '@/core/model'

/**
 * Whole visits as a colourist would expect them, written down and committed before the kinds, quantities and relations
 * they need were built: from common practice (no source). A head of 55 cm, medium density and texture, 35 cm layered
 * virgin hair of level 5 is meant unless it says otherwise.
 *
 * - `atOnce`: names of stages that are on the hair at the same time; those that are not named together never are.
 * - `foils`: how many she would lay out. `share`: of all hairs, % by letter. `grams`: mix by letter, with what stays in
 *   the bowls.
 * - `out`: kinds of hair that leave, as share of all hair in %, and what they show at distances from the scalp.
 */
export interface ExpectedVisit {
  pattern: string
  hair?: Partial<HairState>
  /** Of the longest hair, where it is not virgin. */
  bands?: Pick<Band, 'fromCm' | 'toCm' | 'level'>[]
  /** What the lengths carry. */
  history?: 'lightened' | 'permanent' | 'boxDye' | 'demi'
  white?: number
  atOnce?: string[][]
  foils: [number, number]
  share?: Record<string, [number, number]>
  grams: Record<string, [number, number]>
  out: { share: [number, number]; at: Record<number, [number, number]> }[]
}

const REGROWN = (lengths: number, cm = 1.2): ExpectedVisit['bands'] => [
  { fromCm: 0, toCm: cm, level: 6 },
  { fromCm: cm, toCm: 35, level: lengths },
]

export const VISITS: Record<string, ExpectedVisit> = {
  rootAndLengths: {
    pattern: 'root and lengths toned together',
    hair: { naturalLevel: 6, weeksSinceColour: 5 },
    bands: REGROWN(9),
    history: 'lightened',
    atOnce: [['Root', 'Lengths']],
    foils: [0, 0],
    grams: { A: [30, 60], B: [70, 120] },
    out: [{ share: [95, 100], at: { 0.5: [5, 6.5], 12: [7.25, 9] } }],
  },
  baseUnderFoils: {
    pattern: 'base under foils',
    hair: { naturalLevel: 6, weeksSinceColour: 6 },
    white: 0.3,
    atOnce: [['Base', 'Foils over the base']],
    foils: [38, 75],
    share: { B: [95, 100], A: [10, 26] },
    grams: { B: [60, 110], A: [90, 220] },
    out: [{ share: [10, 26], at: { 12: [8, 10] } }],
  },
  baseAndLight: {
    pattern: 'foils, dropouts and base in parallel',
    hair: { naturalLevel: 5 },
    atOnce: [['Lighten', 'Base between the foils']],
    foils: [35, 75],
    share: { A: [10, 24], B: [70, 92] },
    grams: { A: [80, 220], B: [50, 110] },
    out: [{ share: [10, 24], at: { 12: [7.5, 9] } }],
  },
  growthAndEnds: {
    pattern: 'two lighteners in one foil',
    hair: { naturalLevel: 6, weeksSinceColour: 24 },
    bands: REGROWN(8, 6),
    history: 'lightened',
    foils: [55, 95],
    share: { A: [18, 40], B: [18, 40] },
    grams: { A: [50, 140], B: [60, 200] },
    out: [{ share: [18, 40], at: { 3: [8.5, 10], 20: [8.5, 10] } }],
  },
  threeInOneFoil: {
    pattern: 'root, middle and ends in one foil',
    hair: { naturalLevel: 6, weeksSinceColour: 8 },
    bands: REGROWN(9, 2.4),
    history: 'lightened',
    foils: [40, 80],
    share: { A: [20, 50], B: [20, 50], C: [20, 50] },
    grams: { A: [20, 60], B: [20, 60], C: [30, 90] },
    out: [{ share: [20, 50], at: { 2: [5, 6.5], 10: [6.5, 7.75], 25: [7.5, 9] } }],
  },
  lightAndLow: {
    pattern: 'light and low in turn',
    hair: { naturalLevel: 6 },
    foils: [55, 95],
    share: { A: [10, 24], B: [10, 24] },
    grams: { A: [80, 220], B: [50, 130] },
    out: [
      { share: [10, 24], at: { 12: [8, 10] } },
      { share: [10, 24], at: { 12: [4, 5.5] } },
    ],
  },
  mixedTakes: {
    pattern: 'mixed takes in one section',
    hair: { naturalLevel: 6 },
    foils: [30, 70],
    share: { A: [14, 34] },
    grams: { A: [90, 260] },
    out: [{ share: [14, 34], at: { 15: [8, 10] } }],
  },
  onScalpRetouch: {
    pattern: 'kept wet on the scalp',
    hair: { naturalLevel: 6, weeksSinceColour: 5 },
    bands: REGROWN(10),
    history: 'lightened',
    foils: [0, 0],
    share: { A: [95, 100] },
    grams: { A: [90, 135], B: [70, 130] },
    out: [{ share: [95, 100], at: { 0.5: [8.5, 10], 12: [8.5, 10] } }],
  },
  evenedGloss: {
    pattern: 'left in',
    hair: { naturalLevel: 6 },
    bands: REGROWN(9),
    history: 'lightened',
    atOnce: [['Even out', 'Gloss']],
    foils: [0, 0],
    grams: { A: [20, 60], B: [80, 140] },
    out: [{ share: [95, 100], at: { 12: [7, 9] } }],
  },
  rootedTeased: {
    pattern: 'foils, shadow and gloss, one after another; the gloss goes over everything at the end',
    foils: [26, 46],
    share: { A: [18, 36] },
    grams: { A: [90, 220], B: [30, 60], C: [80, 140] },
    out: [
      { share: [15, 36], at: { 1: [4.5, 6.5], 20: [7.5, 9] } },
      { share: [60, 85], at: { 20: [4.5, 5.5] } },
    ],
  },
  scalpToTip: {
    pattern: 'rinsed in parts',
    hair: { naturalLevel: 7, texture: 'fine' },
    foils: [75, 130],
    share: { A: [95, 100] },
    grams: { A: [200, 420], B: [60, 120] },
    out: [{ share: [95, 100], at: { 12: [8.75, 10] } }],
  },
  fullBabylights: {
    pattern: 'foils, then a gloss',
    hair: { naturalLevel: 6 },
    foils: [80, 115],
    share: { A: [10, 18] },
    grams: { A: [110, 260], B: [80, 140] },
    out: [{ share: [10, 18], at: { 15: [7.75, 9] } }],
  },
  topAndSides: {
    pattern: 'part of the head in foils, then a gloss',
    hair: { naturalLevel: 6 },
    foils: [28, 50],
    share: { A: [6, 14] },
    grams: { A: [50, 140], B: [80, 140] },
    out: [{ share: [6, 14], at: { 15: [7.75, 9] } }],
  },
  rootColour: {
    pattern: 'root colour, the everyday visit',
    hair: { naturalLevel: 5, weeksSinceColour: 6 },
    bands: [
      { fromCm: 0, toCm: 1.8, level: 5 },
      { fromCm: 1.8, toCm: 35, level: 5 },
    ],
    history: 'permanent',
    white: 0.4,
    foils: [0, 0],
    share: { A: [95, 100] },
    grams: { A: [60, 100] },
    out: [{ share: [95, 100], at: { 0.5: [4.25, 5.5], 12: [4, 5.5] } }],
  },
  dyeTakenOut: {
    pattern: 'a remover first, washed, then a gloss on what it leaves',
    hair: { naturalLevel: 5, weeksSinceColour: 4 },
    bands: [
      { fromCm: 0, toCm: 1.2, level: 5 },
      { fromCm: 1.2, toCm: 35, level: 3 },
    ],
    history: 'boxDye',
    foils: [0, 0],
    grams: { A: [150, 400], B: [80, 140] },
    out: [{ share: [95, 100], at: { 15: [3.25, 5.5] } }],
  },
  filledAndDeepened: {
    pattern: 'warm pigment first, then the depth',
    hair: { naturalLevel: 6 },
    bands: REGROWN(9),
    history: 'lightened',
    foils: [0, 0],
    grams: { A: [90, 220], B: [120, 300] },
    out: [{ share: [95, 100], at: { 15: [5.5, 7.25] } }],
  },
  cutThenLight: {
    pattern: 'cut before the foils: the new length is what is worked',
    hair: { naturalLevel: 6, lengthCm: 55 },
    foils: [38, 80],
    share: { A: [10, 26] },
    grams: { A: [60, 190], B: [50, 120] },
    out: [{ share: [10, 26], at: { 15: [7.75, 9.25] } }],
  },
  paintedAndMelted: {
    pattern: 'painted open, root melted while the lengths are toned',
    hair: { lengthCm: 50 },
    atOnce: [['Root melt', 'Gloss']],
    foils: [0, 0],
    share: { A: [12, 34] },
    grams: { A: [100, 260], B: [30, 70], C: [90, 170] },
    out: [{ share: [10, 34], at: { 35: [7.5, 9] } }],
  },
  teasedAndPainted: {
    pattern: 'panels back-combed, then painted, higher at the face',
    hair: { lengthCm: 45 },
    foils: [0, 0],
    share: { A: [8, 26] },
    grams: { A: [70, 230], B: [90, 160] },
    out: [{ share: [8, 26], at: { 35: [7.5, 9] } }],
  },
  hairlineAndPart: {
    pattern: 'a quarter of an hour of foils, toned where they were',
    hair: { naturalLevel: 7 },
    foils: [10, 26],
    share: { A: [2, 7] },
    grams: { A: [15, 70], B: [15, 60] },
    out: [{ share: [2, 7], at: { 12: [8.75, 10] } }],
  },
  faceFrame: {
    pattern: 'a bright panel at the face, toned where it was',
    foils: [6, 18],
    share: { A: [3, 9] },
    grams: { A: [25, 90], B: [15, 60] },
    out: [{ share: [3, 9], at: { 12: [8, 9.25] } }],
  },
  lowInWhite: {
    pattern: 'lowlights among white: her own colour drawn through',
    white: 0.6,
    foils: [45, 85],
    share: { A: [10, 24] },
    grams: { A: [50, 160] },
    out: [{ share: [5, 16], at: { 12: [4.5, 6.5] } }],
  },
  tieredCorrection: {
    pattern: 'dense weaves, what they leave painted, then a gloss over everything',
    foils: [80, 150],
    share: { A: [30, 50], B: [20, 50] },
    grams: { A: [200, 420], B: [80, 240], C: [80, 140] },
    out: [{ share: [28, 50], at: { 15: [6.75, 8.25] } }],
  },
  shadowAndMelt: {
    pattern: 'shadow, melt and gloss together, one rinse',
    hair: { naturalLevel: 6 },
    bands: REGROWN(9),
    history: 'lightened',
    atOnce: [
      ['Shadow root', 'Melt'],
      ['Melt', 'Gloss'],
      ['Shadow root', 'Gloss'],
    ],
    foils: [0, 0],
    grams: { A: [30, 60], B: [20, 60], C: [60, 120] },
    out: [{ share: [95, 100], at: { 1: [5, 6.75], 5: [6, 7.75], 20: [7.5, 9] } }],
  },
  crossedPanels: {
    pattern: 'block colour in two deposit shades that stay as long as each other',
    hair: { lengthCm: 8 },
    foils: [0, 0],
    grams: { A: [20, 60], B: [20, 60] },
    out: [{ share: [30, 75], at: { 3: [3.5, 4.5] } }],
  },
  cleanAndBright: {
    pattern: 'build-up clarified, skin wiped, gloss, care and style: everything that is no colour has its place',
    hair: { naturalLevel: 7 },
    bands: REGROWN(9),
    history: 'lightened',
    foils: [0, 0],
    grams: { A: [20, 90], B: [80, 140], C: [30, 120] },
    out: [{ share: [95, 100], at: { 15: [7.25, 9] } }],
  },
}
