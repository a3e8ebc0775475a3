import type { ServiceId } from '@/core/plan/serviceKinds'

/**
 * Kinds of service, as a colourist would expect them before anything is computed: from common practice (no source),
 * written down before the templates, layouts and takes they need existed (twenty at first, `foilRetouch` later and
 * again before it was built). `foils`: how many she would lay out. `light`, `low`: share of all hair, %, that gets
 * lighter or darker. `order`: sections in the order she would work them, by what they are called in the layout. A head
 * of 54–57 cm is meant.
 */
export interface Expected {
  /** What makes it a kind of its own: technique, canvas, wear. */
  technique: string
  canvas: string
  wear: string
  foils: [number, number]
  light: [number, number]
  low: [number, number]
  /** First and last sections; those between may go either way. */
  first: string
  last: string
}

export const EXPECTED: Partial<Record<ServiceId, Expected>> = {
  fullBabylights: {
    technique: 'babylights all over',
    canvas: 'virgin level 6',
    wear: 'straight',
    foils: [80, 115],
    light: [10, 18],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  topAndSides: {
    technique: 'medium weaves, part of the head',
    canvas: 'highlighted, grown out',
    wear: 'waved',
    foils: [28, 50],
    light: [6, 14],
    low: [0, 0],
    first: 'leftSide',
    last: 'top',
  },
  boldSlices: {
    technique: 'slices back to back, two formulas',
    canvas: 'level 5',
    wear: 'straight, seen from afar',
    foils: [100, 180],
    light: [35, 60],
    low: [25, 45],
    first: 'nape',
    last: 'top',
  },
  hairlineAndPart: {
    technique: 'fine weaves at the rim and along the part',
    canvas: 'blonde, four weeks grown',
    wear: 'tied low',
    foils: [10, 26],
    light: [2, 7],
    low: [0, 0],
    first: 'rimLeft',
    last: 'partStrip',
  },
  faceFrame: {
    technique: 'bold panel at the face, a few behind it',
    canvas: 'level 5',
    wear: 'waved',
    foils: [6, 18],
    light: [3, 9],
    low: [0, 0],
    first: 'topLeft',
    last: 'faceRight',
  },
  onScalpRetouch: {
    technique: 'on-scalp lightener on regrowth',
    canvas: 'pre-lightened, 1 cm of level 6',
    wear: 'any',
    foils: [0, 0],
    light: [95, 100],
    low: [0, 0],
    first: 'backCentre',
    last: 'frontCentre',
  },
  foilRetouch: {
    technique: 'fine weaves again, only on the new growth',
    canvas: 'highlighted level 9, six weeks grown',
    wear: 'any',
    foils: [55, 95],
    light: [12, 26],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  rootedTeased: {
    technique: 'teased light in wide foils',
    canvas: 'virgin level 5',
    wear: 'waved',
    foils: [26, 46],
    light: [18, 36],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  scalpToTip: {
    technique: 'slices to the scalp, back to back',
    canvas: 'virgin level 7, fine',
    wear: 'straight',
    foils: [75, 130],
    light: [95, 100],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  deeperAgain: {
    technique: 'chunky lowlights',
    canvas: 'over-highlighted level 9',
    wear: 'waved',
    foils: [36, 66],
    light: [0, 0],
    low: [22, 40],
    first: 'nape',
    last: 'frontRight',
  },
  lowInWhite: {
    technique: 'fine lowlights among white',
    canvas: '60 % white',
    wear: 'straight',
    foils: [45, 85],
    light: [0, 0],
    low: [10, 24],
    first: 'nape',
    last: 'frontRight',
  },
  whiteCopied: {
    technique: 'fine weaves that copy the white pattern',
    canvas: 'one white temple, 15 % elsewhere',
    wear: 'straight',
    foils: [30, 75],
    light: [4, 14],
    low: [0, 0],
    first: 'backLeft',
    last: 'frontRight',
  },
  paintedSurface: {
    technique: 'painted open-air, V and W',
    canvas: 'virgin level 5, long',
    wear: 'waved',
    foils: [0, 0],
    light: [14, 32],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  curlByCurl: {
    technique: 'painted curl by curl, check marks',
    canvas: 'coily level 3',
    wear: 'curls',
    foils: [0, 0],
    light: [12, 30],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  triangleFan: {
    technique: 'block colour in triangles round a circle',
    canvas: 'chin-length bob, pre-lightened',
    wear: 'any direction',
    foils: [0, 0],
    light: [30, 60],
    low: [30, 60],
    first: 'perimeterLeft',
    last: 'circle',
  },
  crossedPanels: {
    technique: 'interlocking panels over a darker perimeter',
    canvas: 'short crop',
    wear: 'any direction',
    foils: [0, 0],
    light: [30, 60],
    low: [35, 65],
    first: 'perimeterLeft',
    last: 'panelFront',
  },
  tieredCorrection: {
    technique: 'dense weaves, dropouts lowlit, base broken, glossed',
    canvas: 'box-dye bands',
    wear: 'straight',
    foils: [90, 160],
    light: [25, 45],
    low: [15, 45],
    first: 'nape',
    last: 'frontRight',
  },
  shadowAndMelt: {
    technique: 'shadow root, melt and gloss only',
    canvas: 'highlighted, brassy',
    wear: 'waved',
    foils: [0, 0],
    light: [0, 0],
    low: [0, 0],
    first: 'nape',
    last: 'frontRight',
  },
  knotAndNape: {
    technique: 'rim, nape and sides for tied-up hair',
    canvas: 'level 4, permanent',
    wear: 'low knot',
    foils: [22, 50],
    light: [6, 18],
    low: [0, 0],
    first: 'nape',
    last: 'rimRight',
  },
  baseAndLight: {
    technique: 'root colour between foils, buffer kept',
    canvas: '40 % white, old tint',
    wear: 'straight',
    foils: [45, 80],
    light: [8, 18],
    low: [70, 92],
    first: 'nape',
    last: 'frontRight',
  },
  haloBrightness: {
    technique: 'bright perimeter under a calm circle',
    canvas: 'level 6, dense',
    wear: 'tied high',
    foils: [30, 70],
    light: [14, 34],
    low: [0, 0],
    first: 'perimeterLeft',
    last: 'circle',
  },
}

/** The three that a colourist is to design from an empty plan in at most sixty touches and keys. */
export const DESIGNED_BY_HAND = ['topAndSides', 'boldSlices', 'rootedTeased'] as const
