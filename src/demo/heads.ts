import {
  toBandEdge,
  fitBands,
  paintWhite,
  SCALP_CELLS,
  startingCanvas,
  strandLength,
  tidy,
} from '@/core/hair/hairRecord'
import { createHead } from '@/core/scalp/head'
import {
  STARTING_HAIR,
  type Band,
  type Canvas,
  type Goal,
  type HairState,
  type HeadMeasures,
  type Place,
  type Strand,
  type TreatmentKind,
} from '@/core/model'

/** The consultation records of the demo: ten invented heads, each with its own difficulty. */
export interface DemoHead {
  key: string
  name: string
  note: string
  head: HeadMeasures
  hair: HairState
  goal: Goal
  /** The canvas as it was recorded on a day. */
  canvas: (on: string) => Canvas
  /** Weeks before the demo's first day on which the record was made. */
  weeksAgo: number
}

/** A band by where it ends; the rest is what it usually is. */
type Stretch = Partial<Omit<Band, 'fromCm' | 'toCm' | 'treatments'>> & {
  to: number
  level: number
  past?: TreatmentKind[]
}

function stretches(list: Stretch[]): Band[] {
  let from = 0
  return list.map(({ to, past = [], ...rest }) => {
    const band: Band = {
      hue: 'neutral',
      strength: 0,
      porosity: 'normal',
      integrity: 'sound',
      ...rest,
      fromCm: from,
      toCm: to,
      treatments: past.map((kind) => ({ kind })),
    }
    from = to
    return band
  })
}

interface Kind {
  share: number
  bands: Stretch[]
}

/** Every region at its own length, every kind of hair with its share, white hair where `white` says. */
function canvasOf(
  head: HeadMeasures,
  hair: HairState,
  kinds: Kind[],
  white: (place: Place) => number,
): DemoHead['canvas'] {
  return (recordedOn) => {
    const empty = startingCanvas(createHead(head), hair, recordedOn)
    const lengthOf = new Map(empty.strands.map(({ id, bands }) => [id, toBandEdge(strandLength(bands))]))
    const strands: Strand[] = empty.strands.flatMap(({ id }) =>
      kinds.map(({ bands }, k) => ({ id: `${id}-${k}`, bands: fitBands(stretches(bands), lengthOf.get(id)!) })),
    )
    const cells = empty.cells.map(({ populations }) => ({
      populations: kinds.map(({ share }, k) => ({
        strandId: `${populations[0]!.strandId}-${k}`,
        share,
        white: 0,
        sources: [],
      })),
    }))
    return SCALP_CELLS.reduce((canvas, { index, centre }) => {
      const here = white(centre)
      return here > 0 ? paintWhite(canvas, new Set([index]), here) : canvas
    }, tidy({ recordedOn, strands, cells }))
  }
}

const GOAL: Goal = {
  targets: [{ region: 'all', level: 7, hue: 'neutral', strength: 0.5 }],
  warmth: 'some',
  contrast: 'subtle',
  lightPercent: 30,
  faceFrame: 'none',
  root: 'rooted',
  shadowCm: 2,
  white: 'keep',
  wear: { straight: 1, waved: 0, tiedLow: 0, tiedHigh: 0 },
  upkeepWeeks: 8,
  means: 'open',
  school: 'lowAndSlow',
}

const HAIR: HairState = {
  ...STARTING_HAIR,
  weeksSinceColour: 8,
  washesPerWeek: 3,
  scalp: 'calm',
}

interface Draft extends Pick<DemoHead, 'key' | 'name' | 'note' | 'weeksAgo'> {
  head?: HeadMeasures
  hair: Partial<HairState>
  kinds: Kind[]
  white?: (place: Place) => number
  goal: Partial<Goal>
}

function demoHead({ head = { circumferenceCm: 54 }, hair, kinds, white = () => 0, goal, ...rest }: Draft): DemoHead {
  const whole = { ...HAIR, ...hair }
  return { ...rest, head, hair: whole, goal: { ...GOAL, ...goal }, canvas: canvasOf(head, whole, kinds, white) }
}

/** One strand for all hair. */
const all = (...bands: Stretch[]): Kind[] => [{ share: 1, bands }]
const leftTemple = ({ psi, s }: Place) => psi > 0.6 && psi < 1.5 && s > 0.55

