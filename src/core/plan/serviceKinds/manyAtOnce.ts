import type { Placement, RhythmEntry } from '../../model'
import { takeOf } from './design'
import {
  allOver,
  bare,
  gloss,
  glossAll,
  light,
  low,
  onto,
  QUADRANTS,
  retouched,
  shadow,
  stage,
  throughout,
  tone,
  type Service,
} from './parts'

/** A row of one formula along the whole strand, with what is its own. */
const row = (formulaId: string, own: Omit<RhythmEntry, 'stretches'>): RhythmEntry => ({
  stretches: [{ formulaId }],
  ...own,
})

/** Rows of two slices, then babylights. */
const SLICES_THEN_FINE: Placement['sequence'] = [
  row('A', { take: takeOf('slice') }),
  row('A', { take: takeOf('slice') }),
  row('A', { take: takeOf('babylight') }),
  row('A', { take: takeOf('babylight') }),
]

/** A cut before the colour takes so much of the length. Our choice, to be changed at once. */
const KEPT_OF_LENGTH = 0.65

/**
 * Visits in which several products are on the hair at once, or one prepares what the next finds. Figures: common
 * practice, unless it says otherwise.
 */
export const MANY_AT_ONCE = [
  {
    id: 'rootAndLengths',
    name: 'Root and lengths toned',
    help: 'No lightener: a softer root, the lengths toned on the wet root, one rinse.',
    design: ({ naturalLevel }) => ({
      name: 'Root and lengths toned',
      formulas: [gloss(naturalLevel, { name: 'Root' }), tone(naturalLevel + 3, { name: 'Lengths' })],
      stages: [
        { ...shadow('A', 3), name: 'Root', lasts: { minutes: 15 } },
        stage('gloss', 'Lengths', {
          template: 'fourQuadrants',
          ...onto(0),
          lasts: { minutes: 10 },
          zones: allOver('B', { startCm: 3 }),
        }),
      ],
    }),
  },
  {
    id: 'baseUnderFoils',
    name: 'Base under foils',
    help: 'Root colour first, foils over it while it sits. With a second pair of hands on long hair: the base must outlast the foiling.',
    design: (hair) => ({
      name: 'Base under foils',
      formulas: [
        light(hair.naturalLevel + 3),
        low(hair.naturalLevel, { name: 'Base', developerVol: 20 }),
        tone(hair.naturalLevel + 3),
      ],
      stages: [
        stage('base', 'Base', {
          ...QUADRANTS,
          lasts: { minutes: 45 },
          zones: {
            '*': {
              preset: 'onScalp',
              take: { bandCm: retouched(hair) },
              subsectionMm: 5,
              rowGapMm: 0,
              sequence: ['B'],
            },
          },
        }),
        stage('lighten', 'Foils over the base', {
          ...QUADRANTS,
          ...onto(0),
          zones: {
            '*': { preset: 'mediumWeave', rowGapMm: 12, startCm: retouched(hair), bufferCm: 0.5, sequence: ['A'] },
          },
        }),
        glossAll('C'),
      ],
    }),
  },
  {
    id: 'growthAndEnds',
    name: 'New growth and old ends',
    help: 'Two lighteners in one foil: stronger on what has grown, weaker on what is light already.',
    design: (hair) => ({
      name: 'New growth and old ends',
      formulas: [
        light(hair.naturalLevel + 3, { name: 'New growth' }),
        light(hair.naturalLevel + 3, { name: 'Old ends', productId: 'marl', developerVol: 7, ratio: 2 }),
      ],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: {
            '*': {
              preset: 'fineWeave',
              rowGapMm: 5,
              sequence: [{ stretches: [{ formulaId: 'A', toCm: retouched(hair) }, { formulaId: 'B' }] }],
            },
          },
        }),
      ],
    }),
  },
  {
    id: 'threeInOneFoil',
    name: 'Melted in the foil',
    help: 'Root, middle and ends in one foil: a melt that stays where it was put.',
    design: ({ naturalLevel }) => ({
      name: 'Melted in the foil',
      formulas: [
        gloss(naturalLevel, { name: 'Root' }),
        gloss(naturalLevel + 1, { name: 'Middle' }),
        tone(naturalLevel + 3, { name: 'Ends' }),
      ],
      stages: [
        stage('melt', 'Melt in foils', {
          ...QUADRANTS,
          zones: {
            '*': {
              preset: 'mediumWeave',
              subsectionMm: 8,
              rowGapMm: 7,
              sequence: [
                { stretches: [{ formulaId: 'A', toCm: 4 }, { formulaId: 'B', toCm: 14 }, { formulaId: 'C' }] },
              ],
            },
          },
        }),
      ],
    }),
  },
  {
    id: 'lightAndLow',
    name: 'Light and low in turn',
    help: 'Foils of light and low by turns: brightness with its own depth beside it.',
    design: ({ naturalLevel }) => ({
      name: 'Light and low in turn',
      formulas: [light(naturalLevel + 3), low(naturalLevel - 1)],
      stages: [
        stage('lighten', 'Light and low', {
          ...QUADRANTS,
          zones: { '*': { preset: 'fineWeave', rowGapMm: 4, sequence: ['A', 'B'] } },
        }),
      ],
    }),
  },
  {
    id: 'mixedTakes',
    name: 'Mixed takes',
    help: 'Highlight, teased panel, highlight, leave; at the front two slices, then babylights.',
    design: ({ naturalLevel }) => ({
      name: 'Mixed takes',
      formulas: [light(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: {
            '*': {
              preset: 'mediumWeave',
              rowGapMm: 6,
              sequence: ['A', row('A', { take: takeOf('teased'), startCm: 4 }), 'A', 'leave'],
            },
            frontLeft: { preset: 'fineWeave', rowGapMm: 6, sequence: SLICES_THEN_FINE },
            frontRight: { preset: 'fineWeave', rowGapMm: 6, sequence: SLICES_THEN_FINE },
          },
        }),
      ],
    }),
  },
  {
    id: 'rootColour',
    name: 'Root colour',
    help: 'New growth in the colour of the lengths; white covered. Five to eight weeks apart.',
    design: (hair) => ({
      name: 'Root colour',
      formulas: [low(hair.naturalLevel, { name: 'Root colour', developerVol: 20 })],
      stages: [
        stage('base', 'Root colour', {
          template: 'fourQuadrants',
          lasts: { minutes: 35 },
          zones: {
            '*': {
              preset: 'onScalp',
              take: { bandCm: retouched(hair) },
              subsectionMm: 4,
              rowGapMm: 0,
              direction: 'vertical',
              sequence: ['A'],
            },
          },
        }),
      ],
    }),
  },
  {
    id: 'evenedGloss',
    name: 'Evened out and glossed',
    help: 'Thirsty ends are evened with a spray that stays in, then everything is glossed.',
    design: ({ naturalLevel }) => ({
      name: 'Evened out and glossed',
      formulas: [{ name: 'Equaliser', productId: 'ebb-even', developerVol: 0, ratio: 0 }, tone(naturalLevel + 3)],
      stages: [
        stage('prepare', 'Even out', {
          template: 'fourQuadrants',
          comesOff: { kind: 'stays' },
          method: 'sprayOrMassage',
          zones: allOver('A', { startCm: 10 }),
        }),
        { ...glossAll('B'), begins: { kind: 'asApplied', stage: 0 } },
      ],
    }),
  },
  {
    id: 'dyeTakenOut',
    name: 'Dye taken out',
    help: 'Old dye is removed and washed out first; what is then there is glossed. Lightening is for another day.',
    design: (hair) => ({
      name: 'Dye taken out',
      formulas: [
        { name: 'Remover', productId: 'ebb', developerVol: 0, ratio: 0 },
        gloss(hair.naturalLevel, { name: 'Gloss' }),
      ],
      stages: [
        stage('prepare', 'Remover', {
          template: 'fourQuadrants',
          method: 'brush',
          zones: allOver('A', { startCm: retouched(hair) }),
        }),
        bare('wash', 'Wash twice', 10),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'filledAndDeepened',
    name: 'Filled and deepened',
    help: 'Warm pigment first, then the depth: lightened hair back to a darker colour that holds.',
    design: (hair) => ({
      name: 'Filled and deepened',
      formulas: [
        { name: 'Filler', productId: 'fathom-filler', developerVol: 0, ratio: 0, tone: 'warm' },
        low(hair.naturalLevel, { name: 'Depth' }),
      ],
      stages: [
        stage('prepare', 'Fill', {
          template: 'fourQuadrants',
          method: 'brush',
          comesOff: { kind: 'stays' },
          zones: allOver('A', { startCm: retouched(hair) }),
        }),
        stage('gloss', 'Depth', {
          template: 'fourQuadrants',
          begins: { kind: 'asApplied', stage: 0 },
          method: 'brush',
          zones: allOver('B', { startCm: retouched(hair) }),
        }),
      ],
    }),
  },
  {
    id: 'cutThenLight',
    name: 'Cut, then light',
    help: 'The cut comes first: foils, mix and time are those of the new length.',
    design: ({ naturalLevel, lengthCm }) => ({
      name: 'Cut, then light',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        { ...bare('cut', 'Cut', 30), cut: { lengthCm: Math.max(8, Math.round(KEPT_OF_LENGTH * lengthCm)) } },
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: { '*': { preset: 'mediumWeave', rowGapMm: 8, sequence: ['A'] } },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'paintedAndMelted',
    name: 'Painted, root melted',
    help: 'Painted open-air on long hair; then a root melt, and the lengths toned on it.',
    design: ({ naturalLevel }) => ({
      name: 'Painted, root melted',
      formulas: [
        light(naturalLevel + 3, { productId: 'whin', developerVol: 30, ratio: 1.5 }),
        gloss(naturalLevel, { name: 'Root melt' }),
        tone(naturalLevel + 3),
      ],
      stages: [
        stage('lighten', 'Paint', {
          ...QUADRANTS,
          zones: throughout(
            { preset: 'painted', rowGapMm: 14, startCm: 14, take: { faceLiftCm: 8 }, sequence: ['A'] },
            { preset: 'painted', rowGapMm: 10, startCm: 14, take: { shape: 'w', faceLiftCm: 8 }, sequence: ['A'] },
          ),
        }),
        { ...shadow('B', 4), name: 'Root melt' },
        stage('gloss', 'Gloss', { template: 'fourQuadrants', ...onto(1), zones: allOver('C', { startCm: 4 }) }),
      ],
    }),
  },
  {
    id: 'teasedAndPainted',
    name: 'Back-combed and painted',
    help: 'Panels back-combed towards the scalp, then painted: no line where the light begins. On long, coarse hair with a second pair of hands.',
    design: ({ naturalLevel }) => ({
      name: 'Back-combed and painted',
      formulas: [light(naturalLevel + 3, { productId: 'whin', developerVol: 30, ratio: 1.5 }), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Paint', {
          ...QUADRANTS,
          zones: {
            '*': {
              preset: 'painted',
              rowGapMm: 10,
              direction: 'diagonalBack',
              startCm: 10,
              take: { shape: 'w', faceLiftCm: 6, teased: true },
              sequence: ['A'],
            },
          },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'cleanAndBright',
    name: 'Clean and bright',
    help: 'Build-up out, a gloss, the skin wiped, a mask: blonde that has turned dull, without lightener.',
    design: ({ naturalLevel }) => ({
      name: 'Clean and bright',
      formulas: [
        { name: 'Clarifier', productId: 'ebb-clear', developerVol: 0, ratio: 0 },
        tone(naturalLevel + 2),
        { name: 'Mask', productId: 'keel-mask', developerVol: 0, ratio: 0 },
      ],
      stages: [
        stage('clarify', 'Clarify', { template: 'fourQuadrants', zones: allOver('A') }),
        glossAll('B'),
        bare('skinWipe', 'Wipe the skin', 2),
        stage('treat', 'Mask', { template: 'fourQuadrants', zones: allOver('C', { startCm: 10 }) }),
        bare('style', 'Style', 25),
      ],
    }),
  },
] as const satisfies readonly Service[]
