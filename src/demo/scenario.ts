import type { FaltoPlan, HairState, HeadMeasures, StaffRole } from '@/core/model'
import { planFromDesign, type Design, type StageDesign } from '@/core/plan/serviceKinds'

/** The invented salon of the demo. All people, places and products are made up. */
export const DEMO_SALON = 'The Slack Tide Room, Brindle Harbour'

export const DEMO_STAFF: { key: string; name: string; role: StaffRole; email: string }[] = [
  { key: 'oriel', name: 'Oriel Castellane', role: 'owner', email: 'oriel@slack-tide.invalid' },
  { key: 'bram', name: 'Bram Whitlock', role: 'colourist', email: 'bram@slack-tide.invalid' },
  { key: 'tove', name: 'Tove Lindqvist-Adeyemi', role: 'assistant', email: 'tove@slack-tide.invalid' },
  { key: 'juno', name: 'Juno Pell', role: 'apprentice', email: 'juno@slack-tide.invalid' },
]

export interface DemoClient {
  key: string
  name: string
  note: string
  head: HeadMeasures
  hair: HairState
  plan: (newId: () => string) => FaltoPlan
}

interface Wanted extends Omit<StageDesign, 'kind' | 'name'> {
  name: string
  formulas: Design['formulas']
}

/** A plan of one stage of foils. */
const design =
  (head: HeadMeasures, hair: HairState, { name, formulas, ...stage }: Wanted): DemoClient['plan'] =>
  (newId) =>
    planFromDesign({ name, formulas, stages: [{ kind: 'lighten', name: 'Lighten', ...stage }] }, { head, hair, newId })

const teacherHead: HeadMeasures = { circumferenceCm: 55.5, earToEarCm: 35.5 }
const teacherHair: HairState = {
  naturalLevel: 4,
  density: 'high',
  texture: 'coarse',
  curl: 'straight',
  cutLine: 'oneLength',
  lengthCm: 88,
  weeksSinceColour: 0,
}

const guideHead: HeadMeasures = { circumferenceCm: 54 }
const guideHair: HairState = {
  naturalLevel: 6,
  density: 'low',
  texture: 'fine',
  curl: 'wavy',
  cutLine: 'layered',
  lengthCm: 28,
  weeksSinceColour: 11,
}

const puppeteerHead: HeadMeasures = {
  circumferenceCm: 56.5,
  frontToNapeCm: 36.5,
  earToEarCm: 34.5,
  frontHairlineOffsetCm: 0.5,
}
const puppeteerHair: HairState = {
  naturalLevel: 5,
  density: 'medium',
  texture: 'medium',
  curl: 'straight',
  cutLine: 'oneLength',
  lengthCm: 42,
  weeksSinceColour: 9,
}

export const DEMO_CLIENTS: DemoClient[] = [
  {
    key: 'ysolde-marchbanks',
    name: 'Ysolde Marchbanks',
    note: 'Cello teacher. Waist-length, worn plaited: wants light only where the plait turns.',
    head: teacherHead,
    hair: teacherHair,
    plan: design(teacherHead, teacherHair, {
      name: 'Light along the plait',
      template: 'topStrip',
      parameters: { stripWidthCm: 7 },
      formulas: [{ level: 7, tone: 'warm', developerVol: 20 }, { level: 4 }],
      zones: {
        back: { preset: 'chunkyWeave', rowGapMm: 18, startCm: 12, sequence: ['A'] },
        leftSide: {
          preset: 'mediumWeave',
          rowGapMm: 14,
          startCm: 8,
          direction: 'diagonalBack',
          sequence: ['A', 'leave'],
        },
        rightSide: {
          preset: 'mediumWeave',
          rowGapMm: 14,
          startCm: 8,
          direction: 'diagonalBack',
          sequence: ['A', 'leave'],
        },
        top: { preset: 'mediumWeave', rowGapMm: 20, startCm: 10, sequence: ['A'] },
      },
    }),
  },
  {
    key: 'maren-hale-abara',
    name: 'Maren Hale-Abara',
    note: 'Lighthouse-museum guide, 61. One white temple (left), growing out an old tint.',
    head: guideHead,
    hair: guideHair,
    plan: design(guideHead, guideHair, {
      name: 'Growing out softly',
      template: 'fourQuadrants',
      parameters: { separateNape: true },
      formulas: [
        { level: 9, tone: 'cool', developerVol: 15 },
        { level: 6, tone: 'cool' },
      ],
      zones: {
        backLeft: { preset: 'fineWeave', rowGapMm: 22, sequence: ['A', 'B'] },
        backRight: { preset: 'fineWeave', rowGapMm: 22, sequence: ['A', 'B'] },
        frontLeft: { preset: 'babylight', rowGapMm: 9, sequence: ['A', 'A', 'B'] },
        frontRight: { preset: 'fineWeave', rowGapMm: 12, sequence: ['A', 'B'] },
      },
    }),
  },
  {
    key: 'tamsin-quill',
    name: 'Tamsin Quill',
    note: 'Puppeteer. Needs bold contrast that is seen from twenty metres.',
    head: puppeteerHead,
    hair: puppeteerHair,
    plan: design(puppeteerHead, puppeteerHair, {
      name: 'Seen from the back row',
      template: 'topStrip',
      parameters: { stripWidthCm: 6, partOffsetCm: 1.5 },
      formulas: [
        { level: 10, tone: 'neutral', developerVol: 20 },
        { level: 3, tone: 'neutral', developerVol: 10 },
      ],
      zones: {
        nape: { preset: 'slice', rowGapMm: 0, sequence: ['A', 'B'] },
        back: { preset: 'slice', rowGapMm: 0, sequence: ['A', 'B'] },
        leftSide: { preset: 'slice', rowGapMm: 2, sequence: ['A', 'A', 'B'], direction: 'diagonalBack' },
        rightSide: { preset: 'slice', rowGapMm: 2, sequence: ['A', 'A', 'B'], direction: 'diagonalBack' },
        top: { preset: 'fineWeave', rowGapMm: 0, sequence: ['A', 'A', 'B'] },
      },
    }),
  },
]
