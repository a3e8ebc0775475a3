import type { TakePresetId } from '@/core/placement/foils'
import type { ContrastVerdict } from '@/core/judgement/look'
import type { Reach } from '@/core/judgement/feasibility'
import type {
  Begins,
  CareKind,
  ComesOff,
  Contrast,
  CountsFrom,
  Cover,
  CutLine,
  Consistency,
  Curl,
  Density,
  Direction,
  DropoutKind,
  FaceFrame,
  Fall,
  FragileArea,
  HairState,
  HairlineShape,
  Integrity,
  LayoutTemplate,
  LengthRegion,
  Means,
  Method,
  PaintShape,
  Part,
  Porosity,
  ProductKind,
  RampFigure,
  RampWay,
  RootWish,
  RowOrder,
  ScalpCondition,
  School,
  Selection,
  StageKind,
  TakeKind,
  TargetRegion,
  Texture,
  Tone,
  ToneHue,
  TreatmentKind,
  WarmthTolerance,
  Wear,
  WhiteWish,
  Skill,
} from '@/core/model'

/** All words for the terms of the documents, in one place. */
export const WORDS = {
  density: { low: 'low', medium: 'medium', high: 'high' } satisfies Record<Density, string>,
  texture: { fine: 'fine', medium: 'medium', coarse: 'coarse' } satisfies Record<Texture, string>,
  consistency: { liquid: 'Liquid', cream: 'Cream', thick: 'Thick' } satisfies Record<Consistency, string>,
  curl: { straight: 'straight', wavy: 'wavy', curly: 'curly', coily: 'coily' } satisfies Record<Curl, string>,
  cutLine: {
    oneLength: 'One length',
    layered: 'Layered',
    graduatedForward: 'Graduated forward',
    graduatedBack: 'Graduated back',
  } satisfies Record<CutLine, string>,
  direction: {
    horizontal: 'Horizontal',
    vertical: 'Vertical',
    diagonalBack: 'Diagonal back',
    diagonalForward: 'Diagonal forward',
    radial: 'Fanning out',
    parallel: 'Along the hairline',
  } satisfies Record<Direction, string>,
  take: {
    weave: 'Weave',
    babylight: 'Babylight',
    slice: 'Slice',
    teased: 'Teased',
    painted: 'Painted',
    block: 'Block',
    onScalp: 'On the scalp',
  } satisfies Record<TakeKind, string>,
  preset: {
    babylight: 'Babylight',
    fineWeave: 'Fine weave',
    mediumWeave: 'Medium weave',
    chunkyWeave: 'Chunky weave',
    slice: 'Slice',
    teased: 'Teased',
    painted: 'Painted',
    block: 'Block',
    onScalp: 'On the scalp',
  } satisfies Record<TakePresetId, string>,
  rowOrder: { bottomUp: 'From below', topDown: 'From above', fromPart: 'From the part' } satisfies Record<
    RowOrder,
    string
  >,
  template: {
    fourQuadrants: 'Four quadrants',
    topStrip: 'Top strip',
    onScalpSections: 'Eight on-scalp sections',
    radialBack: 'Wedges from the crown',
    halo: 'Circle and perimeter',
    triangleFan: 'Triangle fan',
    crossedPanels: 'Crossed panels',
    occipitalV: 'V at the back',
    hairlineRim: 'Hairline rim',
    fringeTriangle: 'Fringe triangle',
    faceFrame: 'Face frame',
  } satisfies Record<LayoutTemplate, string>,
  templateHelp: {
    fourQuadrants: 'Centre line and ear-to-ear line over the crown; with or without a nape section.',
    topStrip: 'A panel along the part from the front hairline to the crown, with sides, back and nape.',
    onScalpSections: 'Back in three, sides, front sides and front centre: for lightener on the scalp, hairline last.',
    radialBack: 'The back in wedges that meet at the crown, the front in two.',
    halo: 'A circle on top, its size by density, over a bright or dark perimeter.',
    triangleFan:
      'Triangles round a circle, standing on hairline and circle by turns: every styling direction shows both shades.',
    crossedPanels: 'Four panels that meet at the crown over a perimeter: for short shapes.',
    occipitalV: 'A V at the back whose tip lies on the occipital bone.',
    hairlineRim:
      'A rim along the front hairline, with or without a panel along the part: small refreshes, tied-up hair.',
    fringeTriangle: 'A triangle over the forehead, its corners cut off or not, with quadrants behind it.',
    faceFrame: 'A panel of given width along the face, with quadrants behind it.',
  } satisfies Record<LayoutTemplate, string>,
  cover: { foil: 'Foil', film: 'Film', open: 'Open air' } satisfies Record<Cover, string>,
  shape: { v: 'V', w: 'W', diagonal: 'Diagonal', check: 'Check' } satisfies Record<PaintShape, string>,
  dropout: {
    none: 'stays',
    lowlight: 'lowlit in the next foil',
    sameFoil: 'lowlit in the same foil',
    paint: 'painted open',
    base: 'base colour',
  } satisfies Record<DropoutKind | 'none', string>,
  select: {
    all: 'all hair',
    white: 'white hair only',
    dark: 'dark hair only',
    copyWhite: 'copy the white',
    earlier: 'earlier work again',
    notEarlier: 'not earlier work',
  } satisfies Record<Selection, string>,
  rampFigure: {
    stitchMm: 'Stitch',
    stitchGapMm: 'Gap between stitches',
    subsectionMm: 'Subsection',
    rowGapMm: 'Row gap',
    startCm: 'Start from the scalp',
    upToCm: 'Reach from the scalp',
    stopBeforeEndsCm: 'Stop before the ends',
    bandCm: 'Band on the scalp',
    saturation: 'Saturation',
  } satisfies Record<RampFigure, string>,
  rampWay: {
    upwards: 'growing upwards',
    alongRow: 'along the row',
    alternating: 'every other foil',
    afterRows: 'after some rows',
  } satisfies Record<RampWay, string>,
  stage: {
    clarify: 'Clarify',
    prepare: 'Prepare',
    base: 'Base',
    lighten: 'Lighten',
    dropoutPaint: 'Paint what was left',
    primer: 'Primer',
    shadowRoot: 'Shadow root',
    melt: 'Melt',
    gloss: 'Gloss',
    blockTone: 'Block colour',
    treat: 'Treat',
    wash: 'Wash',
    skinWipe: 'Wipe the skin',
    cut: 'Cut',
    style: 'Style',
  } satisfies Record<StageKind, string>,
  begins: {
    afterRinse: 'after the one before is rinsed',
    asApplied: 'as soon as another is on',
    sectionBySection: 'behind another, section by section',
    minutesAfter: 'some minutes after another',
  } satisfies Record<Begins['kind'], string>,
  comesOff: {
    ownRinse: 'in a rinse of its own',
    together: 'together with another stage',
    stays: 'not at all, it stays in',
  } satisfies Record<ComesOff['kind'], string>,
  countsFrom: {
    endOfApplication: 'the end of the application',
    eachPiece: 'each piece’s own start',
  } satisfies Record<CountsFrom, string>,
  method: {
    foil: 'in foil',
    brushOnScalp: 'brushed onto the scalp',
    brush: 'by brush',
    bottleAndComb: 'by bottle and comb',
    painting: 'painted',
    sprayOrMassage: 'sprayed or massaged in',
  } satisfies Record<Method, string>,
  contrastVerdict: {
    none: 'no contrast',
    barely: 'barely visible',
    subtle: 'subtle',
    clear: 'clear',
    bold: 'bold',
  } satisfies Record<ContrastVerdict, string>,
  tone: { cool: 'cool', neutral: 'neutral', warm: 'warm' } satisfies Record<Tone, string>,
  product: {
    powderLightener: 'powder lightener',
    clayLightener: 'clay lightener',
    creamLightener: 'cream lightener',
    permanentColour: 'permanent colour',
    demiColour: 'demi-permanent colour',
    gloss: 'gloss',
    directDye: 'direct dye',
    clear: 'clear',
    filler: 'filler',
    bondAdditive: 'bond additive',
    remover: 'remover',
    equaliser: 'porosity equaliser',
    primer: 'primer',
    acidSealer: 'acid sealer',
    developer: 'developer',
    treatment: 'treatment',
  } satisfies Record<ProductKind, string>,
  hue: {
    neutral: 'neutral',
    ash: 'ash',
    green: 'green-matte',
    violet: 'violet',
    pearl: 'pearl',
    silver: 'silver',
    beige: 'beige',
    gold: 'gold',
    copper: 'copper',
    red: 'red',
  } satisfies Record<ToneHue, string>,
  treatment: {
    lightened: 'Lightened',
    permanent: 'Permanent',
    demi: 'Demi',
    boxDye: 'Box dye',
    henna: 'Henna',
    unknown: 'Unknown dye',
    metallic: 'Metallic',
    sun: 'Sun',
    mineral: 'Mineral water',
  } satisfies Record<TreatmentKind, string>,
  porosity: { low: 'low', normal: 'normal', high: 'high' } satisfies Record<Porosity, string>,
  integrity: { sound: 'sound', worn: 'worn', fragile: 'fragile', breaking: 'breaking' } satisfies Record<
    Integrity,
    string
  >,
  region: {
    fringe: 'Fringe',
    front: 'Front',
    sides: 'Sides',
    crown: 'Crown',
    back: 'Back',
    nape: 'Nape',
  } satisfies Record<LengthRegion, string>,
  targetRegion: {
    all: 'Whole head',
    fringe: 'Fringe',
    front: 'Front',
    sides: 'Sides',
    crown: 'Crown',
    back: 'Back',
    nape: 'Nape',
  } satisfies Record<TargetRegion, string>,
  fall: { forward: 'forward', left: 'to the left', right: 'to the right', back: 'back' } satisfies Record<Fall, string>,
  part: { none: 'none', left: 'left', centre: 'centre', right: 'right', zigzag: 'zigzag' } satisfies Record<
    Part,
    string
  >,
  hairline: { rounded: 'rounded', straight: 'straight', peaked: 'peaked', receding: 'receding' } satisfies Record<
    HairlineShape,
    string
  >,
  fragile: { nape: 'nape', hairline: 'hairline', temples: 'temples', ends: 'ends' } satisfies Record<
    FragileArea,
    string
  >,
  scalp: { calm: 'calm', dry: 'dry', irritated: 'irritated', broken: 'broken skin' } satisfies Record<
    ScalpCondition,
    string
  >,
  warmth: { none: 'none', some: 'some', welcome: 'welcome' } satisfies Record<WarmthTolerance, string>,
  contrast: { subtle: 'subtle', clear: 'clear', bold: 'bold' } satisfies Record<Contrast, string>,
  faceFrame: { none: 'none', soft: 'soft', bold: 'bold' } satisfies Record<FaceFrame, string>,
  root: { toScalp: 'to the scalp', rooted: 'rooted', melt: 'soft melt' } satisfies Record<RootWish, string>,
  white: { cover: 'cover', blend: 'blend', keep: 'leave as it is' } satisfies Record<WhiteWish, string>,
  means: {
    open: 'whatever it takes',
    permanentOnly: 'permanent colour only',
    depositOnly: 'deposit only',
  } satisfies Record<Means, string>,
  school: { lowAndSlow: 'Low and slow', stepUp: 'Step up' } satisfies Record<School, string>,
  wear: { straight: 'straight', waved: 'waved or curled', tiedLow: 'tied low', tiedHigh: 'tied high' } satisfies Record<
    keyof Wear,
    string
  >,
  care: {
    allergyAlert: 'Allergy alert test',
    strandTest: 'Strand test',
    scalp: 'Scalp',
    age: 'Age',
    metallicHenna: 'Metallic salts and henna',
    reactions: 'Earlier reactions, medicines, health',
  } satisfies Record<CareKind, string>,
} as const

