/* eslint-disable max-lines -- one table: the kinds of service */
import type { FaltoPlan } from '../../model'
import { planFromDesign, type Change } from './design'
import { MANY_AT_ONCE } from './manyAtOnce'
import type { Person } from './newPlan'
import {
  QUADRANTS,
  STRIP,
  allOver,
  gloss,
  glossAll,
  glossWhere,
  light,
  low,
  onto,
  retouched,
  shadow,
  stage,
  throughout,
  tone,
  type Service,
} from './parts'

/** Kinds of service of our own making, on shared parts. */
const KINDS = [
  {
    id: 'fullBabylights',
    name: 'Babylights all over',
    help: 'A whole head one soft shade lighter, to the skin.',
    design: ({ naturalLevel }) => ({
      name: 'Babylights all over',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: { '*': { preset: 'babylight', rowGapMm: 6, sequence: ['A'] } },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'topAndSides',
    name: 'Top and sides again',
    help: 'Between full heads: what is seen first.',
    design: ({ naturalLevel }) => ({
      name: 'Top and sides again',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          ...STRIP,
          order: ['leftSide', 'rightSide', 'top'],
          zones: {
            leftSide: { preset: 'mediumWeave', rowGapMm: 8, direction: 'diagonalBack', sequence: ['A'] },
            rightSide: { preset: 'mediumWeave', rowGapMm: 8, direction: 'diagonalBack', sequence: ['A'] },
            top: { preset: 'fineWeave', rowGapMm: 8, sequence: ['A'] },
          },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'boldSlices',
    name: 'Bold slices, light and low',
    help: 'Contrast that is seen from afar: nothing of the old colour in between.',
    design: ({ naturalLevel }) => ({
      name: 'Bold slices, light and low',
      formulas: [light(10), low(naturalLevel - 2), tone(10)],
      stages: [
        stage('lighten', 'Lighten', {
          ...STRIP,
          order: ['nape', 'back', 'leftSide', 'rightSide', 'top'],
          zones: {
            '*': { preset: 'slice', subsectionMm: 6, rowGapMm: 0, direction: 'diagonalBack', sequence: ['A', 'B'] },
            nape: { preset: 'slice', subsectionMm: 6, rowGapMm: 0, sequence: ['A', 'B'] },
            back: { preset: 'slice', subsectionMm: 6, rowGapMm: 0, sequence: ['A', 'B'] },
            top: { preset: 'slice', subsectionMm: 6, rowGapMm: 0, sequence: ['A', 'B'] },
          },
        }),
        glossAll('C'),
      ],
    }),
  },
  {
    id: 'hairlineAndPart',
    name: 'Hairline and part',
    help: 'A quarter of an hour of foils for hair that grows out at the edge.',
    design: ({ naturalLevel }) => ({
      name: 'Hairline and part',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          template: 'hairlineRim',
          parameters: { rimCm: 2, stripWidthCm: 4 },
          order: ['rimLeft', 'rimRight', 'partStrip'],
          zones: {
            rimLeft: { preset: 'fineWeave', direction: 'parallel', rowGapMm: 6, sequence: ['A'] },
            rimRight: { preset: 'fineWeave', direction: 'parallel', rowGapMm: 6, sequence: ['A'] },
            partStrip: { preset: 'fineWeave', rowGapMm: 8, rowOrder: 'topDown', sequence: ['A'] },
          },
        }),
        glossWhere('B', 0),
      ],
    }),
  },
  {
    id: 'faceFrame',
    name: 'Face frame',
    help: 'A bright panel at the face, a few pieces behind it to carry it into the rest.',
    design: ({ naturalLevel }) => ({
      name: 'Face frame',
      formulas: [light(naturalLevel + 4), tone(naturalLevel + 4)],
      stages: [
        stage('lighten', 'Lighten', {
          template: 'faceFrame',
          parameters: { rimCm: 2.5 },
          order: ['topLeft', 'topRight', 'faceLeft', 'faceRight'],
          zones: {
            topLeft: { preset: 'fineWeave', rowGapMm: 34, direction: 'diagonalBack', sequence: ['A'], startCm: 1 },
            topRight: { preset: 'fineWeave', rowGapMm: 34, direction: 'diagonalBack', sequence: ['A'], startCm: 1 },
            faceLeft: {
              preset: 'slice',
              subsectionMm: 8,
              rowGapMm: 0,
              direction: 'parallel',
              sequence: ['A', 'A', 'leave'],
            },
            faceRight: {
              preset: 'slice',
              subsectionMm: 8,
              rowGapMm: 0,
              direction: 'parallel',
              sequence: ['A', 'A', 'leave'],
            },
          },
        }),
        glossWhere('B', 0),
      ],
    }),
  },
  {
    id: 'onScalpRetouch',
    name: 'On-scalp retouch',
    help: 'New growth of a light blonde; back first, hairline last.',
    design: ({ naturalLevel }) => ({
      name: 'On-scalp retouch',
      formulas: [light(naturalLevel + 4, { productId: 'skerry', developerVol: 20, ratio: 1 }), tone(naturalLevel + 4)],
      stages: [
        stage('lighten', 'Regrowth', {
          template: 'onScalpSections',
          parameters: { stripWidthCm: 7 },
          zones: { '*': { preset: 'onScalp', rowGapMm: 0, take: { bandCm: 1 }, sequence: ['A'] } },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'foilRetouch',
    name: 'New growth in foils',
    help: 'Light strands again, where they have grown: nothing over what is light already.',
    design: (hair) => ({
      name: 'New growth in foils',
      formulas: [light(hair.naturalLevel + 3), tone(hair.naturalLevel + 3)],
      stages: [
        stage('lighten', 'New growth', {
          ...QUADRANTS,
          zones: { '*': { preset: 'fineWeave', rowGapMm: 6, upToCm: retouched(hair), sequence: ['A'] } },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'rootedTeased',
    name: 'Rooted and teased',
    help: 'Wide foils, back-combed: soft at the root, light in the lengths.',
    design: ({ naturalLevel }) => ({
      name: 'Rooted and teased',
      formulas: [light(naturalLevel + 4), gloss(naturalLevel + 1), gloss(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: throughout(
            { preset: 'teased', rowGapMm: 14, direction: 'diagonalBack', startCm: 3, sequence: ['A'] },
            { preset: 'teased', rowGapMm: 14, startCm: 4, sequence: ['A'] },
          ),
        }),
        shadow('B', 3),
        glossAll('C'),
      ],
    }),
  },
  {
    id: 'scalpToTip',
    name: 'Scalp to tip',
    help: 'As much light as foils give, without lightener on the skin.',
    design: ({ naturalLevel }) => ({
      name: 'Scalp to tip',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: { '*': { preset: 'slice', subsectionMm: 8, rowGapMm: 0, sequence: ['A'] } },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'deeperAgain',
    name: 'Deeper again',
    help: 'Depth put back into hair that has become one light colour.',
    design: ({ naturalLevel }) => ({
      name: 'Deeper again',
      formulas: [low(naturalLevel - 2, { name: 'Lowlight', developerVol: 13, tone: 'warm' })],
      stages: [
        stage('lighten', 'Lowlight', {
          ...QUADRANTS,
          zones: {
            '*': { preset: 'chunkyWeave', rowGapMm: 9, direction: 'diagonalBack', startCm: 1, sequence: ['A'] },
          },
        }),
      ],
    }),
  },
  {
    id: 'lowInWhite',
    name: 'Lowlights among white',
    help: 'Her own colour drawn through white hair, instead of covering it.',
    design: ({ naturalLevel }) => ({
      name: 'Lowlights among white',
      formulas: [low(naturalLevel, { developerVol: 20 })],
      stages: [
        stage('lighten', 'Lowlight', {
          ...QUADRANTS,
          zones: { '*': { preset: 'fineWeave', rowGapMm: 7, sequence: ['A'] } },
        }),
      ],
    }),
  },
  {
    id: 'whiteCopied',
    name: 'White pattern copied',
    help: 'Light where the white is, as much of it as there is white: growing out softly.',
    design: ({ naturalLevel }) => ({
      name: 'White pattern copied',
      formulas: [light(naturalLevel + 3, { tone: 'cool' }), tone(naturalLevel + 3, { tone: 'cool' })],
      stages: [
        stage('lighten', 'Lighten', {
          template: 'fourQuadrants',
          zones: { '*': { preset: 'fineWeave', rowGapMm: 8, select: 'copyWhite', sequence: ['A'] } },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'paintedSurface',
    name: 'Painted by hand',
    help: 'Painted open-air on long hair, higher towards the face.',
    design: ({ naturalLevel }) => ({
      name: 'Painted by hand',
      formulas: [light(naturalLevel + 3, { productId: 'whin', developerVol: 30, ratio: 1.5 }), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Paint', {
          ...QUADRANTS,
          zones: throughout(
            {
              preset: 'painted',
              rowGapMm: 18,
              direction: 'diagonalBack',
              startCm: 14,
              take: { faceLiftCm: 8 },
              sequence: ['A'],
            },
            { preset: 'painted', rowGapMm: 12, startCm: 14, take: { shape: 'w', faceLiftCm: 8 }, sequence: ['A'] },
          ),
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'curlByCurl',
    name: 'Curl by curl',
    help: 'Painted where each curl turns to the light.',
    design: ({ naturalLevel }) => ({
      name: 'Curl by curl',
      formulas: [
        light(naturalLevel + 3, { productId: 'whin', developerVol: 30, ratio: 1.5, tone: 'warm' }),
        tone(naturalLevel + 3, { tone: 'warm' }),
      ],
      stages: [
        stage('lighten', 'Paint', {
          ...QUADRANTS,
          zones: {
            '*': {
              preset: 'painted',
              subsectionMm: 14,
              rowGapMm: 14,
              startCm: 5,
              take: { shape: 'check', faceLiftCm: 3 },
              sequence: ['A'],
            },
          },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'triangleFan',
    name: 'Triangles round a circle',
    help: 'Block colour for short shapes worn any way.',
    design: ({ naturalLevel }) => ({
      name: 'Triangles round a circle',
      formulas: [gloss(naturalLevel + 2, { name: 'Pale' }), gloss(Math.max(1, naturalLevel - 1), { name: 'Deep' })],
      stages: [
        stage('blockTone', 'Block colour', {
          template: 'triangleFan',
          parameters: { pieces: 3 },
          zones: {
            ...Object.fromEntries(
              Array.from({ length: 12 }, (_, i): [string, Change] => [
                `fan${i + 1}`,
                { preset: 'block', rowGapMm: 0, sequence: [i % 2 === 0 ? 'B' : 'A'] },
              ]),
            ),
            circle: { preset: 'block', rowGapMm: 0, sequence: ['A'] },
          },
        }),
      ],
    }),
  },
  {
    id: 'crossedPanels',
    name: 'Crossed panels',
    help: 'Panels over a darker perimeter, for crops.',
    design: ({ naturalLevel }) => ({
      name: 'Crossed panels',
      formulas: [gloss(naturalLevel + 2, { name: 'Pale' }), gloss(Math.max(1, naturalLevel - 1), { name: 'Deep' })],
      stages: [
        stage('blockTone', 'Block colour', {
          template: 'crossedPanels',
          parameters: { rimCm: 4 },
          order: ['perimeterLeft', 'perimeterRight', 'panelBack', 'panelLeft', 'panelRight', 'panelFront'],
          zones: {
            '*': { preset: 'block', rowGapMm: 0, sequence: ['B'] },
            panelFront: { preset: 'block', rowGapMm: 0, sequence: ['A'] },
            panelBack: { preset: 'block', rowGapMm: 0, sequence: ['A'] },
            panelLeft: { preset: 'block', rowGapMm: 0, sequence: ['A', 'B'] },
            panelRight: { preset: 'block', rowGapMm: 0, sequence: ['A', 'B'] },
          },
        }),
      ],
    }),
  },
  {
    id: 'tieredCorrection',
    name: 'Correction in tiers',
    help: 'Dense weaves, what they leave lowlit, then glossed: for banded colour. Over several visits.',
    design: ({ naturalLevel }) => ({
      name: 'Correction in tiers',
      formulas: [
        light(naturalLevel + 3),
        low(naturalLevel, { name: 'Depth', developerVol: 13, tone: 'warm' }),
        gloss(naturalLevel + 2, { tone: 'cool' }),
      ],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: {
            '*': {
              preset: 'mediumWeave',
              subsectionMm: 6,
              rowGapMm: 2,
              startCm: 1,
              dropout: { kind: 'paint', formulaId: 'B' },
              sequence: ['A'],
            },
          },
        }),
        glossAll('C'),
      ],
    }),
  },
  {
    id: 'shadowAndMelt',
    name: 'Shadow and melt',
    help: 'No lightener: a softer root, brass calmed, lengths glossed.',
    design: ({ naturalLevel }) => ({
      name: 'Shadow and melt',
      formulas: [
        gloss(naturalLevel, { name: 'Shadow' }),
        gloss(naturalLevel + 1, { name: 'Melt' }),
        gloss(naturalLevel + 3, { tone: 'cool' }),
      ],
      stages: [
        { ...shadow('A', 3), ...QUADRANTS },
        stage('melt', 'Melt', {
          template: 'fourQuadrants',
          ...onto(0),
          method: 'bottleAndComb',
          zones: allOver('B', { startCm: 3, upToCm: 8 }),
        }),
        stage('gloss', 'Gloss', { template: 'fourQuadrants', ...onto(1), zones: allOver('C', { startCm: 8 }) }),
      ],
    }),
  },
  {
    id: 'knotAndNape',
    name: 'For a low knot',
    help: 'Light where tied-up hair shows it: nape, sides, hairline.',
    design: ({ naturalLevel }) => ({
      name: 'For a low knot',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          template: 'hairlineRim',
          parameters: { rimCm: 2.5, stripWidthCm: 0, separateNape: true },
          order: ['nape', 'left', 'right', 'rimLeft', 'rimRight'],
          zones: {
            nape: { preset: 'fineWeave', rowGapMm: 5, sequence: ['A'] },
            left: { preset: 'fineWeave', rowGapMm: 12, direction: 'diagonalBack', startCm: 1, sequence: ['A'] },
            right: { preset: 'fineWeave', rowGapMm: 12, direction: 'diagonalBack', startCm: 1, sequence: ['A'] },
            rimLeft: { preset: 'fineWeave', direction: 'parallel', rowGapMm: 4, sequence: ['A'] },
            rimRight: { preset: 'fineWeave', direction: 'parallel', rowGapMm: 4, sequence: ['A'] },
          },
        }),
        glossAll('B'),
      ],
    }),
  },
  {
    id: 'baseAndLight',
    name: 'Base and light',
    help: 'Root colour that sits while the foils go in, with old colour left between the two.',
    design: ({ naturalLevel }) => ({
      name: 'Base and light',
      formulas: [
        light(naturalLevel + 3),
        low(naturalLevel, { name: 'Base', developerVol: 20 }),
        tone(naturalLevel + 3),
      ],
      stages: [
        stage('lighten', 'Lighten', {
          ...QUADRANTS,
          zones: {
            '*': { preset: 'mediumWeave', rowGapMm: 8, startCm: 1.5, bufferCm: 1.5, sequence: ['A', 'A', 'leave'] },
          },
        }),
        stage('base', 'Base between the foils', {
          ...QUADRANTS,
          worksOn: { kind: 'dropped', stage: 0 },
          begins: { kind: 'sectionBySection', stage: 0 },
          comesOff: { kind: 'together', stage: 0 },
          zones: {
            '*': { preset: 'onScalp', take: { bandCm: 1.5 }, subsectionMm: 8, rowGapMm: 0, sequence: ['B'] },
          },
        }),
        glossAll('C'),
      ],
    }),
  },
  {
    id: 'haloBrightness',
    name: 'Bright perimeter',
    help: 'Light round a calm circle: for hair tied high, and for dense tops.',
    design: ({ naturalLevel }) => ({
      name: 'Bright perimeter',
      formulas: [light(naturalLevel + 3), tone(naturalLevel + 3)],
      stages: [
        stage('lighten', 'Lighten', {
          template: 'halo',
          order: ['perimeterLeft', 'perimeterRight', 'circle'],
          zones: {
            perimeterLeft: { preset: 'mediumWeave', rowGapMm: 8, direction: 'parallel', sequence: ['A'] },
            perimeterRight: { preset: 'mediumWeave', rowGapMm: 8, direction: 'parallel', sequence: ['A'] },
          },
        }),
        glossAll('B'),
      ],
    }),
  },
  ...MANY_AT_ONCE,
] as const satisfies readonly Service[]
export type ServiceId = (typeof KINDS)[number]['id']
export const SERVICES: readonly Service<ServiceId>[] = KINDS

/** The plan a kind of service makes for somebody. @throws Error for a service that is not there */
export function planFromService(id: string, person: Person): FaltoPlan {
  const service = SERVICES.find((candidate) => candidate.id === id)
  if (!service) throw new Error(`There is no service "${id}".`)
  return planFromDesign(service.design(person.hair), person)
}