export const DEMO_HEADS: DemoHead[] = [
  demoHead({
    key: 'ysolde-marchbanks',
    name: 'Ysolde Marchbanks',
    note: 'Cello teacher. Waist-length, worn plaited: wants light only where the plait turns.',
    weeksAgo: 12,
    head: { circumferenceCm: 55.5, earToEarCm: 35.5 },
    hair: {
      naturalLevel: 4,
      density: 'high',
      texture: 'coarse',
      cutLine: 'oneLength',
      lengthCm: 88,
      weeksSinceColour: 0,
      washesPerWeek: 1,
      part: 'centre',
    },
    kinds: all({ to: 88, level: 4 }),
    goal: {
      targets: [{ region: 'all', level: 7, hue: 'gold', strength: 0.4 }],
      warmth: 'welcome',
      lightPercent: 15,
      wear: { straight: 0.2, waved: 0, tiedLow: 0.8, tiedHigh: 0 },
      upkeepWeeks: 12,
    },
  }),
  demoHead({
    key: 'linnet-sorrel',
    name: 'Linnet Sorrel',
    note: 'Swims in the harbour all winter. Mineral-greened, porous ends.',
    weeksAgo: 9,
    hair: { naturalLevel: 7, texture: 'fine', lengthCm: 45, washesPerWeek: 6, fragile: ['ends'] },
    kinds: all(
      { to: 6, level: 7 },
      { to: 30, level: 8, hue: 'gold', strength: 0.3, past: ['sun'] },
      {
        to: 45,
        level: 9,
        hue: 'green',
        strength: 0.5,
        past: ['lightened', 'mineral'],
        porosity: 'high',
        integrity: 'worn',
      },
    ),
    goal: { targets: [{ region: 'all', level: 9, hue: 'beige', strength: 0.3 }], lightPercent: 40 },
  }),
  demoHead({
    key: 'maren-hale-abara',
    name: 'Maren Hale-Abara',
    note: 'Lighthouse-museum guide, 61. One white temple (left), growing out an old tint.',
    weeksAgo: 11,
    hair: {
      naturalLevel: 6,
      density: 'low',
      texture: 'fine',
      curl: 'wavy',
      lengthCm: 28,
      weeksSinceColour: 11,
      hairlineShape: 'rounded',
    },
    kinds: all(
      { to: 3, level: 6 },
      { to: 28, level: 5, hue: 'copper', strength: 0.2, beneathLevel: 6, past: ['permanent'] },
    ),
    white: (place) => (leftTemple(place) ? 0.8 : 0.15),
    goal: {
      targets: [{ region: 'all', level: 8, hue: 'ash', strength: 0.4 }],
      white: 'blend',
      lightPercent: 35,
      upkeepWeeks: 10,
    },
  }),
  demoHead({
    key: 'corwin-adebayo-strand',
    name: 'Corwin Adebayo-Strand',
    note: 'Ferry deckhand. Cropped top with sun-bleached tips; wants copper panels.',
    weeksAgo: 5,
    head: { circumferenceCm: 57.5 },
    hair: {
      naturalLevel: 5,
      texture: 'coarse',
      lengthCm: 8,
      weeksSinceColour: 0,
      washesPerWeek: 7,
      growthCmPerMonth: 1.3,
    },
    kinds: all({ to: 5, level: 5 }, { to: 8, level: 7, hue: 'gold', strength: 0.4, past: ['sun'] }),
    goal: {
      targets: [{ region: 'all', level: 6, hue: 'copper', strength: 0.8 }],
      warmth: 'welcome',
      contrast: 'bold',
      lightPercent: 60,
      root: 'toScalp',
      shadowCm: 0,
      upkeepWeeks: 5,
    },
  }),
  demoHead({
    key: 'tamsin-quill',
    name: 'Tamsin Quill',
    note: 'Puppeteer. Needs bold contrast that is seen from twenty metres.',
    weeksAgo: 9,
    head: { circumferenceCm: 56.5, frontToNapeCm: 36.5, earToEarCm: 34.5, frontHairlineOffsetCm: 0.5 },
    hair: { naturalLevel: 5, cutLine: 'oneLength', lengthCm: 42, weeksSinceColour: 9, part: 'left' },
    kinds: [
      {
        share: 0.5,
        bands: [
          { to: 2.5, level: 5 },
          {
            to: 42,
            level: 9,
            hue: 'gold',
            strength: 0.3,
            past: ['lightened', 'demi'],
            beneathLevel: 9,
            porosity: 'high',
            integrity: 'worn',
          },
        ],
      },
      {
        share: 0.5,
        bands: [
          { to: 2.5, level: 5 },
          { to: 42, level: 3, beneathLevel: 4, past: ['permanent'] },
        ],
      },
    ],
    goal: {
      targets: [{ region: 'all', level: 10, hue: 'neutral', strength: 0.3 }],
      contrast: 'bold',
      lightPercent: 50,
      faceFrame: 'bold',
      root: 'toScalp',
      shadowCm: 0,
      upkeepWeeks: 6,
    },
  }),
  demoHead({
    key: 'odalys-brandt',
    name: 'Odalys Brandt',
    note: 'Baker. Tight curls and a black dye from a market stall, no box, no name.',
    weeksAgo: 14,
    hair: {
      naturalLevel: 3,
      density: 'high',
      curl: 'coily',
      lengthCm: 25,
      weeksSinceColour: 14,
      washesPerWeek: 1,
      wornLengthsCm: { crown: 9 },
    },
    kinds: all({ to: 4, level: 3 }, { to: 25, level: 1, past: ['unknown'] }),
    goal: {
      targets: [{ region: 'all', level: 7, hue: 'gold', strength: 0.4 }],
      warmth: 'welcome',
      contrast: 'clear',
      lightPercent: 30,
    },
  }),
  demoHead({
    key: 'ingrith-vane',
    name: 'Ingrith Vane',
    note: 'Harbour pilot. Always a low knot under the cap.',
    weeksAgo: 16,
    hair: { naturalLevel: 4, curl: 'wavy', lengthCm: 60, cutLine: 'graduatedBack', weeksSinceColour: 32 },
    kinds: all({ to: 10, level: 4 }, { to: 60, level: 4, hue: 'copper', strength: 0.2, past: ['permanent'] }),
    goal: {
      targets: [{ region: 'all', level: 6, hue: 'beige', strength: 0.4 }],
      warmth: 'none',
      lightPercent: 25,
      wear: { straight: 0.1, waved: 0, tiedLow: 0.9, tiedHigh: 0 },
      upkeepWeeks: 12,
    },
  }),
  demoHead({
    key: 'pim-okafor-lund',
    name: 'Pim Okafor-Lund',
    note: 'Student. Three layers of colour from the bathroom, the first of them a bleach.',
    weeksAgo: 3,
    hair: { naturalLevel: 6, texture: 'fine', lengthCm: 38, weeksSinceColour: 11, fragile: ['ends'] },
    kinds: all(
      { to: 3, level: 6 },
      { to: 15, level: 5, hue: 'red', strength: 0.6, past: ['boxDye'] },
      { to: 38, level: 3, past: ['lightened', 'boxDye', 'boxDye'], porosity: 'high', integrity: 'fragile' },
    ),
    goal: {
      targets: [{ region: 'all', level: 9, hue: 'pearl', strength: 0.4 }],
      warmth: 'none',
      contrast: 'clear',
      lightPercent: 70,
    },
  }),
  demoHead({
    key: 'hesper-lindgaard',
    name: 'Hesper Lindgaard',
    note: 'Her daughter marries; the photographs are in nine weeks.',
    weeksAgo: 5,
    hair: { naturalLevel: 5, lengthCm: 30, weeksSinceColour: 5, part: 'right' },
    kinds: all({ to: 1.5, level: 5 }, { to: 30, level: 5, hue: 'beige', strength: 0.2, past: ['permanent'] }),
    white: () => 0.4,
    goal: {
      targets: [{ region: 'all', level: 7, hue: 'beige', strength: 0.4 }],
      white: 'blend',
      lightPercent: 40,
      faceFrame: 'soft',
      upkeepWeeks: 6,
    },
  }),
  demoHead({
    key: 'garrick-thole',
    name: 'Garrick Thole',
    note: 'Net-mender, 52. A restoring lotion every morning for years.',
    weeksAgo: 4,
    head: { circumferenceCm: 58 },
    hair: { naturalLevel: 5, lengthCm: 12, weeksSinceColour: 1, washesPerWeek: 5 },
    kinds: all({ to: 1, level: 5 }, { to: 12, level: 4, past: ['metallic'] }),
    white: () => 0.6,
    goal: {
      targets: [{ region: 'all', level: 7, hue: 'ash', strength: 0.4 }],
      warmth: 'none',
      white: 'blend',
      lightPercent: 50,
    },
  }),
]