/** What work at a client asks of somebody. */
export const SKILL_WORDS: Record<Skill, string> = {
  colour: 'Put on',
  mix: 'Mix',
  rinse: 'Rinse',
  dry: 'Dry',
}

/** How far a wish can be had. */
export const REACH_WORDS: Record<Reach, string> = {
  oneVisit: 'Reachable in one visit',
  severalVisits: 'Reachable in several visits',
  partly: 'Reachable only in part',
  notNow: 'Not now',
}

/** The hair in one line. */
export const hairLine = (hair: HairState): string =>
  [
    `level ${hair.naturalLevel}`,
    `${hair.lengthCm} cm ${WORDS.cutLine[hair.cutLine].toLowerCase()}`,
    hair.curl,
    `${hair.texture} fibre`,
    `${hair.density} density`,
  ].join(' · ')

// Made once: to make one takes longer than a thousand dates.
const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
const MOMENT = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
})

/** A moment as a format writes it; a dash for none, for which formats throw. */
const written = (format: Intl.DateTimeFormat, moment: Date): string =>
  Number.isNaN(moment.getTime()) ? '–' : format.format(moment)

/** A date in words, the same on server and browser. */
export const dateInWords = (iso: string): string => written(DATE, new Date(iso))

/** A moment as it was on this device's clock. */
export const momentInWords = (iso: string): string => written(MOMENT, new Date(iso))

/** A few terms to choose from, in words. */
export const optionsOf = <T extends string>(values: readonly T[], words: Record<T, string>) =>
  values.map((value) => ({ value, label: words[value] }))
